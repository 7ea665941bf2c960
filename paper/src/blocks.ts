import type { Block, DrawnStep, Tile } from '@escalier/core/handouts';
import { belt, isBeltId } from '@escalier/core/staircase';
import { circle, INK, line, path, placed, rectangle, SHADE, SOFT, type Mark } from './marks.ts';
import { musicPieces } from './music.ts';
import { fitting, gap, paragraph, piece, type Piece } from './pieces.ts';
import { drawing } from './pictures.ts';
import type { Tools } from './tools.ts';

/** What stands on which page, for the list of contents. */
export interface Listed {
  readonly title: string;
  readonly page: number;
}

export interface Room {
  readonly width: number;
  /** Of a page of its own. */
  readonly height: number;
}

const LOOKS = {
  lead: { face: 'text', size: 12, after: 8 },
  plain: { face: 'text', size: 10.5, after: 5 },
  small: { face: 'text', size: 8.5, after: 6 },
  caution: { face: 'text', size: 10, after: 5 },
  head: { face: 'bold', size: 14, after: 6 },
  centred: { face: 'text', size: 15, after: 10 },
  banner: { face: 'heading', size: 40, after: 14 },
} as const;

/** A block as pieces, from the top down. */
export function piecesOf(block: Block, room: Room, tools: Tools, contents: readonly Listed[]): readonly Piece[] {
  switch (block.kind) {
    case 'text':
      return textPieces(block, room.width, tools);
    case 'music':
      return musicPieces(block.music, room.width, tools);
    case 'tiles':
      return tileRows(block, room, tools);
    case 'match':
      return matchPieces(block, room.width, tools);
    case 'table':
      return tableRows(block, room.width, tools);
    case 'lines':
      return Array.from({ length: block.count }, () =>
        piece('A line', 26, [line(0, 22, room.width, 22, { stroke: SOFT, width: 0.7 })]),
      );
    case 'staircase':
      return [staircasePiece(block.steps, { ...room, height: room.height * block.share }, tools)];
    case 'contents':
      return contents.map((listed) => contentsLine(listed, room.width, tools));
    case 'space':
      return [gap(block.points)];
  }
}

function textPieces({ text, look }: Extract<Block, { kind: 'text' }>, width: number, tools: Tools): readonly Piece[] {
  const { letters, textScale } = tools;
  const { face, size: usual, after } = LOOKS[look];
  if (text === '') return [piece('A gap', 18, [line(0, 9, width, 9, { stroke: SOFT, width: 0.6, dash: 4 })])];
  if (look === 'banner') {
    const size = fitting(letters, text, face, { width, lines: 2, most: usual, least: 18 }) ?? 18;
    const { marks, height } = paragraph(letters, text, width, { face, size, align: 'middle' });
    return [piece(text, height + after, marks)];
  }
  const size = usual * textScale;
  const inset = look === 'caution' ? 12 : 0;
  const { marks, height } = paragraph(letters, text, width - inset, {
    face,
    size,
    ...(look === 'small' ? { colour: SOFT } : {}),
    ...(look === 'centred' ? { align: 'middle' as const } : {}),
  });
  const bar = look === 'caution' ? [line(3, 1, 3, height - 2, { stroke: INK, width: 2.5 })] : [];
  const before = look === 'head' ? HEAD_GAP : 0;
  const isHead = look === 'head' || look === 'lead';
  return [piece(text, before + height + after, [...bar, ...placed(marks, inset, before)], isHead)];
}

const TILE_GAP = 12;
/** Over a heading within a sheet. */
const HEAD_GAP = 8;

