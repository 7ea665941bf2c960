import type { Page } from '@playwright/test';
import { ADDRESS, median, print, wanted } from './harness.ts';

const ROUNDS = 5;
const SETTLED_MS = 500;

/** The main screens; `:class` is the class whose page is the peer. Some show an engraved tune. */
const SCREENS: readonly { readonly name: string; readonly path: string; readonly engraves?: boolean }[] = [
  { name: 'class', path: ':class' },
  { name: 'classes', path: '/classes' },
  { name: 'today', path: ':class/today' },
  { name: 'lesson', path: ':class/lesson' },
  { name: 'hear', path: ':class/hear', engraves: true },
  { name: 'board', path: ':class/board' },
  { name: 'trends', path: ':class/trends' },
  { name: 'plan', path: ':class/plan' },
  { name: 'step', path: ':class/steps/2', engraves: true },
  { name: 'pupil', path: ':class/pupils/:pupil' },
  { name: 'recordings', path: ':class/recordings' },
  { name: 'handouts', path: ':class/handouts' },
  { name: 'tunes', path: '/tunes' },
  { name: 'tune', path: ':tune', engraves: true },
  { name: 'stairs', path: ':stairs' },
  { name: 'fingerings', path: '/fingerings' },
];

interface Marks {
  /** When the head of the page stood, in milliseconds after the browser was sent there. */
  readonly frame: number;
  /** When nothing of the page was loading any more. */
  readonly data: number;
  readonly engraving: number | null;
}

/** In every page: notes when its head, its data and its first engraved tune were there. */
const WATCH = `window.marks = { frame: null, data: null, engraving: null };
new MutationObserver(() => {
  const now = performance.now();
  const has = (what) => document.querySelector(what) !== null;
  if (marks.frame === null && has('main h1, main h2')) marks.frame = now;
  if (has('main .state[role=status]')) marks.data = null;
  else if (marks.frame !== null) marks.data ??= now;
  if (marks.engraving === null && has('main .engraving svg')) marks.engraving = now;
}).observe(document, { subtree: true, childList: true });`;

async function visit(page: Page, address: string, engraves: boolean): Promise<Marks> {
  await page.goto(address);
  await page.waitForFunction(
    (drawn) => {
      const { marks } = window as unknown as { readonly marks: Marks | undefined };
      return marks !== undefined && marks.data !== null && (!drawn || marks.engraving !== null);
    },
    engraves,
    { timeout: 60_000 },
  );
  // What is still to come for the page does not slow the next one.
  await page.waitForTimeout(SETTLED_MS);
  return page.evaluate(() => (window as unknown as { readonly marks: Marks }).marks);
}

/** Each main screen of the demo, opened by its address with everything in the browser’s cache, against the class’s page. */
export async function pages(page: Page): Promise<void> {
  const shown = SCREENS.filter(({ name }) => wanted(`page-${name}`));
  if (shown.length === 0) return;
  const places = await addresses(page);
  await page.addInitScript(WATCH);
  const peer = await middle(page, places(':class'), false);
  const words = 'the page of the class';
  for (const { name, path, engraves = false } of shown) {
    const { frame, data, engraving } = await middle(page, places(path), engraves);
    print({ name: `page-${name}-frame`, peer: words, value: frame, peerValue: peer.frame });
    print({ name: `page-${name}`, peer: words, value: data, peerValue: peer.data });
    if (engraving !== null)
      print({ name: `page-${name}-engraving`, peer: words, value: engraving, peerValue: peer.data });
  }
}

async function middle(page: Page, address: string, engraves: boolean): Promise<Marks> {
  // The first visit fills the cache.
  await visit(page, address, engraves);
  const all: Marks[] = [];
  for (let round = 0; round < ROUNDS; round++) all.push(await visit(page, address, engraves));
  const drawn = all.flatMap(({ engraving }) => engraving ?? []);
  return {
    frame: median(all.map(({ frame }) => frame)),
    data: median(all.map(({ data }) => data)),
    engraving: engraves ? median(drawn) : null,
  };
}

/** Where the screens are, in the demo’s class 4 Plover. */
async function addresses(page: Page): Promise<(path: string) => string> {
  const idOf = async (path: string, name: string): Promise<string> => {
    const list = (await (await page.request.get(`${ADDRESS}/api/${path}`)).json()) as { id: string; name: string }[];
    return (list.find((each) => each.name === name) ?? list[0]!).id;
  };
  const classId = await idOf('classes', '4 Plover');
  const { pupils } = (await (await page.request.get(`${ADDRESS}/api/classes/${classId}`)).json()) as {
    readonly pupils: readonly { readonly id: string }[];
  };
  const [tune, stairs] = [await idOf('tunes', ''), await idOf('staircases', '')];
  return (path) =>
    ADDRESS +
    path
      .replace(':class', `/classes/${classId}`)
      .replace(':pupil', pupils[0]!.id)
      .replace(':tune', `/tunes/${tune}`)
      .replace(':stairs', `/staircases/${stairs}`);
}

/** More keys than a teacher presses in an hour; the lesson is gone through to and fro. */
const PRESSES = 240;

/** What a tab holds after a lesson of an hour has been stepped through, there and back, against what it held at first. */
export async function memory(page: Page): Promise<void> {
  if (!wanted('tab-memory')) return;
  const places = await addresses(page);
  await page.goto(places(':class/lesson'));
  await page.locator('main h1, main h2').first().waitFor();
  const devtools = await page.context().newCDPSession(page);
  await devtools.send('Performance.enable');
  const held = async (): Promise<number> => {
    await devtools.send('HeapProfiler.collectGarbage');
    const { metrics } = await devtools.send('Performance.getMetrics');
    return metrics.find(({ name }) => name === 'JSHeapUsedSize')!.value / 1024 / 1024;
  };
  const step = async (times: number): Promise<void> => {
    for (let press = 0; press < times; press++) {
      await page.keyboard.press(press % 24 < 12 ? 'ArrowRight' : 'ArrowLeft');
      await page.waitForTimeout(50);
    }
  };
  await step(24);
  const before = await held();
  await step(PRESSES);
  const peer = 'the same tab after its first 24 steps; the heap of the script, after collecting';
  print({ name: 'tab-memory', unit: 'MB', peer, value: await held(), peerValue: before });
}
