import { expect, test, type Locator, type Page } from '@playwright/test';
import { engraved, linesSeen } from './engraved.ts';
import { onsetAfter, readWav, savedBy } from './sound.ts';
import { expectAccessible, expectAccessibleOnTablet, openClass, openDemo } from './steps.ts';

async function openToday(page: Page, name: string): Promise<void> {
  await openDemo(page);
  await openClass(page, name);
  await page.getByRole('link', { name: 'Today', exact: true }).click();
  await expect(page.getByRole('list').filter({ hasText: 'Settle in' })).toBeVisible();
}

async function openLesson(page: Page, name: string): Promise<void> {
  await openToday(page, name);
  await page.getByRole('link', { name: 'Start the lesson' }).click();
  await expect(page.getByRole('button', { name: 'Start the lesson' })).toBeEnabled();
}

const projectorOf = (lesson: string): string => lesson.replace(/lesson(\?.*)?$/, 'projector');

/** The class's window beside the teacher's, in the same browser. */
async function openProjector(page: Page): Promise<Page> {
  const projector = await page.context().newPage();
  await projector.goto(projectorOf(page.url()));
  await page.bringToFront();
  await expect(page.getByRole('button', { name: 'Projector on' })).toBeVisible();
  return projector;
}

const now = (page: Page) => page.getByRole('region', { name: 'Now' });

/** What stands in the part that is on, its rungs too, without the clock. */
const partOf = async (page: Page): Promise<string> => (await now(page).innerHTML()).replace(/\d+:\d\d/g, '');

/** Goes on by the one key until something is shown: each press has done what it does before the next one. */
async function goOnTo(page: Page, wanted: Locator): Promise<void> {
  for (let before = await partOf(page); !(await wanted.isVisible()); before = await partOf(page)) {
    await page.keyboard.press('ArrowRight');
    await expect.poll(() => partOf(page)).not.toBe(before);
  }
}

const seen = (projector: Page) => projector.getByRole('region', { name: 'What the class sees' });

test('a lesson of forty minutes is stepped through by keys alone, with the class’s window in step', async ({
  page,
}) => {
  await openLesson(page, '4 Plover');
  const projector = await openProjector(page);
  await page.keyboard.press('ArrowRight');
  await expect(now(page)).toContainText('Settle in');
  await expect(seen(projector)).toContainText('Left hand on top');
  await page.keyboard.press('PageDown');
  await expect(now(page)).toContainText('Warm-up');
  await expect(seen(projector).getByRole('img', { name: /on a staff/ })).toBeVisible();
  await page.keyboard.press(' ');
  await expect(seen(projector)).toContainText('Your turn');
  await page.keyboard.press(' ');
  await goOnTo(page, now(page).getByText('Tune: '));
  await expect(now(page)).toContainText('Say or sing the names');
  await expect(seen(projector).locator('.word').first()).toBeVisible();
  // The rungs by their numbers: chanted in time, then fingered in silence.
  await page.keyboard.press('2');
  await page.keyboard.press(' ');
  await expect(seen(projector).locator('.word.now')).toBeVisible();
  await page.keyboard.press('3');
  await expect(seen(projector).getByRole('img', { name: /thumb|ring|closed|index/i })).toBeVisible();
  await page.keyboard.press('q');
  await expect(seen(projector).getByRole('timer')).toBeVisible();
  await page.keyboard.press('q');
  await page.keyboard.press('w');
  await expect(seen(projector)).toContainText('Row 1');
  await goOnTo(page, page.getByText('The lesson is over'));
  // In seconds nothing is taught: what was is the teacher's to say.
  await expect(page.getByText('Nothing was taught, so this lesson stays planned.')).toBeVisible();
  await page.getByRole('checkbox', { name: /Settle in/ }).check();
  await expect(page.getByText('1 of 7 parts taught.')).toBeVisible();
});

test('a rehearsal goes through hearing and all, and leaves nothing', async ({ page }) => {
  await openToday(page, '4 Plover');
  await page.getByRole('link', { name: 'Rehearse' }).click();
  const posted: string[] = [];
  page.on('request', (request) => {
    if (request.method() !== 'GET') posted.push(request.url());
  });
  await page.getByRole('button', { name: 'Start the rehearsal' }).click();
  const outcomes = page.getByRole('group', { name: /^How did / });
  await goOnTo(page, outcomes);
  const who = now(page).getByRole('heading', { level: 2 }).nth(1);
  const first = await who.textContent();
  await page.keyboard.press('1');
  await expect(who).not.toHaveText(first!);
  await page.getByRole('link', { name: 'End the rehearsal' }).click();
  await expect(page.getByRole('link', { name: 'Start the lesson' })).toBeVisible();
  expect(posted).toEqual([]);
});

