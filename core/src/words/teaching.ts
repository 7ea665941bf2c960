import type { Chunk, ChunkReason, ChunkStart } from '../practice/index.ts';
import type { Figure, MixUp } from '../reading/index.ts';

/** "bar 3", "bars 3 to 6". */
export function barRange([first, last]: readonly [number, number]): string {
  return first === last ? `bar ${first}` : `bars ${first} to ${last}`;
}

const STARTS: Readonly<Record<ChunkStart, string>> = {
  teacher: 'You play, the class answers',
  class: 'The class begins',
  together: 'All together',
};

export function startWords(starts: ChunkStart): string {
  return STARTS[starts];
}

const TIMES = ['', 'once', 'twice'];

/** "twice", "4 times". */
export function timesWords(times: number): string {
  return TIMES[times] ?? `${times} times`;
}

/** Why a piece is taught here, so often. Notes keep their computed names (`A4`, `F#4`). */
export function chunkWords(why: ChunkReason): string {
  switch (why.kind) {
    case 'new':
      return 'New.';
    case 'hard':
      return `The hard spot, ${why.from} to ${why.to}.`;
    case 'last-line':
      return 'What comes last is forgotten first.';
    case 'join':
      return 'Join the pieces.';
    case 'line':
      return `Line ${why.line} whole.`;
    case 'same-line':
      return `Line ${why.line} is line ${why.as} again.`;
    case 'line-start':
      return `Line ${why.line} is the beginning of line ${why.as}.`;
    case 'new-end':
      return `Line ${why.line} begins as line ${why.as}; only its end is new.`;
    case 'lines':
      return `Lines ${why.lines.join(' and ')} joined.`;
    case 'whole':
      return 'The whole tune.';
    case 'own':
      return 'Your own piece.';
  }
}

/** A piece in one line: "bars 1 to 2: you play, the class answers, twice at 60." */
export function chunkLine({ bars, starts, times, tempo, why }: Chunk): string {
  return `${barRange(bars)}: ${startWords(starts).toLowerCase()}, ${timesWords(times)} at ${tempo}. ${chunkWords(why)}`;
}

const KINDS: Readonly<Record<Figure['kind'], string>> = {
  exact: 'The same notes',
  shape: 'The same shape from another note',
  rhythm: 'The same rhythm with other notes',
};

/** "The same notes 3 times; bars 7 to 8 begin so and end differently." */
export function figureWords({ kind, count, oddOneOut }: Figure): string {
  const odd =
    oddOneOut === null
      ? ''
      : `; ${barRange(oddOneOut.bars)} ${oddOneOut.bars[0] === oddOneOut.bars[1] ? 'begins so and ends' : 'begin so and end'} differently`;
  return `${KINDS[kind]} ${timesWords(count)}${odd}.`;
}

/** Why the two notes of a pair are taken for each other. */
export function mixUpWords({ kind, bothHere }: MixUp): string {
  const from = bothHere ? '' : ' The class knows the other from before.';
  switch (kind) {
    case 'letter':
      return `One place on the staff, two fingerings.${from}`;
    case 'octave':
      return `One name, two octaves.${from}`;
    case 'fingering':
      return `Two names for one fingering.${from}`;
    case 'finger':
      return `Only one finger is different.${from}`;
  }
}
