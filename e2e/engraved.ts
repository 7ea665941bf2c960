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
