import {
  keyOn,
  LETTERS,
  metreOf,
  MOST_PASSES,
  rational,
  type Articulation,
  type Bar,
  type Dynamic,
  type Jump,
  type Key,
  type Letter,
  type Metre,
  type Mode,
  type Rational,
} from '../../music/index.ts';
import type { AbcKey, AbcMeter } from './elements.ts';

const MODE_OF: Readonly<Record<string, Mode>> = {
  '': 'major',
  m: 'minor',
  Dor: 'dorian',
  Phr: 'phrygian',
  Lyd: 'lydian',
  Mix: 'mixolydian',
  Loc: 'locrian',
};

/** Null for bagpipe keys, keys with extra accidentals and other signatures that are none of the seven modes. */
export function readKey(key: AbcKey): Key | null {
  if (key.root === 'none') return { fifths: 0, mode: 'major' };
  const mode = MODE_OF[key.mode];
  if (mode === undefined || !LETTERS.some((letter) => letter === key.root)) return null;
  const read = keyOn(key.root as Letter, key.acc === '#' ? 1 : key.acc === 'b' ? -1 : 0, mode);
  // At a change abcjs lists the naturals that cancel the old signature, too.
  const signs = key.accidentals?.filter(({ acc }) => acc !== 'natural').length ?? 0;
  return read !== null && Math.abs(read.fifths) === signs ? read : null;
}

export function readMetre(meter: AbcMeter): Metre | null {
  if (meter.type === 'common_time') return { count: 4, unit: 4 };
  if (meter.type === 'cut_time') return { count: 2, unit: 2 };
  const [first, ...others] = meter.value ?? [];
  return first === undefined || others.length > 0 ? null : metreOf(first.num, Number(first.den ?? 4));
}

/** abcjs gives lengths as decimals; every written value is a whole number of 256ths. */
export function readLength(duration: number): Rational | null {
  const parts = duration * 256;
  return Number.isInteger(parts) && parts > 0 ? rational(parts, 256) : null;
}

export const ARTICULATION_OF: ReadonlyMap<string, Articulation> = new Map([
  ['staccato', 'staccato'],
  ['accent', 'accent'],
  ['>', 'accent'],
  ['emphasis', 'accent'],
  ['tenuto', 'tenuto'],
]);

export const DYNAMIC_OF: ReadonlyMap<string, Dynamic> = new Map(
  (['ppp', 'pp', 'p', 'mp', 'mf', 'f', 'ff', 'fff'] as const).map((name) => [name, name]),
);

const JUMP_OF: ReadonlyMap<string, Jump> = new Map([
  ['D.C.', 'D.C.'],
  ['dacapo', 'D.C.'],
  ['D.C.alfine', 'D.C. al fine'],
  ['D.C.alcoda', 'D.C. al coda'],
  ['D.S.', 'D.S.'],
  ['dalsegno', 'D.S.'],
  ['D.S.alfine', 'D.S. al fine'],
  ['D.S.alcoda', 'D.S. al coda'],
]);

/** Signs that ABC hangs on a note or bar line but that stand over the whole bar; null for any other decoration. */
export function barSign(decoration: string): Partial<Bar> | null {
  const jump = JUMP_OF.get(decoration);
  if (jump !== undefined) return { jump };
  if (decoration === 'segno') return { segno: true };
  if (decoration === 'coda') return { coda: true };
  if (decoration === 'fine') return { fine: true };
  return null;
}

/** "1,3" and "1-3" name the passes of an ending. */
export function readEnding(text: string): readonly number[] | null {
  const passes = text.split(',', MOST_PASSES).flatMap((piece) => {
    const match = /^(\d)(?:-(\d))?$/.exec(piece.trim());
    if (match === null) return [Number.NaN];
    const [first, last] = [Number(match[1]), Number(match[2] ?? match[1])];
    return Array.from({ length: Math.max(0, last - first + 1) }, (_, offset) => first + offset);
  });
  return passes.length > 0 && passes.every((pass) => pass >= 1) ? [...new Set(passes)] : null;
}
