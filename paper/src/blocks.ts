import type { Block } from '@escalier/core/handouts';
import { INK, line, path, placed, rectangle, SOFT, type Mark } from './marks.ts';
import { musicPieces } from './music.ts';
import { fitting, gap, paragraph, piece, type Piece } from './pieces.ts';
import { staircasePiece } from './staircase.ts';
import { matchPieces, tileRows } from './tiles.ts';
import type { Room, Tools } from './tools.ts';
import { t } from './messages.ts';

/** What stands on which page, for the list of contents. */
export interface Listed {
  readonly title: string;
  readonly page: number;
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
        piece(t('blocks.a-line'), 26, [line(0, 22, room.width, 22, { stroke: SOFT, width: 0.7 })]),
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
  if (text === '') return [piece(t('blocks.a-gap'), 18, [line(0, 9, width, 9, { stroke: SOFT, width: 0.6, dash: 4 })])];
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

/** Over a heading within a sheet. */
const HEAD_GAP = 8;

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
    return piece(t('blocks.a-row'), height, marks);
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
