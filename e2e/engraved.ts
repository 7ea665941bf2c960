import type { Locator, Page } from '@playwright/test';

/**
 * What is drawn of a tune. A picture has one role and one name, so its parts are found by the classes that Verovio and the
 * pencil give them: here, and nowhere else.
 */
export function engraved(within: Page | Locator) {
  const part = (selector: string): Locator => within.locator(selector);
  return {
    sheet: part('.engraving > svg'),
    staves: part('.engraving .staff'),
    bars: part('.measure'),
    notes: part('.engraving .note'),
    /** Letters, syllables and words under the notes. */
    verses: part('.verse'),
    /** The note that sounds. */
    cursor: part('.now'),
    /** Rings around what is new. */
    rings: part('.pencil ellipse'),
    breaths: part('.pencil .comma'),
    brackets: part('.pencil .bracket'),
    /** Bars that are hard. */
    shades: part('.shade'),
    /** Notes that were heard wrong. */
    wrong: part('.heard.wrong'),
    fingerings: part('.chart svg'),
  } as const;
}

/**
 * The lines of a sheet on the class's picture: how many are whole and how many are cut, the first whole one by its index,
 * and the height of a staff by that of the picture.
 */
export function linesSeen(projector: Page) {
  return projector.evaluate(() => {
    const frame = document.querySelector('.frame');
    if (frame === null) return { whole: 0, cut: 0, first: -1, staff: 0 };
    const { top, bottom } = frame.getBoundingClientRect();
    const end = bottom - Number(/inset\(\S+ \S+ ([\d.]+)px/.exec(getComputedStyle(frame).clipPath)?.[1] ?? 0);
    const boxes = [...frame.querySelectorAll('.system')].map((system) => system.getBoundingClientRect());
    const isWhole = (box: DOMRect): boolean => box.top >= top - 1 && box.bottom <= end + 1;
    const seen = boxes.filter((box) => box.bottom > top + 1 && box.top < end - 1);
    const lines = [...(frame.querySelector('.staff')?.querySelectorAll(':scope > path') ?? [])].map(
      (line) => line.getBoundingClientRect().top,
    );
    return {
      whole: boxes.filter(isWhole).length,
      cut: seen.filter((box) => !isWhole(box)).length,
      first: boxes.findIndex(isWhole),
      staff: lines.length === 0 ? 0 : (Math.max(...lines) - Math.min(...lines)) / window.innerHeight,
    };
  });
}
