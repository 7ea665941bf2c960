import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, expect, test, type Page } from '@playwright/test';
import { held, played } from './played.ts';
import { expectAccessible, openClass, openDemo } from './steps.ts';
import { engraved } from './engraved.ts';

/** A browser whose microphone hears a file, again and again. */
async function hearing(file: Buffer, work: (page: Page) => Promise<void>): Promise<void> {
  const path = join(mkdtempSync(join(tmpdir(), 'escalier-sound-')), 'heard.wav');
  writeFileSync(path, file);
  const { executablePath, args } = test.info().project.use.launchOptions!;
  const fake = [
    '--use-fake-device-for-media-stream',
    '--use-fake-ui-for-media-stream',
    `--use-file-for-fake-audio-capture=${path}`,
  ];
  const browser = await chromium.launch({ executablePath: executablePath!, args: [...args!, ...fake] });
  const context = await browser.newContext({
    baseURL: test.info().project.use.baseURL!,
    permissions: ['microphone'],
    serviceWorkers: 'block',
  });
  await work(await context.newPage());
  await browser.close();
}

const NAMES = ['Aino', 'Bartholomew-James', 'Dilnoza', 'Ines', 'Keiko', 'Malia', 'Oyelaran', 'Tamsin', 'Vesna', 'Wren'];

test('twelve recordings are added at once, listened to, and decided by keys', async ({ page }) => {
  test.slow();
  await openDemo(page);
  await openClass(page, '4 Plover');
  await page.getByRole('link', { name: 'Recordings', exact: true }).click();
  const id = /classes\/([^/]+)/.exec(page.url())![1]!;
  const listened = async () => {
    const answer = await page.request.get(`/api/classes/${id}/records`);
    const { records } = (await answer.json()) as { records: { listened?: object; outcome: string }[] };
    return records.filter((each) => each.listened !== undefined).map(({ outcome }) => outcome);
  };
  const before = await listened();
  const files = NAMES.map((name, index) => played(`${name} step 3.wav`, index + 3, index === 1 ? { wrong: 2 } : {}));
  const broken = { name: 'Chidi step 2.wav', mimeType: 'audio/wav', buffer: Buffer.from('no sound') };
  await page.getByLabel('Add recordings').setInputFiles([...files, played('Farah step 3.wav', 40), broken]);
  const rows = page.getByRole('region', { name: 'Files to add' }).getByRole('row');
  await expect(rows.filter({ hasText: 'Farah step' })).toContainText('The family has not agreed to recordings.');
  await expect(rows.filter({ hasText: 'Chidi step' })).toContainText('This browser can’t play this file.');
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Add 10 recordings' }).click();
  const second = page.getByRole('link', { name: 'Bartholomew-James' });
  await expect(second).toContainText(/played as .* the rest is right/);
  await expect(second).toContainText('Nearly, sure');
  await expect(page.getByText(/^Listening: /)).toHaveCount(0);
  await expectAccessible(page);

  await page.getByRole('link', { name: 'Listen to 10 recordings' }).click();
  const heard = page.getByRole('region', { name: 'What was heard' });
  await expect(heard.locator('.summary')).toHaveText('All right, 84 beats a minute.');
  await page.keyboard.press('1');
  // The next one: two wrong notes, each ringed on the sheet.
  await expect(heard.locator('.summary')).toContainText('played as');
  await expect(engraved(heard).wrong).toHaveCount(2);
  await expect(page.getByRole('checkbox', { name: 'Wrong note' })).toBeChecked();
  await expectAccessible(page);
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('button', { name: 'Stop' })).toBeVisible();
  await page.keyboard.press(' ');
  await page.keyboard.press('2');
  await expect(page).not.toHaveURL(/recordings$/);
  await page.getByRole('link', { name: 'Recordings' }).last().click();
  await expect(page.getByRole('link', { name: 'Listen to 8 recordings' })).toBeVisible();
  await expect.poll(listened).toEqual([...before, 'passed', 'nearly']);
});

test('the sound check names a right note and a wrong one through the microphone', async () => {
  await hearing(held(79), async (page) => {
    await openDemo(page);
    await openClass(page, '4 Plover');
    await page.getByRole('link', { name: 'Hearing', exact: true }).click();
    await page.getByRole('button', { name: 'Sound check' }).click();
    const check = page.getByRole('dialog', { name: 'Sound check' });
    await check.getByLabel('Note to hold').selectOption('G');
    await check.getByRole('button', { name: 'Start listening' }).click();
    await expect(check.getByRole('status')).toContainText('Right.');
    await expectAccessible(page);
    await check.getByLabel('Note to hold').selectOption('B');
    await expect(check.getByRole('status')).toContainText('That is G');
    await check.getByRole('button', { name: 'Stop listening' }).click();
  });
});

test('a pupil is listened to while playing, and the result goes with what was proposed', async () => {
  test.slow();
  const { buffer } = played('live', 5, { rate: 44_100, wrong: 1 });
  await hearing(buffer, async (page) => {
    await openDemo(page);
    await openClass(page, '4 Plover');
    await page.getByRole('link', { name: 'Hearing', exact: true }).click();
    const id = /classes\/([^/]+)/.exec(page.url())![1]!;
    const facts = (await (await page.request.get(`/api/classes/${id}`)).json()) as {
      pupils: { id: string; name: string }[];
    };
    await page.goto(`/classes/${id}/hear/${facts.pupils.find(({ name }) => name === 'Aino')!.id}`);
    await page.getByRole('button', { name: 'Listen along' }).click();
    await expect(page.getByText(/Listening, 2[4-9] s/)).toBeVisible();
    await page.getByRole('button', { name: 'The tune has ended' }).click();
    const along = page.getByRole('region', { name: 'Listening along' });
    // What a busy machine loses of the sound is not for this test: that there is a sentence, is.
    await expect(along.locator('.said')).toHaveText(/\.$/);
    await page.keyboard.press('2');
    await expect
      .poll(async () => {
        const answer = await page.request.get(`/api/classes/${id}/records`);
        const { records } = (await answer.json()) as { records: { listened?: object }[] };
        return records.filter(({ listened }) => listened !== undefined).length;
      })
      .toBeGreaterThan(0);
  });
});