function tileRows(
  { columns, tiles, cut, height }: Extract<Block, { kind: 'tiles' }>,
  room: Room,
  tools: Tools,
): readonly Piece[] {
  const space = cut ? 0 : TILE_GAP;
  const width = (room.width - space * (columns - 1)) / columns;
  const rows: Piece[] = [];
  for (let at = 0; at < tiles.length; at += columns) {
    const row = tiles
      .slice(at, at + columns)
      .map((tile) => tileDrawing(tile, width - (cut ? 16 : 0), tools, columns > 5));
    const natural = Math.max(...row.map((each) => each.height));
    const high = height ?? natural;
    const marks = row.flatMap(({ marks: own, height: ownHeight }, index): readonly Mark[] => {
      const scale = ownHeight > high - 8 && height !== null ? (high - 8) / ownHeight : 1;
      if (scale < 0.55) tools.warn(`“${tiles[at + index]!.label || 'A card'}” does not fit its box.`);
      const inside = cut ? 8 + ((width - 16) * (1 - scale)) / 2 : 0;
      return placed(
        own,
        index * (width + space) + inside,
        cut ? Math.max(4, (high - ownHeight * scale) / 2) : 0,
        scale,
      );
    });
    const frames = cut
      ? row.map((_, index) =>
          rectangle({ x: index * width, y: 0, width, height: high }, { stroke: SOFT, width: 0.7, dash: 4 }),
        )
      : [];
    rows.push(piece('A row', high + (cut ? 0 : TILE_GAP), [...frames, ...marks]));
  }
  return rows;
}

/** From the top: label with its number, picture, choices, lines, caption; in the middle of its width. */
function tileDrawing(
  tile: Tile,
  width: number,
  tools: Tools,
  small: boolean,
): { readonly marks: readonly Mark[]; readonly height: number } {
  const { letters, textScale } = tools;
  const marks: Mark[] = [];
  let y = 0;
  const add = (text: string, face: 'text' | 'bold', size: number): void => {
    if (text === '') return;
    const fits = fitting(letters, text, face, { width, lines: 4, most: size, least: 6.5 });
    if (fits === null) tools.warn(`“${text}” does not fit its box.`);
    const made = paragraph(letters, text, width, { face, size: fits ?? 6.5, align: 'middle' });
    marks.push(...placed(made.marks, 0, y));
    y += made.height + 3;
  };
  if (tile.number !== null)
    marks.push({ kind: 'text', x: 0, y: 10, text: `${tile.number}.`, face: 'bold', size: 10 * textScale, colour: INK });
  add(tile.label, 'bold', 13 * textScale);
  if (tile.picture !== null) {
    if (tile.label === '' && tile.number !== null) y += 6;
    const inset = tile.number === null ? 0 : 18;
    const drawn = drawing(tile.picture, width - inset, tools, small);
    const scale = Math.min(1, (width - inset) / Math.max(1, drawn.width));
    marks.push(...placed(drawn.marks, inset + Math.max(0, (width - inset - drawn.width * scale) / 2), y, scale));
    y += drawn.height * scale + 4;
  }
  if (tile.choices.length > 0) add(tile.choices.join('        '), 'text', 11 * textScale);
  for (let each = 0; each < tile.lines; each++) {
    y += 20;
    marks.push(line(width * 0.12, y, width * 0.88, y, { stroke: SOFT, width: 0.8 }));
    y += 5;
  }
  add(tile.caption, 'text', 11 * textScale);
  return { marks, height: y };
}

function matchPieces(
  { left, right }: Extract<Block, { kind: 'match' }>,
  width: number,
  tools: Tools,
): readonly Piece[] {
  const side = width * 0.38;
  const pairs = left.map(
    (tile, index) => [tileDrawing(tile, side, tools, true), tileDrawing(right[index]!, side, tools, true)] as const,
  );
  return pairs.map(([one, other]) => {
    const height = Math.max(one.height, other.height, 34) + TILE_GAP;
    const middle = (height - TILE_GAP) / 2;
    return piece('A pair', height, [
      ...placed(one.marks, 0, middle - one.height / 2),
      circle(side + 12, middle, 2.2, { fill: INK }),
      circle(width - side - 12, middle, 2.2, { fill: INK }),
      ...placed(other.marks, width - side, middle - other.height / 2),
    ]);
  });
}

