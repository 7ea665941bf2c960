import { spawn, type ChildProcess } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import { expect, test } from '@playwright/test';
import { openClass, openDemo } from './steps.ts';

const ROOT = fileURLToPath(new URL('..', import.meta.url));

async function startServer(): Promise<{ readonly address: string; readonly child: ChildProcess }> {
  const child = spawn(process.execPath, ['.escalier/server/main.mjs'], {
    cwd: ROOT,
    env: {
      ...process.env,
      DATABASE_URL: process.env.ESCALIER_E2E_RESTART_DATABASE,
      ESCALIER_PORT: '0',
      ESCALIER_WEB: `${ROOT}.escalier/web`,
      ESCALIER_DEMO_TUNES: `${ROOT}demo/tunes`,
    },
  });
  const address = await new Promise<string>((resolve, reject) => {
    child.stdout.on('data', (text: Buffer) => {
      const match = /Escalier is at (\S+)/.exec(text.toString());
      if (match !== null) resolve(match[1]!);
    });
    child.once('exit', () => reject(new Error('the server did not start')));
  });
  return { address, child };
}

test('a recorded pass is there again after the server was killed and started', async ({ page }) => {
  const first = await startServer();
  await openDemo(page, first.address);
  await openClass(page, 'Whistle Club');
  await page.getByRole('link', { name: /^Fenna/ }).click();
  await page.getByRole('button', { name: 'Passed' }).click();
  await expect(page.locator('.strip')).toContainText('Fenna passed');
  first.child.kill('SIGKILL');
  await new Promise((resolve) => first.child.once('exit', resolve));

  const second = await startServer();
  try {
    await page.goto(`${second.address}/classes`);
    await openClass(page, 'Whistle Club');
    await expect(
      page.getByRole('list', { name: 'Pupils on step 2' }).getByRole('link', { name: /^Fenna/ }),
    ).toBeVisible();
  } finally {
    second.child.kill('SIGTERM');
    await new Promise((resolve) => second.child.once('exit', resolve));
  }
});
