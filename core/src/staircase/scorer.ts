import {
  AGAIN_WITHIN,
  AGAINST,
  ENOUGH_NOTES,
  fromMiddle,
  HARD_MOVE,
  LITTLE_DOWN,
  objectiveOf,
  PARTS,
  totalOf,
  type Against,
  type Objective,
  type Pin,
  type StaircaseRules,
} from './objective.ts';
import type { TuneProfile } from './profile.ts';
import { riseTotal, toTenths } from './rise.ts';

/** A tune as numbers: things to know have one numbering, notes, rhythm, signs and moves alike. */
interface Compiled {
  readonly notes: readonly { readonly id: number; readonly struck: number }[];
  readonly noteIds: ReadonlySet<number>;
  readonly elements: readonly number[];
  readonly signs: readonly number[];
  readonly moves: readonly {
    readonly id: number;
    readonly cost: number;
    readonly from: number;
    readonly to: number;
  }[];
  readonly metre: number;
  readonly key: number;
  /** How hard the tune is by itself, in points of rise. */
  readonly height: number;
  /** A bit for each mood. */
  readonly moods: number;
  readonly unplayable: number;
}

interface CompiledPin {
  readonly pin: Pin;
  /** Index of its tune, −1 for one that is not there. */
  readonly tune: number;
  readonly then: number;
}

/** Some steps from the first up, and what counts against them so far. */
export class PartialStaircase {
  readonly tunes: number[] = [];
  readonly rises: number[] = [];
  /** Things that are known by their numbers. */
  readonly known: Uint8Array;
  readonly counts = new Float64Array(PARTS.length);
  /** What counts so far, without what only the whole can tell: it can only grow. */
  points = 0;
  /** New notes that have not come again, with the steps that are left to them. */
  waiting: { readonly id: number; readonly left: number }[] = [];
  /** Steps without anything new, in a row, to the last one. */
  quiet = 0;
  /** Notes of the order that are known. */
  reached: number;
  /** Notes that are known at all. */
  learned: number;

  constructor(known: Uint8Array, reached: number, learned: number) {
    this.known = known;
    this.reached = reached;
    this.learned = learned;
  }

  copy(): PartialStaircase {
    const partial = new PartialStaircase(this.known.slice(), this.reached, this.learned);
    partial.become(this);
    return partial;
  }

  /** Takes over all of another partial of the same scorer. */
  become(other: PartialStaircase): void {
    this.known.set(other.known);
    this.counts.set(other.counts);
    this.tunes.length = 0;
    this.rises.length = 0;
    for (let step = 0; step < other.tunes.length; step++) {
      this.tunes.push(other.tunes[step]!);
      this.rises.push(other.rises[step]!);
    }
    this.points = other.points;
    this.waiting = other.waiting;
    this.quiet = other.quiet;
    this.reached = other.reached;
    this.learned = other.learned;
  }

  count(part: Against, much: number): void {
    this.counts[PLACE[part]]! += much;
    this.points += AGAINST[part] * much;
  }
}

const PLACE = Object.fromEntries(PARTS.map((part, place) => [part, place])) as Readonly<Record<Against, number>>;

/** Tunes and rules as numbers, so that many thousand staircases can be weighed in a second. */
export class StaircaseScorer {
  readonly #tunes: readonly Compiled[];
  readonly #start: PartialStaircase;
  /** For each note its place in the order, −1 outside of it. */
  readonly #places: Int16Array;
  readonly #order: readonly number[];
  readonly #pins: readonly CompiledPin[];
  readonly #steps: number;
  readonly #knowsNotes: boolean;

