import { inflateSync } from 'node:zlib';
import {
  KINDS,
  madeUpClass,
  makeHandout,
  USUAL_OPTIONS,
  usualRequest,
  type Handout,
  type HandoutKind,
  type HandoutRequest,
} from '@escalier/core/handouts';
import { pitch } from '@escalier/core/music';
import { tuneOf } from '@escalier/core/testing';
import { beforeAll, describe, expect, it } from 'vitest';
import {
  keyHandout,
  layOut,
  Letters,
  Stopped,
  toPdf,
  toSvg,
  type FontFiles,
  type Laid,
  type LayOutSettings,
  type PaperEngraver,
} from './index.ts';
import { boxOf } from './path-box.ts';
import { toolsOnDisk } from './node.ts';

let fonts: FontFiles;
let letters: Letters;
let engraver: PaperEngraver;
beforeAll(async () => {
  ({ fonts, letters, engraver } = await toolsOnDisk());
});

const TUNE = tuneOf(
  [
    ...['X:1', 'T:Stile and Gate', 'M:4/4', 'L:1/4', 'Q:1/4=100', 'K:D', 'G A B2|B A G2|G A F A|B A G2|'],
    'w:o-ver the stile and through the gate we go to-day',
    'G A B2|B A A2|A G A B|B A G2|]',
  ].join('\n'),
);
const request = (more: Partial<HandoutRequest> = {}): HandoutRequest =>
  usualRequest({
    seed: 7,
    counting: 'ta',
    tune: TUNE,
    notes: ['D4', 'E4', 'F#4', 'G4', 'A4', 'B4'].map(pitch),
    elements: new Set(['note quarter', 'note half', 'note eighth', 'rest quarter']),
    ...more,
  });
const A4: LayOutSettings = { paper: 'a4', holding: 'none', size: 'medium' };
const laid = (handout: Handout, settings: Partial<LayOutSettings> = {}): Laid =>
  layOut(handout, { letters, engraver }, { ...A4, ...settings });
const sheet = (kind: HandoutKind, more: Partial<HandoutRequest> = {}, settings: Partial<LayOutSettings> = {}): Laid =>
  laid(makeHandout(kind, request(more)), settings);
const textsOf = ({ pages }: Laid): string =>
  pages.flatMap(({ marks }) => marks.flatMap((mark) => (mark.kind === 'text' ? [mark.text] : []))).join('\n');

/** What is drawn outside the paper's edge of a centimetre, which no printer reaches. */
function outside({ pages }: Laid): readonly string[] {
  const EDGE = 28;
  return pages.flatMap(({ width, height, marks }, index) =>
    marks.flatMap((mark) => {
      const box = boxOf(mark, letters.widthOf);
      const isIn =
        box.x >= EDGE - 0.5 &&
        box.y >= EDGE - 0.5 &&
        box.x + box.width <= width - EDGE + 0.5 &&
        box.y + box.height <= height - EDGE + 0.5;
      return isIn ? [] : [`page ${index + 1}: ${mark.kind === 'text' ? mark.text : JSON.stringify(box)}`];
    }),
  );
}

function overlaps({ pages }: Laid): readonly string[] {
  return pages.flatMap(({ boxes }) =>
    boxes.flatMap((box, index) => {
      const next = boxes[index + 1];
      return next !== undefined && next.y < box.y + box.height - 0.01 ? [`${box.what} and ${next.what}`] : [];
    }),
  );
}

describe('every kind of sheet', () => {
  it.each(['a4', 'letter'] as const)('stays on %s, with nothing over anything else', (paper) => {
    for (const { kind } of KINDS) {
      const made = sheet(kind, {}, { paper });
      expect(made.pages.length, kind).toBeGreaterThan(0);
      expect(outside(made), kind).toEqual([]);
      expect(overlaps(made), kind).toEqual([]);
      expect(made.warnings, kind).toEqual([]);
    }
  });

  it('stays on the paper in big print, with a wide margin, and with all that a tune sheet can have', () => {
    const options = {
      ...USUAL_OPTIONS,
      names: 'full',
      counting: true,
      fingerings: true,
      shades: true,
      chords: true,
    } as const;
    for (const size of ['small', 'medium', 'big'] as const) {
      const made = sheet('tune-sheet', { size, options }, { holding: 'left', size: 'big' });
      expect(outside(made), size).toEqual([]);
      expect(overlaps(made), size).toEqual([]);
    }
  });
});

