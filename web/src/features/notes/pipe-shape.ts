import {
  moveOf,
  type Finger,
  type FingerAction,
  type Fingering,
  type Hand,
  type HoleState,
  type Instrument,
} from '@escalier/core/instruments';
import { t } from './messages.ts';

/** From where the instrument is seen: by the one who holds it, or by those who face the teacher. */
export const PIPE_VIEWS = [
  { value: 'pupil', text: t('pipe-shape.pupils-view') },
  { value: 'facing', text: t('pipe-shape.facing-you') },
] as const;
export type PipeView = (typeof PIPE_VIEWS)[number]['value'];

/** A hole and the finger over it, in the picture's own units. */
export interface PipeHole {
  readonly name: string;
  readonly finger: Finger;
  readonly hand: Hand;
  readonly x: number;
  readonly y: number;
  /** Two small holes stand beside each other. */
  readonly rings: readonly { readonly x: number; readonly r: number; readonly state: HoleState }[];
  readonly state: HoleState;
  /** From which side of the picture the finger comes: -1 left, 1 right. */
  readonly side: -1 | 1;
  /** What the finger does in the move that is shown; it stays when none is. */
  readonly does: FingerAction;
}

export interface PipeShape {
  readonly height: number;
  /** Middle of the tube with the front holes, and of the one turned round. */
  readonly front: number;
  readonly back: number | null;
  readonly halfWidth: number;
  readonly holes: readonly PipeHole[];
  /** Between the hands. */
  readonly middle: number;
}

export const PIPE_WIDTH = 300;
const TOP = 118;
const SPACE = 46;
const HAND_SPACE = 22;
const THUMB_ROW = 0.3;

/** The front of an instrument, and beside it its thumb side where it has one. */
export function pipeShape(
  instrument: Instrument,
  fingering: Fingering,
  from: Fingering | null,
  view: PipeView,
): PipeShape {
  const hasThumb = instrument.holes.some((hole) => hole.finger === 'thumb');
  const mirror = (x: number): number => (view === 'pupil' ? x : PIPE_WIDTH - x);
  const front = mirror(hasThumb ? 190 : 150);
  const back = hasThumb ? mirror(62) : null;
  const frontHoles = instrument.holes.filter((hole) => hole.finger !== 'thumb');
  const actions = from === null ? null : moveOf(instrument, from, fingering).actions;
  const direction = view === 'pupil' ? 1 : -1;
  const holes = instrument.holes.map((hole, index): PipeHole => {
    const isThumb = hole.finger === 'thumb';
    const row = isThumb ? THUMB_ROW : frontHoles.indexOf(hole);
    const x = isThumb ? back! : front;
    const state = fingering.holes[index]!;
    return {
      name: hole.name,
      finger: hole.finger,
      hand: hole.hand,
      x,
      y: TOP + row * SPACE + (hole.hand === 'right' ? HAND_SPACE : 0),
      rings: hole.double ? doubleRings(x, state, direction) : [{ x, r: 13, state }],
      state,
      side: (hole.hand === 'left') === (view === 'pupil') ? -1 : 1,
      does: actions?.[index] ?? 'stays',
    };
  });
  const leftHand = frontHoles.filter((hole) => hole.hand === 'left').length;
  return {
    height: TOP + (frontHoles.length - 1) * SPACE + HAND_SPACE + 76,
    front,
    back,
    halfWidth: instrument.family === 'recorder' ? 27 : 21,
    holes,
    middle: TOP + (leftHand - 0.5) * SPACE + HAND_SPACE / 2,
  };
}

/** The first of two small holes is the larger; half a double hole is the first one closed. */
function doubleRings(x: number, state: HoleState, direction: 1 | -1): PipeHole['rings'] {
  return [
    { x: x - 7 * direction, r: 9, state: state === 'half' ? 'closed' : state },
    { x: x + 12 * direction, r: 7, state: state === 'closed' ? 'closed' : 'open' },
  ];
}

const DOES: Readonly<Record<FingerAction, string>> = {
  stays: 'stays',
  lands: 'lands',
  lifts: 'lifts',
  shades: t('pipe-shape.half-covers'),
};

/** "right index lands, right middle lands": the fingers that move, for those who hear the picture. */
export function changesInWords(shape: PipeShape): string {
  const moving = shape.holes.filter((hole) => hole.does !== 'stays');
  return moving.map((hole) => `${hole.hand} ${hole.finger} ${DOES[hole.does]}`).join(', ');
}