  constructor(tunes: readonly TuneProfile[], { order, knows, pins, steps }: StaircaseRules) {
    const numbers = new Map<string, number>();
    const idOf = (kind: string, name: string): number => {
      const key = `${kind} ${name}`;
      const id = numbers.get(key) ?? numbers.size;
      numbers.set(key, id);
      return id;
    };
    this.#order = order.map((name) => idOf('note', name));
    const looks = new Map<string, number>();
    const lookOf = (look: string): number => {
      const id = looks.get(look) ?? looks.size;
      looks.set(look, id);
      return id;
    };
    const moods = moodBits(tunes);
    this.#tunes = tunes.map((tune) => ({
      ...compiled(tune, idOf),
      metre: lookOf(tune.metre),
      key: lookOf(tune.key),
      moods: tune.moods.reduce((bits, mood) => bits | (moods.get(mood) ?? 0), 0),
    }));
    const known = [
      ...[...knows.notes].map((name) => idOf('note', name)),
      ...[...knows.elements].map((name) => idOf('element', name)),
      ...[...knows.signs].map((name) => idOf('sign', name)),
      ...[...knows.moves].map((name) => idOf('move', name)),
    ];
    const flags = new Uint8Array(numbers.size);
    for (const id of known) flags[id] = 1;
    this.#start = new PartialStaircase(flags, this.#order.filter((id) => flags[id] === 1).length, knows.notes.size);
    this.#places = new Int16Array(numbers.size).fill(-1);
    for (const [place, id] of this.#order.entries()) this.#places[id] = place;
    const placeOf = (id: string): number => tunes.findIndex((tune) => tune.id === id);
    this.#pins = pins.map((pin) => ({
      pin,
      tune: placeOf(pin.tune),
      then: pin.kind === 'before' ? placeOf(pin.then) : -1,
    }));
    this.#steps = steps;
    this.#knowsNotes = knows.notes.size > 0;
  }

  get size(): number {
    return this.#tunes.length;
  }

  start(): PartialStaircase {
    return this.#start.copy();
  }

  /** Goes on with a tune, by its index; counts all against it but what only the whole can tell. */
  add(partial: PartialStaircase, index: number): void {
    const tune = this.#tunes[index]!;
    const newNotes = newOf(tune, partial.known);
    if (newNotes.length > 0) this.#countNotes(partial, newNotes);
    this.#countVariety(partial, tune);
    this.#countWayDown(partial, tune);
    this.#wait(partial, tune, newNotes);
    this.#learn(partial, tune, newNotes);
    partial.tunes.push(index);
  }

  /** What counts against a whole staircase, in points; the same as the total of `weigh`. */
  total(partial: PartialStaircase): number {
    return totalOf(this.#wholeCounts(partial));
  }

  weigh(partial: PartialStaircase): Objective {
    return objectiveOf(this.#wholeCounts(partial));
  }

  partialOf(list: readonly number[], partial = this.start()): PartialStaircase {
    partial.become(this.#start);
    for (const index of list) this.add(partial, index);
    return partial;
  }

  /** Whether all notes of a tune are known or in the order, and on the instrument. */
  fits(index: number): boolean {
    const { notes, unplayable } = this.#tunes[index]!;
    if (unplayable > 0) return false;
    return this.#order.length === 0 || notes.every(({ id }) => this.#start.known[id] === 1 || this.#places[id]! >= 0);
  }

  isPlayable(index: number): boolean {
    return this.#tunes[index]!.unplayable === 0;
  }

  #countNotes(partial: PartialStaircase, newNotes: Compiled['notes']): void {
    if (newNotes.length > 1)
      partial.count(this.#isVeryFirst(partial) ? 'twoNotes' : 'twoNotesLater', newNotes.length - 1);
    for (const { id, struck } of newNotes) {
      if (struck === 1) partial.count('once', 1);
      if (this.#order.length === 0) continue;
      const place = this.#places[id]!;
      if (place < 0) partial.count('outside', 1);
      else partial.reached += 1;
      for (let before = 0; before < place; before++) {
        const other = this.#order[before]!;
        if (partial.known[other] === 0 && !newNotes.some((note) => note.id === other)) partial.count('order', 1);
      }
    }
  }

  #countVariety(partial: PartialStaircase, tune: Compiled): void {
    const [last, before] = [partial.tunes.at(-1), partial.tunes.at(-2)];
    if (last === undefined || before === undefined) return;
    const [one, two] = [this.#tunes[last]!, this.#tunes[before]!];
    if (one.metre === tune.metre && two.metre === tune.metre) partial.count('metre', 1);
    if (one.key === tune.key && two.key === tune.key) partial.count('key', 1);
    if ((tune.moods & one.moods & two.moods) !== 0) partial.count('mood', 1);
  }

  /** A step that leaves out most of what was learned, or is easier than the one before, leads down. */
  #countWayDown(partial: PartialStaircase, tune: Compiled): void {
    const enough = Math.min(ENOUGH_NOTES, Math.ceil(partial.learned / 2));
    if (tune.notes.length < enough) partial.count('leaves', enough - tune.notes.length);
    const last = partial.tunes.at(-1);
    const down = last === undefined ? 0 : this.#tunes[last]!.height - tune.height - LITTLE_DOWN;
    if (down > 0) partial.count('stepsDown', toTenths(down));
  }

  /** Whether the next tune is the very first of beginners. */
  #isVeryFirst(partial: PartialStaircase): boolean {
    return partial.tunes.length === 0 && !this.#knowsNotes;
  }

  #wait(partial: PartialStaircase, tune: Compiled, newNotes: Compiled['notes']): void {
    if (newNotes.length === 0 && partial.waiting.length === 0) return;
    const waiting = newNotes.map(({ id }) => ({ id, left: AGAIN_WITHIN }));
    for (const { id, left } of partial.waiting) {
      if (tune.noteIds.has(id)) continue;
      if (left === 1) partial.count('notAgain', 1);
      else waiting.push({ id, left: left - 1 });
    }
    partial.waiting = waiting;
  }

  /** Marks all of a tune as known and counts what is new in it. */
  #learn(partial: PartialStaircase, tune: Compiled, newNotes: Compiled['notes']): void {
    const { known } = partial;
    let moveCosts = 0;
    for (const { id, cost, from, to } of tune.moves) {
      if (known[id] === 1) continue;
      known[id] = 1;
      moveCosts += cost;
      if (cost >= HARD_MOVE && (known[from] === 0 || known[to] === 0)) partial.count('hardMove', 1);
    }
    const elements = learn(known, tune.elements);
    const signs = learn(known, tune.signs);
    for (const { id } of newNotes) known[id] = 1;
    partial.learned += newNotes.length;
    const things = newNotes.length + elements + signs;
    if (things > 1) partial.count('crowded', things - 1);
    if (newNotes.length > 0 && elements > 0 && !this.#isVeryFirst(partial)) partial.count('noteAndRhythm', 1);
    partial.quiet = things === 0 ? partial.quiet + 1 : 0;
    if (partial.quiet > 2) partial.count('idle', 1);
    partial.count('refused', tune.unplayable);
    partial.rises.push(riseTotal(newNotes.length, moveCosts, elements, signs));
  }

  #wholeCounts(partial: PartialStaircase): Float64Array {
    const counts = partial.counts.slice();
    counts[PLACE.uneven] = fromMiddle(partial.rises);
    counts[PLACE.missing] = this.#order.length - partial.reached;
    // A note of the last step has no step to come again in.
    counts[PLACE.notAgain]! += partial.waiting.filter(({ left }) => left < AGAIN_WITHIN).length;
    counts[PLACE.refused]! += this.#refusedPins(partial.tunes) + Math.max(0, this.#steps - partial.tunes.length);
    return counts;
  }

  #refusedPins(tunes: readonly number[]): number {
    return this.#pins.reduce((sum, pin) => sum + refusals(pin, tunes), 0);
  }
}

