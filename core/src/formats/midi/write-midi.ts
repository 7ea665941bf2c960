import { writeMidi as encode, type MidiData, type MidiEvent } from 'midi-file';
import {
  add,
  barLength,
  beatLength,
  beatsInBar,
  countInLength,
  isCompound,
  midiNumber,
  performanceOrder,
  performedNotes,
  quartersPerMinute,
  rational,
  subtract,
  toNumber,
  withGraces,
  ZERO,
  type Key,
  type Metre,
  type Rational,
  type Tempo,
  type Tune,
} from '../../music/index.ts';
import { eventsLength } from '../../music/index.ts';

/** Carries semiquavers, triplets and quintuplets exactly. */
export const TICKS_PER_QUARTER = 480;
const PERCUSSION_CHANNEL = 9;
const CLICK = { strong: 76, weak: 77, length: 60 };
const MICROSECONDS_A_MINUTE = 60_000_000;

export interface MidiOptions {
  /** Semitones from the written to the sounding pitch. */
  readonly soundsAbove?: number;
  /** General MIDI, counted from 0: 74 is a recorder, 78 a whistle. */
  readonly program?: number;
  /** A bar of clicks before the tune. */
  readonly countIn?: boolean;
  /** Clicks on every beat, on a track of their own. */
  readonly metronome?: boolean;
  readonly tempo?: Tempo;
  /** Notes as long as they sound, a staccato note half of its time; as they are written otherwise. */
  readonly asPlayed?: boolean;
  /** What plays along, on tracks of its own; it brings its own count-in. */
  readonly along?: PlayAlong;
}

/** Times in whole notes from the start of the tune; before it for what counts in. */
export interface PlayAlong {
  readonly countIn: Rational;
  readonly tracks: readonly {
    readonly name: string;
    /** General MIDI, counted from 0; null for drums. */
    readonly program: number | null;
    readonly notes: readonly {
      readonly midi: number;
      readonly onset: Rational;
      readonly length: Rational;
      /** 0 to 1. */
      readonly strength: number;
    }[];
  }[];
}

/** An event with its time in ticks from the start; the encoder takes differences. */
interface Timed {
  readonly at: number;
  readonly event: Record<string, unknown>;
}

/** A MIDI file of format 1, with repeats played out: tempo, key and time, each part on its track, the words of the first verse. */
export function writeMidi(tune: Tune, options: MidiOptions = {}): Uint8Array {
  const counted = options.along?.countIn ?? (options.countIn === true ? countInLength(tune) : ZERO);
  const start = ticks(counted);
  const tracks = [
    conductor(tune, options, start),
    ...tune.parts.map((part, index) => melody(tune, part.name, index, options, start)),
    ...(options.metronome === true || options.countIn === true ? [clicks(tune, options, start)] : []),
    ...(options.along?.tracks ?? []).map((track, index) => playedAlong(track, tune.parts.length + index, start)),
  ];
  const data: MidiData = {
    header: { format: 1, numTracks: tracks.length, ticksPerBeat: TICKS_PER_QUARTER },
    tracks: tracks.map(withDifferences),
  };
  return Uint8Array.from(encode(data));
}

function ticks(length: Rational): number {
  return Math.round(toNumber(length) * 4 * TICKS_PER_QUARTER);
}

function withDifferences(track: readonly Timed[]): MidiEvent[] {
  let now = 0;
  const sorted = track.toSorted(
    (a, b) => a.at - b.at || Number(a.event.type === 'noteOn') - Number(b.event.type === 'noteOn'),
  );
  const events = sorted.map(({ at, event }) => {
    const deltaTime = at - now;
    now = at;
    return { deltaTime, ...event };
  });
  return [...events, { deltaTime: 0, meta: true, type: 'endOfTrack' }] as unknown as MidiEvent[];
}

function meta(at: number, type: string, content: object): Timed {
  return { at, event: { meta: true, type, ...content } };
}

function conductor(tune: Tune, options: MidiOptions, start: number): Timed[] {
  const tempo = options.tempo ?? tune.tempo ?? { beat: rational(1, 4), perMinute: 84 };
  const quarters = quartersPerMinute(tempo);
  const first = tune.bars[0]!;
  const track = [
    meta(0, 'trackName', { text: tune.title }),
    meta(0, 'setTempo', { microsecondsPerBeat: Math.round(MICROSECONDS_A_MINUTE / quarters) }),
    timeSignature(0, first.metre),
    keySignature(0, first.key),
  ];
  let now: Rational = ZERO;
  let last = first;
  for (const index of performanceOrder(tune)) {
    const bar = tune.bars[index]!;
    const at = start + ticks(now);
    if (bar.metre.count !== last.metre.count || bar.metre.unit !== last.metre.unit)
      track.push(timeSignature(at, bar.metre));
    if (bar.key.fifths !== last.key.fifths) track.push(keySignature(at, bar.key));
    last = bar;
    now = add(now, eventsLength(tune.parts[0].bars[index]!));
  }
  return track;
}

