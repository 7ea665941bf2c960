import { pitch } from '../music/index.ts';
import type { Family, Fingering, Hole, HoleState } from './fingering.ts';

export const RECORDER_HOLES: readonly Hole[] = [
  { name: '0', hand: 'left', finger: 'thumb', double: false },
  { name: '1', hand: 'left', finger: 'index', double: false },
  { name: '2', hand: 'left', finger: 'middle', double: false },
  { name: '3', hand: 'left', finger: 'ring', double: false },
  { name: '4', hand: 'right', finger: 'index', double: false },
  { name: '5', hand: 'right', finger: 'middle', double: false },
  { name: '6', hand: 'right', finger: 'ring', double: true },
  { name: '7', hand: 'right', finger: 'little', double: true },
];

export const WHISTLE_HOLES: readonly Hole[] = [
  { name: '1', hand: 'left', finger: 'index', double: false },
  { name: '2', hand: 'left', finger: 'middle', double: false },
  { name: '3', hand: 'left', finger: 'ring', double: false },
  { name: '4', hand: 'right', finger: 'index', double: false },
  { name: '5', hand: 'right', finger: 'middle', double: false },
  { name: '6', hand: 'right', finger: 'ring', double: false },
];

/**
 * Recorder: the names of the closed holes, "ø" for a pinched thumb, a prime for half a double hole: `ø 12 45 6'`.
 * @throws RangeError when the text names a hole that is not there.
 */
export function parseRecorderHoles(text: string): readonly HoleState[] {
  const states = new Map<string, HoleState>();
  for (const [, hole, prime] of text.replaceAll(' ', '').matchAll(/([ø0-9])('?)/g)) {
    states.set(hole === 'ø' ? '0' : hole!, hole === 'ø' || prime === "'" ? 'half' : 'closed');
  }
  const unknown = [...states.keys()].find((name) => !RECORDER_HOLES.some((hole) => hole.name === name));
  if (unknown !== undefined) throw new RangeError(`"${text}" names a hole ${unknown}`);
  return RECORDER_HOLES.map((hole) => states.get(hole.name) ?? 'open');
}

/**
 * Whistle: a letter for each hole from the top, `xxh ooo`: x closed, h half, o open.
 * @throws RangeError when there are not six of them.
 */
export function parseWhistleHoles(text: string): readonly HoleState[] {
  const letters = [...text.replaceAll(' ', '')];
  if (letters.length !== WHISTLE_HOLES.length) throw new RangeError(`"${text}" does not show six holes`);
  return letters.map((letter) => {
    const state = ({ x: 'closed', h: 'half', o: 'open' } as const)[letter];
    if (state === undefined) throw new RangeError(`"${letter}" in "${text}" is not x, h or o`);
    return state;
  });
}

export function formatHoles(family: Family, holes: readonly HoleState[]): string {
  if (family === 'whistle') {
    const letters = holes.map((state) => ({ closed: 'x', half: 'h', open: 'o' })[state]).join('');
    return `${letters.slice(0, 3)} ${letters.slice(3)}`;
  }
  const shown = holes.map((state, index) => {
    if (state === 'open') return '';
    if (index === 0) return state === 'half' ? 'ø' : '0';
    return `${RECORDER_HOLES[index]!.name}${state === 'half' ? "'" : ''}`;
  });
  const groups = [shown.slice(0, 1), shown.slice(1, 4), shown.slice(4)].map((group) => group.join(''));
  return groups.filter((group) => group !== '').join(' ');
}

/** A row of a fingering table: the note's spellings, its holes, and what to know about it. */
export type Row = readonly [spellings: string, holes: string, remark?: string];

/** Every spelling of a row gives a fingering; a second row for the same note is an alternate. */
export function recorderFingerings(rows: readonly Row[]): readonly Fingering[] {
  return fingerings(rows, parseRecorderHoles, (holes) => (holes[0] === 'half' ? 2 : 1));
}

/** On the whistle the register is in the breath: the remark "more breath" stands for the second octave. */
export function whistleFingerings(rows: readonly Row[]): readonly Fingering[] {
  return fingerings(rows, parseWhistleHoles, (_, remark) => {
    if (remark.includes('more breath still')) return 3;
    return remark.includes('more breath') ? 2 : 1;
  });
}

function fingerings(
  rows: readonly Row[],
  parse: (text: string) => readonly HoleState[],
  registerOf: (holes: readonly HoleState[], remark: string) => 1 | 2 | 3,
): readonly Fingering[] {
  const seen = new Set<string>();
  return rows.flatMap(([spellings, text, remark = '']) => {
    const holes = parse(text);
    return spellings.split(' ').map((name): Fingering => {
      const primary = !seen.has(name);
      seen.add(name);
      return { pitch: pitch(name), holes, register: registerOf(holes, remark), remark, primary };
    });
  });
}