/** How much of a wish is not met. */
function refusals({ pin, tune, then }: CompiledPin, tunes: readonly number[]): number {
  const at = tunes.indexOf(tune);
  switch (pin.kind) {
    case 'at':
      return Number(at !== pin.step - 1);
    case 'by':
      return Number(at < 0 || at >= pin.step);
    case 'never':
      return Number(at >= 0);
    case 'before': {
      const other = tunes.indexOf(then);
      return Number(at < 0) + Number(other < 0) + Number(at >= 0 && other >= 0 && at >= other);
    }
  }
}

/** Marks things as known. @returns how many were not. */
function learn(known: Uint8Array, ids: readonly number[]): number {
  let found = 0;
  for (const id of ids) {
    if (known[id] === 0) found += 1;
    known[id] = 1;
  }
  return found;
}

const NO_NOTES: Compiled['notes'] = [];

function newOf(tune: Compiled, known: Uint8Array): Compiled['notes'] {
  let found: Compiled['notes'][number][] | null = null;
  for (const note of tune.notes) if (known[note.id] === 0) (found ??= []).push(note);
  return found ?? NO_NOTES;
}

/** A bit for each of the moods that are most frequent; a rarer one makes no two tunes alike. */
function moodBits(tunes: readonly TuneProfile[]): ReadonlyMap<string, number> {
  const counts = new Map<string, number>();
  for (const mood of tunes.flatMap((tune) => tune.moods)) counts.set(mood, (counts.get(mood) ?? 0) + 1);
  const frequent = [...counts]
    .filter(([, count]) => count > 2)
    .toSorted((a, b) => b[1] - a[1] || (a[0] < b[0] ? -1 : 1));
  return new Map(frequent.slice(0, 31).map(([mood], place) => [mood, 1 << place]));
}

function compiled(
  tune: TuneProfile,
  idOf: (kind: string, name: string) => number,
): Omit<Compiled, 'metre' | 'key' | 'moods'> {
  const notes = tune.notes.map(({ name, count }) => ({ id: idOf('note', name), struck: count }));
  return {
    notes,
    noteIds: new Set(notes.map((note) => note.id)),
    elements: tune.elements.map((name) => idOf('element', name)),
    signs: tune.signs.map((name) => idOf('sign', name)),
    moves: tune.moves.map(({ key, cost }) => {
      const [from, to] = key.split('>');
      return { id: idOf('move', key), cost, from: idOf('note', from!), to: idOf('note', to!) };
    }),
    height: riseTotal(
      notes.length,
      tune.moves.reduce((sum, move) => sum + move.cost, 0),
      tune.elements.length,
      tune.signs.length,
    ),
    unplayable: tune.unplayable.length,
  };
}
