import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { expectAccessible, openClass, openDemo } from './steps.ts';

test('sheets are chosen, seen page by page, and kept as PDF with their answers', async ({ page }) => {
  await openDemo(page);
  await openClass(page, '4 Plover');
  await page.getByRole('link', { name: /3 Goose Walk/ }).click();
  await page.getByRole('navigation', { name: 'This tune' }).getByRole('link', { name: 'Handouts' }).click();
  const sheet = page.getByRole('region', { name: 'Preview' }).getByRole('img');
  await expect(sheet).toHaveAttribute('aria-label', 'Goose Walk, page 1');
  await expect(sheet.getByText('Goose Walk').first()).toBeVisible();
  await expect(page.getByText('1 page, 24 copies: 24 sheets.')).toBeVisible();
  await expectAccessible(page);

  await page.getByLabel('Sheet', { exact: true }).selectOption('note-hunt');
  await expect(sheet).toHaveAttribute('aria-label', 'Note hunt, page 1');
  const first = await sheet.innerHTML();
  await page.getByRole('button', { name: 'Other tasks' }).click();
  await expect.poll(() => sheet.innerHTML()).not.toBe(first);
  for (const name of ['Save as PDF', 'Answers as PDF']) {
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name, exact: true }).click(),
    ]);
    expect(
      readFileSync(await download.path())
        .subarray(0, 5)
        .toString(),
    ).toBe('%PDF-');
  }

  await page.getByLabel('Sheet', { exact: true }).selectOption('family-letter');
  await page.getByLabel('Your words').fill('Dear family of {pupil}, {weather}');
  await expect(page.getByText(/^There is no field \{weather\}\./)).toBeVisible();
  await page.getByLabel('Your words').fill('Dear family of {pupil}');
  await expect(page.getByText('24 pages')).toBeVisible();
  await page.getByRole('menuitem', { name: 'Go to page 2', exact: true }).click();
  await expect(sheet.getByText(/^Dear family of/)).toBeVisible();
  await expectAccessible(page);

  await page.getByLabel('Sheet', { exact: true }).selectOption('booklet');
  await expect(sheet.getByText('Our recorder book')).toBeVisible();
  await page.getByRole('button', { name: 'As a picture' }).click();
  const [picture] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('menuitem', { name: 'This page as PNG' }).click(),
  ]);
  expect(
    readFileSync(await picture.path())
      .subarray(1, 4)
      .toString(),
  ).toBe('PNG');
});
