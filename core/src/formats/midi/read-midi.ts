import { parseMidi, type MidiData, type MidiEvent } from 'midi-file';
import {
  barLength,
  failure,
  likelyKey,
  makeTune,
  MOST_BARS,
  pitchIn,
  PLAIN_BAR,
  rational,
  sameMetre,
  success,
  toNumber,
  type Key,
  type Part,
  type Result,
  type Tempo,
} from '../../music/index.ts';
import { countable } from '../countable.ts';
import type { FormatProblem, Notice, PartOffer, ReadOptions, ReadTune } from '../notice.ts';
import { choosePart } from '../parts.ts';
import { irregularNotice } from '../repair.ts';
import { barsFromNotes, type MetreAt, type MidiNote } from './quantise.ts';
import { t } from '../messages.ts';

const PERCUSSION_CHANNEL = 9;
/** A tune of some pages has a hundredth of it. */
const MOST_BYTES = 1_000_000;
const MOST_NOTES = 6000;

interface Track {
  readonly name: string;
  readonly notes: readonly MidiNote[];
  readonly chords: number;
}

interface Conductor {
  readonly title: string;
  readonly tempo: Tempo;
  /** From the start on; the first begins at 0. */
  readonly metres: readonly MetreAt[];
  readonly key: Key | null;
}

/** Reads a monophonic track of a MIDI file, rounding to semiquavers and triplets. Of chords the highest note stays. */
export function readMidi(bytes: Uint8Array, options: ReadOptions = {}): Result<ReadTune, readonly FormatProblem[]> {
  const whole = (message: string): Result<ReadTune, readonly FormatProblem[]> => failure([{ bar: null, message }]);
  if (bytes.length > MOST_BYTES) return whole(t('read-midi.the-file-is-too-long-for'));
  let data: MidiData;
  try {
    data = parseMidi(bytes);
  } catch {
    return whole(t('read-midi.this-is-not-a-midi-file'));
  }
  const perQuarter = data.header.ticksPerBeat;
  if (perQuarter === undefined || perQuarter <= 0) return whole(t('read-midi.this-midi-file-counts-in-film'));
  const timed = data.tracks.map((track) => withTimes(track, perQuarter));
  const tracks = timed.map(readTrack);
  if (tracks.reduce((sum, track) => sum + track.notes.length, 0) > MOST_NOTES)
    return whole(t('read-midi.the-file-is-too-long-for'));
  const conductor = conductorOf(timed.flat());
  const shortest = Math.min(...conductor.metres.map(({ metre }) => toNumber(barLength(metre)) * 4));
  const end = tracks.flatMap((track) => track.notes).reduce((last, note) => Math.max(last, note.end), 0);
  if (end / shortest > MOST_BARS) return whole(t('read-midi.the-tune-has-more-than-most', { mostBars: MOST_BARS }));
  return countable(() => tracksToTune(tracks, conductor, options));
}

type TimedEvent = MidiEvent & { readonly at: number };

function withTimes(track: readonly MidiEvent[], perQuarter: number): readonly TimedEvent[] {
  let now = 0;
  return track.map((event) => {
    now += event.deltaTime;
    return { ...event, at: now / perQuarter };
  });
}

function readTrack(events: readonly TimedEvent[]): Track {
  const open = new Map<number, number>();
  const notes: MidiNote[] = [];
  let name = '';
  for (const event of events) {
    if (event.type === 'trackName' && name === '') name = event.text.trim();
    if ((event.type !== 'noteOn' && event.type !== 'noteOff') || event.channel === PERCUSSION_CHANNEL) continue;
    const start = open.get(event.noteNumber);
    if (start !== undefined && event.at > start)
      notes.push({ number: event.noteNumber, start, end: event.at, grace: [] });
    open.delete(event.noteNumber);
    if (event.type === 'noteOn' && event.velocity > 0) open.set(event.noteNumber, event.at);
  }
  return { name, ...monophonic(notes.toSorted((a, b) => a.start - b.start || b.number - a.number)) };
}

/** One note at a time: of notes that begin together the highest, and each ends where the next begins. */
function monophonic(notes: readonly MidiNote[]): { readonly notes: readonly MidiNote[]; readonly chords: number } {
  const together = 1 / 32;
  const lead: MidiNote[] = [];
  let chords = 0;
  for (const note of notes) {
    const last = lead.at(-1);
    if (last !== undefined && note.start - last.start < together) {
      chords += 1;
      continue;
    }
    if (last !== undefined && last.end > note.start) lead[lead.length - 1] = { ...last, end: note.start };
    lead.push(note);
  }
  return { notes: withGraceNotes(lead), chords };
}

