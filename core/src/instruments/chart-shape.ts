import type { Fingering, Hole, HoleState, Instrument } from './fingering.ts';

/** A hole of the drawn instrument, in the chart's own units (a chart is 64 wide). */
export interface DrawnHole {
  readonly key: string;
  readonly x: number;
  readonly y: number;
  readonly r: number;
  readonly state: HoleState;
}

export interface ChartShape {
  readonly height: number;
  readonly holes: readonly DrawnHole[];
  /** Between the hands. */
  readonly middle: number;
  readonly words: string;
}

const TOP = 22;
const SPACE = 19;
const HAND_SPACE = 9;
const CENTRE = 36;
const THUMB_X = 10;

/** The front of the instrument from the player's view, the thumb hole beside the first finger. */
export function chartShape(instrument: Instrument, fingering: Fingering): ChartShape {
  const front = instrument.holes.filter((hole) => hole.finger !== 'thumb');
  const rowOf = (hole: Hole): number => {
    const row = hole.finger === 'thumb' ? 0 : front.indexOf(hole);
    return TOP + row * SPACE + (hole.hand === 'right' ? HAND_SPACE : 0);
  };
  const holes = instrument.holes.flatMap((hole, index): DrawnHole[] => {
    const state = fingering.holes[index]!;
    const y = rowOf(hole);
    if (hole.finger === 'thumb') return [{ key: hole.name, x: THUMB_X, y, r: 6.5, state }];
    if (!hole.double) return [{ key: hole.name, x: CENTRE, y, r: 6.5, state }];
    const second = state === 'closed' ? 'closed' : 'open';
    return [
      { key: `${hole.name}a`, x: CENTRE - 4, y, r: 4.6, state: state === 'half' ? 'closed' : state },
      { key: `${hole.name}b`, x: CENTRE + 7, y, r: 3.8, state: second },
    ];
  });
  const leftHand = front.filter((hole) => hole.hand === 'left').length;
  return {
    height: TOP + (front.length - 1) * SPACE + HAND_SPACE + 16,
    holes,
    middle: TOP + (leftHand - 0.5) * SPACE + HAND_SPACE / 2,
    words: fingeringWords(instrument, fingering),
  };
}

/** "left hand: thumb, index, middle; right hand: none": the chart for those who hear it. */
export function fingeringWords(instrument: Instrument, fingering: Fingering): string {
  const hand = (side: 'left' | 'right'): string => {
    const fingers = instrument.holes.flatMap((hole, index) => {
      const state = fingering.holes[index]!;
      if (hole.hand !== side || state === 'open') return [];
      return [state === 'half' ? `${hole.finger} half` : hole.finger];
    });
    return `${side} hand: ${fingers.join(', ') || 'none'}`;
  };
  return [hand('left'), hand('right'), fingering.remark].filter((part) => part !== '').join('; ');
}
