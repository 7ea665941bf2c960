import { expect, test } from '@playwright/test';
import { engraved } from './engraved.ts';
import {
  expectAccessible,
  expectAccessibleOnTablet,
  lastResult,
  openClass,
  openDemo,
  pegs,
  pupilHeard,
} from './steps.ts';

test('a stranger is asked to sign in, and comes to where they wanted to go', async ({ page }) => {
  await page.goto('/classes');
  await expect(page).toHaveURL(/sign-in\?to=\/classes/);
  await page.getByRole('button', { name: 'Sign in', exact: true }).click();
  await expect(page.getByText('Please give an e-mail address.')).toBeVisible();
  await page.getByLabel('E-mail').fill('mara@osierbridge.example');
  await page.getByLabel('Password').fill('wrong');
  await page.getByRole('button', { name: 'Sign in', exact: true }).click();
  await expect(page.getByRole('alert')).toHaveText('Wrong e-mail or password.');
  await page.getByLabel('Password').fill('one-step-more');
  await page.getByRole('button', { name: 'Sign in', exact: true }).click();
  await expect(page).toHaveURL(/\/classes$/);
});

test('the demo school is opened by one button', async ({ page }) => {
  await page.goto('/sign-in');
  await page.getByRole('button', { name: 'Open the demo school' }).click();
  await expect(page.getByRole('heading', { name: 'Classes' })).toBeVisible();
});

test('the classes, the stairs of one, and its pupils on them', async ({ page }) => {
  await openDemo(page);
  await expect(page.getByRole('heading', { level: 2 })).toHaveText(['4 Otter', '4 Plover', 'Whistle Club']);
  await openClass(page, '4 Plover');
  await expect(page.locator('.steps > li')).toHaveCount(6);
  await expect(pegs(page)).toHaveCount(24);
  await expect(page.getByRole('list', { name: 'Pupils on step 3' }).getByRole('link')).toHaveCount(12);
  await expect(page.getByRole('link', { name: /^Emre: stuck, 3 tries/ })).toBeVisible();
});

test('a step shows its engraved tune, names, new notes ringed and the fingerings of the class’s instrument', async ({
  page,
}) => {
  await openDemo(page);
  await openClass(page, '4 Plover');
  await page.getByRole('link', { name: /3 Goose Walk/ }).click();
  const tune = page.getByRole('img', { name: 'The tune Goose Walk on a staff' });
  await expect(tune.locator('[id^="n0-"].note')).toHaveCount(22);
  await expect(engraved(tune).verses.first()).toHaveText('B');
  await expect(engraved(page).rings).toHaveCount(3);
  await expect(
    page.getByRole('img', { name: 'E: left hand: thumb, index, middle, ring; right hand: index, middle' }),
  ).toBeVisible();
  await expect(page.locator('figure.new figcaption')).toHaveText(['Enew']);
  await page.getByRole('button', { name: 'Under the notes' }).click();
  await page.getByLabel('Row 1', { exact: true }).selectOption('fixed-do');
  await expect(engraved(tune).verses.first()).toHaveText('ti');
  await page.getByRole('button', { name: 'Remove row 1' }).click();
  await expect(engraved(tune).verses.first()).toHaveText('Geese');
  await page.getByRole('button', { name: 'Remove row 1' }).click();
  await expect(engraved(tune).verses).toHaveCount(0);
});

test('a whistle class sees whistle fingerings', async ({ page }) => {
  await openDemo(page);
  await openClass(page, 'Whistle Club');
  await page.getByRole('link', { name: /4 Slate Roof/ }).click();
  await expect(
    page.getByRole('img', { name: /^D: left hand: index, middle, ring; right hand: index, middle, ring$/ }),
  ).toBeVisible();
  await expect(page.getByRole('img', { name: /thumb/ })).toHaveCount(0);
});

