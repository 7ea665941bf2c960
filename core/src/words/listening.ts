import { listWords } from '@escalier/messages';
import { pitchIn, pitchName, type Tune } from '../music/index.ts';
import type { Instrument } from '../instruments/index.ts';
import type { Listened, Reason, SoundKind, Unclear, WavProblem } from '../listening/index.ts';
import { capital, type NoteNamer } from './stairs.ts';
import { timesWords } from './teaching.ts';
import { t } from './messages.ts';

/** How sentences about a recording name notes and bars. */
export interface ListeningSpeech {
  readonly tune: Tune;
  readonly on: Instrument;
  readonly say: NoteNamer;
}

export const UNCLEAR_WORDS: Readonly<Record<Unclear, string>> = {
  silence: t('listening.it-is-silent'),
  noise: t('listening.too-much-other-noise-to-judge'),
  'other-tune': t('listening.this-doesnt-sound-like-the-tune'),
};

export const WAV_WORDS: Readonly<Record<WavProblem, string>> = {
  empty: t('listening.the-file-is-empty'),
  'no-wav': t('listening.this-isnt-a-wav-file'),
  coding: t('listening.the-wav-file-is-compressed-in'),
  'cut-off': t('listening.the-wav-file-ends-before-its'),
  rate: t('listening.the-wav-file-has-an-unusual'),
};

/** What a held note sounds like, in few words. */
export const SOUND_WORDS: Readonly<Record<SoundKind, string>> = {
  right: t('listening.right'),
  sharp: t('listening.too-high-too-much-breath'),
  weak: t('listening.too-low-too-little-breath'),
  wobbles: t('listening.it-wobbles-keep-the-breath-steady'),
  leak: t('listening.a-hole-is-not-covered'),
  overblown: t('listening.much-too-high-blow-gently'),
  other: t('listening.another-note'),
};

/** All that is to be said of a recording in one sentence. "Stops before bar 5 twice; F sharp played as F in bars 3 and 7; the rest is right, 84 beats a minute." */
export function listenedWords(listened: Listened, speech: ListeningSpeech): string {
  const { proposal, assessment } = listened;
  if (proposal.unclear !== null) return UNCLEAR_WORDS[proposal.unclear];
  const parts = proposal.reasons.map((reason) => reasonWords(reason, listened, speech));
  const found = assessment.verdicts.some(({ kind }) => kind === 'right');
  const tempo =
    assessment.tempo === null
      ? ''
      : t('listening.beats-beats-a-minute', { beats: beatsOf(assessment.tempo, speech.tune) });
  if (parts.length === 0) return t('listening.all-right-tempo', { tempo });
  const text = found ? [...parts, t('listening.the-rest-is-right-tempo', { tempo })].join('; ') : parts.join('; ');
  return `${capital(text)}.`;
}

/** Beats as the tune counts them. @param quarters quarter notes a minute. */
export function beatsOf(quarters: number, { tempo }: Tune): number {
  const beat = tempo === null ? 1 : (tempo.beat.num / tempo.beat.den) * 4;
  return Math.round(quarters / beat);
}

/** One thing about a recording: "F sharp played as F in bars 3 and 7". */
export function reasonWords(reason: Reason, { score }: Listened, { tune, on, say }: ListeningSpeech): string {
  const barOf = (at: number): number => tune.bars[score.notes[at]!.barIndex]!.number;
  const bars = (places: readonly number[]): string => inBars(places.map(barOf));
  const name = (midi: number, near: number): string =>
    say(pitchName(pitchIn(tune.bars[score.notes[near]!.barIndex]!.key, midi - on.soundsAbove)));
  switch (reason.kind) {
    case 'moved':
      return movedWords(reason.semitones);
    case 'broke-off':
      return reason.after < 0
        ? t('listening.doesnt-start')
        : t('listening.breaks-off-after-bar-bar', { bar: barOf(reason.after) });
    case 'stops':
      return counted(reason.before.map(barOf), t('listening.stops-before'));
    case 'restarts':
      return counted(reason.from.map(barOf), t('listening.starts-again-from'));
    case 'left-out':
      return barOf(reason.from) === barOf(reason.to)
        ? t('listening.leaves-most-of-bar-bar-out', { bar: barOf(reason.from) })
        : t('listening.leaves-out-bars-bar-to-bar2', { bar: barOf(reason.from), bar2: barOf(reason.to) });
    case 'wrong':
      return t('listening.name-played-as-name2-bars', {
        written: name(reason.asked, reason.at[0]!),
        played: name(reason.came, reason.at[0]!),
        bars: bars(reason.at),
      });
    case 'missed':
      return t('listening.notes-missing-bars', { n: reason.at.length, bars: bars(reason.at) });
    case 'extra':
      return t('listening.notes-too-many-bars', { n: reason.before.length, bars: bars(reason.before) });
    case 'slurred':
      return t('listening.not-tongued-again-bars', { bars: bars(reason.at) });
    case 'squeaks':
      return reason.count === 1
        ? t('listening.squeaks-once')
        : t('listening.squeaks-times', { times: timesWords(reason.count) });
    case 'sharp':
      return t('listening.too-much-breath-bars', { bars: bars(reason.at) });
    case 'weak':
      return t('listening.too-little-breath-bars', { bars: bars(reason.at) });
    case 'leak':
      return t('listening.a-leak-bars', { bars: bars(reason.at) });
    case 'rushed':
      return t('listening.rushes-from-beats-to-beats2', {
        beats: beatsOf(reason.from, tune),
        beats2: beatsOf(reason.to, tune),
      });
    case 'dragged':
      return t('listening.drags-from-beats-to-beats2', {
        beats: beatsOf(reason.from, tune),
        beats2: beatsOf(reason.to, tune),
      });
    case 'slow':
      return t('listening.too-slow-at-beats-not-beats2', {
        beats: beatsOf(reason.tempo, tune),
        beats2: beatsOf(reason.asked, tune),
      });
    case 'out-of-tune':
      return t('listening.number-cents-too-value-throughout', {
        number: Math.abs(Math.round(reason.cents)),
        direction: reason.cents > 0 ? 'high' : 'low',
      });
  }
}

function movedWords(semitones: number): string {
  if (semitones % 12 === 0)
    return t('listening.all-value-too-value2', {
      interval: Math.abs(semitones) === 12 ? t('listening.an-octave') : t('listening.two-octaves'),
      direction: semitones > 0 ? 'high' : 'low',
    });
  return t('listening.all-number-semitones-too-value-a', {
    number: Math.abs(semitones),
    direction: semitones > 0 ? 'high' : 'low',
  });
}

function inBars(numbers: readonly number[]): string {
  const bars = [...new Set(numbers)].toSorted((a, b) => a - b).map(String);
  return bars.length === 1
    ? t('listening.in-bar-bars', { bars: bars[0]! })
    : t('listening.in-bars-list', { list: listWords(bars) });
}

/** "stops before bar 5 twice and bar 7" */
function counted(bars: readonly number[], what: string): string {
  const each = [...new Set(bars)].map((bar) => {
    const times = bars.filter((other) => other === bar).length;
    return times === 1 ? t('bar.one', { bar }) : `${t('bar.one', { bar })} ${timesWords(times)}`;
  });
  return `${what} ${listWords(each)}`;
}