/** As long as this at most, in quarter notes, and followed at once by a longer one, a note is a grace note. */
const GRACE_LONGEST = 0.126;
const MOST_GRACE_NOTES = 3;

function withGraceNotes(notes: readonly MidiNote[]): readonly MidiNote[] {
  const kept: MidiNote[] = [];
  let short: MidiNote[] = [];
  for (const note of notes) {
    const follows = short.length > 0 && note.start - short.at(-1)!.end < 0.01;
    if (!follows) kept.push(...short.splice(0));
    if (note.end - note.start <= GRACE_LONGEST && short.length < MOST_GRACE_NOTES) {
      short.push(note);
      continue;
    }
    kept.push({ ...note, start: short[0]?.start ?? note.start, grace: short.map(({ number }) => number) });
    short = [];
  }
  return [...kept, ...short];
}

function conductorOf(events: readonly TimedEvent[]): Conductor {
  const of = <Type extends MidiEvent['type']>(type: Type) =>
    events.filter((event): event is Extract<TimedEvent, { type: Type }> => event.type === type);
  const [tempo, key] = [of('setTempo')[0], of('keySignature')[0]];
  const metres = of('timeSignature')
    .filter(({ numerator, denominator }) => numerator >= 1 && numerator <= 24 && [1, 2, 4, 8, 16].includes(denominator))
    .map(({ at, numerator, denominator }): MetreAt => ({ at, metre: { count: numerator, unit: denominator } }))
    .toSorted((a, b) => a.at - b.at)
    // Files say the same again, on every track.
    .filter(({ metre }, index, all) => index === 0 || !sameMetre(metre, all[index - 1]!.metre));
  const perMinute = tempo === undefined ? 120 : Math.round(60_000_000 / tempo.microsecondsPerBeat);
  return {
    title: of('trackName')[0]?.text.trim() ?? '',
    tempo: { beat: rational(1, 4), perMinute: Math.min(400, Math.max(10, perMinute)) },
    metres: metres[0]?.at === 0 ? metres : [{ at: 0, metre: { count: 4, unit: 4 } }, ...metres],
    key:
      key === undefined || Math.abs(key.key) > 7
        ? null
        : { fifths: key.key, mode: key.scale === 1 ? 'minor' : 'major' },
  };
}

function tracksToTune(
  tracks: readonly Track[],
  conductor: Conductor,
  options: ReadOptions,
): Result<ReadTune, readonly FormatProblem[]> {
  const sounding = tracks.filter((track) => track.notes.length > 0);
  const offers = sounding.map((track, index): PartOffer => ({
    index,
    name: track.name === '' ? t('read-midi.part-index', { index: index + 1 }) : track.name,
    notes: track.notes.length,
  }));
  const chosen = choosePart(
    offers,
    sounding.map((_, index) => (index === 0 ? 1 : 0)),
    options.take,
  );
  if (!chosen.ok) return chosen;
  const taken = chosen.value.take.map((index) => sounding[index]!);
  const key = conductor.key ?? likelyKey(taken.flatMap((track) => track.notes.map((note) => note.number)));
  const length = Math.max(...taken.map((track) => track.notes.at(-1)!.end));
  const written = barsFromNotes(
    taken.map((track) => track.notes),
    { metres: conductor.metres, quarters: length, pitchOf: (number) => pitchIn(key, number) },
  );
  const parts = written.parts.map((bars, place): Part => ({ name: offers[chosen.value.take[place]!]!.name, bars }));
  const bars = written.slots.map(({ metre }, index) => ({
    ...PLAIN_BAR,
    key,
    metre,
    lineEnd: index % 4 === 3 && index < written.slots.length - 1,
    barline: index === written.slots.length - 1 ? ('final' as const) : ('single' as const),
  }));
  const made = makeTune({
    title: conductor.title === '' ? 'Untitled' : conductor.title,
    composer: '',
    source: '',
    licence: '',
    tags: [],
    otherTitles: [],
    tempo: conductor.tempo,
    bars,
    parts,
  });
  if (!made.ok) return made;
  const { value: tune } = made;
  const irregular = irregularNotice(tune).map(({ bar, message }) => ({ bar, message }));
  const leftOut = [...notices(taken), ...irregular, ...chosen.value.leftOut];
  return success({ tune, leftOut, parts: offers, tunes: [tune.title] });
}

function notices(taken: readonly Track[]): Notice[] {
  const chords = taken.reduce((sum, track) => sum + track.chords, 0);
  return chords > 0 ? [{ bar: null, message: t('read-midi.left-out-chords-lower-notes-of', { chords }) }] : [];
}
