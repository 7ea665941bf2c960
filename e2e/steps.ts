import AxeBuilder from '@axe-core/playwright';
import { expect, type Page } from '@playwright/test';

export async function openDemo(page: Page, address = ''): Promise<void> {
  await page.goto(`${address}/sign-in`);
  await page.getByRole('button', { name: 'Open the demo school' }).click();
  await expect(page.getByRole('heading', { name: 'Classes' })).toBeVisible();
}

export async function openClass(page: Page, name: string): Promise<void> {
  await page.getByRole('link', { name: new RegExp(`^${name}`) }).click();
  await expect(page.getByRole('heading', { level: 1, name })).toBeVisible();
  await expect(page.locator('.steps .peg').first()).toBeVisible();
}

/** axe finds nothing to mend on what is shown. */
export async function expectAccessible(page: Page): Promise<void> {
  const { violations } = await new AxeBuilder({ page }).analyze();
  expect(violations.map(({ id, nodes }) => `${id}: ${nodes.map((node) => node.target.join(' ')).join(' | ')}`)).toEqual(
    [],
  );
}
