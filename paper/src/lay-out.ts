import type { Handout, PrintSize, Section } from '@escalier/core/handouts';
import { piecesOf, type Listed } from './blocks.ts';
import type { PaperEngraver } from './engraver.ts';
import type { Letters } from './letters.ts';
import { INK, line, placed, SOFT, type Box, type Mark } from './marks.ts';
import { fitting, paragraph, piece, type Piece } from './pieces.ts';
import { paperOf, type HoldingSide, type Paper, type PaperName } from './sizes.ts';
import type { Tools } from './tools.ts';
import { t } from './messages.ts';

export interface PageLaid {
  readonly width: number;
  readonly height: number;
  readonly marks: readonly Mark[];
  /** What lies where; none lies over another. */
  readonly boxes: readonly (Box & { readonly what: string })[];
  /** Of the section that begins here; null where one goes on. */
  readonly begins: string | null;
}

export interface Laid {
  readonly title: string;
  readonly pages: readonly PageLaid[];
  /** What did not fit, or could not be written, in sentences. */
  readonly warnings: readonly string[];
}

export interface LayOutSettings {
  readonly paper: PaperName;
  readonly holding: HoldingSide;
  /** Of the letters; music has its own. */
  readonly size: PrintSize;
}

/** Told after each section how far the work is, 0 to 1; the answer false ends it. */
export type Progress = (share: number) => boolean;

/** Of letters, against the usual ones. */
const TEXT_SCALE: Readonly<Record<PrintSize, number>> = { small: 0.92, medium: 1, big: 1.3 };

export class Stopped extends Error {}

/** The pages of a handout. @throws Stopped when progress says so. */
export function layOut(
  handout: Handout,
  { letters, engraver }: { readonly letters: Letters; readonly engraver: PaperEngraver },
  { paper: name, holding, size }: LayOutSettings,
  progress: Progress = () => true,
): Laid {
  const paper = paperOf(name, handout.wide, holding);
  const warnings = new Set<string>();
  const tools: Tools = { letters, engraver, textScale: TEXT_SCALE[size], warn: (sentence) => warnings.add(sentence) };
  const room = { width: paper.right - paper.left, height: paper.bottom - paper.top };
  const listed = (pages: readonly number[]): readonly Listed[] =>
    handout.sections.flatMap((section, index) =>
      index === 0 || section.blocks.some((block) => block.kind === 'contents')
        ? []
        : [{ title: section.title, page: pages[index] ?? 0 }],
    );
  // All but the list of contents is made once; the list is as long with any numbers.
  const made = handout.sections.map((section, index) => {
    if (!progress(index / handout.sections.length)) throw new Stopped(t('lay-out.stopped'));
    return [
      ...headOf(section, room.width, tools),
      ...section.blocks.flatMap((block) => piecesOf(block, room, tools, listed([]))),
    ];
  });
  const counts = made.map((pieces) => pagesOf(pieces, room.height).length);
  const firsts = counts.map((_, index) => 1 + counts.slice(0, index).reduce((sum, count) => sum + count, 0));
  const total = counts.reduce((sum, count) => sum + count, 0);
  const pages = handout.sections.flatMap((section, index) => {
    const hasContents = section.blocks.some((block) => block.kind === 'contents');
    const pieces = hasContents
      ? [
          ...headOf(section, room.width, tools),
          ...section.blocks.flatMap((block) => piecesOf(block, room, tools, listed(firsts))),
        ]
      : made[index]!;
    const own = pagesOf(pieces, room.height);
    const spread = section.nameLine && !section.bare && own.length === 1 ? spreadOf(own[0]!, room.height) : 0;
    return own.map((onPage, place) =>
      pageOf(onPage, paper, {
        spread,
        begins: place === 0 ? section.title : null,
        foot: section.bare ? null : `${firsts[index]! + place}${total > 1 ? ` / ${total}` : ''}`,
        title: handout.title,
        tools,
      }),
    );
  });
  if (letters.missing.size > 0) warnings.add(`These letters cannot be printed: ${[...letters.missing].join(' ')}.`);
  return { title: handout.title, pages, warnings: [...warnings] };
}

