import { expect, test, type Page } from '@playwright/test';
import { engraved } from './engraved.ts';
import { centsOff, levelAt, onsetAfter, readWav, savedBy } from './sound.ts';
import { expectAccessible, expectAccessibleOnTablet, openClass, openDemo, pressInMenu } from './steps.ts';

async function openLesson(page: Page, part?: string): Promise<void> {
  await openDemo(page);
  await openClass(page, '4 Plover');
  await page.getByRole('link', { name: 'Introduce the next note' }).click();
  // The class works on step 2: E of step 3 comes next, and D is chosen.
  await expect(page.getByText('so this note can wait')).toBeVisible();
  await page.getByLabel('Which note').selectOption('D4');
  await expect(page.getByRole('heading', { name: 'The note D' })).toBeVisible();
  if (part !== undefined) await page.getByRole('button', { name: part }).click();
}

/** All that was shown as sounding from now on: on a busy machine a moment is over before it is looked for. */
async function whatSounds(page: Page): Promise<() => Promise<readonly string[]>> {
  const seen = await page.evaluateHandle(() => {
    const names: string[] = [];
    new MutationObserver(() => {
      for (const each of document.querySelectorAll('.tread .sounding')) names.push(each.textContent.trim());
    }).observe(document.body, { subtree: true, childList: true, attributes: true });
    return names;
  });
  return () => seen.evaluate((names) => [...new Set(names)]);
}

