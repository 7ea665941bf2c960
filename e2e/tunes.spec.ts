import { expect, test, type Page } from '@playwright/test';
import { engraved } from './engraved.ts';
import { listenedTo } from './played.ts';
import { centsOff, onsetAfter, readWav, savedBy } from './sound.ts';
import { expectAccessibleOnTablet, openClass, openDemo, rows } from './steps.ts';

/** A tune of our own, as a notation program writes it: two staves, of which the lower is a bass, and a chord. */
function score(title: string, last = 'A'): string {
  const note = (step: string, duration: number, more = ''): string =>
    `<note>${more}<pitch><step>${step}</step><octave>4</octave></pitch><duration>${duration}</duration><voice>1</voice><staff>1</staff></note>`;
  const bass =
    '<backup><duration>4</duration></backup><note><pitch><step>C</step><octave>3</octave></pitch><duration>4</duration><voice>5</voice><staff>2</staff></note>';
  const measure = (number: number, notes: string, attributes = ''): string =>
    `<measure number="${number}">${attributes}${notes}${bass}</measure>`;
  const attributes =
    '<attributes><divisions>1</divisions><key><fifths>1</fifths></key><time><beats>4</beats><beat-type>4</beat-type></time></attributes>';
  return `<?xml version="1.0"?><score-partwise version="3.1"><work><work-title>${title}</work-title></work>
<part-list><score-part id="P1"><part-name>Piano</part-name></score-part></part-list><part id="P1">
${measure(1, note('G', 1) + note('B', 1) + note('A', 1) + note('B', 1), attributes)}
${measure(2, note('G', 2) + note('E', 2) + note('G', 2, '<chord/>'))}
${measure(3, note('A', 1) + note('G', 1) + note('E', 1) + note('G', 1))}
${measure(4, note(last, 4))}</part></score-partwise>`;
}

async function addFile(page: Page, name: string, content: string): Promise<void> {
  await page
    .locator('input[type=file]')
    .setInputFiles({ name, mimeType: 'application/octet-stream', buffer: Buffer.from(content) });
}

test('the library is read for a class, and filtered as a teacher thinks', async ({ page }) => {
  await openDemo(page);
  await page.getByRole('link', { name: 'Library' }).click();
  await expect(rows(page)).not.toHaveCount(0);
  await expect(page.getByText(/^(\d{3}) of \1 tunes/)).toBeVisible();
  const first = await rows(page).getByRole('link').first().textContent();
  await page.getByRole('menuitem', { name: 'Go to page 2' }).click();
  await expect(rows(page).getByRole('link').first()).not.toHaveText(first ?? '');
  await page.getByLabel('Read for').selectOption({ label: '4 Plover' });
  await page.getByText('Playable now').click();
  await expect(rows(page).locator('.chip')).toHaveCount(0);
  await expect(rows(page).first()).toContainText(/nothing|no new notes/);
  await page.getByText('One new note', { exact: true }).click();
  await page.getByRole('button', { name: 'More filters' }).click();
  await page.getByLabel('The new note').selectOption('E4');
  await expect(page.getByRole('link', { name: 'Goose Walk' })).toBeVisible();
  await expect(page.locator('tbody td:nth-child(2) .chip')).toHaveText(
    await page
      .locator('tbody tr')
      .count()
      .then((n) => Array<string>(n).fill('E')),
  );
  await page.getByRole('searchbox').fill('swans');
  await expect(rows(page)).toHaveCount(1);
  await page.getByRole('searchbox').fill('nothing like it');
  await expect(page.getByText('No tunes match.')).toBeVisible();
});