const NAME = t('lay-out.name');

function headOf(section: Section, width: number, { letters, warn, textScale }: Tools): readonly Piece[] {
  if (section.bare) return [];
  const nameWidth = section.nameLine ? 190 : 0;
  const most = 22 * Math.min(1.2, textScale);
  const size = fitting(letters, section.title, 'heading', { width: width - nameWidth, lines: 2, most, least: 11 });
  if (size === null) warn(`The title “${section.title}” does not fit.`);
  const { marks, height } = paragraph(letters, section.title, width - nameWidth, { face: 'heading', size: size ?? 11 });
  const nameMarks: readonly Mark[] = section.nameLine
    ? [
        { kind: 'text', x: width - nameWidth + 16, y: 18, text: NAME, face: 'text', size: 10.5, colour: INK },
        line(width - nameWidth + 48, 20, width, 20, { stroke: SOFT, width: 0.8 }),
      ]
    : [];
  return [
    piece(
      t('lay-out.the-heading'),
      height + 12,
      [...marks, ...nameMarks, line(0, height + 5, width, height + 5, { stroke: INK, width: 1.4 })],
      true,
    ),
  ];
}

/** Pieces by pages: one that must not be the last on its page goes on to the next with what follows. */
function pagesOf(pieces: readonly Piece[], height: number): readonly (readonly Piece[])[] {
  const pages: Piece[][] = [[]];
  let used = 0;
  for (let at = 0; at < pieces.length;) {
    let end = at;
    while (pieces[end]!.keepWithNext && end < pieces.length - 1) end++;
    const group = pieces.slice(at, end + 1);
    const needed = group.reduce((sum, piece) => sum + piece.height, 0);
    if (used + needed > height && used > 0) {
      pages.push([]);
      used = 0;
    }
    for (const piece of group) {
      if (used + piece.height > height && used > 0) {
        pages.push([]);
        used = 0;
      }
      pages.at(-1)!.push(piece);
      used += piece.height;
    }
    at = end + 1;
  }
  return pages;
}

const MOST_SPREAD = 26;

/** A sheet to write on uses its paper: so much more room after each piece. */
function spreadOf(pieces: readonly Piece[], height: number): number {
  const used = pieces.reduce((sum, piece) => sum + piece.height, 0);
  return Math.max(0, Math.min(MOST_SPREAD, (height - used) / (pieces.length + 1)));
}

interface Around {
  readonly spread: number;
  readonly begins: string | null;
  readonly foot: string | null;
  readonly title: string;
  readonly tools: Tools;
}

function pageOf(pieces: readonly Piece[], paper: Paper, { spread, begins, foot, title, tools }: Around): PageLaid {
  const marks: Mark[] = [];
  const boxes: (Box & { what: string })[] = [];
  let y = paper.top;
  for (const { height, marks: own, what } of pieces) {
    if (y + height > paper.bottom + 1 && what !== '') tools.warn(`${what} is too high for the page.`);
    marks.push(...placed(own, paper.left, y));
    if (own.length > 0) boxes.push({ what, x: paper.left, y, width: paper.right - paper.left, height });
    y += height + spread;
  }
  if (foot !== null) {
    const { letters } = tools;
    const wide = letters.width(foot, 'text', 8.5);
    const base = paper.bottom + 16;
    const size =
      fitting(letters, title, 'text', { width: paper.right - paper.left - 80, lines: 1, most: 8.5, least: 5 }) ?? 5;
    marks.push({ kind: 'text', x: paper.right - wide, y: base, text: foot, face: 'text', size: 8.5, colour: SOFT });
    marks.push({ kind: 'text', x: paper.left, y: base, text: title, face: 'text', size, colour: SOFT });
  }
  return { width: paper.width, height: paper.height, marks, boxes, begins };
}