test('the next note of a class is taken from posture to the toggle drill, by keys', async ({ page }) => {
  await openLesson(page);
  await expect(page.getByText('Left hand on top: the hand with the green dot.')).toBeVisible();
  await expect(page.getByText('Light-headed?')).toBeVisible();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByText('E, and one more finger.')).toBeVisible();
  await expect(page.getByRole('img', { name: /D: .* changes: right ring lands/ })).toBeVisible();
  await page.getByText('Facing you').click();
  await expect(page.getByText('Mirrored, as the class sees the teacher')).toBeVisible();
  await page.getByRole('heading', { name: 'The note D' }).click();
  await page.keyboard.press('3');
  await expect(page.getByText('D is hanging under the staff.')).toBeVisible();
  await expect(page.getByText('Lower than E, the next step.')).toBeVisible();
  const seen = await whatSounds(page);
  // A machine that is busy with something else drops pictures: then it plays once more.
  await expect(async () => {
    await page.getByRole('button', { name: 'Up the stair' }).click();
    await expect.poll(async () => (await seen()).join(' '), { timeout: 10_000 }).toContain('E');
  }).toPass({ timeout: 120_000 });
  await page.getByRole('heading', { name: 'The note D' }).click();
  await page.keyboard.press('4');
  await expect(page.locator('.patterns li')).toHaveCount(3);
  await page.keyboard.press(' ');
  await expect(page.getByText('Ready …')).toBeVisible();
  await expect(page.getByText('My turn', { exact: true })).toBeVisible();
  await expect(page.getByText('Your turn', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Read alone' }).click();
  await expect(page.getByText('You read', { exact: true })).toBeVisible();
  await page.getByRole('heading', { name: 'The note D' }).click();
  await page.keyboard.press('5');
  await expect(page.getByRole('button', { name: /E – D/ })).toBeVisible();
  await page.keyboard.press(' ');
  await expect(page.locator('.rungs .here')).toHaveText('54');
  await expect(page.locator('.letters .here')).toHaveText('D');
  await expect(page.locator('.letters .here')).toHaveText('E');
  await page.keyboard.press('b');
  await expect(page.getByRole('navigation', { name: 'Rooms' })).toHaveCount(0);
});

test('patterns are shuffled around the pinned one, and every grade has its own', async ({ page }) => {
  await openLesson(page, 'Echo my turn');
  await page.getByText('Starts elsewhere').click();
  await expect(page.getByText(/Starts on [GAB], not on D\./).first()).toBeVisible();
  await page.getByText('Steps', { exact: true }).click();
  const sheets = page.locator('.patterns .engraving');
  await expect(sheets).toHaveCount(3);
  const names = async (index: number): Promise<string> =>
    (await engraved(sheets.nth(index)).verses.allTextContents()).join(' ');
  await expect.poll(() => names(2)).not.toBe('');
  const before = [await names(0), await names(1), await names(2)];
  await page.getByRole('button', { name: 'Pin pattern 1' }).click();
  await page.getByRole('button', { name: 'Shuffle' }).click();
  await expect.poll(async () => [await names(1), await names(2)].join()).not.toBe(before.slice(1).join());
  expect(await names(0)).toBe(before[0]);
  await page.getByRole('button', { name: 'Slower' }).click();
  await expect(page.locator('output')).toHaveText('64');
});

test('the echo sounds: the recorder in my turn, only clicks in yours', async ({ page }) => {
  await openLesson(page, 'Echo my turn');
  await expect(page.locator('.patterns .engraving')).toHaveCount(3);
  const sound = readWav(await savedBy(page, 'Save as sound'));
  const beat = 60 / 72;
  const bar = 4 * beat;
  expect(sound.seconds).toBeGreaterThan(bar * 13);
  // The first grade is D4 alone, which the soprano sounds as D5.
  for (const turn of [0, 2, 4, 6, 8, 10]) {
    const start = bar * (1 + turn);
    expect(Math.abs(onsetAfter(sound, start - 0.03, 0.06)! - start), `turn ${turn}`).toBeLessThan(0.04);
    expect(Math.abs(centsOff(sound, start + 0.25, 587.33)), `turn ${turn}`).toBeLessThan(25);
    const answer = start + bar;
    expect(levelAt(sound, answer + 0.3 * beat)).toBeLessThan(0.01);
    expect(levelAt(sound, answer + 0.002)).toBeGreaterThan(0.01);
  }
});

test('the whistle has a voice of its own, a drone and a click of theirs', async ({ page }) => {
  await openDemo(page);
  await openClass(page, 'Whistle Club');
  await page.getByRole('link', { name: /6 Old Hundredth/ }).click();
  await expect(page.getByRole('button', { name: 'Play', exact: true })).toBeVisible();
  await page.getByText('Click', { exact: true }).click();
  const melody = readWav(await savedBy(page, 'Sound'));
  const tempo = Number(await page.getByLabel('Tempo in beats a minute').inputValue());
  // A pickup of one beat is counted in by seven.
  const lead = (7 * 60) / tempo;
  expect(Math.abs(onsetAfter(melody, lead - 0.03, 0.06)! - lead)).toBeLessThan(0.04);
  await page.getByText('Melody', { exact: true }).click();
  const silent = readWav(await savedBy(page, 'Sound'));
  expect(levelAt(silent, lead + 1)).toBeLessThan(0.001);
  await page.getByText('Drone', { exact: true }).click();
  const drone = readWav(await savedBy(page, 'Sound'));
  // Old Hundredth stands in G: the drone is G4.
  expect(Math.abs(centsOff(drone, lead + 1, 392))).toBeLessThan(10);
  expect(Math.abs(centsOff(melody, lead + 0.25, 783.99))).toBeLessThan(30);
});

test('with the sound off all goes on', async ({ page }) => {
  await openLesson(page, 'Moves back and forth');
  await pressInMenu(page, 'Turn sound off');
  await page.getByRole('button', { name: 'Back and forth' }).last().click();
  await expect(page.locator('.rungs .here')).toHaveText('54');
  await page.reload();
  await pressInMenu(page, 'Turn sound on');
});

test('what the school takes care of is kept', async ({ page }) => {
  await openLesson(page);
  await page.getByRole('button', { name: 'Edit the cautions' }).click();
  await page.getByRole('button', { name: 'Add your own', exact: true }).click();
  await page.getByRole('textbox', { name: 'Caution 8' }).fill('Windows open while we play.');
  await page.getByRole('button', { name: 'Save for the school' }).click();
  await expect(page.getByText('Windows open while we play.')).toBeVisible();
  await page.reload();
  await expect(page.getByText('Windows open while we play.')).toBeVisible();
});

test('the fingerings: ten notes on the heat map, the move that is pressed, every instrument, print', async ({
  page,
}) => {
  await openDemo(page);
  await page.getByRole('link', { name: 'Fingerings' }).click();
  await page.getByRole('button', { name: /^A: left hand/ }).click();
  await page.getByRole('button', { name: /^E: left hand/ }).click();
  await expect(page.getByText('A, and three more fingers.')).toBeVisible();
  await page.getByText('All moves', { exact: true }).click();
  await expect(page.locator('tbody td button')).toHaveCount(90);
  await page.getByRole('button', { name: /^G to E: 2\.3, needs care/ }).click();
  await expect(page.getByText('G, and two more fingers.')).toBeVisible();
  await page.getByText('Baroque and German').click();
  await expect(page.locator('.pairs li')).toHaveCount(4);
  await page.getByLabel('Instrument').selectOption('tin-whistle-g');
  await expect(page.getByText('G to G′′, sounds an octave above')).toBeVisible();
  await expect(page.getByText('Baroque and German')).toHaveCount(0);
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('navigation', { name: 'Rooms' })).toBeHidden();
  await expect(page.getByRole('button', { name: 'Print' })).toBeHidden();
  await expect(page.getByRole('heading', { name: 'Fingerings' })).toBeVisible();
});

test('axe finds nothing on the note lesson and the fingerings', async ({ page }) => {
  await openLesson(page);
  const lesson = page.url();
  for (const part of ['before', 'fingers', 'staff', 'echo', 'moves']) {
    await page.goto(`${lesson.split('?')[0]}?part=${part}`);
    await expect(page.getByRole('heading', { name: 'The note D' })).toBeVisible();
    await expect(page.locator('.content').locator('h2, p').first()).toBeVisible();
    await expectAccessibleOnTablet(page);
    await page.goto(`${lesson.split('?')[0]}?part=${part}&big=1`);
    await expect(page.locator('.content').locator('h2, p').first()).toBeVisible();
    await expectAccessible(page);
  }
  for (const view of ['chart', 'moves', 'compare']) {
    await page.goto(`/fingerings?view=${view}`);
    await expect(page.locator('.main')).toBeVisible();
    await expectAccessibleOnTablet(page);
  }
});
