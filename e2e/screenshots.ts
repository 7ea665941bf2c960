import type { ClassPage } from '@escalier/contract/class-pages';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, type Page } from '@playwright/test';
import { held, played } from './played.ts';
import { ask, slipOf } from './slips.ts';
import { DESK, openClass, openDemo, TABLET } from './steps.ts';

/** Makes docs/screenshots/ anew from the demo: one picture of each main view. Run by `npm run screenshots`. */
const address = process.env.ESCALIER_E2E_ADDRESS ?? '';
const folder = process.env.ESCALIER_SCREENSHOTS ?? '';

/** A microphone that hears a file. */
function microphone(sound: Buffer): readonly string[] {
  const file = join(mkdtempSync(join(tmpdir(), 'escalier-sound-')), 'heard.wav');
  writeFileSync(file, sound);
  return [
    '--use-fake-device-for-media-stream',
    '--use-fake-ui-for-media-stream',
    `--use-file-for-fake-audio-capture=${file}`,
  ];
}

const browser = await chromium.launch({
  executablePath: process.env.ESCALIER_E2E_CHROMIUM ?? '',
  args: ['--no-sandbox', '--disable-gpu', ...microphone(held(81))],
});
const context = await browser.newContext({ viewport: DESK, reducedMotion: 'reduce' });
const page = await context.newPage();

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

/** The teacher's screen, and six of what the class sees as one picture. */
async function lessonPictures(): Promise<void> {
  await page.goto(`${classAddress}/lesson`);
  await page.getByRole('button', { name: /Start the lesson|Teach it now/ }).click();
  const projector = await context.newPage();
  await projector.setViewportSize(DESK);
  await projector.goto(`${classAddress}/projector`);
  await page.bringToFront();
  await page.getByRole('button', { name: 'Projector on' }).waitFor();
  await projector.getByText('Ready to play').waitFor();
  const scenes: string[] = [];
  const scene = async (): Promise<void> => {
    await projector.waitForTimeout(900);
    scenes.push((await projector.screenshot()).toString('base64'));
  };
  await page.keyboard.press('ArrowRight');
  await projector.locator('.engraving svg').first().waitFor();
  await page.keyboard.press(' ');
  await projector.getByText('Your turn', { exact: true }).waitFor();
  await scene();
  await page.keyboard.press(' ');
  await page.keyboard.press('ArrowRight');
  await projector.locator('.rungs').waitFor();
  await scene();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('2');
  await page.keyboard.press(' ');
  await projector.locator('.word.now').first().waitFor();
  await scene();
  await page.keyboard.press('3');
  await scene();
  await page.getByRole('button', { name: 'Tune', exact: true }).click();
  await projector.locator('.engraving svg').first().waitFor();
  await page.getByRole('button', { name: 'Play', exact: true }).click();
  await projector.locator('.pencil .now, .now').first().waitFor();
  await page.waitForTimeout(4000);
  await scene();
  await picture('lesson', '.preview svg');
  await page.keyboard.press('q');
  await scene();
  await projector.setViewportSize({ width: 1280, height: 1200 });
  const images = scenes.map((data) => `<img src="data:image/png;base64,${data}" width="640" height="400">`).join('');
  await projector.goto('about:blank');
  await projector.setContent(`<body style="margin:0;display:grid;grid-template-columns:640px 640px">${images}</body>`);
  await projector.screenshot({ path: `${folder}/scenes.png` });
  await projector.close();
}

/** The practice room on a telephone: today, a tune, one’s own recording. */
async function roomPictures(): Promise<void> {
  const desk = await browser.newPage({ baseURL: address });
  const { slip, classId } = await slipOf(desk, address);
  const { steps } = await ask<ClassPage>(desk, 'GET', `/api/classes/${classId}`);
  const task = { tuneId: steps[2]!.tuneId, bars: [5, 8], tempo: 60, words: 'Bars 5 to 8, slowly.' };
  await ask(desk, 'PUT', `/api/classes/${classId}/room/task`, { task });
  await desk.close();
  const telephone = await chromium.launch({
    executablePath: process.env.ESCALIER_E2E_CHROMIUM ?? '',
    args: ['--no-sandbox', '--disable-gpu', ...microphone(played('x', 4, { wrong: 2, rate: 44_100 }).buffer)],
  });
  const viewport = { width: 390, height: 844 };
  const phone = await telephone.newPage({ viewport, baseURL: address, reducedMotion: 'reduce' });
  await phone.goto(`/room/#${slip.token}`);
  const taken: string[] = [];
  const take = async (): Promise<void> => {
    await phone.waitForTimeout(500);
    taken.push((await phone.screenshot()).toString('base64'));
  };
  await phone.locator('.parts li').first().waitFor();
  await take();
  await phone.getByRole('link', { name: 'Tunes' }).click();
  await phone.getByRole('link', { name: /Goose Walk/ }).click();
  await phone.locator('.engraving svg').first().waitFor();
  await phone.getByRole('button', { name: 'Play', exact: true }).click();
  await phone.locator('.finger').waitFor();
  await take();
  await phone.getByRole('button', { name: 'Record' }).click();
  await phone.getByRole('button', { name: /Done, 2[4-9] seconds/ }).click();
  await phone.locator('.said').waitFor();
  await phone.evaluate(() => scrollTo(0, document.documentElement.scrollHeight));
  await take();
  await telephone.close();
  const images = taken.map((data) => `<img src="data:image/png;base64,${data}" width="390">`).join('');
  const wall = await browser.newPage({ viewport: { width: 1250, height: 884 } });
  await wall.setContent(
    `<body style="margin:20px;display:flex;gap:20px;background:#cfc6b4;justify-content:center">${images}`,
  );
  await wall.screenshot({ path: `${folder}/room.png` });
  await wall.close();
}

