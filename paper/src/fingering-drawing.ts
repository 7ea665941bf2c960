import { chartShape, type Fingering, type Instrument } from '@escalier/core/instruments';
import { circle, INK, line, path, placed, SOFT, type Mark } from './marks.ts';

/** A drawing from its own upper left corner. */
export interface Drawing {
  readonly width: number;
  readonly height: number;
  readonly marks: readonly Mark[];
}

/** In its own units. */
export const CHART_WIDTH = 64;

/** The holes from the player's view: black is covered, white is open. Null leaves all white. */
export function fingeringDrawing(instrument: Instrument, fingering: Fingering | null, scale: number): Drawing {
  const blank: Fingering = fingering ?? { ...instrument.fingerings[0]!, holes: instrument.holes.map(() => 'open') };
  const shape = chartShape(instrument, blank);
  const [top, bottom] = [4, shape.height - 4];
  const marks: Mark[] = [
    path(
      `M33 ${top}h8a11 11 0 0 1 11 11v${bottom - top - 22}a11 11 0 0 1 -11 11h-8a11 11 0 0 1 -11 -11v${22 - (bottom - top)}a11 11 0 0 1 11 -11z`,
      { stroke: SOFT, width: 1 },
    ),
    line(18, shape.middle, 56, shape.middle, { stroke: SOFT, width: 0.8, dash: 3 }),
  ];
  for (const { x, y, r, state } of shape.holes) {
    marks.push(circle(x, y, r, { stroke: INK, width: 1.4, fill: state === 'closed' ? INK : '#ffffff' }));
    if (state === 'half') marks.push(path(`M${x} ${y - r}a${r} ${r} 0 0 0 0 ${2 * r}z`, { fill: INK }));
  }
  return { width: CHART_WIDTH * scale, height: shape.height * scale, marks: placed(marks, 0, 0, scale) };
}
