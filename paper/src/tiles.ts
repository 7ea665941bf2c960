import type { Block, Tile } from '@escalier/core/handouts';
import { circle, INK, line, placed, rectangle, SOFT, type Mark } from './marks.ts';
import { fitting, paragraph, piece, type Piece } from './pieces.ts';
import { drawing } from './pictures.ts';
import type { Room, Tools } from './tools.ts';
import { t } from './messages.ts';

const TILE_GAP = 12;
/** Boxes in columns, row by row. */
export function tileRows(
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
      if (scale < 0.55) tools.warn(`“${tiles[at + index]!.label || t('tiles.a-card')}” does not fit its box.`);
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
    rows.push(piece(t('tiles.a-row'), high + (cut ? 0 : TILE_GAP), [...frames, ...marks]));
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

/** Pairs beside each other, a dot at each to draw a line from. */
export function matchPieces(
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
    return piece(t('tiles.a-pair'), height, [
      ...placed(one.marks, 0, middle - one.height / 2),
      circle(side + 12, middle, 2.2, { fill: INK }),
      circle(width - side - 12, middle, 2.2, { fill: INK }),
      ...placed(other.marks, width - side, middle - other.height / 2),
    ]);
  });
}
