import type { Chunk, ChunkReason, ChunkStart } from '../practice/index.ts';
import type { Figure, MixUp } from '../reading/index.ts';
import { t } from './messages.ts';
import { capital, sayNote, type NoteNamer } from './stairs.ts';

/** "bar 3", "bars 3 to 6". */
export function barRange([first, last]: readonly [number, number]): string {
  return first === last ? t('bar.one', { bar: first }) : t('teaching.bars-first-to-last', { first, last });
}

const STARTS: Readonly<Record<ChunkStart, string>> = {
  teacher: t('teaching.you-play-the-class-answers'),
  class: 'The class begins',
  together: t('teaching.all-together'),
};

export function startWords(starts: ChunkStart): string {
  return STARTS[starts];
}

const TIMES = ['', 'once', 'twice'];

/** "twice", "4 times". */
export function timesWords(times: number): string {
  return TIMES[times] ?? t('teaching.times-times', { times });
}

/** Why a piece is taught here, so often. Notes keep their computed names (`A4`, `F#4`). */
export function chunkWords(why: ChunkReason): string {
  switch (why.kind) {
    case 'new':
      return t('teaching.new');
    case 'hard':
      return t('teaching.the-hard-spot-from-to-to', { from: why.from, to: why.to });
    case 'last-line':
      return t('teaching.the-end-is-forgotten-first-so');
    case 'join':
      return t('teaching.join-the-pieces');
    case 'line':
      return t('teaching.all-of-line-line', { line: why.line });
    case 'same-line':
      return t('teaching.line-line-is-line-as-again', { line: why.line, as: why.as });
    case 'line-start':
      return t('teaching.line-line-is-the-start-of', { line: why.line, as: why.as });
    case 'new-end':
      return t('teaching.line-line-starts-like-line-as', { line: why.line, as: why.as });
    case 'lines':
      return t('teaching.lines-list-joined', { list: why.lines.join(' and ') });
    case 'whole':
      return t('teaching.the-whole-tune');
    case 'own':
      return t('teaching.your-own-piece');
  }
}

/** A piece in one line: "bars 1 to 2: you play, the class answers, twice at 60." */
export function chunkLine({ bars, starts, times, tempo, why }: Chunk): string {
  return t('teaching.bars-lower-case-times-at-tempo', {
    bars: barRange(bars),
    lowerCase: startWords(starts).toLowerCase(),
    times: timesWords(times),
    tempo,
    chunk: chunkWords(why),
  });
}

const KINDS: Readonly<Record<Figure['kind'], string>> = {
  exact: t('teaching.the-same-notes'),
  shape: t('teaching.the-same-shape-from-another-note'),
  rhythm: t('teaching.the-same-rhythm-with-other-notes'),
};

/** "The same notes 3 times; bars 7 to 8 begin so and end differently." */
export function figureWords({ kind, count, oddOneOut }: Figure): string {
  const odd =
    oddOneOut === null
      ? ''
      : t('teaching.bars-value-differently', {
          bars: barRange(oddOneOut.bars),
          verb:
            oddOneOut.bars[0] === oddOneOut.bars[1]
              ? t('teaching.starts-the-same-and-ends')
              : t('teaching.start-the-same-and-end'),
        });
  return `${KINDS[kind]} ${timesWords(count)}${odd}.`;
}

/** "B and high C: only one finger is different." A pair that the class calls alike is told apart by octave. */
export function mixUpWords({ kind, bothHere, pair }: MixUp, say: NoteNamer = sayNote): string {
  const isAlike = say(pair[0]) === say(pair[1]);
  const [low, high] = pair.map(isAlike ? sayNote : say) as [string, string];
  const facts = { low: capital(low), high, from: bothHere ? '' : t('teaching.the-class-already-knows-the-other') };
  switch (kind) {
    case 'letter':
      return t('teaching.one-place-on-the-staff-two', facts);
    case 'octave':
      return t('teaching.one-name-two-octaves-from', facts);
    case 'fingering':
      return t('teaching.two-names-for-one-fingering-from', facts);
    case 'finger':
      return t('teaching.only-one-finger-is-different-from', facts);
  }
}
