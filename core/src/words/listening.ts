import { pitchIn, pitchName, type Tune } from '../music/index.ts';
import type { Instrument } from '../instruments/index.ts';
import type { Listened, Reason, SoundKind, Unclear, WavProblem } from '../listening/index.ts';
import { capital, listWords, type NoteNamer } from './stairs.ts';
import { timesWords } from './teaching.ts';

/** How sentences about a recording name notes and bars. */
export interface ListeningSpeech {
  readonly tune: Tune;
  readonly on: Instrument;
  readonly say: NoteNamer;
}

export const UNCLEAR_WORDS: Readonly<Record<Unclear, string>> = {
  silence: 'Nothing can be heard.',
  noise: 'Too much else can be heard to judge the playing.',
  'other-tune': 'This does not sound like the tune.',
};

export const WAV_WORDS: Readonly<Record<WavProblem, string>> = {
  empty: 'The file is empty.',
  'no-wav': 'The file is no WAV sound.',
  coding: 'The WAV file is packed in a way that cannot be read: save it as plain PCM.',
  'cut-off': 'The WAV file breaks off before its sound.',
  rate: 'The WAV file has an unusual sample rate: use 8,000 to 192,000 a second.',
};

/** What a held note sounds like, in few words. */
export const SOUND_WORDS: Readonly<Record<SoundKind, string>> = {
  right: 'Right',
  sharp: 'Too high: too much breath',
  weak: 'Too low: too little breath',
  wobbles: 'It wobbles: keep the breath steady',
  leak: 'A hole is not covered',
  overblown: 'Much too high: blow gently',
  other: 'Another note',
};

/** All that is to be said of a recording in one sentence. "Stops before bar 5 twice; F sharp played as F in bars 3 and 7; the rest is right, 84 beats a minute." */
export function listenedWords(listened: Listened, speech: ListeningSpeech): string {
  const { proposal, assessment } = listened;
  if (proposal.unclear !== null) return UNCLEAR_WORDS[proposal.unclear];
  const parts = proposal.reasons.map((reason) => reasonWords(reason, listened, speech));
  const found = assessment.verdicts.some(({ kind }) => kind === 'right');
  const tempo = assessment.tempo === null ? '' : `, ${beatsOf(assessment.tempo, speech.tune)} beats a minute`;
  if (parts.length === 0) return `All right${tempo}.`;
  const text = found ? [...parts, `the rest is right${tempo}`].join('; ') : parts.join('; ');
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
      return reason.after < 0 ? 'does not begin' : `breaks off after bar ${barOf(reason.after)}`;
    case 'stops':
      return counted(reason.before.map(barOf), 'stops before');
    case 'restarts':
      return counted(reason.from.map(barOf), 'starts again from');
    case 'left-out':
      return barOf(reason.from) === barOf(reason.to)
        ? `leaves most of bar ${barOf(reason.from)} out`
        : `leaves out bars ${barOf(reason.from)} to ${barOf(reason.to)}`;
    case 'wrong':
      return `${name(reason.asked, reason.at[0]!)} played as ${name(reason.came, reason.at[0]!)} ${bars(reason.at)}`;
    case 'missed':
      return `${reason.at.length === 1 ? 'a note is' : `${reason.at.length} notes are`} missing ${bars(reason.at)}`;
    case 'extra':
      return `${reason.before.length === 1 ? 'one note' : `${reason.before.length} notes`} too many ${bars(reason.before)}`;
    case 'slurred':
      return `not tongued again ${bars(reason.at)}`;
    case 'squeaks':
      return reason.count === 1 ? 'squeaks once' : `squeaks ${timesWords(reason.count)}`;
    case 'sharp':
      return `too much breath ${bars(reason.at)}`;
    case 'weak':
      return `too little breath ${bars(reason.at)}`;
    case 'leak':
      return `a leak ${bars(reason.at)}`;
    case 'rushed':
      return `rushes from ${beatsOf(reason.from, tune)} to ${beatsOf(reason.to, tune)}`;
    case 'dragged':
      return `drags from ${beatsOf(reason.from, tune)} to ${beatsOf(reason.to, tune)}`;
    case 'slow':
      return `too slow at ${beatsOf(reason.tempo, tune)}, not ${beatsOf(reason.asked, tune)}`;
    case 'out-of-tune':
      return `${Math.abs(Math.round(reason.cents))} cents too ${reason.cents > 0 ? 'high' : 'low'} throughout`;
  }
}

function movedWords(semitones: number): string {
  if (semitones % 12 === 0)
    return `all ${Math.abs(semitones) === 12 ? 'an octave' : 'two octaves'} too ${semitones > 0 ? 'high' : 'low'}`;
  return `all ${Math.abs(semitones)} semitones too ${semitones > 0 ? 'high' : 'low'}: another instrument, or begun on a wrong note`;
}

function inBars(numbers: readonly number[]): string {
  const bars = [...new Set(numbers)].toSorted((a, b) => a - b).map(String);
  return bars.length === 1 ? `in bar ${bars[0]!}` : `in bars ${listWords(bars)}`;
}

/** "stops before bar 5 twice and bar 7" */
function counted(bars: readonly number[], what: string): string {
  const each = [...new Set(bars)].map((bar) => {
    const times = bars.filter((other) => other === bar).length;
    return times === 1 ? `bar ${bar}` : `bar ${bar} ${timesWords(times)}`;
  });
  return `${what} ${listWords(each)}`;
}
