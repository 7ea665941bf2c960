import { expect, test } from '@playwright/test';
import { databaseNamed, startServer, stopServer } from './server.ts';
import { pupilHeard } from './steps.ts';

test('a new owner comes from nothing to the first recorded pass in twelve actions', async ({ page }) => {
  const server = await startServer(databaseNamed('first_hour'), { demo: false });
  let actions = 0;
  const fill = async (label: string, words: string): Promise<void> => {
    actions += 1;
    await page.getByLabel(label, { exact: true }).fill(words);
  };
  const press = async (name: string | RegExp): Promise<void> => {
    actions += 1;
    await page.getByRole('button', { name }).click();
  };
  try {
    await page.goto(server.address);
    await fill('Setup code', /code: (\S+)/.exec(server.output())![1]!);
    await fill('School name', 'Ferry Lane School');
    await fill('Your name', 'Runa Aldous');
    await fill('Your e-mail', 'runa@ferrylane.example');
    await fill('Password', 'quiet-river-stone-9');
    await press('Set up the school');
    await fill('Class name', '3 Heron');
    actions += 1;
    await page.getByLabel('Meets on').selectOption({ label: 'Tuesday' });
    await fill('At', '10:15');
    await fill('Pupils', 'Abena\nBruno\nCleo\nDmitri');
    await press('Start with 4 pupils');
    await expect(pupilHeard(page)).toHaveText('Abena');
    await press(/^Passed/);
    await expect(pupilHeard(page)).toHaveText('Bruno');
    expect(actions).toBeLessThanOrEqual(12);
    await page.getByRole('navigation', { name: '3 Heron' }).getByRole('link', { name: 'Board' }).click();
    await expect(page.getByRole('gridcell', { name: /^Abena, step 1.*passed/ })).toBeVisible();
  } finally {
    await stopServer(server);
  }
});