function timeSignature(at: number, metre: Metre): Timed {
  return meta(at, 'timeSignature', {
    numerator: metre.count,
    denominator: metre.unit,
    metronome: isCompound(metre) ? 36 : 24,
    thirtyseconds: 8,
  });
}

function keySignature(at: number, key: Key): Timed {
  return meta(at, 'keySignature', { key: key.fifths, scale: key.mode === 'minor' ? 1 : 0 });
}

function melody(tune: Tune, name: string, part: number, options: MidiOptions, start: number): Timed[] {
  const track = [
    meta(0, 'trackName', { text: name }),
    { at: 0, event: { type: 'programChange', channel: part, programNumber: options.program ?? 74 } },
  ];
  for (const played of performedNotes(tune, part)) {
    const at = start + ticks(played.onset);
    const syllable = played.note.syllables[0];
    if (part === 0 && syllable !== undefined && syllable !== null)
      track.push(meta(at, 'lyrics', { text: syllable.text + (syllable.end === 'join' ? '-' : ' ') }));
    const isShort = options.asPlayed === true && played.note.articulations.includes('staccato');
    for (const { pitch, onset, length } of withGraces(played)) {
      const noteNumber = midiNumber(pitch) + (options.soundsAbove ?? 0);
      const on = { type: 'noteOn', channel: part, noteNumber, velocity: 90 };
      track.push({ at: start + ticks(onset), event: on });
      const end = start + ticks(onset) + Math.round(ticks(length) * (isShort ? 0.5 : 1));
      track.push({ at: end, event: { ...on, type: 'noteOff', velocity: 0 } });
    }
  }
  return track;
}

function playedAlong({ name, program, notes }: PlayAlong['tracks'][number], after: number, start: number): Timed[] {
  // The tenth channel is the drums’.
  const channel = program === null ? PERCUSSION_CHANNEL : after < PERCUSSION_CHANNEL ? after : after + 1;
  const track = [meta(0, 'trackName', { text: name })];
  if (program !== null) track.push({ at: 0, event: { type: 'programChange', channel, programNumber: program } });
  for (const { midi, onset, length, strength } of notes) {
    const on = { type: 'noteOn', channel, noteNumber: midi, velocity: Math.max(1, Math.round(127 * strength)) };
    track.push({ at: start + ticks(onset), event: on });
    track.push({ at: start + ticks(add(onset, length)), event: { ...on, type: 'noteOff', velocity: 0 } });
  }
  return track;
}

function clicks(tune: Tune, options: MidiOptions, start: number): Timed[] {
  const track = [meta(0, 'trackName', { text: 'Metronome' })];
  const click = (at: number, strong: boolean): void => {
    const noteNumber = strong ? CLICK.strong : CLICK.weak;
    track.push({ at, event: { type: 'noteOn', channel: PERCUSSION_CHANNEL, noteNumber, velocity: strong ? 110 : 80 } });
    track.push({
      at: at + CLICK.length,
      event: { type: 'noteOff', channel: PERCUSSION_CHANNEL, noteNumber, velocity: 0 },
    });
  };
  const { metre } = tune.bars[0]!;
  const beat = ticks(beatLength(metre));
  if (options.countIn === true)
    for (let at = 0, n = 0; at < start; at += beat, n++) click(at, n % beatsInBar(metre) === 0);
  if (options.metronome !== true) return track;
  let now: Rational = ZERO;
  for (const index of performanceOrder(tune)) {
    const bar = tune.bars[index]!;
    const length = eventsLength(tune.parts[0].bars[index]!);
    const missing = subtract(barLength(bar.metre), length);
    const size = ticks(beatLength(bar.metre));
    const late = index === 0 && missing.num > 0 ? ticks(missing) : 0;
    for (let inBar = 0; inBar - late < ticks(length); inBar += size) {
      if (inBar >= late) click(start + ticks(now) + inBar - late, inBar % ticks(barLength(bar.metre)) === 0);
    }
    now = add(now, length);
  }
  return track;
}
