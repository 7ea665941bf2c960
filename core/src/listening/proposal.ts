import type { Outcome, RemarkId } from '../records/index.ts';
import type { PassRule } from '../practice/index.ts';
import type { LookFor } from '../staircase/index.ts';
import { deviation } from './align.ts';
import type { Assessment } from './assess.ts';
import type { Track } from './tracker.ts';
import { median } from './spread.ts';
import { THRESHOLDS } from './thresholds.ts';
import type { TuneScore } from './tune-score.ts';

/** What passing means for whom is heard. */
export interface ListeningRule {
  readonly kind: PassRule;
  /** Quarter notes a minute at least; null when any tempo will do. */
  readonly tempo: number | null;
  /** Slips at most; null leaves it to the kind of rule. */
  readonly slips: number | null;
  readonly lookFor: readonly LookFor[];
}

export const PLAIN_RULE: ListeningRule = { kind: 'both', tempo: null, slips: null, lookFor: [] };

/** One thing to say of a recording; numbers of notes count in the order of playing. */
export type Reason =
  | { readonly kind: 'moved'; readonly semitones: number }
  | { readonly kind: 'broke-off'; readonly after: number }
  | { readonly kind: 'stops'; readonly before: readonly number[] }
  | { readonly kind: 'restarts'; readonly from: readonly number[] }
  | { readonly kind: 'left-out'; readonly from: number; readonly to: number }
  | { readonly kind: 'wrong'; readonly asked: number; readonly came: number; readonly at: readonly number[] }
  | { readonly kind: 'missed'; readonly at: readonly number[] }
  | { readonly kind: 'extra'; readonly before: readonly number[] }
  | { readonly kind: 'slurred'; readonly at: readonly number[] }
  | { readonly kind: 'squeaks'; readonly count: number }
  | { readonly kind: 'sharp' | 'leak' | 'weak'; readonly at: readonly number[] }
  | { readonly kind: 'rushed' | 'dragged'; readonly from: number; readonly to: number }
  | { readonly kind: 'slow'; readonly tempo: number; readonly asked: number }
  | { readonly kind: 'out-of-tune'; readonly cents: number };

/** Why nothing is proposed. */
export type Unclear = 'silence' | 'noise' | 'other-tune';

export interface Proposal {
  /** Null where the recording is too poor to judge: `unclear` says why. */
  readonly outcome: Outcome | null;
  readonly unclear: Unclear | null;
  /** In the order in which a teacher would say them. */
  readonly reasons: readonly Reason[];
  readonly remarks: readonly RemarkId[];
  /** Number of a note in the bar to practise; null where nothing went wrong. */
  readonly practise: number | null;
  readonly slips: number;
  readonly stops: number;
  /** 0 to 1. */
  readonly sure: number;
}

/** A result for what was heard, by the class's own rule. The teacher decides. */
export function propose(track: Track, score: TuneScore, heard: Assessment, rule: ListeningRule): Proposal {
  const unclear = unclearness(track, heard);
  if (unclear !== null)
    return { outcome: null, unclear, reasons: [], remarks: [], practise: null, slips: 0, stops: 0, sure: 0 };
  const reasons = reasonsOf(track, score, heard, rule);
  const { slips, stops } = countOf(heard);
  return {
    outcome: outcomeOf(heard, reasons, rule),
    unclear,
    reasons,
    slips,
    stops,
    remarks: remarksOf(reasons, score),
    practise: hardest(score, heard),
    sure: surenessOf(track, score, heard),
  };
}

function unclearness(track: Track, { verdicts, extras, reached }: Assessment): Unclear | null {
  const notes = track.notes.filter(({ isFaint }) => !isFaint);
  if (notes.length === 0) return track.peak < 0.003 ? 'silence' : 'noise';
  if (notes.length < THRESHOLDS.leastNotes) return 'noise';
  const clear = median(notes.map(({ sure }) => sure));
  if (clear < THRESHOLDS.clearEnough) return 'noise';
  // Only the beginning may have been played: what was played must be like the tune.
  const tried = verdicts.slice(0, (reached ?? -1) + 1);
  const amiss = tried.filter(({ kind }) => kind === 'wrong' || kind === 'missed').length + extrasIn(extras);
  const missed = tried.filter(({ kind }) => kind === 'missed').length;
  return amiss / (notes.length + missed) > THRESHOLDS.unlike ? 'other-tune' : null;
}

const extrasIn = (extras: Assessment['extras']): number => extras.filter(({ kind }) => kind === 'extra').length;

