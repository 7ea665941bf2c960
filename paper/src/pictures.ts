import type { Picture, SheetMusic } from '@escalier/core/handouts';
import type { Tools } from './tools.ts';
import { boxOf, around } from './path-box.ts';
import { CHART_WIDTH, fingeringDrawing, type Drawing } from './fingering-drawing.ts';
import { INK, line, path, placed, SHADE, SOFT, type Mark } from './marks.ts';
import { musicPieces } from './music.ts';

const STAFF_SPACE = 6.5;
const STAIR = 15;

/** @param width points that there are. @param small for rows of many. */
export function drawing(picture: Picture, width: number, tools: Tools, small: boolean): Drawing {
  switch (picture.kind) {
    case 'music':
      return musicDrawing(picture.music, width, tools);
    case 'fingering':
      return fingeringDrawing(
        picture.on,
        picture.fingering,
        small ? 0.5 : Math.min(0.95, (0.52 * width) / CHART_WIDTH),
      );
    case 'staff': {
      const lines = picture.rhythmOnly ? [2] : [0, 1, 2, 3, 4];
      const marks = lines.map((each) =>
        line(0, each * STAFF_SPACE + 8, width, each * STAFF_SPACE + 8, { stroke: SOFT, width: 0.7 }),
      );
      return { width, height: 4 * STAFF_SPACE + 16, marks };
    }
    case 'stairs':
      return stairsDrawing(picture.names, picture.marked, width, tools);
  }
}

function musicDrawing(music: SheetMusic, width: number, tools: Tools): Drawing {
  let y = 0;
  const marks: Mark[] = [];
  for (const { height, marks: own } of musicPieces(music, width, tools)) {
    marks.push(...placed(own, 0, y));
    y += height;
  }
  const box = around(marks.map((mark) => boxOf(mark, tools.letters.widthOf)));
  return box === null
    ? { width: 0, height: 0, marks }
    : { width: box.width, height: y, marks: placed(marks, -box.x, 0) };
}

function stairsDrawing(names: readonly string[], marked: number | null, width: number, { letters }: Tools): Drawing {
  const tread = Math.min(26, width / names.length);
  const height = STAIR * names.length + 22;
  const marks: Mark[] = names.flatMap((name, index): Mark[] => {
    const y = height - STAIR * (index + 1);
    const size = Math.min(9, (8 * tread) / Math.max(8, letters.width(name, 'bold', 9)));
    const text: Mark = {
      kind: 'text',
      face: 'bold',
      size,
      colour: INK,
      text: name,
      x: index * tread + (tread - letters.width(name, 'bold', size)) / 2,
      y: y + 11,
    };
    return [
      path(`M${index * tread} ${height}V${y}h${tread}V${height}`, {
        stroke: INK,
        width: 1,
        fill: index === marked ? SHADE : null,
      }),
      text,
    ];
  });
  return { width: tread * names.length, height: height + 2, marks };
}