test('a tune is on the picture in whole lines, as large as can be read, whatever the projector', async ({ page }) => {
  await openToday(page, '4 Plover');
  await page.getByRole('link', { name: 'Rehearse' }).click();
  await page.getByRole('button', { name: 'Start the rehearsal' }).click();
  const projector = await openProjector(page);
  await goOnTo(page, now(page).getByText('Tune: '));
  await now(page).getByRole('button', { name: 'Tune', exact: true }).click();
  for (const [width, height] of [
    [1920, 1080],
    [1280, 720],
    [1024, 768],
  ] as const) {
    await projector.setViewportSize({ width, height });
    await expect
      .poll(async () => {
        const { whole, cut, staff } = await linesSeen(projector);
        return { whole, cut, isLarge: staff > 1 / 9 };
      })
      .toEqual({ whole: 2, cut: 0, isLarge: true });
  }
  const before = (await linesSeen(projector)).first;
  await page.keyboard.press('.');
  await expect.poll(async () => (await linesSeen(projector)).first).toBe(before + 2);
});

test('a lesson goes on with the network cut, after a reload too, and all of it arrives', async ({ page, context }) => {
  await openLesson(page, '4 Otter');
  await page.keyboard.press('ArrowRight');
  await expect(now(page)).toContainText('Settle in');
  await page.waitForLoadState('networkidle');
  await context.setOffline(true);
  await page.keyboard.press('ArrowRight');
  await expect(now(page)).toContainText('Warm-up');
  await page.getByRole('button', { name: 'Remark' }).click();
  await page.getByLabel('Shown with the next plan').fill('Windows open next time.');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByText(/Saved on this device; sending 2/)).toBeVisible();
  // What a teacher says lies sealed until it is away.
  await expect.poll(() => page.evaluate(() => localStorage.getItem('escalier-lesson-words'))).toMatch(/"iv"/);
  expect(await page.evaluate(() => JSON.stringify({ ...localStorage }))).not.toContain('Windows open');
  await context.setOffline(false);
  await page.evaluate(() => window.dispatchEvent(new Event('online')));
  await expect(page.getByText(/on the way to the school/)).toHaveCount(0);
  const id = /classes\/([^/]+)/.exec(page.url())![1]!;
  const answer = await page.request.get(`/api/classes/${id}/lessons`);
  const kinds = ((await answer.json()) as { event: { kind: string } }[]).map(({ event }) => event.kind);
  expect(kinds).toEqual(expect.arrayContaining(['started', 'block', 'remark']));
  await page.reload();
  await expect(now(page)).toContainText('Warm-up');
});

test('the class’s window on another device follows the lesson, and what is shown can be read from the back', async ({
  page,
  browser,
}) => {
  test.slow();
  await openLesson(page, 'Whistle Club');
  const address = page.url();
  const elsewhere = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
  await openDemo(elsewhere);
  await elsewhere.goto(projectorOf(address));
  await page.keyboard.press('ArrowRight');
  await expect(seen(elsewhere)).toContainText('Ready to play');
  await goOnTo(page, now(page).getByText('Tune: '));
  await now(page).getByRole('button', { name: 'Tune', exact: true }).click();
  for (const [width, height] of [
    [1280, 800],
    [1920, 1080],
  ] as const) {
    await elsewhere.setViewportSize({ width, height });
    await expect(engraved(seen(elsewhere)).staves.first()).toBeVisible();
    await expect.poll(() => staffShare(elsewhere)).toBeGreaterThanOrEqual(1 / 9);
    expect(await smallestText(elsewhere)).toBeGreaterThanOrEqual(1 / 22);
  }
  await expectAccessible(elsewhere);
  await elsewhere.close();
});

/** The height of a staff as a part of the picture's. */
function staffShare(page: Page): Promise<number> {
  return page.evaluate(() => {
    const lines = [...document.querySelectorAll('.engraving .staff')[0]!.children].filter(
      (child) => child.tagName === 'path',
    );
    const [top, bottom] = [lines[0], lines.at(-1)].map((line) => line!.getBoundingClientRect().top);
    return (bottom! - top!) / window.innerHeight;
  });
}

/** The smallest letters of a scene as a part of the picture's height; numbers of bars and letters of same bars are for the teacher. */
function smallestText(page: Page): Promise<number> {
  return page.evaluate(() => {
    const sizes = [...document.querySelectorAll('.scene h2, .scene p, .scene li, .scene .verse text')].flatMap(
      (each) => {
        if (each.textContent.trim() === '') return [];
        // Letters of the engraving are scaled with it: their box is what is seen.
        if (each instanceof SVGElement) return [each.getBoundingClientRect().height];
        return [Number.parseFloat(getComputedStyle(each).fontSize)];
      },
    );
    return Math.min(...sizes) / window.innerHeight;
  });
}

