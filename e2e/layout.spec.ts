import { expect, test, type Page } from '@playwright/test';
import { openClass, openDemo, rows, stands } from './steps.ts';

/** Phone, 1280 px at 200 % zoom, tablet, desk, projector. */
const WIDTHS = [390, 640, 820, 1280, 1920];

/** Every page by its path; what stands at `:class`, `:pupil` and `:tune` is taken from the demo. */
const PAGES = [
  '/classes',
  '/classes/new',
  '/start',
  ':class',
  ':class/steps/2',
  ':class/hear',
  ':class/recordings',
  ':class/handouts',
  ':class/room',
  ':class/board',
  ':class/trends',
  ':class/pupils',
  ':class/pupils/:pupil',
  ':class/settings',
  ':class/plan',
  ':class/today',
  ':class/today/substitute',
  ':class/lesson',
  '/staircases',
  '/staircases/new',
  '/staircases/compare',
  ':stairs',
  ':stairs/poster',
  ':class/notes?part=fingers',
  ':class/notes?part=echo',
  ':class/notes?part=moves',
  '/tunes',
  '/tunes/new',
  ':tune',
  ':tune/edit',
  '/fingerings',
  '/fingerings?view=moves',
  '/fingerings?view=compare',
  '/school/calendar',
  '/school/instruments',
  '/school/belts',
  '/school/people',
  '/school/cautions',
  '/school/remarks',
  '/school/details',
  '/school/data',
  '/school/account',
  '/nowhere',
];

/** Pairs of texts of which one lies over the other, in words; what floats over a page on purpose is left out. */
function overlappingTexts(): string[] {
  const floats = (element: Element | null): boolean => {
    for (let each = element; each !== null; each = each.parentElement) {
      const style = getComputedStyle(each);
      if (style.position === 'fixed' || style.position === 'sticky' || style.visibility === 'hidden') return true;
      if (each.matches('svg, canvas, .visually-hidden, .visually-hidden-focusable, .toast, .skip')) return true;
    }
    return false;
  };
  /** What its scrolling frames leave of a box. */
  const shown = (element: Element, box: DOMRect): DOMRect => {
    let { left, top, right, bottom } = box;
    for (let each: Element | null = element; each !== null; each = each.parentElement) {
      if (getComputedStyle(each).overflow === 'visible') continue;
      const frame = each.getBoundingClientRect();
      [left, top] = [Math.max(left, frame.left), Math.max(top, frame.top)];
      [right, bottom] = [Math.min(right, frame.right), Math.min(bottom, frame.bottom)];
    }
    return new DOMRect(left, top, Math.max(0, right - left), Math.max(0, bottom - top));
  };
  const boxes: { element: Element; words: string; box: DOMRect }[] = [];
  const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
  for (let node = walker.nextNode(); node !== null; node = walker.nextNode()) {
    const words = node.textContent?.trim() ?? '';
    if (words === '' || node.parentElement === null || floats(node.parentElement)) continue;
    const range = document.createRange();
    range.selectNodeContents(node);
    for (const whole of range.getClientRects()) {
      const box = shown(node.parentElement, whole);
      if (box.width > 2 && box.height > 2) boxes.push({ element: node.parentElement, words: words.slice(0, 40), box });
    }
  }
  const inside = (a: DOMRect, b: DOMRect): boolean =>
    Math.min(a.right, b.right) - Math.max(a.left, b.left) > 3 &&
    // Lines of one text may share the space between them.
    Math.min(a.bottom, b.bottom) - Math.max(a.top, b.top) > 0.35 * Math.min(a.height, b.height);
  return boxes.flatMap((one, index) =>
    boxes
      .slice(index + 1)
      .filter((other) => other.element !== one.element && inside(one.box, other.box))
      .map((other) => `“${one.words}” and “${other.words}”`),
  );
}

/** What is wrong with the page at one width. */
async function mishaps(page: Page, width: number): Promise<string[]> {
  await page.setViewportSize({ width, height: width < 500 ? 844 : 900 });
  await stands(page);
  const wide = await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);
  const over = await page.evaluate(overlappingTexts);
  return [
    ...(wide > 1 ? [`${width}: ${wide} px too wide`] : []),
    ...over.slice(0, 4).map((pair) => `${width}: ${pair}`),
  ];
}

test.describe.configure({ mode: 'parallel' });

/** In parts, so that browsers beside each other share the pages. */
const PARTS = 4;

for (let part = 0; part < PARTS; part++)
  test(`no page is wider than its window, and no text lies over another, from phone to projector: part ${part + 1}`, async ({
    page,
  }) => {
    // Many pages at every width: long on a busy machine.
    test.slow();
    await openDemo(page);
    await openClass(page, '4 Plover');
    const schoolClass = new URL(page.url()).pathname;
    await page.goto(`${schoolClass}/board`);
    const pupil = await page.locator('main a[href*="/pupils/"]').first().getAttribute('href');
    await page.goto('/tunes');
    const tune = await rows(page).getByRole('link').first().getAttribute('href');
    await page.goto('/staircases');
    const stairs = await rows(page).getByRole('link').first().getAttribute('href');
    const found: string[] = [];
    for (const path of PAGES.filter((_, index) => index % PARTS === part)) {
      const address = path
        .replace(':class/pupils/:pupil', pupil ?? '')
        .replace(':class', schoolClass)
        .replace(':tune', tune ?? '')
        .replace(':stairs', stairs ?? '');
      await page.goto(address);
      await page.locator('main h1, main h2').first().waitFor();
      await expect(page.locator('main .state[role=status]')).toHaveCount(0);
      for (const width of WIDTHS) found.push(...(await mishaps(page, width)).map((each) => `${path} at ${each}`));
    }
    expect(found).toEqual([]);
  });
