import { expect, test, type Page } from '@playwright/test';
import { databaseNamed, startServer, stopServer } from './server.ts';
import {
  expectAccessible,
  expectAccessibleOnTablet,
  expectSaved,
  lastResult,
  makeClass,
  openClass,
  openDemo,
  pegs,
  pressInMenu,
} from './steps.ts';

const PASSWORD = 'four plain words here';

/** The day before or after one, `2026-03-01`. */
function dayFrom(day: string, days: number): string {
  return new Date(Date.parse(day) + days * 86_400_000).toISOString().slice(0, 10);
}

/** The next two lessons of a class of the demo, by its own calendar, whatever holidays lie before them. */
async function nextLessons(page: Page, name: string): Promise<readonly [string, string]> {
  const classes = (await (await page.request.get('/api/classes')).json()) as readonly { id: string; name: string }[];
  const { id } = classes.find((each) => each.name === name)!;
  const { today, lessons } = (await (await page.request.get(`/api/classes/${id}`)).json()) as {
    readonly today: string;
    readonly lessons: { readonly all: readonly { readonly date: string }[] };
  };
  const [first, second] = lessons.all.map(({ date }) => date).filter((date) => date > today);
  return [first!, second!];
}

async function openPage(page: Page, name: string): Promise<void> {
  await page.getByRole('link', { name: 'School', exact: true }).click();
  // The first of its pages, on the way to which a press on another would be lost.
  await expect(page.getByRole('heading', { level: 1, name: 'Calendar' })).toBeVisible();
  await page.getByRole('navigation', { name: 'Pages of the school' }).getByRole('link', { name }).click();
  await expect(page.getByRole('heading', { level: 1, name })).toBeVisible();
}

test('days off by hand and from a calendar file cost lessons', async ({ page }) => {
  await openDemo(page);
  await openPage(page, 'Calendar');
  const [, lesson] = await nextLessons(page, '4 Otter');
  const ics = `BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//t//t//EN\r\nBEGIN:VEVENT\r\nUID:1\r\nDTSTAMP:20260101T000000Z\r\nDTSTART;VALUE=DATE:${lesson.replaceAll('-', '')}\r\nDTEND;VALUE=DATE:${dayFrom(lesson, 1).replaceAll('-', '')}\r\nSUMMARY:Founders’ day\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n`;
  const file = (content: string) => ({ name: 'days.ics', mimeType: 'text/calendar', buffer: Buffer.from(content) });
  await page.getByLabel(/Import days off/).setInputFiles(file('no calendar'));
  await expect(page.getByRole('alert')).toContainText('This file cannot be read as a calendar');
  await page.getByLabel(/Import days off/).setInputFiles(file(ics));
  await expect(page.getByRole('group', { name: 'Days off in the file' })).toContainText('Founders’ day');
  await page.getByRole('button', { name: 'Add these' }).click();
  const reasons = page.getByRole('textbox', { name: /^Reason of day off/ });
  await expect
    .poll(() => reasons.evaluateAll((fields) => fields.map((field) => (field as HTMLInputElement).value)))
    .toContain('Founders’ day');
  await page.getByRole('button', { name: 'Save term' }).click();
  await expectSaved(page);
  await page.getByLabel('Last day', { exact: true }).fill('2020-01-01');
  await page.getByRole('button', { name: 'Save term' }).click();
  await expect(page.getByText('It ends before it begins.')).toBeVisible();
  await page.goto('/classes');
  await openClass(page, '4 Otter');
  await page.getByRole('link', { name: 'Settings' }).click();
  await expect(page.getByText(/Days off cost this class/)).toContainText('Founders’ day');
});

test('a class is made, its pupils come from a paste, and one of them moves', async ({ page }) => {
  await openDemo(page);
  await makeClass(page, '3 Heron');
  await page.getByLabel('List of pupils').fill('Name,Step\nAbena,1\nBruno,9\nCleo,2');
  await expect(page.getByText('Line 2: “9” is not a step: steps go from 1 to 6.')).toBeVisible();
  await page.getByRole('button', { name: 'Add 2 pupils' }).click();
  await expect(page.getByRole('heading', { name: '2 pupils' })).toBeVisible();
  await page.getByRole('button', { name: /^Cleo on step 2/ }).click();
  await page.getByLabel('Note').fill('Sits in front');
  await page.getByLabel('Left on').fill('2020-01-01');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('The leaving date must be after the joining date.')).toBeVisible();
  await page.getByLabel('Left on').fill('');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByRole('button', { name: /^Cleo.*has a note/ })).toBeVisible();
  await page.getByLabel('Class', { exact: true }).selectOption('4 Plover');
  await page.getByRole('button', { name: 'Move' }).click();
  await expect(page.getByRole('heading', { name: '1 pupil' })).toBeVisible();
  await page.goto('/classes');
  await openClass(page, '4 Plover');
  await expect(pegs(page)).toHaveCount(25);
});