test('a tune comes from MusicXML to the tune page: preview with notices, saved when asked, known again', async ({
  page,
}) => {
  await openDemo(page);
  await page.goto('/tunes/new');
  await addFile(page, 'wren.musicxml', score('Wren in the Hedge'));
  await expect(page.getByRole('img', { name: 'The tune Wren in the Hedge on a staff' })).toBeVisible();
  await expect(page.getByText('the second staff').first()).toBeVisible();
  await page.getByRole('button', { name: 'Add to the library' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Wren in the Hedge' })).toBeVisible();
  await expect(page.getByText(/Learn 4 of 4 bars/)).toBeVisible();
  await page.goto('/tunes/new');
  await addFile(page, 'again.musicxml', score('Another Name'));
  await expect(page.getByRole('img', { name: 'The tune Another Name on a staff' })).toBeVisible();
  await page.getByRole('button', { name: 'Add to the library' }).click();
  await expect(page.getByRole('alert')).toContainText('Your library already has this tune, as “Wren in the Hedge”.');
});

test('files that are no tune get a sentence and change nothing', async ({ page }) => {
  await openDemo(page);
  await page.goto('/tunes/new');
  await page.getByRole('application').press('g');
  await expect(page.getByRole('img', { name: 'The tune A new tune on a staff' })).toBeVisible();
  for (const [name, content, sentence] of [
    ['empty.abc', '', 'empty'],
    ['picture.png', '\u0089PNG\u0000\u0000', 'not text, MusicXML or MIDI'],
    ['bomb.xml', '<!DOCTYPE s [<!ENTITY a "x">]><score-partwise>&a;</score-partwise>', 'entities'],
    ['drum.abc', 'X:1\nT:x\nL:1/4\nM:4/4\nK:C clef=perc\nC D E F|', 'percussion'],
  ] as const) {
    await addFile(page, name, content);
    await expect(page.getByRole('alert')).toContainText(sentence);
    await expect(page.getByRole('img', { name: 'The tune A new tune on a staff' })).toBeVisible();
  }
});

test('the editor marks what does not add up, and engraves as one types', async ({ page }) => {
  await openDemo(page);
  await page.goto('/tunes/new');
  await page.getByText('As text', { exact: true }).click();
  const editor = page.getByRole('textbox', { name: 'The tune as ABC' });
  await editor.click();
  await page.keyboard.press('Control+A');
  await page.keyboard.insertText('X:1\nT:Typed\nM:3/4\nL:1/4\nK:G\nG A B|A2|G3|]\n');
  await expect(page.getByText('Bar 2 is too short: 3/4 asks for 3, it holds 2')).toBeVisible();
  await expect(page.getByText('line 6, column 7')).toBeVisible();
  await expect(page.getByRole('img', { name: 'The tune Typed on a staff' }).locator('.note')).toHaveCount(5);
  await page.keyboard.press('Control+A');
  await page.keyboard.insertText('X:1\nT:Typed\nM:3/4\nL:1/4\nK:G\nz3|]\n');
  await expect(page.getByRole('heading', { name: 'This doesn’t add up yet' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Add to the library' })).toBeDisabled();
  await page.keyboard.press('Control+Z');
  await page.keyboard.press('Control+A');
  await page.keyboard.insertText('X:1\nT:Typed\nM:3/4\nL:1/4\nK:G\nG A B|A3|G3|]\n');
  await expect(page.getByRole('img', { name: 'The tune Typed on a staff' }).locator('.note')).toHaveCount(5);
});

test('the sheet carries rings, shades, brackets and commas, and shows the place of a sentence', async ({ page }) => {
  await openDemo(page);
  await openClass(page, '4 Plover');
  await page.getByRole('link', { name: /3 Goose Walk/ }).click();
  await expect(engraved(page).rings).toHaveCount(3);
  await expect(engraved(page).brackets).toHaveCount(1);
  await expect(engraved(page).breaths).toHaveCount(3);
  await page.getByText('Same bars', { exact: true }).click();
  await expect(engraved(page).shades).toHaveCount(4);
  await page.getByRole('main').getByText('Fingerings', { exact: true }).click();
  await expect(engraved(page).fingerings).toHaveCount(22);
  await page.getByRole('button', { name: 'Under the notes' }).click();
  await page.getByRole('button', { name: 'Add a row' }).click();
  await page.getByLabel('Row 3', { exact: true }).selectOption('counting');
  await page.getByLabel('Counting', { exact: true }).selectOption('ta');
  await expect(engraved(page).verses.filter({ hasText: 'ta-a' }).first()).toBeVisible();
  // Whether they may stumble there or did depends on the journeys before this one.
  await page.getByRole('heading', { name: /^They (may stumble|stop) at bar 7$/ }).hover();
  await expect(page.locator('.point')).toHaveCount(1);
});

test('breaths are changed on the sheet and kept for the class', async ({ page }) => {
  await openDemo(page);
  await openClass(page, '4 Otter');
  await page.getByRole('link', { name: /2 Mill Wheel/ }).click();
  await expect(engraved(page).breaths.first()).toBeVisible();
  const before = await engraved(page).breaths.count();
  await page.getByRole('button', { name: 'Change on the sheet' }).click();
  await page.getByRole('button', { name: 'Breath after B, bar 7' }).first().click();
  await expect(engraved(page).breaths).toHaveCount(before + 1);
  await expect(page.getByText(', your own')).toBeVisible();
  await page.reload();
  await expect(engraved(page).breaths).toHaveCount(before + 1);
  await page.getByRole('button', { name: 'Propose again' }).click();
  await expect(engraved(page).breaths).toHaveCount(before);
});

test('the tune plays with a cursor, and stops', async ({ page }) => {
  await openDemo(page);
  await openClass(page, '4 Plover');
  await page.getByRole('link', { name: /1 Three Lanterns/ }).click();
  await page.getByText('Count-in', { exact: true }).click();
  await page.getByRole('spinbutton', { name: 'Tempo in beats a minute' }).fill('200');
  await page.getByRole('spinbutton', { name: 'Tempo in beats a minute' }).press('Tab');
  await page.getByRole('button', { name: 'Play', exact: true }).click();
  await expect(engraved(page).cursor).toHaveCount(1);
  await page.getByRole('button', { name: 'Stop' }).click();
  await expect(engraved(page).cursor).toHaveCount(0);
});

test('another way in: the hardest moves, the rhythm on one note, a bare version that is played', async ({ page }) => {
  await openDemo(page);
  await openClass(page, '4 Plover');
  await page.getByRole('link', { name: /3 Goose Walk/ }).click();
  const way = page.getByLabel('Ways into the tune');
  await expect(way.locator('option')).toHaveText([
    'The tune itself',
    'Moves first: G–B, E–B, E–G, G–E',
    /^Hard spot, growing: G–E/,
    /^Hard spot, from its end: G–E/,
    'Rhythm on one note: G',
    'Bare 1: 8 of 22 notes',
    'Bare 2: 14 of 22 notes',
    'Bare 3: 20 of 22 notes',
  ]);
  const notes = engraved(page).notes;
  await expect(notes).toHaveCount(22);
  await way.selectOption({ label: 'Bare 1: 8 of 22 notes' });
  await expect(notes).toHaveCount(8);
  await page.getByRole('button', { name: 'Play', exact: true }).click();
  await expect(engraved(page).cursor).toHaveCount(1);
  await way.selectOption({ label: 'The tune itself' });
  await expect(notes).toHaveCount(22);
  await expect(engraved(page).cursor).toHaveCount(0);
});

test('every export is the tune: text reads back, and the sound has the right pitches at the right times', async ({
  page,
}) => {
  await openDemo(page);
  await openClass(page, '4 Plover');
  await page.getByRole('link', { name: /1 Three Lanterns/ }).click();
  await expect(page.getByRole('button', { name: 'MusicXML' })).toBeVisible();
  const abc = (await savedBy(page, 'ABC')).toString();
  expect(abc).toContain('T:Three Lanterns');
  expect((await savedBy(page, 'MusicXML')).toString()).toContain('<work-title>Three Lanterns</work-title>');
  expect((await savedBy(page, 'MIDI')).subarray(0, 4).toString()).toBe('MThd');
  expect((await savedBy(page, 'SVG')).toString()).toContain('<svg');
  const file = await savedBy(page, 'Sound');
  const sound = readWav(file);
  const beat = 60 / 80;
  const lead = 4 * beat;
  // B2 A2 | G4 | A A B2: written B4 sounds an octave higher.
  for (const [at, hertz] of [
    [0, 987.77],
    [2, 880],
    [4, 783.99],
    [8, 880],
    [10, 987.77],
  ] as const) {
    expect(Math.abs(centsOff(sound, lead + at * beat + 0.3, hertz)), `beat ${at}`).toBeLessThan(25);
  }
  const onset = onsetAfter(sound, lead - 0.05, 0.06);
  expect(Math.abs(onset! - lead)).toBeLessThan(0.04);
  // Escalier hears in its own voice, over its own clicks, what it was asked to play.
  const { assessment } = listenedTo(file, abc);
  expect(assessment.verdicts.filter(({ kind }) => kind !== 'right')).toEqual([]);
  expect(assessment.extras).toEqual([]);
  expect(Math.abs(assessment.tempo! / 80 - 1)).toBeLessThan(0.02);
});

test('axe finds nothing on the tune screens', async ({ page }) => {
  await openDemo(page);
  await page.goto('/tunes');
  await expect(rows(page).first()).toBeVisible();
  await expectAccessibleOnTablet(page);
  await page.getByRole('searchbox').fill('two kites');
  await page.getByRole('link', { name: 'Two Kites' }).click();
  await expect(engraved(page).rings.first()).toBeVisible();
  await page.getByLabel('Instrument').selectOption('tin-whistle-d');
  await expect(page.getByRole('img', { name: /thumb/ })).toHaveCount(0);
  await page.getByRole('button', { name: 'Change on the sheet' }).click();
  await expectAccessibleOnTablet(page);
  await page.goto('/tunes/new');
  await page.getByRole('application').press('g');
  await expect(page.getByRole('img', { name: 'The tune A new tune on a staff' })).toBeVisible();
  await expectAccessibleOnTablet(page);
});
