import { chromium, type Page } from '@playwright/test';
import { openClass, openDemo } from './steps.ts';

/** Makes docs/screenshots/ anew from the demo: one picture of each main view. Run by `npm run screenshots`. */
const address = process.env.ESCALIER_E2E_ADDRESS ?? '';
const folder = process.env.ESCALIER_SCREENSHOTS ?? '';
const DESK = { width: 1280, height: 800 };
const TABLET = { width: 820, height: 1180 };

const browser = await chromium.launch({
  executablePath: process.env.ESCALIER_E2E_CHROMIUM ?? '',
  args: ['--no-sandbox', '--disable-gpu'],
});
const page = await browser.newPage({ viewport: DESK, reducedMotion: 'reduce' });

async function picture(name: string, ready: string): Promise<void> {
  await page.locator(ready).first().waitFor();
  await page.waitForTimeout(300);
  await page.screenshot({ path: `${folder}/${name}.png` });
}

async function atTablet(work: () => Promise<void>): Promise<void> {
  await page.setViewportSize(TABLET);
  await work();
  await page.setViewportSize(DESK);
}

async function stepOf(shown: Page, title: RegExp): Promise<void> {
  await shown.getByRole('link', { name: title }).click();
}

await openDemo(page, address);
await picture('classes', '.stairs');
await openClass(page, '4 Plover');
const classAddress = page.url();
await picture('class', '.steps .peg');
await stepOf(page, /3 Goose Walk/);
await page.locator('.pencil ellipse').first().waitFor();
await page.getByRole('button', { name: 'Under the notes' }).click();
await page.getByRole('button', { name: 'Add a row' }).click();
await page.getByLabel('Row 3', { exact: true }).selectOption('counting');
await page.getByRole('button', { name: 'Under the notes' }).click();
await page.getByRole('button', { name: 'Bars 7, hard' }).click();
await page.locator('.now').first().waitFor();
await page.keyboard.press(' ');
await picture('step', '.pencil ellipse');
await page.reload();
await page.getByText('Same bars', { exact: true }).click();
await page.getByRole('main').getByText('Fingerings', { exact: true }).click();
await page.getByRole('heading', { name: /They may stumble/ }).hover();
await picture('tune-all-layers', '.chart svg');
await page.goto(`${classAddress}/notes?part=fingers`);
await picture('note-fingers', '.pipe');
await page.goto(`${classAddress}/notes?part=echo&big=1`);
await page.getByRole('button', { name: 'Echo', exact: true }).click();
await page.getByText('Your turn', { exact: true }).waitFor();
await picture('note-echo-projector', '.clock');
await page.goto(`${address}/fingerings?view=moves`);
await page.getByRole('button', { name: /^A to E: / }).click();
await picture('fingerings-moves', '.pipe');
await page.goto(`${classAddress}/hear`);
await page.locator('.engraving svg').first().waitFor();
const third = (await page.locator('.measure').nth(2).boundingBox())!;
await page.mouse.click(third.x + 6, third.y + third.height / 2);
await page.getByText('Stopped', { exact: true }).click();
await picture('hearing', '.engraving svg');
await atTablet(() => picture('hearing-tablet', '.engraving svg'));
await page.goto(`${classAddress}/board`);
await page.getByRole('gridcell', { name: /^Emre, step 1/ }).click();
await picture('board', '.opened');
await page.getByRole('link', { name: 'Tamsin' }).click();
await picture('pupil', 'main ol li');
await page.goto(`${classAddress}/trends`);
await picture('trends', 'canvas');
await page.goto(`${classAddress}/plan`);
await picture('plan', 'tbody tr');
await page.goto(`${address}/staircases/new`);
await picture('staircase-proposal', '[aria-label="The proposal"] li');
await page.goto(`${address}/staircases`);
await page.getByRole('link', { name: 'Recorder, from B down' }).click();
await page.locator('.open-step').first().click();
await picture('staircase', 'main [aria-label="Tunes that fit"] li');
await atTablet(() => picture('staircase-tablet', 'main [aria-label="Tunes that fit"] li'));
await page.goto(`${address}/school/instruments`);
await picture('school-instruments', '.number');
await page.goto(`${address}/tunes`);
await page.getByLabel('Read for').selectOption({ label: '4 Plover' });
await page.getByText('One new note', { exact: true }).click();
await picture('library', 'tbody tr');
await page.goto(`${address}/tunes/new`);
await page.getByRole('application').click();
for (const key of 'ba2g4ba2g4abag1e4ba2g4ba2g4agee1g') await page.keyboard.press(key);
await page.getByLabel('Title', { exact: true }).fill('Over the Weir');
await page.locator('.engraving .note').nth(21).waitFor();
await picture('add-a-tune', '.engraving svg');
await browser.close();
