import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, expect, test, type BrowserContext, type Page } from '@playwright/test';
import { played } from './played.ts';
import { ask, slipOf } from './slips.ts';
import { expectAccessible, openClass } from './steps.ts';
import { engraved } from './engraved.ts';

const PHONE = { width: 390, height: 844 };

/** A telephone whose microphone hears a pupil play Goose Walk with two wrong notes. */
async function telephone(work: (page: Page, context: BrowserContext) => Promise<void>): Promise<void> {
  const path = join(mkdtempSync(join(tmpdir(), 'escalier-sound-')), 'heard.wav');
  writeFileSync(path, played('x', 4, { wrong: 2, rate: 44_100, tempo: 140 }).buffer);
  const { executablePath, args } = test.info().project.use.launchOptions!;
  const fake = [
    '--use-fake-device-for-media-stream',
    '--use-fake-ui-for-media-stream',
    `--use-file-for-fake-audio-capture=${path}%noloop`,
  ];
  const browser = await chromium.launch({ executablePath: executablePath!, args: [...args!, ...fake] });
  const context = await browser.newContext({
    baseURL: test.info().project.use.baseURL!,
    permissions: ['microphone'],
    viewport: PHONE,
    hasTouch: true,
    serviceWorkers: 'block',
  });
  await work(await context.newPage(), context);
  await browser.close();
}

test('from the slip to ten minutes, a recording, the teacher’s answer, and back', async ({ page }) => {
  test.slow();
  const { slip, name, classId } = await slipOf(page);
  await telephone(async (phone, context) => {
    await phone.goto(`/room/#${slip.token}`);
    await expect(phone.getByText(slip.pictureName)).toBeVisible();
    expect(phone.url()).not.toContain(slip.token);
    await expect(phone.locator('body')).not.toContainText(name);
    await expect(phone.getByRole('heading', { name: 'Today' })).toBeVisible();
    await expect(phone.getByRole('button', { name: 'Start' })).toBeVisible();
    const parts = await phone.locator('.parts li').count();
    await phone.getByRole('button', { name: 'Start' }).click();
    let heard = 0;
    for (let part = 0; part < parts; part++) {
      await expect(engraved(phone).sheet.first()).toBeVisible();
      if ((await phone.getByRole('heading', { level: 1 }).textContent()) === 'Goose Walk') {
        await phone.getByLabel('Listen to me').check();
        await phone.getByRole('button', { name: 'Play it alone' }).click();
        await expect(phone.getByText('Now you, alone. I’m listening.')).toBeVisible();
        // It notices by itself that the pupil has ended.
        await expect(phone.getByText(/notes? to fix: /).first()).toBeVisible();
        await expect(engraved(phone).wrong.first()).toBeVisible();
        heard++;
      }
      await phone.getByRole('button', { name: 'Got it, next' }).click();
    }
    expect(heard).toBe(1);
    await expect(phone.getByRole('heading', { name: 'Done for today' })).toBeVisible();
    await expect(phone.locator('.week .done')).toHaveCount(1);

    await phone.getByRole('link', { name: 'Tunes' }).click();
    await phone.getByRole('link', { name: /Goose Walk/ }).click();
    await expect(phone.getByRole('button', { name: 'Record' })).toBeVisible();
    await phone.getByRole('button', { name: 'Record' }).click();
    // The tune takes 14 seconds, and the microphone hears it once.
    await expect(phone.getByRole('button', { name: /Done, 1[6-9] seconds/ })).toBeVisible();
    await phone.getByRole('button', { name: /Done/ }).click();
    await expect(phone.locator('.said')).toContainText(/notes? to fix: /);
    await expect(engraved(phone).wrong.first()).toBeVisible();
    await phone.getByRole('button', { name: 'Hear it' }).click();
    await context.setOffline(true);
    await phone.getByRole('button', { name: 'Send to my teacher' }).click();
    await expect(phone.getByText('Saved here. It will be sent when you’re online.')).toBeVisible();
    await context.setOffline(false);
    await expect(phone.getByText('Your teacher has it.')).toBeVisible();

    await page.goto(`/classes/${classId}/recordings`);
    const inbox = page.getByRole('link', { name: new RegExp(`${name}.*From home`, 's') });
    await expect(inbox).toContainText(/played as/);
    await inbox.click();
    await expect(page.getByText('From home: anyone holding the slip could have recorded it.')).toBeVisible();
    await expect(engraved(page).wrong.first()).toBeVisible();
    await page.getByRole('button', { name: 'Once more' }).click();
    await expectAccessible(page);
    await page.getByRole('button', { name: /^Nearly/ }).click();

    await expect
      .poll(async () => {
        await phone.reload();
        await phone.getByRole('link', { name: 'Teacher' }).click();
        return phone.getByText(/Practise bar \d slowly, then send it again/).count();
      })
      .toBe(1);
    await expect(phone.getByText('Nearly: once more.')).toBeVisible();
  });
});

