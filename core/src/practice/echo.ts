import { costInTime, moveBetween, type Instrument } from '../instruments/index.ts';
import {
  add,
  byHeight,
  compare,
  LETTERS,
  midiNumber,
  rational,
  samePitch,
  tonic,
  toNumber,
  valueLength,
  ZERO,
  type Pitch,
  type TuneEvent,
} from '../music/index.ts';
import { contentOf, ECHO_GRADES, ECHO_METRE, type EchoGrade, type EchoPattern } from './echo-pattern.ts';
import { trapsOf } from './echo-traps.ts';
import { eventOf } from './own-patterns.ts';
import { keysOf } from './short-tune.ts';
import { pick, seeded, type Random } from './random.ts';
import { BarWays, numberBelow, rulesFor, valuesKnown, type RhythmRules, type RhythmValue } from './rhythm.ts';
import { isSingable, lastPitch, pairs, turnsAfterLeap } from './singing.ts';

export interface EchoRequest {
  readonly on: Instrument;
  /** All notes of the patterns, the new one among them. */
  readonly notes: readonly Pitch[];
  readonly newNote: Pitch;
  /** Rhythm elements that the class knows; crotchets are taken for known. */
  readonly elements: ReadonlySet<string>;
  /** How many patterns of each grade. */
  readonly perGrade: number;
  readonly seed: number;
  /** Patterns that stay as they are; the others are made around them. */
  readonly pinned?: ReadonlyMap<string, EchoPattern>;
}

/** Why a grade has no patterns. */
export type EchoGap = 'no-other-note' | 'two-notes-only' | 'no-skip';

export interface EchoSet {
  readonly patterns: readonly EchoPattern[];
  /** Grades for which the class has too few notes. */
  readonly missing: readonly { readonly grade: EchoGrade; readonly reason: EchoGap }[];
}

export const DEFAULT_PER_GRADE = 3;
const TRIES = 600;
/** Enough candidates to choose by difficulty. */
const CANDIDATES = 12;
/** Seconds of a semibreve at the tempo of an echo, about 76 crotchets a minute: what a move has time for. */
const SECONDS_OF_WHOLE = 3.2;
const CROTCHET = rational(1, 4);
/** Between the end of one pattern and the start of the next. */
const WIDEST_LINK = 5;

/** The place of a pattern in its set, by which it is kept: "skip 2". */
export function echoPlace(grade: EchoGrade, index: number): string {
  return `${grade} ${index}`;
}

/**
 * A graded set for one new note: on that note alone; between it and the note nearest under the fingers; by neighbours;
 * with a skip; beginning elsewhere. No two are alike, leaps can be sung, and each ends where the next begins easily.
 * Until the last grade fingers move in crotchets, and two of three patterns end at home where the grade has that note.
 * The same request gives the same set.
 */
export function echoPatterns(request: EchoRequest): EchoSet {
  const maker = new EchoMaker(request);
  const patterns: EchoPattern[] = [];
  const missing: { grade: EchoGrade; reason: EchoGap }[] = [];
  for (const grade of ECHO_GRADES) {
    const reason = maker.whyNot(grade);
    if (reason !== null) {
      missing.push({ grade, reason });
      continue;
    }
    for (let index = 0; index < request.perGrade; index++) {
      const kept = request.pinned?.get(echoPlace(grade, index));
      const level = index / request.perGrade;
      const made =
        kept ?? (index % 3 > 0 ? maker.make(grade, level, patterns, true) : null) ?? maker.make(grade, level, patterns);
      if (made !== null) patterns.push(made);
    }
  }
  return { patterns: withTraps(patterns, request), missing };
}

/** What is true of many patterns is said at the first of them. */
function withTraps(patterns: readonly EchoPattern[], request: EchoRequest): readonly EchoPattern[] {
  let isTongued = false;
  return patterns.map((pattern, index) => {
    const traps = trapsOf(pattern, patterns[index - 1], request).filter(
      ({ kind }) => kind !== 'repeated' || !isTongued,
    );
    isTongued ||= traps.some(({ kind }) => kind === 'repeated');
    return { ...pattern, traps };
  });
}

class EchoMaker {
  readonly #request: EchoRequest;
  readonly #ladder: readonly Pitch[];
  readonly #partner: Pitch | null;
  readonly #home: Pitch;
  readonly #rhythms: readonly (readonly RhythmValue[])[];
  readonly #random: Random;

