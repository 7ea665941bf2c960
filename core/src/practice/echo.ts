import { moveBetween, type Instrument } from '../instruments/index.ts';
import { byHeight, midiNumber, samePitch, valueLength, type Pitch, type TuneEvent } from '../music/index.ts';
import { contentOf, ECHO_GRADES, ECHO_METRE, type EchoGrade, type EchoPattern } from './echo-pattern.ts';
import { trapsOf } from './echo-traps.ts';
import { eventOf } from './own-patterns.ts';
import { pick, seeded, type Random } from './random.ts';
import { BarWays, numberBelow, rulesFor, valuesKnown, type RhythmRules, type RhythmValue } from './rhythm.ts';
import { isSingable, lastPitch, pairs, pitchesOf, turnsAfterLeap } from './singing.ts';

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

export interface EchoSet {
  readonly patterns: readonly EchoPattern[];
  /** Grades for which the class has too few notes, with the reason. */
  readonly missing: readonly { readonly grade: EchoGrade; readonly reason: string }[];
}

export const DEFAULT_PER_GRADE = 3;
const TRIES = 600;
/** Enough candidates to choose by difficulty. */
const CANDIDATES = 12;
/** Between the end of one pattern and the start of the next. */
const WIDEST_LINK = 5;

/** The place of a pattern in its set, by which it is kept: "skip 2". */
export function echoPlace(grade: EchoGrade, index: number): string {
  return `${grade} ${index}`;
}

/**
 * A graded set for one new note: on that note alone; between it and the note nearest under the fingers; by neighbours;
 * with a skip; beginning elsewhere. No two are alike, leaps can be sung, and each ends where the next begins easily.
 * The same request gives the same set.
 */
export function echoPatterns(request: EchoRequest): EchoSet {
  const maker = new EchoMaker(request);
  const patterns: EchoPattern[] = [];
  const missing: { grade: EchoGrade; reason: string }[] = [];
  for (const grade of ECHO_GRADES) {
    const reason = maker.whyNot(grade);
    if (reason !== null) {
      missing.push({ grade, reason });
      continue;
    }
    for (let index = 0; index < request.perGrade; index++) {
      const kept = request.pinned?.get(echoPlace(grade, index));
      const made = kept ?? maker.make(grade, index / request.perGrade, patterns);
      if (made !== null) patterns.push(made);
    }
  }
  return {
    patterns: patterns.map((each, index) => ({ ...each, traps: trapsOf(each, patterns[index - 1], request) })),
    missing,
  };
}

class EchoMaker {
  readonly #request: EchoRequest;
  readonly #ladder: readonly Pitch[];
  readonly #partner: Pitch | null;
  readonly #rhythms: readonly (readonly RhythmValue[])[];
  readonly #random: Random;

  constructor(request: EchoRequest) {
    this.#request = request;
    this.#ladder = request.notes.toSorted(byHeight);
    this.#partner = nearestUnderFingers(request);
    const elements = new Set([...request.elements, 'note quarter']);
    const values = valuesKnown(elements).filter(isShortEnough);
    this.#random = seeded(request.seed);
    this.#rhythms = echoRhythms({ ...rulesFor(ECHO_METRE, elements), values }, this.#random);
  }

  whyNot(grade: EchoGrade): string | null {
    const count = this.#ladder.length;
    if (grade === 'one-note') return null;
    if (count < 2) return 'The class has no other note yet.';
    if (grade === 'two-notes' || grade === 'steps') return null;
    if (count < 3) return 'It takes three notes.';
    return grade === 'skip' && this.#skips().length === 0
      ? 'No two of these notes make a skip that can be sung.'
      : null;
  }