test('a pupil is heard by keys, the record is seen on the stairs at once, and undone', async ({ page }) => {
  await openDemo(page);
  await openClass(page, '4 Plover');
  await page.keyboard.press('h');
  await expect(page.getByRole('button', { name: 'Passed' })).toBeVisible();
  const pupil = await pupilHeard(page).textContent();
  await page.getByText('Leak', { exact: true }).click();
  await expect(page.getByText('Flat pads, thumb first')).toBeVisible();
  await page.keyboard.press('1');
  await expect(lastResult(page)).toContainText(`${pupil ?? ''} passed`);
  await expect(lastResult(page)).toContainText('Saved at school');
  await expect(pupilHeard(page)).not.toHaveText(pupil ?? '');
  await page.getByRole('link', { name: 'Stairs' }).click();
  await expect(page.getByRole('link', { name: `${pupil ?? ''}: on this step, not heard on it yet` })).toBeVisible();
  await page.goBack();
  await page.keyboard.press('u');
  await expect(lastResult(page)).not.toContainText('passed');
  await page.getByRole('link', { name: 'Stairs' }).click();
  await expect(page.getByRole('link', { name: new RegExp(`^${pupil ?? ''}: (stuck|nearly passed)`) })).toBeVisible();
});

test('what does not reach the school is kept here, and said so', async ({ page }) => {
  await openDemo(page);
  await openClass(page, '4 Otter');
  await page.getByRole('link', { name: /Hear .* next/ }).click();
  await expect(page.getByRole('button', { name: 'Passed' })).toBeVisible();
  await page.route('**/api/hearing/events', (route) => route.abort());
  await page.getByRole('button', { name: 'Nearly' }).click();
  await expect(lastResult(page)).toContainText('Saved here');
  await expect(page.getByRole('navigation', { name: 'Rooms' })).toContainText('Saved here: 1');
  await page.getByRole('button', { name: /Saved here/ }).click();
  // The button asks at once; what it could not send goes by itself when the school is back.
  const tried = page.waitForRequest('**/api/hearing/events');
  await page.getByRole('button', { name: 'Send now' }).click();
  await tried;
  await page.unroute('**/api/hearing/events');
  await expect(lastResult(page)).toContainText('Saved at school', { timeout: 120_000 });
});

test('an unknown class, step or address says so', async ({ page }) => {
  await openDemo(page);
  await page.goto('/classes/00000000-0000-7000-8000-000000000000');
  await expect(page.getByRole('alert')).toContainText('There is no such class.');
  await page.goto('/nowhere');
  await expect(page.getByRole('heading', { name: 'This step leads nowhere' })).toBeVisible();
});

test('axe finds nothing on any screen, at a desk and on a tablet', async ({ page }) => {
  await page.goto('/sign-in');
  await expect(page.getByRole('button', { name: 'Open the demo school' })).toBeVisible();
  await expectAccessible(page);
  await openDemo(page);
  await expectAccessible(page);
  await openClass(page, '4 Plover');
  const classAddress = page.url();
  await page.goto(classAddress);
  await expect(pegs(page)).toHaveCount(24);
  await expectAccessibleOnTablet(page);
  await page.goto(`${classAddress}/steps/6`);
  await expect(engraved(page).rings.first()).toBeVisible();
  await expectAccessibleOnTablet(page);
  await page.goto(`${classAddress}/hear`);
  await expect(page.getByRole('button', { name: 'Passed' })).toBeVisible();
  await page.getByText('Tongue', { exact: true }).click();
  await expectAccessibleOnTablet(page);
});

test('the page keeps to its content security policy and loads little script at first', async ({ page }) => {
  const problems: string[] = [];
  let script = 0;
  page.on('console', (message) => {
    if (message.type() === 'error' && !message.text().includes('401')) problems.push(message.text());
  });
  page.on('response', async (response) => {
    if (response.request().resourceType() === 'script')
      script += (await response.body().catch(() => Buffer.alloc(0))).length;
  });
  await page.goto('/sign-in');
  await expect(page.getByRole('button', { name: 'Open the demo school' })).toBeVisible();
  // Uncompressed: a third of it crosses the network. What reads the school's answers by their schemas is a tenth.
  expect(script).toBeLessThan(545_000);
  await openDemo(page);
  await openClass(page, '4 Plover');
  await page.getByRole('link', { name: /6 Spring Evening/ }).click();
  await expect(engraved(page).sheet).toBeVisible();
  expect(problems).toEqual([]);
});
