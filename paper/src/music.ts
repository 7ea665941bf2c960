import { eventId } from '@escalier/core/formats';
import type { SheetMusic } from '@escalier/core/handouts';
import { primaryFingering } from '@escalier/core/instruments';
import type { EngravedLine } from './engraving.ts';
import { circle, INK, path, placed, rectangle, SHADE, SOFT, type Mark } from './marks.ts';
import { piece, type Piece } from './pieces.ts';
import { fingeringDrawing } from './fingering-drawing.ts';
import type { Tools } from './tools.ts';
import { t } from './messages.ts';

const LETTER_ROOM = 17;
const LINE_GAP = 9;
const PICTURE_SCALE = 0.36;
const PICTURE_GAP = 4;

/** Music as lines that stay whole, with what is drawn on them. */
export function musicPieces(music: SheetMusic, width: number, tools: Tools): readonly Piece[] {
  return tools.engraver.engrave(music, width).map((drawn) => linePiece(drawn, music, tools));
}

function linePiece(drawn: EngravedLine, music: SheetMusic, tools: Tools): Piece {
  const above = onLine(drawn, music).length > 0 || bracketOn(drawn, music) !== null ? LETTER_ROOM : 0;
  const pictures = music.fingerings ? picturesUnder(drawn, music) : { marks: [], height: 0 };
  const marks = [
    ...shades(drawn, music, tools),
    ...drawn.marks,
    ...coverBoxes(drawn, music),
    ...placed(pictures.marks, 0, drawn.height + PICTURE_GAP),
  ];
  return piece(t('music.a-line-of-music'), above + drawn.height + pictures.height + LINE_GAP, [
    ...letterMarks(drawn, music, tools),
    ...bracketMarks(drawn, music),
    ...placed(marks, 0, above),
  ]);
}

const onLine = (drawn: EngravedLine, { letters }: SheetMusic) =>
  letters.filter(({ barIndex }) => drawn.bars.has(barIndex));

/** The letter of a form in a ring, where its line begins. */
function letterMarks(drawn: EngravedLine, music: SheetMusic, { letters }: Tools): readonly Mark[] {
  return onLine(drawn, music).flatMap(({ barIndex, letter }): Mark[] => {
    const [left] = drawn.bars.get(barIndex)!;
    const wide = letters.width(letter, 'bold', 10);
    return [
      circle(left + 8, 7, 7, { stroke: INK, width: 0.9 }),
      { kind: 'text', x: left + 8 - wide / 2, y: 10.5, text: letter, face: 'bold', size: 10, colour: INK },
    ];
  });
}

function bracketOn(drawn: EngravedLine, { bracket }: SheetMusic): readonly [number, number] | null {
  if (bracket === null) return null;
  const inside = [...drawn.bars].filter(([bar]) => bar >= bracket[0] && bar <= bracket[1]).map(([, sides]) => sides);
  return inside.length === 0
    ? null
    : [Math.min(...inside.map(([left]) => left)), Math.max(...inside.map(([, right]) => right))];
}

/** Over the hard spot, beside the letters. */
function bracketMarks(drawn: EngravedLine, music: SheetMusic): readonly Mark[] {
  const sides = bracketOn(drawn, music);
  if (sides === null) return [];
  const hasLetter = onLine(drawn, music).some(({ barIndex }) => Math.abs(drawn.bars.get(barIndex)![0] - sides[0]) < 1);
  const left = sides[0] + (hasLetter ? 19 : 2);
  return [path(`M${left} 15V10H${sides[1] - 2}V15`, { stroke: INK, width: 1.6 })];
}

/** Bars that are the same lie on the same shade and have the same small letter. */
function shades(drawn: EngravedLine, { shades: groups }: SheetMusic, { letters }: Tools): readonly Mark[] {
  const [top, bottom] = [drawn.staves[0]![0] - 5, drawn.staves.at(-1)![1] + 5];
  return groups.flatMap((bars, group) =>
    bars.flatMap((bar): Mark[] => {
      const sides = drawn.bars.get(bar);
      if (sides === undefined) return [];
      const [left, right] = sides;
      const name = String.fromCharCode(97 + (group % 26));
      const box = { x: left + 1, y: top, width: right - left - 2, height: bottom - top };
      return [
        rectangle(box, group % 2 === 0 ? { fill: SHADE } : { stroke: SOFT, width: 1, dash: 2 + (group % 4) }),
        {
          kind: 'text',
          x: right - 4 - letters.width(name, 'bold', 8),
          y: bottom + 8,
          text: name,
          face: 'bold',
          size: 8,
          colour: SOFT,
        },
      ];
    }),
  );
}

function coverBoxes(drawn: EngravedLine, { covered }: SheetMusic): readonly Mark[] {
  const [top, bottom] = [drawn.staves[0]![0], drawn.staves[0]![1]];
  const middle = (top + bottom) / 2;
  const half = Math.max(13, (bottom - top) / 2 + 4);
  return covered.flatMap(({ barIndex, eventIndex }): Mark[] => {
    const box = drawn.events.get(eventId(0, barIndex, eventIndex));
    if (box === undefined) return [];
    return [
      rectangle(
        { x: box.x - 6, y: middle - half, width: Math.max(22, box.width + 12), height: 2 * half },
        { stroke: INK, width: 1, dash: 3, fill: '#ffffff' },
      ),
    ];
  });
}

/** A chart under each note, as large as the way to the next one lets it be. */
function picturesUnder(
  drawn: EngravedLine,
  { tune, on }: SheetMusic,
): { readonly marks: readonly Mark[]; readonly height: number } {
  const notes = [...drawn.bars.keys()].flatMap((barIndex) =>
    tune.parts[0].bars[barIndex]!.flatMap((event, eventIndex) => {
      const box = drawn.events.get(eventId(0, barIndex, eventIndex));
      const fingering = event.kind === 'note' ? primaryFingering(on, event.pitch) : null;
      return box === undefined || fingering === null ? [] : [{ x: box.x + box.width / 2, fingering }];
    }),
  );
  const steps = notes.slice(1).map(({ x }, index) => x - notes[index]!.x);
  const room = Math.min(...steps.filter((step) => step > 0), 40);
  const scale = Math.max(0.16, Math.min(PICTURE_SCALE, room / 62));
  const drawings = notes.map(({ x, fingering }) => ({ x, drawn: fingeringDrawing(on, fingering, scale) }));
  return {
    marks: drawings.flatMap(({ x, drawn: { marks, width } }) => placed(marks, x - width * 0.58, 0)),
    height: drawings.length === 0 ? 0 : drawings[0]!.drawn.height + PICTURE_GAP,
  };
}