function countOf({ verdicts, extras, restarts, hesitations }: Assessment): {
  readonly slips: number;
  readonly stops: number;
} {
  const wrong = verdicts.filter(({ kind }) => kind === 'wrong' || kind === 'missed').length;
  return {
    slips: wrong + extrasIn(extras),
    stops: restarts.length + hesitations.length,
  };
}

function outcomeOf(heard: Assessment, reasons: readonly Reason[], rule: ListeningRule): Outcome {
  const { slips, stops } = countOf(heard);
  const slurred = rule.lookFor.includes('tongue') ? heard.verdicts.filter(({ kind }) => kind === 'slurred').length : 0;
  const allowed = rule.slips ?? (rule.kind === 'steady' ? THRESHOLDS.overlooked : 0);
  const long = heard.hesitations.filter(({ seconds }) => seconds > THRESHOLDS.shortStop).length;
  const counted = rule.kind === 'right' ? long + Math.max(0, heard.restarts.length - 1) : stops;
  const over = Math.max(0, slips + slurred - allowed) + counted;
  if (over > THRESHOLDS.nearlySlips) return 'not-yet';
  const beat = rule.lookFor.includes('beat') && reasons.some(({ kind }) => kind === 'rushed' || kind === 'dragged');
  return over > 0 || beat || reasons.some(({ kind }) => kind === 'slow') ? 'nearly' : 'passed';
}

function reasonsOf(track: Track, score: TuneScore, heard: Assessment, rule: ListeningRule): Reason[] {
  const { verdicts, restarts, hesitations, extras, moved, tempo, startTempo, endTempo } = heard;
  const reasons: Reason[] = [];
  if (moved !== 0) reasons.push({ kind: 'moved', semitones: moved });
  const gaps = gapsOf(heard);
  const last = gaps.find(({ to }) => to === verdicts.length - 1);
  if (last !== undefined) reasons.push({ kind: 'broke-off', after: last.from - 1 });
  if (restarts.length > 0) reasons.push({ kind: 'restarts', from: restarts.map(({ from }) => from) });
  if (hesitations.length > 0) reasons.push({ kind: 'stops', before: hesitations.map(({ before }) => before) });
  for (const gap of gaps) if (gap !== last) reasons.push({ kind: 'left-out', ...gap });
  reasons.push(...wrongOnes(score, heard));
  const inGap = (at: number): boolean => gaps.some(({ from, to }) => at >= from && at <= to);
  const missed = where(verdicts, 'missed').filter((at) => !inGap(at));
  if (missed.length > 0) reasons.push({ kind: 'missed', at: missed });
  const extra = extras.filter(({ kind }) => kind === 'extra').map((each) => noteAfter(heard, each.heard));
  if (extra.length > 0) reasons.push({ kind: 'extra', before: extra });
  if (startTempo !== null && endTempo !== null && Math.abs(endTempo / startTempo - 1) > THRESHOLDS.drift)
    reasons.push({ kind: endTempo > startTempo ? 'rushed' : 'dragged', from: startTempo, to: endTempo });
  const slurred = where(verdicts, 'slurred');
  if (slurred.length > 0) reasons.push({ kind: 'slurred', at: slurred });
  const squeaks = extras.filter(({ kind }) => kind === 'squeak').length;
  if (squeaks > 0) reasons.push({ kind: 'squeaks', count: squeaks });
  reasons.push(...toneReasons(track, score, heard));
  if (rule.tempo !== null && tempo !== null && tempo < rule.tempo * THRESHOLDS.tooSlow)
    reasons.push({ kind: 'slow', tempo, asked: rule.tempo });
  if (Math.abs(heard.tuning) > THRESHOLDS.outOfTune) reasons.push({ kind: 'out-of-tune', cents: heard.tuning });
  return reasons;
}

const where = (verdicts: Assessment['verdicts'], kind: string): number[] =>
  verdicts.flatMap((verdict, at) => (verdict.kind === kind ? [at] : []));

/** So many notes missed in a row are a piece left out. */
const PIECE = 4;

function gapsOf({ verdicts }: Assessment): { readonly from: number; readonly to: number }[] {
  const gaps: { from: number; to: number }[] = [];
  for (const at of where(verdicts, 'missed')) {
    const last = gaps.at(-1);
    if (last?.to === at - 1) last.to = at;
    else gaps.push({ from: at, to: at });
  }
  return gaps.filter(({ from, to }) => to - from + 1 >= PIECE);
}

function noteAfter({ verdicts }: Assessment, heard: number): number {
  const at = verdicts.findIndex((verdict) => verdict.heard !== null && verdict.heard > heard);
  return at < 0 ? verdicts.length - 1 : at;
}