test('the cursor is at a note when it sounds', async ({ page }) => {
  await page.addInitScript(() => {
    const heard: number[] = [];
    const seen: number[] = [];
    Object.assign(window, { heard, seen });
    let clock: BaseAudioContext | null = null;
    // eslint-disable-next-line @typescript-eslint/unbound-method -- called with its node below
    const start = AudioBufferSourceNode.prototype.start;
    AudioBufferSourceNode.prototype.start = function (when, ...rest) {
      clock = this.context;
      if (when !== undefined && when > 0) heard.push(when);
      start.call(this, when, ...rest);
    };
    let last = '';
    new MutationObserver(() => {
      const now = document.querySelector('.now');
      const place = now === null ? '' : `${now.getAttribute('x')} ${now.getAttribute('y')}`;
      if (place !== '' && place !== last && clock !== null) seen.push(clock.currentTime);
      last = place;
    }).observe(document, { subtree: true, childList: true, attributes: true, attributeFilter: ['x', 'y'] });
  });
  await openDemo(page);
  const abc = 'X:1\nT:Up and Down\nM:4/4\nL:1/4\nQ:1/4=100\nK:G\nGABA|GBAB|GAGB|ABAG|]';
  const id = await page.evaluate(async (body) => {
    const headers = { 'content-type': 'application/json' };
    const answer = await fetch('/api/tunes', { method: 'POST', headers, body: JSON.stringify({ abc: body }) });
    return ((await answer.json()) as { id: string }).id;
  }, abc);
  await page.goto(`/tunes/${id}`);
  const both = () =>
    page.evaluate(() => {
      const { heard, seen } = window as unknown as { heard: number[]; seen: number[] };
      return { heard, seen };
    });
  // A machine that is busy with something else drops pictures: then it plays once more.
  await expect(async () => {
    await page.evaluate(() => {
      const { heard, seen } = window as unknown as { heard: number[]; seen: number[] };
      heard.length = 0;
      seen.length = 0;
    });
    await page.getByRole('button', { name: 'Play', exact: true }).click();
    await expect(page.getByRole('button', { name: 'Stop', exact: true })).toBeVisible();
    await expect(page.getByRole('button', { name: 'Play', exact: true })).toBeVisible();
    expect((await both()).seen.length).toBe(16);
  }).toPass({ timeout: 180_000 });
  const { heard, seen } = await both();
  const apart = seen.map((at, index) => Math.abs(at - heard[index]!)).toSorted((a, b) => a - b);
  expect(apart[8]).toBeLessThan(0.03);
});

test('five minutes at 120 stay within 10 ms of the audio clock', { tag: '@long' }, async ({ page }) => {
  test.slow();
  await openDemo(page);
  // 150 bars of two notes: 600 beats.
  const bars = Array.from({ length: 150 }, () => 'G2 B2').join('|');
  const abc = `X:1\nT:Long Walk\nM:4/4\nL:1/4\nQ:1/4=120\nK:G\n${bars}|]`;
  const id = await page.evaluate(async (body) => {
    const headers = { 'content-type': 'application/json' };
    const answer = await fetch('/api/tunes', { method: 'POST', headers, body: JSON.stringify({ abc: body }) });
    return ((await answer.json()) as { id: string }).id;
  }, abc);
  await page.goto(`/tunes/${id}`);
  await page.getByText('Click', { exact: true }).click();
  await page.getByLabel('Tempo in beats a minute').fill('120');
  await page.keyboard.press('Enter');
  const sound = readWav(await savedBy(page, 'Sound'));
  // After four beats of count-in; between two notes is the space of the tongue, and each begins alike.
  const [lead, level, before] = [2, 0.06, 0.03];
  const [first, last] = [1, 299].map((second) => onsetAfter(sound, lead + second - before, level));
  expect(Math.abs(last! - first! - 298)).toBeLessThan(0.01);
});

test('axe finds nothing on the screens of a lesson, and the plan is printed for a substitute', async ({ page }) => {
  await openToday(page, '4 Plover');
  const today = page.url();
  await page.goto(today);
  await expect(page.getByRole('list').filter({ hasText: 'Settle in' })).toBeVisible();
  await expectAccessibleOnTablet(page);
  await page.getByRole('link', { name: 'For a substitute' }).click();
  await expect(page.getByText('You don’t need to play.')).toBeVisible();
  await expectAccessibleOnTablet(page);
  await page.goto(today.replace(/today$/, 'lesson'));
  await page.getByRole('button', { name: 'Keys', exact: true }).click();
  await expect(page.getByText('Numbers go to the rungs')).toBeVisible();
  await expectAccessibleOnTablet(page);
});
