import type { ClassPage, ClassSummary } from '@escalier/contract/class-pages';
import { format } from 'date-fns';
import { describe, expect, it } from 'vitest';
import { createTestApp, TUNES_FOLDER } from '../testing/index.ts';
import { DEMO_TEACHER } from './school.ts';
import { seedDemo } from './seed.ts';

/** The quarters, a weekend, Christmas and New Year's Eve, the end of February, both changes of the clocks. */
const DAYS = [
  ...['2027-01-14', '2027-04-14', '2027-07-14', '2027-10-14', '2026-12-05', '2026-12-24', '2026-12-31'],
  ...['2027-02-28', '2027-03-01', '2027-03-28', '2027-10-31', '2027-12-27'],
];

/** Each takes seconds: `npm run test:all` tries them. */
describe.runIf(process.env.ESCALIER_ALL === 'on')('the demo on any day', () => {
  it.each(DAYS)('%s is alive: lessons behind and ahead, pupils who climb, somebody to hear', async (day) => {
    const now = new Date(`${day}T10:00:00Z`);
    const test = await createTestApp({ empty: true });
    test.setNow(now);
    expect(await seedDemo(test.orm, TUNES_FOLDER, now)).toBe(true);
    const answer = await test.send('POST', '/api/sign-in', DEMO_TEACHER, null);
    const cookie = answer.headers.get('set-cookie')!.split(';')[0]!;
    const get = async <Body>(path: string) => (await (await test.send('GET', path, undefined, cookie)).json()) as Body;
    const classes = await get<ClassSummary[]>('/api/classes');
    for (const { id, name } of classes) {
      const { today, lessons, pupils } = await get<ClassPage>(`/api/classes/${id}`);
      expect(today, name).toBe(format(now, 'yyyy-MM-dd'));
      expect(lessons.had, name).toBeGreaterThan(2);
      expect(lessons.left, name).toBeGreaterThan(2);
      expect(
        pupils.some(({ records }) => records > 0),
        name,
      ).toBe(true);
    }
    await test.close();
  });
});
