import type { ClassPage, ClassSummary } from '@escalier/contract/class-pages';
import type { AccessSlip } from '@escalier/contract/practice-rooms';
import type { Page } from '@playwright/test';
import { openDemo } from './steps.ts';

/** Asks the school as who is signed in at the page. */
export function ask<Answer>(page: Page, method: string, path: string, body?: unknown): Promise<Answer> {
  return page.evaluate(
    async ([how, where, what]) => {
      const headers = { 'content-type': 'application/json' };
      const init = { method: how, headers, ...(what === undefined ? {} : { body: JSON.stringify(what) }) };
      return (await (await fetch(where, init)).json()) as never;
    },
    [method, path, body] as const,
  );
}

export interface SlipMade {
  readonly slip: AccessSlip;
  /** Of the pupil. */
  readonly name: string;
  readonly classId: string;
}

/** Opens the practice room of 4 Plover, and makes a slip for somebody on Goose Walk whose family agrees to recordings. */
export async function slipOf(page: Page, address = ''): Promise<SlipMade> {
  await openDemo(page, address);
  await ask(page, 'PUT', '/api/school/rooms', { allowed: true });
  const classes = await ask<readonly ClassSummary[]>(page, 'GET', '/api/classes');
  const { id: classId } = classes.find(({ name }) => name === '4 Plover')!;
  const { pupils, today } = await ask<ClassPage>(page, 'GET', `/api/classes/${classId}`);
  const until = `${Number(today.slice(0, 4)) + 1}-01-31`;
  await ask(page, 'PUT', `/api/classes/${classId}/room`, { until });
  const { agreed } = await ask<{ readonly agreed: readonly string[] }>(
    page,
    'GET',
    `/api/classes/${classId}/recordings`,
  );
  for (const { id, name } of pupils.filter((pupil) => pupil.leftOn === null && agreed.includes(pupil.id))) {
    const [slip] = await ask<readonly AccessSlip[]>(page, 'POST', `/api/classes/${classId}/room/slips`, {
      pupilIds: [id],
    });
    const on = await page.evaluate(async (token) => {
      const answer = await fetch('/api/room', { headers: { authorization: `Bearer ${token}` } });
      const { tunes, now } = (await answer.json()) as { tunes: { title: string }[]; now: number };
      return tunes[now]!.title;
    }, slip!.token);
    if (on === 'Goose Walk') return { slip: slip!, name, classId };
  }
  throw new Error('nobody is on Goose Walk');
}
