import { align, alignInTime, deviation, isRight, type Alignment } from './align.ts';
import type { Match } from './match.ts';
import { leftOver } from './left-over.ts';
import type { Pace } from './pace.ts';
import type { HeardNote } from './runs.ts';
import type { ListeningScore } from './score.ts';
import { median } from './spread.ts';
import { THRESHOLDS } from './thresholds.ts';
import type { Track } from './tracker.ts';

/** What became of a written note. */
export interface Verdict {
  readonly kind: 'right' | 'wrong' | 'missed' | 'slurred';
  /** Number of the heard note that stands for it; null where there is none. */
  readonly heard: number | null;
  /** What came instead of a wrong one: the sounding pitch. */
  readonly came?: number;
}

/** Something heard that is not written. */
export interface Extra {
  readonly heard: number;
  readonly kind: 'extra' | 'squeak' | 'restart';
}

export interface Restart {
  /** The note after which it broke off, and the one from which it went on. */
  readonly after: number;
  readonly from: number;
  readonly seconds: number;
}

/** A stop before a note. */
export interface Hesitation {
  readonly before: number;
  readonly seconds: number;
}

export interface Assessment {
  /** One for each note of the score. */
  readonly verdicts: readonly Verdict[];
  readonly extras: readonly Extra[];
  readonly restarts: readonly Restart[];
  readonly hesitations: readonly Hesitation[];
  /** Quarter notes a minute, pauses left out; null of too little. */
  readonly tempo: number | null;
  /** In the first and the last third; null where there is too little to tell. */
  readonly startTempo: number | null;
  readonly endTempo: number | null;
  /** Cents above A 440. */
  readonly tuning: number;
  /** Semitones by which all is higher than the instrument sounds: an octave, or another instrument. */
  readonly moved: number;
  /** The last written note that was reached, right or wrong; null of none. */
  readonly reached: number | null;
}

/** Semitones that a whole tune may be off: octaves, and the wrong instrument (a fourth or a fifth). */
const MOVES = [0, 12, -12, 5, -5, 7, -7, 2, -2, 1, -1, 3, -3, 4, -4, 24, -24, 19, -19, 17, -17];
/** Notes from the beginning that tell. */
const MOVE_NOTES = 80;
/** Shares of the notes that cannot be found before another place is looked for, and that must be found there. */
const LOST = 0.45;
/** Another place must be this much better, as a share of the notes. */
const BETTER = 0.25;
const { stop: STOP, softTongue: SOFT_TONGUE, squeak: SQUEAK } = THRESHOLDS;
/** Logarithm of a step's pace against the usual, from which it is no measure of the tempo; and the steps at the end that give its pace. */
const UNEVEN = 0.6;
const END_STEPS = 3;
/** Least steps between notes for a tempo, and for how it changes. */
const STEPS = { tempo: 3, change: 8 };

/** What was played against what is written. */
export function assess(track: Track, score: ListeningScore): Assessment {
  const heard = track.notes;
  const moved = movedBy(heard, score, track.tuning);
  const offset = track.tuning + moved * 100;
  const alignment = alignInTime(heard, score, offset);
  const { verdicts, kept } = verdictsOf(heard, score, alignment, offset);
  const steps = stepsOf(heard, score, alignment.matches, kept);
  const flow = steps.filter((step) => !isStop(step, alignment.pace));
  const restarts = restartsOf(heard, alignment.matches);
  const reached = verdicts.findLastIndex(({ kind }) => kind !== 'missed');
  return {
    verdicts,
    restarts,
    moved,
    tuning: track.tuning,
    extras: extrasOf(heard, alignment.matches, kept),
    hesitations: steps
      .filter((step) => isStop(step, alignment.pace))
      .map((step) => ({ before: step.to, seconds: step.seconds - step.beats * alignment.pace.at(step.from) })),
    tempo: flow.length < STEPS.tempo ? null : tempoOf(flow, lastBeats(score, reached)),
    ...(flow.length < STEPS.change
      ? { startTempo: null, endTempo: null }
      : {
          startTempo: tempoOf(flow.slice(0, Math.ceil(flow.length / 3))),
          endTempo: tempoOf(flow.slice(-Math.ceil(flow.length / 3))),
        }),
    reached: reached < 0 ? null : reached,
  };
}

function movedBy(heard: readonly HeardNote[], score: ListeningScore, tuning: number): number {
  const part = { ...score, notes: score.notes.slice(0, MOVE_NOTES) };
  const cost = (moved: number): number => align(heard.slice(0, MOVE_NOTES), part, tuning + moved * 100, null).cost;
  const here = cost(0);
  const size = part.notes.length;
  if (heard.filter(({ isFaint }) => !isFaint).length < 3 || here < LOST * size) return 0;
  let [best, least] = [0, here - BETTER * size];
  for (const moved of MOVES.slice(1)) {
    const there = cost(moved);
    if (there < least) [best, least] = [moved, there];
  }
  return best;
}

