import type { Fingering, Instrument } from '../instruments/index.ts';
import type { Counting, Sayings, Tune } from '../music/index.ts';
import type { NoteRow } from '../practice/index.ts';

export const PRINT_SIZES = ['small', 'medium', 'big'] as const;
export type PrintSize = (typeof PRINT_SIZES)[number];

/** A note or rest of the first part, by its indexes. */
export interface EventPlace {
  readonly barIndex: number;
  readonly eventIndex: number;
}

/** Music as it is to be engraved, with what is drawn on it. Bars and events by their index. */
export interface SheetMusic {
  readonly tune: Tune;
  readonly on: Instrument;
  readonly size: PrintSize;
  /** What stands under the notes, from the top; null leaves the words of the tune. */
  readonly rows: readonly NoteRow[] | null;
  readonly counting: Counting | null;
  readonly sayings: Sayings;
  /** A picture of the fingering under every note. */
  readonly fingerings: boolean;
  /** Chord symbols over the staff. */
  readonly chords: boolean;
  readonly breaths: readonly EventPlace[];
  /** Groups of bars that are the same: each is shaded in its own way. */
  readonly shades: readonly (readonly number[])[];
  /** Letters of the form, each over the bar where its line begins. */
  readonly letters: readonly { readonly barIndex: number; readonly letter: string }[];
  /** First and last bar of the hard spot. */
  readonly bracket: readonly [number, number] | null;
  readonly metre: boolean;
  readonly barlines: boolean;
  /** One line instead of a staff: the rhythm alone. */
  readonly rhythmOnly: boolean;
  /** Notes in whose place a box stands to be filled. */
  readonly covered: readonly EventPlace[];
}

/** What a box holds. */
export type Picture =
  | { readonly kind: 'music'; readonly music: SheetMusic }
  /** An empty staff, or an empty line for a rhythm. */
  | { readonly kind: 'staff'; readonly rhythmOnly: boolean }
  /** Null leaves all holes white, to be coloured. */
  | { readonly kind: 'fingering'; readonly on: Instrument; readonly fingering: Fingering | null }
  /** So many stairs; the one to mark is null where the pupil does it. */
  | { readonly kind: 'stairs'; readonly names: readonly string[]; readonly marked: number | null };

export interface Tile {
  /** To be named by in the key; null where nothing is asked. */
  readonly number: number | null;
  readonly picture: Picture | null;
  /** Over the picture. */
  readonly label: string;
  /** Under it. */
  readonly caption: string;
  /** Lines to write on. */
  readonly lines: number;
  /** Words to choose from: one is ringed. */
  readonly choices: readonly string[];
}

/** How far a step rises and how long it takes, for a drawing to scale. */
export interface DrawnStep {
  readonly title: string;
  readonly belt: string;
  readonly rise: number;
  readonly lessons: number;
  /** Under the title: new notes, dates. */
  readonly about: string;
}

export type Block =
  | {
      readonly kind: 'text';
      readonly text: string;
      readonly look: 'lead' | 'plain' | 'small' | 'caution' | 'head' | 'centred' | 'banner';
    }
  | { readonly kind: 'music'; readonly music: SheetMusic }
  | {
      readonly kind: 'tiles';
      readonly columns: number;
      readonly tiles: readonly Tile[];
      /** Lines to cut along. */
      readonly cut: boolean;
      /** Points; as high as the highest where it is null. */
      readonly height: number | null;
    }
  /** Two columns of which each left one belongs to a right one. */
  | { readonly kind: 'match'; readonly left: readonly Tile[]; readonly right: readonly Tile[] }
  | {
      readonly kind: 'table';
      readonly columns: readonly { readonly label: string; readonly share: number }[];
      readonly rows: readonly (readonly string[])[];
      /** Points, for what is written by hand. */
      readonly rowHeight: number;
    }
  | { readonly kind: 'lines'; readonly count: number }
  /** @param share of the height of a page. */
  | { readonly kind: 'staircase'; readonly steps: readonly DrawnStep[]; readonly share: number }
  /** The sheets that follow, with their pages. */
  | { readonly kind: 'contents' }
  | { readonly kind: 'space'; readonly points: number };

/** What begins on a page of its own. */
export interface Section {
  readonly title: string;
  /** A line for the pupil's name. */
  readonly nameLine: boolean;
  readonly blocks: readonly Block[];
  /** A slip or a poster needs no heading. */
  readonly bare: boolean;
}

/** An answer, with the facts by which it can be checked. */
export interface Answer {
  readonly number: number;
  readonly question: string;
  readonly answer: string;
  readonly facts: Readonly<Record<string, unknown>>;
}

export interface Handout {
  readonly kind: string;
  readonly title: string;
  readonly sections: readonly Section[];
  readonly key: readonly Answer[];
  /** Broader than high. */
  readonly wide: boolean;
}

export function section(title: string, blocks: readonly Block[], more: Partial<Section> = {}): Section {
  return { title, blocks, nameLine: true, bare: false, ...more };
}

export function handout(
  kind: string,
  title: string,
  sections: readonly Section[],
  key: readonly Answer[] = [],
): Handout {
  return { kind, title, sections, key, wide: false };
}

export const text = (words: string, look: Extract<Block, { kind: 'text' }>['look'] = 'plain'): Block => ({
  kind: 'text',
  text: words,
  look,
});

export const PLAIN_TILE: Tile = { number: null, picture: null, label: '', caption: '', lines: 0, choices: [] };

export function tiles(columns: number, made: readonly Tile[], more: { cut?: boolean; height?: number } = {}): Block {
  return { kind: 'tiles', columns, tiles: made, cut: more.cut ?? false, height: more.height ?? null };
}
