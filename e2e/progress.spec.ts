import { expect, test, type Page } from '@playwright/test';
import { expectAccessible, expectAccessibleOnTablet, expectSaved, lastResult, openClass, openDemo } from './steps.ts';

async function openBoard(page: Page, name = '4 Otter'): Promise<void> {
  await openDemo(page);
  await openClass(page, name);
  await page.getByRole('link', { name: 'Board' }).click();
  await expect(page.getByRole('grid', { name: `${name}: pupils by steps` })).toBeVisible();
}

const cell = (page: Page, words: RegExp) => page.getByRole('gridcell', { name: words });

test('the board is walked by keys; two marked cells are passed today at once', async ({ page }) => {
  await openBoard(page);
  await cell(page, /^Abel, step 1/).focus();
  await page.keyboard.press('ArrowRight');
  await expect(cell(page, /^Abel, step 2/)).toBeFocused();
  await page.keyboard.press(' ');
  await page.getByLabel('Mark Isra on step 2').check();
  await expect(page.getByText('2 marked')).toBeVisible();
  await page.getByRole('button', { name: 'Passed today' }).click();
  await expect(cell(page, /^Abel, step 2: passed on/)).toBeVisible();
  await expect(cell(page, /^Isra, step 2: passed on/)).toBeVisible();
  await page.getByText('Nearly', { exact: true }).click();
  await expect(cell(page, /^Cosmin, step 2/)).toBeVisible();
  await expect(cell(page, /^Abel/)).toHaveCount(0);
});

test('a wrong record is corrected with a reason, and taken back', async ({ page }) => {
  await openBoard(page);
  await cell(page, /^Brigid, step 3/).press('Enter');
  const card = page.getByRole('region', { name: /^Brigid, step 3/ });
  await card.getByRole('button', { name: 'Passed' }).click();
  await expect(cell(page, /^Brigid, step 3: passed on/)).toBeVisible();
  await card.getByRole('button', { name: 'Correct' }).last().click();
  await card.getByLabel('It was').selectOption('Nearly');
  await card.getByLabel('Why?').fill('The tie was cut');
  await card.getByRole('button', { name: 'Correct' }).last().click();
  await expect(card.getByText('Corrected: The tie was cut')).toBeVisible();
  await expect(cell(page, /^Brigid, step 3: \d tr/)).toBeVisible();
  const takeBack = async (why: string) => {
    await card.getByRole('button', { name: 'Take back …' }).last().click();
    const dialog = page.getByRole('dialog', { name: 'Take this result back?' });
    await dialog.getByLabel('Why?').fill(why);
    await dialog.getByRole('button', { name: 'Take it back' }).click();
    await expect(dialog).toHaveCount(0);
  };
  await takeBack('It was there');
  // What was corrected is there again.
  await expect(cell(page, /^Brigid, step 3: passed on/)).toBeVisible();
  await takeBack('It was Bram');
  await expect(cell(page, /^Brigid, step 3: (?!passed)/)).toBeVisible();
  await card.getByRole('list', { name: 'Taken back' }).getByRole('button', { name: 'Restore' }).click();
  await expect(cell(page, /^Brigid, step 3: passed on/)).toBeVisible();
});

test('a row of three is heard with a tap each, and the next row comes', async ({ page }) => {
  await openDemo(page);
  await openClass(page, 'Whistle Club');
  await page.getByRole('link', { name: /^Hear .* next/ }).click();
  await page.getByRole('radiogroup', { name: 'How many play together' }).getByText('3', { exact: true }).click();
  const columns = page.locator('.columns-of > li');
  await expect(columns.first()).toBeVisible();
  await expectAccessible(page);
  const first = await columns.getByRole('heading').allTextContents();
  expect(first.length).toBeGreaterThan(1);
  for (const name of first) {
    await page
      .getByRole('group', { name: `How did ${name} do?` })
      .getByRole('button', { name: 'Passed' })
      .click();
    await expect(lastResult(page)).toContainText(`${name} passed`);
  }
  await expect(columns.getByRole('heading').first()).not.toHaveText(first[0]!);
});

test('a pupil’s page tells the history, the outlook and what to practise, and writes to the family', async ({
  page,
}) => {
  await openBoard(page, '4 Plover');
  await page.getByRole('link', { name: 'Tamsin' }).click();
  await expect(page.getByRole('heading', { name: 'Tamsin' })).toBeVisible();
  await expect(page.getByText(/stuck: 3 tries without a pass/)).toBeVisible();
  await expect(page.getByRole('heading', { name: /% likely to pass in 4 lessons/ })).toBeVisible();
  await expect(
    page.getByRole('listitem').filter({ hasText: 'G and E, back and forth: slowly, then faster' }),
  ).toBeVisible();
  await expect(page.getByLabel('Note to the family')).toHaveValue(/Tamsin has passed 2 of 6 steps/);
});

test('belts are ticked when they are handed out', async ({ page }) => {
  await openDemo(page);
  await page.goto('/school/belts');
  const card = page.getByRole('region', { name: 'To hand out' });
  await expect(card.getByRole('heading', { name: /belts to hand out/ })).toBeVisible();
  const before = Number((await card.getByRole('heading', { level: 2 }).textContent())!.split(' ')[0]);
  await card.getByRole('checkbox', { name: /^Elowen/ }).check();
  await expect(card.getByRole('heading', { name: `${before - 1} belts to hand out` })).toBeVisible();
});

test('the school’s own remarks are tapped at hearing', async ({ page }) => {
  await openDemo(page);
  await page.goto('/school/remarks');
  await page.getByRole('button', { name: 'Add your own' }).click();
  await page.getByLabel('Words of remark 11').fill('Slouching');
  await page.getByLabel('Remedy of remark 11').fill('Feet on the floor.');
  await page.getByRole('button', { name: 'Save for the school' }).click();
  await expectSaved(page);
  await page.goto('/classes');
  await openClass(page, '4 Plover');
  await page.getByRole('link', { name: /^Hear .* next/ }).click();
  await page.getByText('Slouching', { exact: true }).click();
  await expect(page.getByText('Feet on the floor.')).toBeVisible();
});

test('axe finds nothing on the board, the pupil’s page, the trends, and the lists', async ({ page }) => {
  await openDemo(page);
  await page.getByText('Table', { exact: true }).click();
  await expect(page.getByRole('table')).toBeVisible();
  await expectAccessibleOnTablet(page);
  await page.getByText('Stairs', { exact: true }).click();
  await openClass(page, '4 Otter');
  await page.getByRole('link', { name: 'Board' }).click();
  await cell(page, /^Elowen, step 1/).click();
  await page.getByLabel('Mark Farid on step 2').check();
  await expectAccessibleOnTablet(page);
  await page.getByRole('link', { name: 'Farid' }).click();
  await expect(page.getByLabel('Note to the family')).toBeVisible();
  await expectAccessibleOnTablet(page);
  await page.getByRole('link', { name: 'Trends' }).click();
  await expect(page.getByRole('img', { name: /^Passes week by week/ })).toBeVisible();
  await expectAccessibleOnTablet(page);
  for (const desk of ['remarks', 'belts']) {
    await page.goto(`/school/${desk}`);
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    await expect(page.getByRole('button', { name: /Save for the school|Save stock/ })).toBeVisible();
    await expectAccessibleOnTablet(page);
  }
});
