import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test, type Browser, type BrowserContext, type Page } from '@playwright/test';
import { engraved } from './engraved.ts';
import { databaseNamed, startServer, stopServer } from './server.ts';
import { lastResult, openClass, openDemo, pupilHeard, signInAgain } from './steps.ts';

const LIVE_DATABASE = databaseNamed('live');

test.use({ serviceWorkers: 'allow' });

/** The service worker has the whole application. */
async function readyForOffline(page: Page): Promise<void> {
  await page.evaluate(async () => {
    await navigator.serviceWorker.ready;
  });
  // From the next page on it is the one that answers.
  await page.reload();
  await expect.poll(() => page.evaluate(() => navigator.serviceWorker.controller !== null)).toBe(true);
}

/** Opens the hearing page of a class as a device that has been there before: all it asks for is kept. */
async function openHearing(page: Page, name: string): Promise<void> {
  await openDemo(page);
  await readyForOffline(page);
  await openClass(page, name);
  await page.getByRole('link', { name: /^Hear .* next/ }).click();
  await expect(page.getByRole('button', { name: 'Passed' })).toBeVisible();
  await expect(engraved(page).sheet.first()).toBeVisible();
  await page.reload();
  await expect(engraved(page).sheet.first()).toBeVisible();
}

const rail = (page: Page) => page.getByRole('navigation', { name: 'Rooms' });

/** Marks who is up, and gives the name. */
async function mark(page: Page, outcome: 'Passed' | 'Nearly'): Promise<string> {
  const name = (await pupilHeard(page).textContent()) ?? '';
  await page.getByRole('button', { name: outcome }).click();
  await expect(lastResult(page)).toContainText(name);
  await expect(pupilHeard(page)).not.toHaveText(name);
  return name;
}

/** How many records the school has of each pupil of a class, by name. */
async function recordsAtSchool(page: Page, name: string): Promise<Readonly<Record<string, number>>> {
  const classes = (await (await page.request.get('/api/classes')).json()) as { id: string; name: string }[];
  const { id } = classes.find((each) => each.name === name)!;
  const { pupils } = (await (await page.request.get(`/api/classes/${id}`)).json()) as {
    pupils: { name: string; records: number }[];
  };
  return Object.fromEntries(pupils.map((pupil) => [pupil.name, pupil.records]));
}

/** How many of a class's tunes have come to the device, after the page had the network to itself. */
function tunesOnDevice(page: Page): Promise<number> {
  return page.evaluate(async () => {
    const kept = await (await caches.open('escalier-answers')).keys();
    return kept.filter((request) => request.url.includes('/steps/')).length;
  });
}

test('without a network hearing goes on, also after the page was closed; with it all goes to the school once', async ({
  page,
  context,
}) => {
  await openHearing(page, '4 Plover');
  const before = await recordsAtSchool(page, '4 Plover');
  await expect.poll(() => tunesOnDevice(page)).toBeGreaterThanOrEqual(5);
  await context.setOffline(true);
  const names = [await mark(page, 'Passed'), await mark(page, 'Nearly'), await mark(page, 'Passed')];
  await expect(lastResult(page)).toContainText('Saved here');
  await expect(rail(page)).toContainText('Saved here: 3');
  const address = page.url();
  await page.close();

  const again = await context.newPage();
  await again.goto(address);
  await expect(engraved(again).sheet.first()).toBeVisible();
  await expect(rail(again)).toContainText('Saved here: 3');
  await again.getByRole('link', { name: 'Stairs' }).click();
  await expect(again.getByRole('link', { name: new RegExp(`^${names[1]!}: nearly passed`) })).toBeVisible();

  await context.setOffline(false);
  await expect(rail(again)).toContainText('All saved');
  const after = await recordsAtSchool(again, '4 Plover');
  for (const name of names) expect(after[name]).toBe(before[name]! + 1);
});

test('a session that has run out loses nothing: the records go after signing in again', async ({ page, context }) => {
  await openHearing(page, '4 Otter');
  const before = await recordsAtSchool(page, '4 Otter');
  await context.setOffline(true);
  const name = await mark(page, 'Nearly');
  await expect(lastResult(page)).toContainText('Saved here');
  await context.clearCookies();
  await context.setOffline(false);
  // With the network it tries to send, and is asked to sign in.
  await expect(page.getByRole('button', { name: 'Open the demo school' })).toBeVisible();
  await signInAgain(page);
  await expect(rail(page)).toContainText('All saved');
  expect((await recordsAtSchool(page, '4 Otter'))[name]).toBe(before[name]! + 1);
});