  /** @param level 0 for the plainest of its grade, towards 1 for the fullest. */
  make(grade: EchoGrade, level: number, before: readonly EchoPattern[]): EchoPattern | null {
    const others = [...before, ...(this.#request.pinned?.values() ?? [])];
    const taken = new Set(others.map((each) => contentOf(each.events)));
    const found: { events: readonly TuneEvent[]; weight: number }[] = [];
    for (let attempt = 0; attempt < TRIES && found.length < CANDIDATES; attempt++) {
      const rhythm = pick(this.#random, this.#rhythms);
      const melody = this.#melody(grade, rhythm.filter(({ kind }) => kind === 'note').length, before.at(-1));
      if (melody === null) continue;
      const notes = [...melody];
      const events = rhythm.map((value) => eventOf(value, value.kind === 'note' ? notes.shift()! : null));
      if (taken.has(contentOf(events))) continue;
      taken.add(contentOf(events));
      found.push({ events, weight: this.#weight(events) });
    }
    const chosen = found.toSorted((a, b) => a.weight - b.weight)[Math.floor(level * found.length)];
    return chosen === undefined ? null : { grade, events: chosen.events, traps: [] };
  }

  #melody(grade: EchoGrade, length: number, before: EchoPattern | undefined): readonly Pitch[] | null {
    const { newNote } = this.#request;
    if (grade === 'one-note') return Array.from({ length }, () => newNote);
    const notes = grade === 'two-notes' ? [this.#partner!, newNote] : this.#ladder;
    const usual = [newNote, this.#partner!];
    const starts =
      grade === 'elsewhere' ? notes.filter((each) => !usual.some((other) => samePitch(each, other))) : usual;
    const linked = starts.filter((each) => before === undefined || isEasyLink(lastPitch(before.events), each));
    const melody = [pick(this.#random, linked.length > 0 ? linked : starts)];
    while (melody.length < length) melody.push(pick(this.#random, this.#after(grade, melody.at(-1)!, notes)));
    return this.#fits(grade, melody) ? melody : null;
  }

  /** Where the melody may go from a note. */
  #after(grade: EchoGrade, from: Pitch, notes: readonly Pitch[]): readonly Pitch[] {
    if (grade === 'two-notes') return notes;
    const reach = grade === 'steps' ? 1 : this.#ladder.length;
    const place = this.#placeOf(from);
    return notes.filter((to) => Math.abs(this.#placeOf(to) - place) <= reach && isSingable(from, to));
  }

  #fits(grade: EchoGrade, melody: readonly Pitch[]): boolean {
    if (!melody.some((each) => samePitch(each, this.#request.newNote))) return false;
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
    return this.#ladder.findIndex((each) => samePitch(each, p));
  }

  #skips(): readonly (readonly [Pitch, Pitch])[] {
    return this.#ladder.flatMap((a, from) =>
      this.#ladder.slice(from + 2).flatMap((b) => (isSingable(a, b) ? [[a, b] as const] : [])),
    );
  }

  /** Moves, values and silences of a pattern in one number, to order the patterns of a grade. */
  #weight(events: readonly TuneEvent[]): number {
    const moves = pairs(pitchesOf(events)).map(([a, b]) => moveBetween(this.#request.on, a, b)?.cost ?? 0);
    const kinds = new Set(events.map((each) => `${each.kind} ${each.value.base} ${each.value.dots}`)).size;
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

/** Four beats that begin with a note, have two to six of them, and end with room to breathe. */
function isPattern(rhythm: readonly RhythmValue[]): boolean {
  const notes = rhythm.filter(({ kind }) => kind === 'note').length;
  const rests = rhythm.length - notes;
  const endsLong = valueLength(rhythm.at(-1)!.value).den <= 4;
  return rhythm[0]!.kind === 'note' && notes >= 2 && notes <= 6 && rests <= 1 && endsLong;
}

/** A semibreve is no pattern. */
function isShortEnough({ value }: RhythmValue): boolean {
  return valueLength(value).num / valueLength(value).den <= 0.75;
}

function nearestUnderFingers({ on, notes, newNote }: EchoRequest): Pitch | null {
  const cost = (p: Pitch): number => moveBetween(on, newNote, p)?.cost ?? Infinity;
  const others = notes.filter((each) => !samePitch(each, newNote) && isSingable(newNote, each));
  return (others.length > 0 ? others : notes).toSorted((a, b) => cost(a) - cost(b))[0] ?? null;
}

function isEasyLink(from: Pitch, to: Pitch): boolean {
  return Math.abs(midiNumber(from) - midiNumber(to)) <= WIDEST_LINK;
}
