import { expect, test } from '@playwright/test';
import { expectAccessible, expectSaved, makeClass, openClass, openDemo, rows, stepRows } from './steps.ts';

test('a staircase is proposed, changed, and climbed by a class', async ({ page }) => {
  await openDemo(page);
  await page.getByRole('link', { name: 'Staircases' }).click();
  await expect(page.getByRole('heading', { name: 'Staircases' })).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('link', { name: 'Make a staircase' }).click();
  await page.getByLabel('3. Number of lessons').fill('18');
  await page.getByRole('button', { name: 'Propose' }).click();
  const proposal = page.getByRole('region', { name: 'The proposal' });
  await expect(proposal.getByText(/^1 /)).toBeVisible();
  await expect(proposal.getByText('Brings', { exact: false }).first()).toBeVisible();
  await expectAccessible(page);

  await page.getByRole('button', { name: 'Use this staircase' }).click();
  await expectSaved(page, 'Saved. Change what you like.');
  const steps = stepRows(page);
  await expect(steps.first()).toContainText('lesson');
  const first = await steps.nth(0).getByRole('strong').innerText();
  const second = await steps.nth(1).getByRole('strong').innerText();
  // By keys: the second step goes up, and back by undo; a tread gets wider by its edge.
  await steps.nth(1).getByRole('button', { name: 'Move step 2' }).press('ArrowUp');
  await expect(steps.nth(0).getByRole('strong')).toHaveText(second.replace('2 ', '1 '));
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(steps.nth(0).getByRole('strong')).toHaveText(first);
  const edge = page.getByRole('slider', { name: 'Lessons of step 1' });
  const lessons = Number(await edge.getAttribute('aria-valuenow'));
  await edge.press('ArrowRight');
  await expect(edge).toHaveAttribute('aria-valuenow', String(lessons + 1));

  // The best tune for the second step, and another step after it.
  await steps.nth(1).getByRole('button', { name: /^\d+ / }).click();
  const shelf = page.getByRole('region', { name: 'Tunes that fit' });
  const taken = await shelf.getByRole('listitem').getByRole('strong').first().innerText();
  await shelf.getByRole('button', { name: 'Take', exact: true }).first().click();
  await expect(steps.nth(1)).toContainText(taken);
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expectSaved(page);
  await expect(page.getByRole('button', { name: 'Save', exact: true })).toBeDisabled();
});

test('results stay with their step when stairs move, and the class sees it', async ({ page }) => {
  await openDemo(page);
  await openClass(page, '4 Otter');
  await page.getByRole('link', { name: 'Change the stairs' }).click();
  const steps = stepRows(page);
  await expect(steps.nth(5)).toContainText('Spring Evening');
  await steps.nth(0).getByRole('button', { name: /^\d+ / }).click();
  await page.getByRole('button', { name: 'Change step' }).click();
  await page.getByRole('menuitem', { name: 'Remove' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'Move it instead of removing it' })).toBeVisible();
  await steps.nth(5).getByRole('button', { name: 'One lesson less for step 6' }).click();
  await page.getByRole('link', { name: 'Back' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Stay on this step' }).click();
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expectSaved(page);
  await page.getByRole('link', { name: 'Back' }).click();
  const outlook = page.getByText(/\d+ of \d+ should pass step \d/);
  const likely = async (): Promise<number> => Number(/^(\d+) of/.exec(await outlook.innerText())![1]);
  const now = await likely();
  await page.getByLabel('What if').selectOption({ label: 'hearing in rows of three' });
  await expect.poll(likely).toBeGreaterThan(now);
});

test('a new class gets a proposal, a step is swapped, a pupil passes, a lesson is lost, and the plan shifts', async ({
  page,
}) => {
  await openDemo(page);
  await makeClass(page, '5 Heron');
  await page.getByLabel('List of pupils').fill('Abena\nBruno\nCleo');
  await page.getByRole('button', { name: 'Add 3 pupils' }).click();
  await expect(page.getByRole('heading', { name: '3 pupils' })).toBeVisible();

  await page.getByRole('link', { name: 'Settings' }).click();
  await page.getByRole('link', { name: 'Make a staircase for this class' }).click();
  await expect(page.getByText('For 5 Heron')).toBeVisible();
  await page.getByRole('button', { name: 'Use this staircase' }).click();
  await expectSaved(page, 'Saved. Change what you like.');
  await expect(page.getByText('used by 5 Heron')).toBeVisible();
  const steps = stepRows(page);
  const second = (await steps.nth(1).getByRole('strong').innerText()).slice(2);
  await steps.nth(1).getByRole('button', { name: /^\d+ / }).click();
  await page
    .getByRole('region', { name: 'Tunes that fit' })
    .getByRole('button', { name: 'Take', exact: true })
    .first()
    .click();
  await expect(steps.nth(1)).not.toContainText(second);
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await page.getByRole('link', { name: 'Back' }).click();

  await page.getByRole('link', { name: 'Hearing' }).click();
  await page.keyboard.press('1');
  await expect(page.getByText(/Passed/).first()).toBeVisible();
  await page.getByRole('link', { name: 'Plan' }).click();
  await expect(page.getByRole('heading', { name: /fit the term|short/ })).toBeVisible();
  await expectAccessible(page);
  const before = await rows(page).count();
  await page.getByRole('button', { name: 'Cancel lesson 1', exact: true }).click();
  await page.getByLabel('Reason (for you)').fill('trip');
  await page.getByRole('dialog').getByRole('button', { name: 'Cancel lesson' }).click();
  await expect(page.getByRole('status').filter({ hasText: /Lesson cancelled\. .*now ends/ })).toBeVisible();
  await expect(rows(page)).not.toHaveCount(before);
  await page.getByRole('button', { name: /^Restore / }).click();
  await expect(page.getByRole('status').filter({ hasText: 'Lesson restored.' })).toBeVisible();
});
