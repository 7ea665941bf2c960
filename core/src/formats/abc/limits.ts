import { MOST_BARS } from '../../music/index.ts';
import { t } from '../messages.ts';

/** Enough for a page of a tune book; a longer text is not one tune for a class. */
export const MOST_CHARACTERS = 200_000;
const MOST_NOTES = 6000;
const MOST_VOICES = 40;
const MOST_OVERLAYS = 60;
const MOST_TUPLETS = 2000;
const MOST_BAR_LINES = 4 * MOST_BARS;
const MOST_VERSES = 12;
const MOST_LINES = 4000;
/** Reading a line takes time by the square of its length. */
const MOST_IN_FIELD = 600;
const MOST_IN_LINE = 1200;

/** What a text holds, counted before anything is built from it. */
interface Counts {
  notes: number;
  /** Bars that a sign such as `Z4` stands for. */
  restBars: number;
  barLines: number;
  overlays: number;
  tuplets: number;
  voices: Set<string>;
  /** The most `w:` lines under one line of music. */
  verses: number;
}

/** Why a text holds more than one tune for a class can have, in a sentence; null when it does not. */
export function tooMuchInAbc(text: string): string | null {
  const lines = text.split('\n');
  if (lines.length > MOST_LINES) return tooMany(lines.length, 'lines', MOST_LINES);
  const counts = countSigns(lines);
  if (counts.restBars > MOST_BARS) return tooMany(counts.restBars, t('limits.bars-of-rest'), MOST_BARS);
  if (counts.notes > MOST_NOTES) return tooMany(counts.notes, 'notes', MOST_NOTES);
  if (counts.barLines > MOST_BAR_LINES) return tooMany(counts.barLines, 'bar lines', MOST_BAR_LINES);
  if (counts.overlays > MOST_OVERLAYS) return tooMany(counts.overlays, t('limits.overlaid-voices'), MOST_OVERLAYS);
  if (counts.voices.size > MOST_VOICES) return tooMany(counts.voices.size, 'voices', MOST_VOICES);
  if (counts.tuplets > MOST_TUPLETS) return tooMany(counts.tuplets, 'tuplets', MOST_TUPLETS);
  if (counts.verses > MOST_VERSES) return tooMany(counts.verses, t('limits.verses-under-one-line'), MOST_VERSES);
  return null;
}

/** Music, words under it, or a head that is taken apart: what is only told, such as a comment, may be of any length. */
function mostInLine(line: string): number {
  if (/^([A-JN-PR-UW-Zr]:|%)/.test(line)) return Infinity;
  return /^([A-Zaq-vx-z]:)|\[[A-Za-z]:[^\]]{100}/.test(line) ? MOST_IN_FIELD : MOST_IN_LINE;
}

/**
 * Why a text that comes from outside takes too long to read, in a sentence; null when it does not. What is stored already
 * was read before.
 */
export function tooLongInAbc(text: string): string | null {
  for (const [index, line] of text.split('\n').entries())
    if (line.length > mostInLine(line))
      return t('limits.line-index-has-line-count-characters', {
        index: index + 1,
        lineCount: line.length,
        mostInLine: mostInLine(line),
      });
  return null;
}

function tooMany(count: number, of: string, most: number): string {
  return t('limits.the-tune-has-count-of-the', {
    count: count > 9_999_999 ? t('limits.millions-of') : count,
    of,
    most,
  });
}

/** By the signs of the text alone: a little generous, never slower than reading it once. */
function countSigns(lines: readonly string[]): Counts {
  const counts: Counts = {
    notes: 0,
    restBars: 0,
    barLines: 0,
    overlays: 0,
    tuplets: 0,
    voices: new Set(),
    verses: 0,
  };
  let verses = 0;
  for (const line of lines) {
    if (/^w:/.test(line)) counts.verses = Math.max(counts.verses, (verses += 1));
    for (const voice of line.matchAll(/(?:^|\[)V:\s*([^\s\]]*)/g)) counts.voices.add(voice[1]!);
    if (/^([A-Za-z+]:|%)/.test(line)) continue;
    verses = 0;
    const music = line.replace(/"[^"]*"|![^!]*!|\[[A-Za-z]:[^\]]*\]/g, ' ');
    for (const rest of music.matchAll(/[ZX](\d*)/g)) counts.restBars += rest[1] === '' ? 1 : Number(rest[1]);
    counts.notes += music.match(/[A-Ga-gxz]/g)?.length ?? 0;
    counts.barLines += music.match(/\|/g)?.length ?? 0;
    counts.overlays += music.match(/&/g)?.length ?? 0;
    counts.tuplets += music.match(/\(\d/g)?.length ?? 0;
  }
  return counts;
}