function tableRows(
  { columns, rows, rowHeight }: Extract<Block, { kind: 'table' }>,
  width: number,
  tools: Tools,
): readonly Piece[] {
  const whole = columns.reduce((sum, column) => sum + column.share, 0);
  const widths = columns.map((column) => (column.share / whole) * width);
  const row = (cells: readonly string[], face: 'text' | 'bold'): Piece => {
    const size = 10;
    const wrapped = cells.map((cell, index) => {
      const room = widths[index]! - 8;
      return paragraph(tools.letters, cell === TICK ? '' : cell, room, {
        face,
        size:
          fitting(tools.letters, cell === TICK ? '' : cell, face, { width: room, lines: 3, most: size, least: 6 }) ?? 6,
      });
    });
    const height = Math.max(rowHeight, ...wrapped.map((each) => each.height + 6));
    let x = 0;
    const marks = wrapped.flatMap((each, index): readonly Mark[] => {
      const at = x;
      x += widths[index]!;
      return [
        rectangle({ x: at, y: 0, width: widths[index]!, height }, { stroke: SOFT, width: 0.6 }),
        ...(cells[index] === TICK
          ? [path(`M${at + widths[index]! / 2 - 4} ${height / 2}l3 4l5 -8`, { stroke: INK, width: 1.6 })]
          : placed(each.marks, at + 4, (height - each.height) / 2)),
      ];
    });
    return piece('A row', height, marks);
  };
  const head = columns.some((column) => column.label.trim() !== '')
    ? [
        {
          ...row(
            columns.map((column) => column.label.trim()),
            'bold',
          ),
          keepWithNext: true,
        },
      ]
    : [];
  return [...head, ...rows.map((cells) => row(cells, 'text'))];
}

/** No font of the sheets has one. */
const TICK = '✓';

const LEAST_STAIRS = 150;

/** Rise is difficulty, tread is time; what stands over a tread is as wide as it. */
function staircasePiece(steps: readonly DrawnStep[], room: Room, tools: Tools): Piece {
  const height = Math.max(LEAST_STAIRS, room.height);
  const WORDS = 58;
  const lessons = steps.reduce((sum, step) => sum + Math.max(1.2, step.lessons), 0);
  const rises = steps.reduce((sum, step) => sum + step.rise, 0);
  const marks: Mark[] = [];
  let [x, y] = [0, height - 4];
  let d = `M0 ${height}`;
  steps.forEach((step, index) => {
    const tread = (Math.max(1.2, step.lessons) / lessons) * room.width;
    const rise = (step.rise / rises) * (height - WORDS - 8);
    y -= rise;
    d += `V${y}h${tread}`;
    const width = tread - 6;
    const name = `${index + 1} ${step.title}`;
    const size = fitting(tools.letters, name, 'bold', { width, lines: 3, most: 11, least: 5 }) ?? 5;
    const title = paragraph(tools.letters, name, width, { face: 'bold', size });
    const about =
      step.about === ''
        ? { marks: [], height: 0 }
        : paragraph(tools.letters, step.about, width, { face: 'text', size: Math.min(size, 8) });
    marks.push(...placed(title.marks, x + 3, y - title.height - about.height - 4));
    marks.push(...placed(about.marks, x + 3, y - about.height - 3));
    if (isBeltId(step.belt)) {
      const { ground, thread } = belt(step.belt);
      marks.push(rectangle({ x: x + 1, y: y + 2, width: tread - 2, height: 5 }, { fill: ground }));
      marks.push(line(x + 3, y + 4.5, x + tread - 3, y + 4.5, { stroke: thread, width: 1.2, dash: 3 + (index % 4) }));
    }
    x += tread;
  });
  return piece('The staircase', height + 10, [
    path(`${d}V${height}z`, { fill: SHADE }),
    path(d, { stroke: INK, width: 1.8 }),
    ...marks,
  ]);
}

function contentsLine({ title, page }: Listed, width: number, { letters }: Tools): Piece {
  const size = 11.5;
  const number = String(page);
  const right = width - letters.width(number, 'text', size);
  const titleSize = fitting(letters, title, 'text', { width: width - 60, lines: 1, most: size, least: 7 }) ?? 7;
  const end = letters.width(title, 'text', titleSize) + 8;
  return piece(title, 20, [
    { kind: 'text', x: 0, y: 13, text: title, face: 'text', size: titleSize, colour: INK },
    line(end, 12, right - 8, 12, { stroke: SOFT, width: 0.7, dash: 1.5 }),
    { kind: 'text', x: right, y: 13, text: number, face: 'text', size, colour: INK },
  ]);
}
