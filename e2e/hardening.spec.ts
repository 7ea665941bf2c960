import { errors, expect, test, type Page } from '@playwright/test';
import { expectSaved, openClass, openDemo, pegs, pressInMenu } from './steps.ts';

const door = (page: Page) => page.getByRole('button', { name: 'Sign in', exact: true });

/** Opens the pupils of a class, and one of them. */
async function openPupil(page: Page, className: string, name: string): Promise<void> {
  await openDemo(page);
  await openClass(page, className);
  await page.getByRole('link', { name: 'Pupils', exact: true }).click();
  await page
    .getByRole('button', { name: new RegExp(`^${name}`) })
    .first()
    .click();
  await expect(page.getByRole('heading', { name })).toBeVisible();
}

test.describe('on a device that teachers share', () => {
  test.use({ serviceWorkers: 'allow' });

  test('signing out without a network takes the children away, in every tab; the school hears of it later', async ({
    page,
    context,
  }) => {
    await openDemo(page);
    await page.evaluate(async () => {
      await navigator.serviceWorker.ready;
    });
    await page.reload();
    await openClass(page, '4 Plover');
    const address = page.url();
    const other = await context.newPage();
    await other.goto(address);
    await expect(pegs(other).first()).toBeVisible();
    const session = (await context.cookies()).find((cookie) => cookie.name === 'escalier_session')!;

    await context.setOffline(true);
    await pressInMenu(page, 'Sign out');
    await expect(door(page)).toBeVisible();
    await expect(door(other)).toBeVisible();
    // What the device kept is gone: the address of the class opens nothing.
    await page.goto(address);
    await expect(door(page)).toBeVisible();
    const left = await page.evaluate(async () => {
      const names = await caches.keys();
      const answers = names.includes('escalier-answers')
        ? (await (await caches.open('escalier-answers')).keys()).length
        : 0;
      const database = await new Promise<IDBDatabase>((resolve) => {
        const opening = indexedDB.open('escalier');
        opening.onsuccess = () => resolve(opening.result);
      });
      const records = await new Promise<number>((resolve) => {
        const counting = database.transaction('records').objectStore('records').count();
        counting.onsuccess = () => resolve(counting.result);
      });
      return { answers, records };
    });
    expect(left).toEqual({ answers: 0, records: 0 });

    await context.setOffline(false);
    await page.goto('/classes');
    await expect(door(page)).toBeVisible();
    const headers = { cookie: `escalier_session=${session.value}` };
    await expect.poll(async () => (await fetch(new URL('/api/session', address), { headers })).status).toBe(401);
  });

  test('a session that was ended elsewhere takes them away as well', async ({ page, browser }) => {
    await openDemo(page);
    await page.evaluate(async () => {
      await navigator.serviceWorker.ready;
    });
    await page.reload();
    await openClass(page, '4 Otter');
    const other = await (await browser.newContext()).newPage();
    await openDemo(other);
    await other.evaluate(async () => {
      const sessions = (await (await fetch('/api/account/sessions')).json()) as { id: string; here: boolean }[];
      for (const { id, here } of sessions) if (!here) await fetch(`/api/account/sessions/${id}`, { method: 'DELETE' });
    });
    // The next thing that is pressed asks the school; a page that has heard of it by itself has nothing to press any more.
    await page
      .getByRole('link', { name: 'Board', exact: true })
      .click({ timeout: 10_000 })
      .catch((error: unknown) => {
        if (!(error instanceof errors.TimeoutError)) throw error;
      });
    await expect(door(page)).toBeVisible();
    await page.context().setOffline(true);
    await page.goto('/classes');
    await expect(door(page)).toBeVisible();
    await expect(page.getByText('4 Otter')).toHaveCount(0);
    await other.context().close();
  });
});

test('eight open tabs do not block the browser: one of them listens for all', async ({ context }) => {
  const first = await context.newPage();
  await openDemo(first);
  await openClass(first, '4 Plover');
  const address = first.url();
  const streams = new Set<string>();
  context.on('request', (request) => {
    if (request.url().includes('/api/hearing/live')) streams.add(request.url());
  });
  const tabs = await Promise.all(Array.from({ length: 7 }, () => context.newPage()));
  for (const tab of tabs) {
    await tab.goto(address);
    await expect(pegs(tab).first()).toBeVisible();
  }
  expect(streams.size).toBe(0);
  // A pass in one of them brings the others to ask for what is new.
  const last = tabs.at(-1)!;
  await first.getByRole('link', { name: /^Hear .* next/ }).click();
  const asked = last.waitForRequest((request) => request.url().includes('/records?after='));
  await first.getByRole('button', { name: 'Nearly' }).click();
  await asked;
});

test('two browsers change one pupil: both have their way, and where they clash nothing is lost', async ({
  browser,
}) => {
  const open = async (): Promise<Page> => {
    const page = await (await browser.newContext()).newPage();
    await openPupil(page, '4 Otter', 'Quynh');
    return page;
  };
  // One after the other: of two who sign in at one moment to an account at which somebody has guessed, one waits.
  const mara = await open();
  const ivo = await open();
  const consent = (page: Page) => page.getByLabel(/agree to recordings/);
  const note = (page: Page) => page.getByLabel('Note');
  const save = (page: Page) =>
    page
      .locator('form')
      .filter({ has: note(page) })
      .getByRole('button', { name: 'Save' });

  await consent(mara).check();
  await save(mara).click();
  await expectSaved(mara);
  await ivo.reload();
  await ivo
    .getByRole('button', { name: /^Quynh/ })
    .first()
    .click();
  // The consent is withdrawn in one browser; the other, which still shows it, saves a note.
  await consent(mara).uncheck();
  await save(mara).click();
  await expectSaved(mara);
  await note(ivo).fill('Plays with the left hand below');
  await save(ivo).click();
  await expectSaved(ivo);
  await expect(consent(ivo)).not.toBeChecked();

  await note(mara).fill('Needs a chair');
  await save(mara).click();
  await expect(mara.getByRole('alert').filter({ hasText: 'has changed this since you opened it' })).toBeVisible();
  await expect(note(mara)).toHaveValue('Needs a chair');
  await save(mara).click();
  await expectSaved(mara);
  for (const page of [mara, ivo]) await page.context().close();
});