function wrongOnes({ notes }: TuneScore, { verdicts }: Assessment): Reason[] {
  const groups = new Map<string, { asked: number; came: number; at: number[] }>();
  for (const at of where(verdicts, 'wrong')) {
    const [asked, came] = [notes[at]!.midi, verdicts[at]!.came!];
    const group = groups.get(`${asked} ${came}`) ?? { asked, came, at: [] };
    group.at.push(at);
    groups.set(`${asked} ${came}`, group);
  }
  return [...groups.values()]
    .toSorted((a, b) => b.at.length - a.at.length)
    .map((group) => ({ kind: 'wrong', ...group }));
}

/** What the sound of right notes tells of breath and fingers. */
function toneReasons(track: Track, score: TuneScore, heard: Assessment): Reason[] {
  const offset = heard.tuning + heard.moved * 100;
  const found: Record<'sharp' | 'weak' | 'leak', number[]> = { sharp: [], weak: [], leak: [] };
  for (const at of where(heard.verdicts, 'right')) {
    const note = track.notes[heard.verdicts[at]!.heard!]!;
    const off = deviation(note, score.notes[at]!.midi, offset);
    if (note.waver > THRESHOLDS.wavers && off < THRESHOLDS.sharp) found.leak.push(at);
    else if (off > THRESHOLDS.sharp) found.sharp.push(at);
    else if (off < -THRESHOLDS.flat) found.weak.push(at);
  }
  return (['leak', 'sharp', 'weak'] as const)
    .filter((kind) => found[kind].length >= THRESHOLDS.leastShown)
    .map((kind) => ({ kind, at: found[kind] }));
}

const REMARK_OF: Readonly<Partial<Record<Reason['kind'], RemarkId>>> = {
  'broke-off': 'stopped',
  stops: 'stopped',
  restarts: 'stopped',
  missed: 'note',
  extra: 'note',
  'left-out': 'note',
  wrong: 'note',
  slurred: 'tongue',
  squeaks: 'breath',
  sharp: 'breath',
  weak: 'airy',
  leak: 'leak',
  rushed: 'beat',
  dragged: 'beat',
  slow: 'slow',
};

function remarksOf(reasons: readonly Reason[], { notes }: TuneScore): RemarkId[] {
  const remarks = reasons.flatMap((reason): RemarkId[] => {
    if (reason.kind === 'wrong' && reason.at.some((at) => notes[at]!.unsigned === reason.came)) return ['signature'];
    const remark = REMARK_OF[reason.kind];
    return remark === undefined ? [] : [remark];
  });
  return [...new Set(remarks)];
}

/** The bar in which most went wrong: a stop counts as much as a wrong note. */
function hardest({ notes }: TuneScore, heard: Assessment): number | null {
  const trouble = new Map<number, { first: number; weight: number }>();
  const add = (at: number, weight: number): void => {
    const { barIndex } = notes[at]!;
    const bar = trouble.get(barIndex) ?? { first: at, weight: 0 };
    trouble.set(barIndex, { first: Math.min(bar.first, at), weight: bar.weight + weight });
  };
  for (const [at, { kind }] of heard.verdicts.entries()) if (kind !== 'right') add(at, kind === 'slurred' ? 0.5 : 1);
  for (const { before } of heard.hesitations) add(before, 1);
  for (const { after } of heard.restarts) add(Math.min(after + 1, notes.length - 1), 1);
  for (const each of heard.extras) if (each.kind !== 'restart') add(noteAfter(heard, each.heard), 0.6);
  let worst: { first: number; weight: number } | null = null;
  for (const bar of trouble.values()) if (worst === null || bar.weight > worst.weight) worst = bar;
  return worst?.first ?? null;
}

/** Notes near the line between right and wrong make it less sure, as does sound that is hard to make out. */
function surenessOf(track: Track, score: TuneScore, heard: Assessment): number {
  const offset = heard.tuning + heard.moved * 100;
  const doubtful = heard.verdicts.filter((verdict, at) => {
    if (verdict.heard === null) return false;
    const note = track.notes[verdict.heard]!;
    const off = Math.abs(deviation(note, score.notes[at]!.midi, offset));
    return (off > 40 && off < 85) || (note.dip !== null && note.dip < 10);
  }).length;
  const clear = Math.min(1, median(track.notes.map(({ sure }) => sure)) / 0.85);
  return Math.max(0, Math.min(1, clear * (1 - (2 * doubtful) / heard.verdicts.length)));
}
