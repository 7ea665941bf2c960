import { eventId, writeMusicXml } from '@escalier/core/formats';
import type { PrintSize, SheetMusic } from '@escalier/core/handouts';
import type { Tune } from '@escalier/core/music';
import { rowsUnder, wordsUnder, type TextsUnder } from '@escalier/core/practice';
import { linesOf, type EngravedLine } from './engraving.ts';
import type { Letters } from './letters.ts';
import type { Toolkit } from './verovio.ts';

/** Points from the lowest to the highest line of a staff. */
export const STAFF_POINTS: Readonly<Record<PrintSize, number>> = { small: 17, medium: 21, big: 29 };
/** The same in the engraver's units. */
const STAFF_UNITS = 72;
const LINE_START = 190;
const NOTE_WIDTH = 52;
const BAR_WIDTH = 0.5;
const LETTER_WIDTH = 0.5;

/** Engravings that are kept to be used again. */
const MOST_KEPT = 400;

/** Engraves for paper. One serves many sheets. */
export interface PaperEngraver {
  /** @param width points. @throws Error when the music does not load: that is a bug. */
  engrave(music: SheetMusic, width: number): readonly EngravedLine[];
}

export function createPaperEngraver(letters: Letters, toolkit: Toolkit): PaperEngraver {
  // On a worksheet the same note stands many times.
  const engraved = new Map<string, readonly EngravedLine[]>();
  return {
    engrave(music, width) {
      const scale = STAFF_POINTS[music.size] / STAFF_UNITS;
      const pageWidth = Math.round(width / scale);
      const under =
        music.rows === null
          ? wordsUnder(music.tune)
          : rowsUnder(music.tune, music.on, { rows: music.rows, counting: music.counting, sayings: music.sayings });
      const tune = inLines(music.tune, under, (pageWidth - LINE_START) / NOTE_WIDTH);
      const hidden = new Set(music.covered.map(({ barIndex, eventIndex }) => eventId(0, barIndex, eventIndex)));
      const written = writeMusicXml(withBreaths(tune, music), {
        forEngraving: true,
        withoutChords: !music.chords,
        ...(music.rows === null ? {} : { underNote: under }),
      });
      const xml = asAsked(written, music);
      const key = JSON.stringify([pageWidth, scale, [...hidden], xml]);
      const known = engraved.get(key);
      if (known !== undefined) return known;
      toolkit.setOptions({
        pageWidth,
        pageHeight: 60_000,
        adjustPageHeight: true,
        breaks: tune.bars.slice(0, -1).some((bar) => bar.lineEnd) ? 'encoded' : 'none',
        svgViewBox: true,
        svgFormatRaw: true,
        header: 'none',
        footer: 'none',
        smuflTextFont: 'none',
        mnumInterval: 0,
        pageMarginLeft: 0,
        pageMarginRight: 0,
        pageMarginTop: 30,
        pageMarginBottom: 30,
        lyricSize: 4.8,
        lyricTopMinMargin: 3,
        lyricWordSpace: 2.4,
        justifyVertically: false,
      });
      if (!toolkit.loadData(xml)) throw new Error(`“${tune.title}” could not be engraved`);
      const lines = linesOf(toolkit.renderToSVG(1), scale, letters, hidden);
      if (engraved.size < MOST_KEPT) engraved.set(key, lines);
      return lines;
    },
  };
}

/** Breath marks of the tune, and those that the class has besides. */
function withBreaths(tune: Tune, { breaths }: SheetMusic): Tune {
  if (breaths.length === 0) return tune;
  const has = new Set(breaths.map(({ barIndex, eventIndex }) => `${barIndex} ${eventIndex}`));
  const [first, ...others] = tune.parts;
  const bars = first.bars.map((events, barIndex) =>
    events.map((event, eventIndex) => (has.has(`${barIndex} ${eventIndex}`) ? { ...event, breath: true } : event)),
  );
  return { ...tune, parts: [{ ...first, bars }, ...others] };
}

function asAsked(musicXml: string, { metre, barlines, rhythmOnly }: SheetMusic): string {
  let xml = musicXml;
  if (!metre) xml = xml.replaceAll('<time>', '<time print-object="no">');
  if (!barlines)
    xml = xml
      .replaceAll(/<barline location="(?:left|right)">.*?<\/barline>/gs, '')
      .replaceAll('</measure>', '<barline location="right"><bar-style>none</bar-style></barline></measure>');
  if (rhythmOnly)
    xml = xml
      .replaceAll(
        /<clef>.*?<\/clef>/gs,
        '<clef print-object="no"><sign>percussion</sign></clef><staff-details><staff-lines>1</staff-lines></staff-details>',
      )
      .replaceAll(/<key>.*?<\/key>/gs, '<key><fifths>0</fifths></key>')
      .replaceAll(
        /<pitch>.*?<\/pitch>/gs,
        '<unpitched><display-step>E</display-step><display-octave>4</display-octave></unpitched>',
      );
  return xml;
}

/** The tune's own lines where they fit the paper; longer ones are broken at bar lines into parts of like length. */
export function inLines(tune: Tune, under: TextsUnder, capacity: number): Tune {
  const weights = tune.bars.map(
    (_, index) =>
      BAR_WIDTH +
      Math.max(
        ...tune.parts.map((part, partIndex) =>
          part.bars[index]!.reduce((sum, __, event) => {
            const longest = partIndex > 0 ? 0 : Math.max(0, ...under(index, event).map((text) => text?.length ?? 0));
            return sum + Math.max(1, LETTER_WIDTH * longest + 0.3);
          }, 0),
        ),
      ),
  );
  const lines: number[][] = [[]];
  for (const [index, bar] of tune.bars.entries()) {
    lines.at(-1)!.push(index);
    if (bar.lineEnd && index < tune.bars.length - 1) lines.push([]);
  }
  const ends = new Set<number>();
  for (const line of lines) for (const end of endsWithin(line, weights, capacity)) ends.add(end);
  return { ...tune, bars: tune.bars.map((bar, index) => ({ ...bar, lineEnd: ends.has(index) })) };
}

function endsWithin(line: readonly number[], weights: readonly number[], capacity: number): readonly number[] {
  const whole = line.reduce((sum, bar) => sum + weights[bar]!, 0);
  const parts = Math.max(1, Math.ceil(whole / Math.max(1, capacity)));
  const each = Math.ceil(line.length / parts);
  const ends = line.filter((_, place) => place % each === each - 1);
  return ends.at(-1) === line.at(-1) ? ends : [...ends, line.at(-1)!];
}