/** The last go at each note counts; `kept` says which matches those are. */
function verdictsOf(
  heard: readonly HeardNote[],
  { notes }: ListeningScore,
  { matches, pace }: Alignment & { readonly pace: Pace },
  offset: number,
) {
  const verdicts: Verdict[] = notes.map(() => ({ kind: 'missed', heard: null }));
  const kept = new Set<Match>();
  let next = Infinity;
  for (const match of matches.toReversed()) {
    if (match.score >= next) continue;
    next = match.score - match.merged;
    kept.add(match);
    const note = heard[match.heard]!;
    const { midi } = notes[match.score]!;
    verdicts[next] = isRight(note, midi, offset)
      ? { kind: 'right', heard: match.heard }
      : { kind: 'wrong', heard: match.heard, came: midi + Math.round(deviation(note, midi, offset) / 100) };
    for (let at = next + 1; at <= match.score; at++) {
      const due = note.onset + (notes[at]!.onset - notes[next]!.onset) * pace.at(note.onset);
      const soft = note.softDips.some(
        (dip) => dip.depth >= SOFT_TONGUE.dB && Math.abs(dip.at - due) < SOFT_TONGUE.seconds,
      );
      verdicts[at] = { kind: soft ? 'right' : 'slurred', heard: match.heard };
    }
  }
  return { verdicts, kept };
}

function extrasOf(heard: readonly HeardNote[], matches: readonly Match[], kept: ReadonlySet<Match>): Extra[] {
  const used = new Map(matches.map((match) => [match.heard, kept.has(match)]));
  const broken = matches.filter((match) => !kept.has(match)).map((match) => match.heard);
  const left = leftOver(heard);
  return heard.flatMap((_, index): Extra[] => {
    const isKept = used.get(index);
    if (isKept === true) return [];
    const { kind } = left[index]!;
    const isBeside = broken.includes(index - 1) || broken.includes(index + 1);
    if (isKept === false || (isBeside && kind !== 'faint')) return [{ heard: index, kind: 'restart' }];
    return kind === 'rest-of-note' || kind === 'faint' ? [] : [{ heard: index, kind }];
  });
}

function restartsOf(heard: readonly HeardNote[], matches: readonly Match[]): Restart[] {
  return matches.flatMap((match, index): Restart[] => {
    const before = matches[index - 1];
    if (before === undefined || match.score - match.merged > before.score) return [];
    const seconds = heard[match.heard]!.onset - heard[before.heard]!.offset;
    return [{ after: before.score, from: match.score - match.merged, seconds: Math.max(0, seconds) }];
  });
}

const lastBeats = ({ notes }: ListeningScore, reached: number): number =>
  reached === notes.length - 1 ? notes[reached]!.duration : 0;

/** From one note to the next that was played on in the score. */
interface Step {
  readonly from: number;
  readonly seconds: number;
  readonly beats: number;
  /** Number of the score note that it leads to. */
  readonly to: number;
}

function stepsOf(
  heard: readonly HeardNote[],
  { notes }: ListeningScore,
  matches: readonly Match[],
  kept: ReadonlySet<Match>,
): Step[] {
  const left = leftOver(heard);
  // A squeak at its start belongs to a note.
  const onset = (index: number): number => {
    const before = heard[index - 1];
    const torn = before !== undefined && left[index - 1]!.kind === 'squeak';
    return torn && heard[index]!.onset - before.offset < SQUEAK.torn ? before.onset : heard[index]!.onset;
  };
  return matches.flatMap((match, index): Step[] => {
    const before = matches[index - 1];
    const to = match.score - match.merged;
    if (before === undefined || !kept.has(match) || !kept.has(before) || to <= before.score) return [];
    // Over notes that were left out or put in, time says nothing.
    const between = left.slice(before.heard + 1, match.heard);
    if (between.some(({ kind }) => kind === 'extra') || to - before.score > 1) return [];
    const beats = notes[to]!.onset - notes[before.score - before.merged]!.onset;
    return [{ from: onset(before.heard), to, seconds: onset(match.heard) - onset(before.heard), beats }];
  });
}

function isStop(step: Step, pace: Pace): boolean {
  const late = step.seconds - step.beats * pace.at(step.from);
  return late > STOP.seconds && late > STOP.beats * pace.at(step.from);
}

/** Beats over time. @param last the last note's own beats, which go at the pace at the end. */
function tempoOf(steps: readonly Step[], last = 0): number {
  const ratios = steps.map(({ seconds, beats }) => seconds / beats);
  const middle = median(ratios);
  const even = steps.filter((_, index) => Math.abs(Math.log(ratios[index]! / middle)) < UNEVEN);
  const seconds = even.reduce((sum, step) => sum + step.seconds, 0);
  const beats = even.reduce((sum, step) => sum + step.beats, 0);
  const end = even
    .slice(-END_STEPS)
    .reduce((sum, step) => ({ seconds: sum.seconds + step.seconds, beats: sum.beats + step.beats }), {
      seconds: 0,
      beats: 0,
    });
  return (60 * (beats + last)) / (seconds + (last * end.seconds) / end.beats);
}