describe('the pages', () => {
  it('have title, names and words as letters', () => {
    const words = textsOf(sheet('tune-sheet'));
    expect(words).toContain('Stile and Gate');
    expect(words).toMatch(/gate/);
    expect(textsOf(sheet('note-names', { notes: [pitch('F#4'), pitch('G4')] }))).toContain('Name the notes');
    expect(textsOf(sheet('class-list'))).toContain('Abena');
  });

  it('list their contents by the right pages', () => {
    const booklet = sheet('booklet');
    const [, contents] = booklet.pages;
    const texts = contents!.marks.flatMap((mark) => (mark.kind === 'text' ? [mark.text] : []));
    const listed = texts[texts.indexOf('Rain at Noon') + 1];
    expect(booklet.pages.findIndex(({ begins }) => begins === 'Rain at Noon') + 1).toBe(Number(listed));
  });

  it('break a long tune between lines, never within one', () => {
    const long = tuneOf(`X:1\nT:Long\nM:4/4\nL:1/4\nK:G\n${'G A B2|B A G2|A A B B|A4|\n'.repeat(20)}`);
    const made = sheet('tune-sheet', { tune: long, size: 'big' });
    expect(made.pages.length).toBeGreaterThan(1);
    expect(outside(made)).toEqual([]);
    const bars = made.pages.flatMap(({ boxes }) => boxes.filter(({ what }) => what === 'A line of music'));
    expect(bars.length).toBeGreaterThanOrEqual(20);
  });

  it('shrink a long title to a limit, then say that it does not fit', () => {
    const named = (title: string) => sheet('tune-sheet', { tune: { ...TUNE, title } });
    expect(named('A tune with a rather long title for a sheet of paper').warnings).toEqual([]);
    expect(named('Unbreakable'.repeat(30)).warnings[0]).toMatch(/^The title “.*” does not fit\.$/);
  });

  it('have the names of many languages, and say which letters no font has', () => {
    const klass = madeUpClass();
    const names = ['Łucja Þór', 'Олена Ґудзь', 'Νίκη Παππά', 'Nguyễn Thị Mỹ Hạnh', 'Ёлка 李'];
    const pupils = names.map((name) => ({ ...klass.pupils[0]!, name }));
    expect(sheet('labels', { schoolClass: { ...klass, pupils } }).warnings).toEqual([
      'These letters cannot be printed: 李.',
    ]);
    letters = new Letters(fonts);
  });

  it('stop when they are told to', () => {
    const handout = makeHandout('booklet', request());
    expect(() => layOut(handout, { letters, engraver }, A4, (share) => share < 0.3)).toThrow(Stopped);
  });
});

/** The readable parts of a PDF: its objects, and what its streams say. */
function read(pdf: Uint8Array): { readonly plain: string; readonly streams: string } {
  const plain = Buffer.from(pdf).toString('latin1');
  const streams = [...plain.matchAll(/stream\r?\n([\s\S]*?)\r?\nendstream/g)].map(([, body]) => {
    try {
      return inflateSync(Buffer.from(body!, 'latin1')).toString('latin1');
    } catch {
      return '';
    }
  });
  return { plain, streams: streams.join('\n') };
}

describe('the PDF', () => {
  it('has every page, its title and language, bookmarks, and all fonts embedded', async () => {
    const booklet = sheet('booklet');
    const pdf = await toPdf([booklet], letters, fonts, booklet.title);
    const { plain } = read(pdf);
    expect(plain.match(/\/Type \/Page\b/g)).toHaveLength(booklet.pages.length);
    expect(plain).toContain('/Lang (en)');
    expect(plain).toMatch(/\/Title/);
    expect(plain).toContain('/Outlines');
    expect(plain.match(/\/FontFile[23]/g)!.length).toBe(plain.match(/\/Type \/FontDescriptor/g)!.length);
    expect(pdf.length / booklet.pages.length).toBeLessThan(60_000);
  });

  it('is the same file from the same seed', async () => {
    const one = sheet('note-hunt');
    expect(await toPdf([one], letters, fonts, 'x')).toEqual(await toPdf([sheet('note-hunt')], letters, fonts, 'x'));
  });

  it('has its answers as a sheet of its own', () => {
    const handout = makeHandout('complete-bar', request());
    const key = laid(keyHandout(handout));
    expect(textsOf(key)).toContain('Answers: Complete the bar');
    expect(textsOf(key)).toContain(handout.key[0]!.answer.split(':')[0]);
    expect(outside(key)).toEqual([]);
  });
});

describe('a page as SVG', () => {
  it('has letters for the screen, and shapes for other documents', () => {
    const [page] = sheet('tune-sheet').pages;
    const screen = toSvg(page!, letters, 'A <tune>');
    expect(screen).toContain('aria-label="A &lt;tune&gt;"');
    expect(screen).toContain('>Stile and Gate</text>');
    const drawn = toSvg(page!, letters, 'A tune', 'outlines');
    expect(drawn).not.toContain('<text');
    expect(drawn.length).toBeGreaterThan(screen.length);
  });
});
