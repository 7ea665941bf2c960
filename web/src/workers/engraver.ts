import { loadToolkit } from './verovio.ts';

export interface Sheet {
  /** Notes and rests on the fullest line: the measure for the width. */
  readonly notesOnLine: number;
  /** Leaves room under each line for pictures. */
  readonly roomBelow: boolean;
  /** False lets Verovio break the lines. */
  readonly hasLines: boolean;
  /** As narrow as the notes need. */
  readonly plain: boolean;
  /** Room for so many notes at the least: lines for the back of a room are no wider. Null for a page. */
  readonly leastNotes: number | null;
}

export interface Engraver {
  /** One SVG for the whole tune, or null when the music does not load. */
  engrave(musicXml: string, sheet: Sheet): string | null;
}

/** Widths in Verovio's units, of which a staff is 72 high. */
const LEAST_WIDTH = 980;
const LEAST_PLAIN_WIDTH = 460;
const LINE_START = 260;
const CLEF_WIDTH = 150;
const NOTE_WIDTH = 62;
/** Lines of so few notes are for a telephone, which scrolls: there is room between them. */
const NARROW = 10;

export async function createEngraver(): Promise<Engraver> {
  const toolkit = await loadToolkit();
  return {
    engrave(musicXml, { notesOnLine, roomBelow, hasLines, plain, leastNotes }) {
      const usual = leastNotes === null ? LEAST_WIDTH : LINE_START + NOTE_WIDTH * leastNotes;
      toolkit.setOptions({
        pageWidth: Math.round(
          Math.max(plain ? LEAST_PLAIN_WIDTH : usual, (plain ? CLEF_WIDTH : LINE_START) + NOTE_WIDTH * notesOnLine),
        ),
        pageHeight: 60_000,
        adjustPageHeight: true,
        breaks: !plain && hasLines ? 'line' : 'auto',
        svgViewBox: true,
        header: 'none',
        footer: 'none',
        smuflTextFont: 'none',
        pageMarginLeft: 40,
        pageMarginRight: 20,
        pageMarginTop: 40,
        pageMarginBottom: roomBelow ? 190 : 40,
        lyricSize: 4.8,
        lyricTopMinMargin: 3,
        spacingSystem: roomBelow ? 24 : leastNotes === null || leastNotes <= NARROW ? 10 : 4,
        mnumInterval: 0,
      });
      if (!toolkit.loadData(musicXml)) return null;
      return toolkit.renderToSVG(1).replace(/<style[^>]*>[\s\S]*?<\/style>/g, '');
    },
  };
}