/** The page on which sheets are chosen, and three sheets as one picture. */
async function handoutPictures(): Promise<void> {
  await page.goto(`${classAddress}/handouts?kind=tune-sheet&step=3`);
  await page.locator('.paper svg').waitFor();
  await page.getByLabel('Fingerings', { exact: true }).check();
  await page.waitForTimeout(1500);
  await picture('handouts', '.paper svg');
  await page.setViewportSize({ width: 1280, height: 1400 });
  const sheets: string[] = [];
  for (const [kind, title] of [
    ['tune-sheet', /Goose Walk/],
    ['fingering-mistake', /Find the mistake/],
    ['booklet', /recorder book/],
  ] as const) {
    await page.getByLabel('Sheet', { exact: true }).selectOption(kind);
    await page.getByRole('img', { name: title }).waitFor();
    await page.waitForTimeout(500);
    sheets.push((await page.locator('.paper').screenshot()).toString('base64'));
  }
  await page.setViewportSize({ width: 1290, height: 600 });
  const images = sheets.map((data) => `<img src="data:image/png;base64,${data}" width="420">`).join('');
  await page.goto('about:blank');
  await page.setContent(`<body style="margin:5px;display:flex;gap:10px;background:#d8d2c4">${images}</body>`);
  await page.screenshot({ path: `${folder}/sheets.png` });
  await page.setViewportSize(DESK);
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
await page.goto(`${classAddress}/notes?part=fingers`);
await picture('note-fingers', '.pipe');
await page.goto(`${classAddress}/hear`);
await page.locator('.engraving svg').first().waitFor();
const third = (await page.locator('.measure').nth(2).boundingBox())!;
await page.mouse.click(third.x + 6, third.y + third.height / 2);
await page.getByText('Stopped', { exact: true }).click();
await atTablet(() => picture('hearing-tablet', '.engraving svg'));
await page.setViewportSize(DESK);
await page.getByRole('button', { name: 'Sound check' }).click();
await page.getByRole('button', { name: 'Start listening' }).click();
await page.locator('.verdict strong').first().waitFor();
await picture('sound-check', '.needle');
await page.goto(`${classAddress}/recordings`);
await page
  .getByLabel('Add recordings')
  .setInputFiles([
    played('Aino step 3.wav', 3),
    played('Bartholomew-James step 3.wav', 4, { wrong: 2, hesitations: 1 }),
    played('Dilnoza step 3.wav', 5, { restartAfter: 7 }),
    played('Ines step 3.wav', 6, { squeaks: 2, missed: 1 }),
    played('Keiko step 3.wav', 7, { slurred: 1, wrong: 1 }),
  ]);
await page.getByRole('button', { name: 'Add 5 recordings' }).click();
await page.getByText(/^Listening: /).waitFor();
await page.getByText(/^Listening: /).waitFor({ state: 'hidden' });
await page.waitForTimeout(4000);
await page.getByRole('link', { name: /^Ines/ }).click();
await page.locator('.pitch-line').waitFor();
await picture('recording', '.heard');
await page.goto(`${classAddress}/board`);
await page.getByRole('gridcell', { name: /^Emre, step 1/ }).click();
await picture('board', '.opened');
await page.getByRole('link', { name: 'Tamsin' }).click();
await picture('pupil', 'main ol li');
await page.goto(`${classAddress}/trends`);
await picture('trends', 'canvas');
await page.goto(`${classAddress}/today`);
await picture('today', '.part');
await lessonPictures();
await handoutPictures();
await roomPictures();
await page.goto(`${classAddress}/plan`);
await picture('plan', 'tbody tr');
await page.goto(`${address}/staircases`);
await page.getByRole('link', { name: 'Recorder, from B down' }).click();
await page.locator('.open-step').first().click();
await picture('staircase', 'main [aria-label="Tunes that fit"] li');
await page.goto(`${address}/tunes`);
await page.getByLabel('Read for').selectOption({ label: '4 Plover' });
await page.getByText('One new note', { exact: true }).click();
await picture('library', 'tbody tr');
await browser.close();