test('how a class is taught is set, and the pages follow', async ({ page }) => {
  await openDemo(page);
  await makeClass(page, '3 Wagtail');
  await page.getByRole('link', { name: 'Settings' }).click();
  await expect(page.getByText('The names used on sheet music and by other teachers.')).toBeVisible();
  await page.getByLabel('Note names').selectOption('Finger numbers');
  await page.getByLabel('Left-hand marker').fill('the yellow ribbon');
  for (const rung of ['Say or sing the names', 'Clap and count', 'Finger silently, naming the notes'])
    await page.getByLabel(rung, { exact: true }).uncheck();
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('A ladder has 3 to 6 rungs.')).toBeVisible();
  await page.getByLabel('Alone', { exact: true }).check();
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expectSaved(page);
  await page.getByRole('link', { name: 'Stairs' }).click();
  await page.getByRole('link', { name: 'Introduce the next note' }).click();
  await expect(page.getByText('Left hand on top: the hand with the yellow ribbon.')).toBeVisible();
});

test('an assistant comes by a link, hears pupils, and finds no page of the teachers', async ({ page, browser }) => {
  await openDemo(page);
  await openPage(page, 'People');
  await page.getByLabel('Name', { exact: true }).fill('Asha');
  await page.getByLabel('Role').selectOption('assistant');
  await page.getByLabel('Whistle Club').check();
  await page.getByRole('button', { name: 'Create invitation link' }).click();
  const link = await page.getByLabel('Link for Asha').inputValue();
  const device = await browser.newContext();
  const other = await device.newPage();
  await other.goto(link);
  await expect(other.getByText('You’re invited as an assistant')).toBeVisible();
  await expectAccessible(other);
  await other.getByLabel('Your e-mail').fill('asha@osierbridge.example');
  await other.getByLabel('Password').fill('short');
  await other.getByRole('button', { name: 'Create my account' }).click();
  await expect(other.getByText('At least 12 characters').first()).toBeVisible();
  await other.getByLabel('Password').fill(PASSWORD);
  await other.getByRole('button', { name: 'Create my account' }).click();
  await expect(other.getByRole('heading', { level: 2, name: 'Whistle Club' })).toBeVisible();
  await expect(other.getByRole('heading', { level: 2, name: '4 Plover' })).toHaveCount(0);
  await openClass(other, 'Whistle Club');
  await expect(other.getByRole('link', { name: 'Settings' })).toHaveCount(0);
  await other.getByRole('link', { name: /^Hear / }).click();
  await other.getByRole('button', { name: 'Nearly' }).click();
  await expect(lastResult(other)).toContainText('nearly');
  await other.goto('/school/people');
  await expect(other.getByRole('heading', { level: 1, name: 'Classes' })).toBeVisible();
  await device.close();
  await page.goto(link);
  await expect(page.getByRole('alert')).toContainText('has been used or has expired');
});

test('instruments are lent to a class in one go, taken back, cleaned and printed', async ({ page }) => {
  await openDemo(page);
  await openPage(page, 'Instruments');
  await page.getByLabel('Class', { exact: true }).selectOption('Whistle Club');
  await expect(page.getByText('13 of 15 pupils have one')).toBeVisible();
  await page.getByRole('button', { name: 'Who gets which?' }).click();
  await expect(page.getByText('15 Olufemi')).toBeVisible();
  await page.getByRole('button', { name: 'Lend 2 instruments' }).click();
  await page.getByRole('button', { name: /^15 Olufemi/ }).click();
  await page.getByRole('button', { name: 'Take number 15 back from Olufemi' }).click();
  await expect(page.getByRole('button', { name: '15 free' })).toBeVisible();
  await page.getByLabel('Condition').selectOption('broken');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByRole('button', { name: '15 free broken' })).toBeVisible();
  await page.getByLabel('Lend to').selectOption('Olufemi');
  await page.getByRole('button', { name: 'Lend', exact: true }).click();
  await expect(page.getByRole('alert')).toContainText('Number 15 is broken.');
  await page.getByLabel('Show', { exact: true }).selectOption('Whistle Club');
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('heading', { name: 'Instruments, Whistle Club' })).toBeVisible();
  await expect(page.locator('.print-only').getByText('Anouk')).toBeVisible();
});

