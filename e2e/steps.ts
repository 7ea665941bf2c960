import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { expect, test, type Locator, type Page } from '@playwright/test';
import type axe from 'axe-core';

const AXE = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

interface DemoAccount {
  readonly email: string;
  readonly password: string;
}

/** The school of each test, as often as it is tried. */
const schools = new Map<string, Promise<DemoAccount>>();

/**
 * Signed in by one call, as the button “Open the demo school” does: that is tried by hand once, in first-flight.spec.ts.
 * Each test has a demo school of its own, and the same on all its pages: what one test changes no other one sees. A server
 * that a test has started itself has the one demo school.
 */
export async function openDemo(page: Page, address = ''): Promise<void> {
  const account = await (address === '' ? ownSchool(page) : demoAt(page, address));
  expect((await page.request.post(`${address}/api/sign-in`, { data: account })).status()).toBe(200);
  await page.goto(`${address}/classes`);
  await expect(page.getByRole('heading', { name: 'Classes' })).toBeVisible();
}

/** Signs in again at the page that asks for it, to the school of the test. */
export async function signInAgain(page: Page): Promise<void> {
  const { email, password } = await ownSchool(page);
  await page.getByLabel('E-mail').fill(email);
  await page.getByLabel('Password').fill(password);
  await page.getByRole('button', { name: 'Sign in', exact: true }).click();
}

function ownSchool(page: Page): Promise<DemoAccount> {
  const { testId, retry } = test.info();
  const key = `${testId} ${retry}`;
  const made =
    schools.get(key) ?? page.request.post('/api/demo-schools').then((answer) => answer.json() as Promise<DemoAccount>);
  schools.set(key, made);
  return made;
}

async function demoAt(page: Page, address: string): Promise<DemoAccount> {
  const answer = await page.request.get(`${address}/api/sign-in`);
  return ((await answer.json()) as { readonly demo: DemoAccount }).demo;
}

/** The page stands still: its fonts are here, it is laid out, and nothing moves on it. */
export async function stands(page: Page): Promise<void> {
  await page.evaluate(async () => {
    await document.fonts.ready;
    const moving = document.getAnimations().filter((each) => each instanceof CSSTransition);
    await Promise.allSettled(moving.map((each) => each.finished));
    const frame = () => new Promise((done) => requestAnimationFrame(done));
    const look = () => `${document.body.innerHTML.length} ${document.body.scrollHeight} ${document.body.scrollWidth}`;
    // What measures itself is drawn anew a few frames after the window has its size.
    for (let [same, before] = [0, look()]; same < 8;) {
      await frame();
      const now = look();
      same = now === before ? same + 1 : 0;
      before = now;
    }
  });
}

export async function openClass(page: Page, name: string): Promise<void> {
  await page.getByRole('link', { name: new RegExp(`^${name}`) }).click();
  await expect(page.getByRole('heading', { level: 1, name })).toBeVisible();
  await expect(pegs(page).first()).toBeVisible();
}

/** Pupils on the stairs, each a peg on a step. */
export function pegs(page: Page): Locator {
  return page.getByRole('list', { name: /^Pupils on step/ }).getByRole('link');
}

/** The rows of a table, without its head. */
export function rows(within: Page | Locator): Locator {
  return within.getByRole('row').filter({ has: within.getByRole('cell') });
}

/** What was recorded last, where it is, and its undo. */
export function lastResult(page: Page): Locator {
  return page.getByRole('status', { name: 'Last result' });
}

/** The steps of a staircase that is being changed. */
export function stepRows(page: Page): Locator {
  return page.getByRole('list', { name: 'Steps' }).getByRole('listitem');
}

/** Who is being heard. */
export function pupilHeard(page: Page): Locator {
  return page.locator('.hearing h2.who');
}

/** Presses something in the rail’s menu. */
export async function pressInMenu(page: Page, name: string): Promise<void> {
  await page.getByRole('navigation', { name: 'Rooms' }).getByRole('button', { name: 'More' }).click();
  await page.getByRole('menuitem', { name }).click();
}

/** The notice at the edge of the screen says that it was saved. */
export async function expectSaved(page: Page, words = 'Saved.'): Promise<void> {
  await expect(page.getByRole('status').filter({ hasText: words }).last()).toBeVisible();
}

/** What axe finds on the page as it stands. It is brought in once a page: its code is longer than most pages. */
async function foundByAxe(page: Page): Promise<readonly string[]> {
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(AXE);
  return page.evaluate(async () => {
    const { axe: look } = window as unknown as { axe: typeof axe };
    const { violations } = await look.run(document, { resultTypes: ['violations'] });
    return violations.map(({ id, nodes }) => `${id}: ${nodes.map(({ target }) => target.join(' ')).join(' | ')}`);
  });
}

/** axe finds nothing to mend on what is shown, once it is all there: what fades in or out is half as dark. */
export async function expectAccessible(page: Page): Promise<void> {
  await page.waitForFunction(() => document.getAnimations().every((one) => !(one instanceof CSSTransition)));
  // A notice may begin to fade while axe looks: what is wrong with a page is wrong the next time, too.
  await expect(async () => expect(await foundByAxe(page)).toEqual([])).toPass({ timeout: 15_000 });
}

export const DESK = { width: 1280, height: 800 };
export const TABLET = { width: 820, height: 1180 };

/** The same on a tablet, where more stands below each other; the page is left as wide as it was. */
export async function expectAccessibleOnTablet(page: Page): Promise<void> {
  await page.setViewportSize(TABLET);
  await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))));
  await expectAccessible(page);
  await page.setViewportSize(DESK);
}

/** A class of Year 3 with one lesson a week and the first staircase; its pupils come next. */
export async function makeClass(page: Page, name: string): Promise<void> {
  await page.goto('/classes/new');
  await page.getByLabel('Name', { exact: true }).fill(name);
  await page.getByLabel('Year group (optional)').fill('Year 3');
  await page.getByRole('button', { name: 'Add a lesson time' }).click();
  await page.getByLabel('Start of lesson time 1').fill('10:30');
  await page.getByRole('button', { name: 'Add the class' }).click();
  await expect(page.getByRole('heading', { name: '0 pupils' })).toBeVisible();
}