  constructor(request: EchoRequest) {
    this.#request = request;
    this.#ladder = request.notes.toSorted(byHeight);
    this.#partner = nearestUnderFingers(request);
    this.#home = homeOf(this.#ladder);
    const elements = new Set([...request.elements, 'note quarter']);
    const values = valuesKnown(elements).filter(isShortEnough);
    this.#random = seeded(request.seed);
    this.#rhythms = echoRhythms({ ...rulesFor(ECHO_METRE, elements), values }, this.#random);
  }

  whyNot(grade: EchoGrade): EchoGap | null {
    const count = this.#ladder.length;
    if (grade === 'one-note') return null;
    if (count < 2) return 'no-other-note';
    if (grade === 'two-notes' || grade === 'steps') return null;
    if (count < 3) return 'two-notes-only';
    return grade === 'skip' && this.#skips().length === 0 ? 'no-skip' : null;
  }

  /** @param level 0 for the plainest of its grade, towards 1 for the fullest. */
  make(grade: EchoGrade, level: number, before: readonly EchoPattern[], endsAtHome = false): EchoPattern | null {
    if (endsAtHome && !this.#notesOf(grade).some((pitch) => samePitch(pitch, this.#home))) return null;
    const others = [...before, ...(this.#request.pinned?.values() ?? [])];
    const taken = new Set(others.map((pattern) => contentOf(pattern.events)));
    const found: { events: readonly TuneEvent[]; weight: number }[] = [];
    for (let attempt = 0; attempt < TRIES && found.length < CANDIDATES; attempt++) {
      const rhythm = pick(this.#random, this.#rhythms);
      const melody = this.#melody(grade, rhythm.filter(({ kind }) => kind === 'note').length, before.at(-1));
      if (melody === null || (endsAtHome && !samePitch(melody.at(-1)!, this.#home))) continue;
      const notes = [...melody];
      const events = rhythm.map((value) => eventOf(value, value.kind === 'note' ? notes.shift()! : null));
      if (taken.has(contentOf(events)) || (grade !== 'elsewhere' && !movesSlowly(events))) continue;
      taken.add(contentOf(events));
      found.push({ events, weight: this.#weight(events) });
    }
    const chosen = found.toSorted((a, b) => a.weight - b.weight)[Math.floor(level * found.length)];
    return chosen === undefined ? null : { grade, events: chosen.events, traps: [] };
  }

  #melody(grade: EchoGrade, length: number, before: EchoPattern | undefined): readonly Pitch[] | null {
    const { newNote } = this.#request;
    if (grade === 'one-note') return Array.from({ length }, () => newNote);
    const notes = this.#notesOf(grade);
    const usual = [newNote, this.#partner!];
    const starts =
      grade === 'elsewhere' ? notes.filter((note) => !usual.some((other) => samePitch(note, other))) : usual;
    const linked = starts.filter((each) => before === undefined || isEasyLink(lastPitch(before.events), each));
    const melody = [pick(this.#random, linked.length > 0 ? linked : starts)];
    while (melody.length < length) melody.push(pick(this.#random, this.#after(grade, melody.at(-1)!, notes)));
    return this.#fits(grade, melody) ? melody : null;
  }

  #notesOf(grade: EchoGrade): readonly Pitch[] {
    const { newNote } = this.#request;
    if (grade === 'one-note') return [newNote];
    return grade === 'two-notes' ? [this.#partner!, newNote] : this.#ladder;
  }

  /** Where the melody may go from a note. */
  #after(grade: EchoGrade, from: Pitch, notes: readonly Pitch[]): readonly Pitch[] {
    if (grade === 'two-notes') return notes;
    const reach = grade === 'steps' ? 1 : this.#ladder.length;
    const place = this.#placeOf(from);
    return notes.filter((to) => Math.abs(this.#placeOf(to) - place) <= reach && isSingable(from, to));
  }

  #fits(grade: EchoGrade, melody: readonly Pitch[]): boolean {
    if (!melody.some((pitch) => samePitch(pitch, this.#request.newNote))) return false;
    const jumps = pairs(melody).filter(([a, b]) => Math.abs(this.#placeOf(a) - this.#placeOf(b)) > 1);
    const changes = pairs(melody).filter(([a, b]) => !samePitch(a, b)).length;
    if (!turnsAfterLeap(melody) || !this.#leadsOn(melody.at(-1)!)) return false;
    switch (grade) {
      case 'one-note':
        return true;
      case 'two-notes':
        return changes >= 1;
      case 'steps':
        return changes >= 2 || this.#ladder.length === 2;
      case 'skip':
        return jumps.length === 1;
      case 'elsewhere':
        return jumps.length <= 2 && changes >= 2;
    }
  }

  /** The next pattern begins easily after this note. */
  #leadsOn(last: Pitch): boolean {
    return [this.#request.newNote, this.#partner!].some((start) => isEasyLink(last, start));
  }

  #placeOf(p: Pitch): number {
    return this.#ladder.findIndex((pitch) => samePitch(pitch, p));
  }

  #skips(): readonly (readonly [Pitch, Pitch])[] {
    return this.#ladder.flatMap((a, from) =>
      this.#ladder.slice(from + 2).flatMap((b) => (isSingable(a, b) ? [[a, b] as const] : [])),
    );
  }

  /** Moves, values and silences of a pattern in one number, to order the patterns of a grade. */
  #weight(events: readonly TuneEvent[]): number {
    const moves = pairs(events).map(([a, b]) => {
      const move = a.kind === 'note' && b.kind === 'note' ? moveBetween(this.#request.on, a.pitch, b.pitch) : null;
      return costInTime(move?.cost ?? 0, toNumber(valueLength(a.value)) * SECONDS_OF_WHOLE);
    });
    const kinds = new Set(events.map((event) => `${event.kind} ${event.value.base} ${event.value.dots}`)).size;
    return moves.reduce((total, cost) => total + cost, 0) + 0.5 * events.length + kinds;
  }
}

const MOST_RHYTHMS = 1000;

/** All rhythms that make a pattern, or a thousand bars looked through by chance. */
function echoRhythms(rules: RhythmRules, random: Random): readonly (readonly RhythmValue[])[] {
  const ways = new BarWays(rules);
  const all = ways.from();
  const looked = all < BigInt(MOST_RHYTHMS) ? Number(all) : MOST_RHYTHMS;
  const numbers = Array.from({ length: looked }, (_, at) =>
    looked < MOST_RHYTHMS ? BigInt(at) : numberBelow(random, all),
  );
  return numbers.map((number) => ways.bar(number).map(({ value }) => value)).filter(isPattern);
}

/**
 * Where the patterns come to rest: the keynote of which most of the chord is there, of the key with the fewest signs;
 * or the lowest note.
 */
function homeOf(ladder: readonly Pitch[]): Pitch {
  const letters = new Set(ladder.map((pitch) => pitch.letter));
  const homes = keysOf(ladder).flatMap((key) => {
    const { letter } = tonic(key);
    const home = ladder.find((pitch) => pitch.letter === letter);
    const from = LETTERS.indexOf(letter);
    const chord = [2, 4].filter((step) => letters.has(LETTERS[(from + step) % LETTERS.length]!)).length;
    return home === undefined ? [] : [{ home, chord }];
  });
  return homes.toSorted((x, y) => y.chord - x.chord)[0]?.home ?? ladder[0]!;
}

/** A finger that moves has a crotchet for it. */
function movesSlowly(events: readonly TuneEvent[]): boolean {
  return pairs(events).every(
    ([a, b]) =>
      a.kind === 'rest' ||
      b.kind === 'rest' ||
      samePitch(a.pitch, b.pitch) ||
      compare(valueLength(a.value), CROTCHET) >= 0,
  );
}

/** Four beats that begin with a note, have two to six of them, sit on the beats, and end with room to breathe. */
function isPattern(rhythm: readonly RhythmValue[]): boolean {
  const notes = rhythm.filter(({ kind }) => kind === 'note').length;
  const rests = rhythm.length - notes;
  const endsLong = valueLength(rhythm.at(-1)!.value).den <= 4;
  return rhythm[0]!.kind === 'note' && notes >= 2 && notes <= 6 && rests <= 1 && endsLong && sitsOnBeats(rhythm);
}

/** What lasts longer than a crotchet begins on the first beat or the third. */
function sitsOnBeats(rhythm: readonly RhythmValue[]): boolean {
  let now = ZERO;
  return rhythm.every(({ value }) => {
    const start = toNumber(now);
    now = add(now, valueLength(value));
    return compare(valueLength(value), CROTCHET) <= 0 || start % 0.5 === 0;
  });
}

/** A semibreve is no pattern. */
function isShortEnough({ value }: RhythmValue): boolean {
  return valueLength(value).num / valueLength(value).den <= 0.75;
}

function nearestUnderFingers({ on, notes, newNote }: EchoRequest): Pitch | null {
  const cost = (p: Pitch): number => moveBetween(on, newNote, p)?.cost ?? Infinity;
  const others = notes.filter((note) => !samePitch(note, newNote) && isSingable(newNote, note));
  return (others.length > 0 ? others : notes).toSorted((a, b) => cost(a) - cost(b))[0] ?? null;
}

function isEasyLink(from: Pitch, to: Pitch): boolean {
  return Math.abs(midiNumber(from) - midiNumber(to)) <= WIDEST_LINK;
}
