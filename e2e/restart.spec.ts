import { expect, test } from '@playwright/test';
import { databaseNamed, startServer, stopServer } from './server.ts';
import { lastResult, openClass, openDemo } from './steps.ts';

const DATABASE = databaseNamed('restart');

test('a recorded pass is there again after the server was killed and started', { tag: '@long' }, async ({ page }) => {
  const first = await startServer(DATABASE);
  await openDemo(page, first.address);
  await openClass(page, 'Whistle Club');
  await page.getByRole('link', { name: /^Fenna: / }).click();
  await page.getByRole('button', { name: 'Passed' }).click();
  await expect(lastResult(page)).toContainText('Fenna passed');
  await expect(lastResult(page)).toContainText('Saved at school');
  await stopServer(first, 'SIGKILL');

  const second = await startServer(DATABASE);
  try {
    await page.goto(`${second.address}/classes`);
    await openClass(page, 'Whistle Club');
    await expect(
      page.getByRole('list', { name: 'Pupils on step 2' }).getByRole('link', { name: /^Fenna/ }),
    ).toBeVisible();
  } finally {
    await stopServer(second);
  }
});