test('a password is changed, other devices are signed out, and the list of changes says so', async ({
  page,
  browser,
}) => {
  await openDemo(page);
  const elsewhere = await browser.newPage();
  await openDemo(elsewhere);
  await pressInMenu(page, 'My account');
  await expect(page.getByText(', this device')).toHaveCount(1);
  await page.getByLabel('Current password').fill('not this one');
  await page.getByLabel('New password').fill(PASSWORD);
  await page.getByRole('button', { name: 'Change password' }).click();
  await expect(page.getByText('That isn’t your password.')).toBeVisible();
  await page.getByLabel('Current password').fill('one-step-more');
  await page.getByRole('button', { name: 'Change password' }).click();
  await expectSaved(page, 'Password changed.');
  // It may be on its way to the door by itself already.
  await elsewhere.goto('/school/calendar').catch(() => undefined);
  await expect(elsewhere.getByRole('button', { name: 'Sign in' })).toBeVisible();
  await elsewhere.close();
  await page.getByLabel('Current password').fill(PASSWORD);
  await page.getByLabel('New password').fill('one-step-more');
  await page.getByRole('button', { name: 'Change password' }).click();
  await expect(page.getByLabel('New password')).toHaveValue('');
  await openPage(page, 'Data');
  await expect(page.getByText('Own password changed').first()).toBeVisible();
});

test('an empty database asks for a school, which is set up, filled from an archive, and is the same', async ({
  page,
}) => {
  await openDemo(page);
  const archive = await page.request.get('/api/archive');
  const server = await startServer(databaseNamed('first_run'), { demo: false });
  try {
    await page.goto(server.address);
    await expect(page.getByRole('heading', { name: 'Set up your school' })).toBeVisible();
    await expectAccessible(page);
    const code = /code: (\S+)/.exec(server.output())![1]!;
    await page.getByLabel('Setup code').fill(code.toLowerCase());
    await page.getByLabel('School name').fill('Hill School');
    await page.getByLabel('Your name').fill('Eir');
    await page.getByLabel('Your e-mail').fill('eir@hill.example');
    await page.getByLabel('Password').fill(PASSWORD);
    await page.getByRole('button', { name: 'Set up the school' }).click();
    await expect(page.getByRole('heading', { name: 'Your first class' })).toBeVisible();
    await page.getByRole('link', { name: 'Classes', exact: true }).click();
    await expect(page.getByRole('heading', { name: 'No classes yet' })).toBeVisible();
    await openPage(page, 'Data');
    const picker = page.getByLabel(/Choose an archive/);
    const file = (content: string) => ({ name: 'a.json', mimeType: 'application/json', buffer: Buffer.from(content) });
    await picker.setInputFiles(file('{"format":"else"}'));
    await expect(page.getByRole('alert')).toContainText('archive');
    await picker.setInputFiles(file(await archive.text()));
    await expect(page.getByRole('main').getByText(/pupils and/)).toBeVisible();
    await page.getByRole('link', { name: 'Classes', exact: true }).click();
    await openClass(page, '4 Plover');
  } finally {
    await stopServer(server);
  }
});

test('axe finds nothing on the pages of the school and of a class', async ({ page }) => {
  await openDemo(page);
  await openClass(page, '4 Otter');
  const classAddress = new URL(page.url()).pathname;
  for (const [address, ready] of [
    ['/school/calendar', 'Days off'],
    ['/school/instruments', 'Lend to a whole class'],
    ['/school/belts', 'Missing'],
    ['/school/cautions', 'Save for the school'],
    ['/school/details', 'Time zone'],
    ['/school/people', 'Invite someone'],
    ['/school/data', 'Who changed what'],
    ['/school/account', 'Signed in'],
    ['/classes/new', 'Add a class'],
    ['/start', 'Your first class'],
    [`${classAddress}/settings`, 'How long to hear everyone?'],
    [`${classAddress}/pupils`, 'Away today'],
  ] as const) {
    await page.goto(address);
    await expect(page.getByText(ready).first()).toBeVisible();
    if (address.endsWith('/pupils')) await page.getByRole('button', { name: /^Abel/ }).first().click();
    if (address.endsWith('/instruments')) await page.getByRole('button', { name: /^1 Abel/ }).click();
    if (address.endsWith('/people')) await page.getByRole('button', { name: /^Ivo/ }).click();
    await expectAccessibleOnTablet(page);
  }
});