test('a full disk is said: what the school takes is stored there, what nobody takes is not shown as recorded', async ({
  page,
  context,
}) => {
  await page.addInitScript(() => {
    IDBObjectStore.prototype.add = () => {
      throw new DOMException('full', 'QuotaExceededError');
    };
  });
  await openHearing(page, 'Whistle Club');
  const before = await recordsAtSchool(page, 'Whistle Club');
  const first = await mark(page, 'Nearly');
  await expect(lastResult(page)).toContainText('Saved at school');
  await context.setOffline(true);
  const second = (await pupilHeard(page).textContent())!;
  await page.getByRole('button', { name: 'Nearly' }).click();
  await expect(lastResult(page)).toContainText(`Not recorded: ${second}`);
  await expect(pupilHeard(page)).toHaveText(second);
  await context.setOffline(false);
  const after = await recordsAtSchool(page, 'Whistle Club');
  expect([after[first], after[second]]).toEqual([before[first]! + 1, before[second]]);
});

test('a browser that is killed without a network has kept every mark', async ({ playwright }) => {
  const folder = mkdtempSync(join(tmpdir(), 'escalier-killed-'));
  const { launchOptions, baseURL } = test.info().project.use;
  const launch = () =>
    playwright.chromium.launchPersistentContext(folder, {
      serviceWorkers: 'allow',
      ...launchOptions,
      ...(baseURL === undefined ? {} : { baseURL }),
    });
  try {
    const first = await launch();
    const page = await first.newPage();
    await openHearing(page, '4 Otter');
    const before = await recordsAtSchool(page, '4 Otter');
    await first.setOffline(true);
    const names = [await mark(page, 'Nearly'), await mark(page, 'Nearly')];
    await expect(rail(page)).toContainText('Saved here: 2');
    // Whichever process of it: all of them, at once.
    execFileSync('pkill', ['-9', '-f', folder]);
    await first.close().catch(() => undefined);

    const second = await launch();
    const back = await second.newPage();
    await back.goto('/classes');
    // A killed browser may have lost the session with it.
    const door = back.getByRole('button', { name: 'Open the demo school' });
    await expect(door.or(rail(back))).toBeVisible();
    if (await door.isVisible()) await openDemo(back);
    await expect(rail(back)).toContainText('All saved');
    const after = await recordsAtSchool(back, '4 Otter');
    for (const name of names) expect(after[name]).toBe(before[name]! + 1);
    await second.close();
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
});

/** A device of its own, at one of the servers. */
async function device(browser: Browser, address: string): Promise<{ context: BrowserContext; page: Page }> {
  const context = await browser.newContext({ baseURL: address, serviceWorkers: 'block' });
  const page = await context.newPage();
  await openDemo(page, address);
  await openClass(page, '4 Plover');
  return { context, page };
}

test('two devices at two server processes see each other’s marks, and a wrong clock is told', async ({ browser }) => {
  const servers = [await startServer(LIVE_DATABASE), await startServer(LIVE_DATABASE)];
  try {
    const [one, two] = await Promise.all(servers.map(({ address }) => device(browser, address)));
    await one!.page.getByRole('link', { name: /^Nils: / }).click();
    await expect(pupilHeard(one!.page)).toHaveText('Nils');
    await one!.page.getByRole('button', { name: 'Passed' }).click();
    await expect(lastResult(one!.page)).toContainText('Nils passed');
    await expect(
      two!.page.getByRole('list', { name: 'Pupils on step 3' }).getByRole('link', { name: /^Nils/ }),
    ).toBeVisible();

    // The second device’s clock goes three hours ahead.
    await two!.page.clock.setFixedTime(Date.now() + 3 * 3_600_000);
    await two!.page.getByRole('link', { name: /^Goran: / }).click();
    await expect(pupilHeard(two!.page)).toHaveText('Goran');
    await two!.page.getByRole('button', { name: 'Passed' }).click();
    await expect(lastResult(two!.page)).toContainText('Goran passed');
    await one!.page.getByRole('link', { name: 'Stairs' }).click();
    await expect(
      one!.page.getByRole('list', { name: 'Pupils on step 3' }).getByRole('link', { name: /^Goran/ }),
    ).toBeVisible();
    await one!.page.getByRole('link', { name: 'Board' }).click();
    await one!.page.getByRole('gridcell', { name: /^Goran, step 2/ }).click();
    await expect(one!.page.getByText('The device’s clock was 3 hours ahead.')).toBeVisible();
    for (const { context } of [one!, two!]) await context.close();
  } finally {
    for (const server of servers) await stopServer(server);
  }
});