test('the door opens by three words, forgets a closed slip, and loads little', async ({ page, browser }) => {
  const { slip, classId } = await slipOf(page);
  const context = await browser.newContext({ viewport: PHONE, baseURL: test.info().project.use.baseURL! });
  const phone = await context.newPage();
  let script = 0;
  phone.on('response', (answer) => {
    // The worker that reads and engraves comes when the first screen stands.
    if (answer.request().resourceType() === 'script' && !answer.url().includes('.worker-'))
      void answer.body().then(
        (body) => (script += body.length),
        () => undefined,
      );
  });
  await phone.goto('/room/');
  await phone.getByLabel('Three words').fill('otter lamp zigzag');
  await phone.getByRole('button', { name: 'Open the room' }).click();
  await expect(phone.getByText('This slip no longer works. Ask your teacher for a new one.')).toBeVisible();
  await phone.getByLabel('Three words').fill(slip.words);
  await phone.getByRole('button', { name: 'Open the room' }).click();
  await expect(phone.getByText(slip.pictureName)).toBeVisible();
  await expect(phone.locator('.parts li').first()).toBeVisible();
  // Uncompressed: a third of it crosses the network.
  expect(script).toBeGreaterThan(100_000);
  expect(script).toBeLessThan(250_000);
  expect((await context.cookies()).length).toBe(0);

  await ask(page, 'POST', `/api/classes/${classId}/room/slips`, { pupilIds: [slip.pupilId] });
  await phone.reload();
  await expect(phone.getByText('This slip no longer works. Ask your teacher for a new one.')).toBeVisible();
  await expect(phone.getByText(slip.pictureName)).toHaveCount(0);
  await context.close();
});

test('axe finds nothing in the practice room and on its teacher’s page', async ({ page, browser }) => {
  test.slow();
  const { slip } = await slipOf(page);
  await page.goto('/classes');
  await openClass(page, '4 Plover');
  await page
    .getByRole('navigation', { name: 'Pages of 4 Plover' })
    .getByRole('link', { name: 'Practice room' })
    .click();
  await expect(page.getByRole('heading', { name: 'Slips' })).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: /^Make \d+ slips?$/ }).click();
  await expect(page.getByRole('heading', { name: /slips? to print now/ })).toBeVisible();
  await expectAccessible(page);
  await page.goto('/school/data');
  await expect(page.getByRole('heading', { name: 'Practice rooms' })).toBeVisible();
  await expectAccessible(page);

  const context = await browser.newContext({ viewport: PHONE, baseURL: test.info().project.use.baseURL! });
  const phone = await context.newPage();
  await phone.goto('/room/');
  await expect(phone.getByRole('heading', { name: 'Open' })).toBeVisible();
  await expectAccessible(phone);
  await phone.goto(`/room/#${slip.token}`);
  await phone.reload();
  const rooms: readonly (readonly [link: string, heading: string])[] = [
    ['Today', 'Today'],
    ['Tunes', 'Tunes'],
    ['Notes', 'One minute of notes'],
    ['Rhythm', 'Tap the rhythm'],
    ['Teacher', 'From my teacher'],
  ];
  for (const [link, heading] of rooms) {
    await phone.getByRole('link', { name: link, exact: true }).click();
    await expect(phone.getByRole('heading', { level: 1, name: heading })).toBeVisible();
    await expectAccessible(phone);
    await noneIsWider(phone);
  }
  await phone.getByRole('link', { name: 'Notes' }).click();
  await phone.getByRole('button', { name: 'Cover the holes' }).click();
  await phone.getByRole('button', { name: 'left thumb: open' }).click();
  await expect(phone.getByRole('button', { name: 'left thumb: covered' })).toBeVisible();
  await expectAccessible(phone);
  await phone.getByRole('link', { name: 'Tunes' }).click();
  await phone.getByRole('link', { name: /Three Lanterns/ }).click();
  await expect(phone.getByRole('button', { name: 'Record' })).toBeVisible();
  await expectAccessible(phone);
  await noneIsWider(phone);
  await phone.goto('/room/families');
  await expect(phone.getByRole('heading', { name: 'For families' })).toBeVisible();
  await expectAccessible(phone);
  await context.close();
});

async function noneIsWider(page: Page): Promise<void> {
  expect(await page.evaluate(() => document.documentElement.scrollWidth <= innerWidth)).toBe(true);
}
