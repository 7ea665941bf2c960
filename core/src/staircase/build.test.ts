import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { NOTHING_KNOWN, type Knowledge } from '../reading/index.ts';
import {
  AGAINST,
  alternativesOf,
  builtStaircase,
  checkRules,
  ENOUGH_NOTES,
  HARD_MOVE,
  LITTLE_DOWN,
  newsOfSteps,
  planStaircase,
  scoreStaircase,
  type Pin,
  type StaircaseRules,
  type TuneProfile,
} from './index.ts';

const NOTES = ['B4', 'A4', 'G4', 'E4', 'D4'];

const anyProfile = fc
  .record({
    notes: fc.uniqueArray(
      fc.record({ name: fc.constantFrom(...NOTES, 'F#4', 'C5'), count: fc.integer({ min: 1, max: 4 }) }),
      { minLength: 1, maxLength: 4, selector: (note) => note.name },
    ),
    elements: fc.uniqueArray(fc.constantFrom('half', 'quarter', 'eighth', 'tie'), { maxLength: 3 }),
    metre: fc.constantFrom('4/4', '3/4'),
    key: fc.constantFrom('G major', 'E minor'),
    moods: fc.uniqueArray(fc.constantFrom('calm', 'lively'), { maxLength: 2 }),
    unplayable: fc.constantFrom<readonly string[]>([], [], [], ['C3']),
    cost: fc.constantFrom(1, 2.3, HARD_MOVE, 4),
  })
  .map(({ cost, ...tune }) => ({
    ...tune,
    title: '',
    signs: [`metre ${tune.metre}`],
    moves: tune.notes.slice(1).map((note, index) => ({ key: `${tune.notes[index]!.name}>${note.name}`, cost })),
  }));

const anyLibrary = fc
  .array(anyProfile, { minLength: 1, maxLength: 8 })
  .map((tunes) => tunes.map((tune, index): TuneProfile => ({ ...tune, id: String.fromCharCode(97 + index) })));

const anyRules = (tunes: readonly TuneProfile[]): fc.Arbitrary<StaircaseRules> => {
  const id = fc.constantFrom(...tunes.map((tune) => tune.id));
  const step = fc.integer({ min: 1, max: 5 });
  const pin: fc.Arbitrary<Pin> = fc.oneof(
    fc.record({ kind: fc.constant('at' as const), tune: id, step }),
    fc.record({ kind: fc.constant('by' as const), tune: id, step }),
    fc.record({ kind: fc.constant('never' as const), tune: id }),
    fc.record({ kind: fc.constant('before' as const), tune: id, then: id }),
  );
  return fc.record({
    order: fc.integer({ min: 0, max: NOTES.length }).map((length) => NOTES.slice(0, length)),
    knows: fc.subarray(NOTES).map((notes): Knowledge => ({ ...NOTHING_KNOWN, notes: new Set(notes) })),
    pins: fc.array(pin, { maxLength: 2 }),
    steps: fc.integer({ min: 1, max: 5 }),
  });
};

const anyRequest = anyLibrary.chain((tunes) => anyRules(tunes).map((rules) => ({ tunes, ...rules, seed: 1 })));

/** All staircases of some tunes, fewer than wanted only when there are no more. */
function* lists(ids: readonly string[], steps: number, begun: readonly string[] = []): Generator<readonly string[]> {
  if (begun.length === Math.min(steps, ids.length)) yield begun;
  else for (const id of ids) if (!begun.includes(id)) yield* lists(ids, steps, [...begun, id]);
}

describe('the objective', () => {
  /** Written for reading, not for speed. */
  function slowTotal(tunes: readonly TuneProfile[], rules: StaircaseRules, list: readonly string[]): number {
    const steps = list.map((id) => tunes.find((tune) => tune.id === id)!);
    const news = newsOfSteps(steps, rules.knows);
    const sum = (numbers: readonly number[]): number => numbers.reduce((total, number) => total + number, 0);
    const has = (at: number, name: string): boolean => steps[at]?.notes.some((note) => note.name === name) === true;
    const rises = news.map((step) => step.rise.total);
    const middle = rises.toSorted((a, b) => a - b)[Math.floor(rises.length / 2)] ?? 0;
    const things = news.map((step) => step.notes.length + step.elements.length + step.signs.length);
    const knownAfter = (at: number, name: string): boolean =>
      rules.knows.notes.has(name) || steps.slice(0, at + 1).some((_, place) => has(place, name));
    const alike = (of: (tune: TuneProfile) => string): number =>
      steps.filter((step, at) => at > 1 && of(step) === of(steps[at - 1]!) && of(step) === of(steps[at - 2]!)).length;
    const newNotes = news.flatMap((step, at) => step.notes.map((note) => ({ ...note, at })));
    const frequent = (mood: string): boolean => tunes.filter((tune) => tune.moods.includes(mood)).length > 2;
    const ordered = rules.order.length > 0;
    return sum([
      AGAINST.uneven * sum(rises.map((rise) => Math.abs(rise - middle))),
      AGAINST.crowded * sum(things.map((count) => Math.max(0, count - 1))),
      sum(
        news.map(
          (step, at) =>
            Math.max(0, step.notes.length - 1) *
            (at === 0 && rules.knows.notes.size === 0 ? AGAINST.twoNotes : AGAINST.twoNotesLater),
        ),
      ),
      AGAINST.leaves *
        sum(
          steps.map((step, at) => {
            const known = new Set([
              ...rules.knows.notes,
              ...steps.slice(0, at).flatMap((earlier) => earlier.notes.map((note) => note.name)),
            ]);
            return Math.max(0, Math.min(ENOUGH_NOTES, Math.ceil(known.size / 2)) - step.notes.length);
          }),
        ),
      AGAINST.stepsDown *
        sum(steps.map((step, at) => (at === 0 ? 0 : Math.max(0, alone(steps[at - 1]!) - alone(step) - LITTLE_DOWN)))),
      AGAINST.noteAndRhythm *
        news.filter(
          (step, at) => step.notes.length > 0 && step.elements.length > 0 && (at > 0 || rules.knows.notes.size > 0),
        ).length,
      AGAINST.order *
        sum(
          newNotes.map(({ name, at }) => {
            const before = rules.order.slice(0, Math.max(0, rules.order.indexOf(name)));
            return before.filter((other) => !knownAfter(at, other)).length;
          }),
        ),
      AGAINST.outside * newNotes.filter(({ name }) => ordered && !rules.order.includes(name)).length,
      AGAINST.missing * rules.order.filter((name) => !knownAfter(steps.length - 1, name)).length,
      AGAINST.once * newNotes.filter(({ count }) => count === 1).length,
      AGAINST.notAgain *
        newNotes.filter(({ name, at }) => at < steps.length - 1 && !has(at + 1, name) && !has(at + 2, name)).length,
      AGAINST.hardMove *
        sum(
          news.map(
            (step) =>
              step.moves.filter(
                ({ key, cost }) =>
                  cost >= HARD_MOVE && key.split('>').some((name) => step.notes.some((note) => note.name === name)),
              ).length,
          ),
        ),
      AGAINST.idle *
        things.filter((_, at) => at > 1 && things.slice(at - 2, at + 1).every((count) => count === 0)).length,
      AGAINST.metre * alike((tune) => tune.metre),
      AGAINST.key * alike((tune) => tune.key),
      AGAINST.mood *
        steps.filter(
          (step, at) =>
            at > 1 &&
            step.moods.some(
              (mood) => frequent(mood) && [at - 1, at - 2].every((other) => steps[other]!.moods.includes(mood)),
            ),
        ).length,
      AGAINST.refused *
        (Math.max(0, rules.steps - steps.length) +
          sum(steps.map((step) => step.unplayable.length)) +
          sum(rules.pins.map((pin) => unmet(pin, list)))),
    ]);
  }

  /** The rise of a tune for who knows nothing. */
  const alone = (tune: TuneProfile): number => newsOfSteps([tune], NOTHING_KNOWN)[0]!.rise.total;

  function unmet(pin: Pin, list: readonly string[]): number {
    const at = list.indexOf(pin.tune);
    if (pin.kind === 'at') return at === pin.step - 1 ? 0 : 1;
    if (pin.kind === 'by') return at >= 0 && at < pin.step ? 0 : 1;
    if (pin.kind === 'never') return at < 0 ? 0 : 1;
    const then = list.indexOf(pin.then);
    if (at < 0 || then < 0) return Number(at < 0) + Number(then < 0);
    return at < then ? 0 : 1;
  }

  it('is the sum of what counts, for any list', () => {
    fc.assert(
      fc.property(anyRequest, fc.nat(), ({ tunes, seed: _, ...rules }, shift) => {
        const ids = tunes.map((tune) => tune.id);
        const list = [...ids.slice(shift % ids.length), ...ids.slice(0, shift % ids.length)].slice(0, rules.steps);
        const { total, parts } = scoreStaircase(tunes, rules)(list);
        expect(total).toBeCloseTo(slowTotal(tunes, rules, list), 1);
        expect(total).toBeCloseTo(
          Object.values(parts).reduce((sum, part) => sum + part, 0),
          5,
        );
      }),
      { numRuns: 300 },
    );
  });
});

describe('the builder', () => {
  it('finds the best of all staircases of at most 8 tunes and 5 steps', () => {
    fc.assert(
      fc.property(anyRequest, (request) => {
        const { rules } = checkRules(request.tunes, request);
        const built = builtStaircase({ ...request, ...rules });
        const score = scoreStaircase(request.tunes, rules);
        const isAllowed = (tune: TuneProfile): boolean =>
          tune.unplayable.length === 0 && !rules.pins.some((pin) => pin.kind === 'never' && pin.tune === tune.id);
        const playable = request.tunes.filter(isAllowed).map((tune) => tune.id);
        let best = Infinity;
        for (const list of lists(playable, rules.steps)) best = Math.min(best, score(list).total);
        expect(built.exact).toBe(true);
        expect(built.objective.total).toBe(best);
        expect(score(built.list).total).toBe(best);
      }),
      { numRuns: 40 },
    );
  });

  /** Many tunes, each with a note or two of the order and the notes before it. */
  const many = Array.from({ length: 60 }, (_, index): TuneProfile => {
    const last = index % NOTES.length;
    const notes = NOTES.slice(Math.max(0, last - 2), last + 1);
    return {
      id: `t${index}`,
      title: `Tune ${index}`,
      notes: notes.map((name, place) => ({ name, count: 1 + ((index + place) % 4) })),
      elements: ['quarter', ...(index % 3 === 0 ? ['half'] : []), ...(index % 7 === 0 ? ['eighth'] : [])],
      signs: [`metre ${index % 4 === 0 ? '3/4' : '4/4'}`],
      moves: notes.slice(1).map((name, place) => ({ key: `${notes[place]!}>${name}`, cost: 1 + (index % 3) })),
      metre: index % 4 === 0 ? '3/4' : '4/4',
      key: index % 5 === 0 ? 'E minor' : 'G major',
      moods: [index % 2 === 0 ? 'calm' : 'lively'],
      unplayable: [],
    };
  });
  const rules: StaircaseRules = { order: NOTES, knows: NOTHING_KNOWN, pins: [], steps: 9 };

  it('leaves a large library with nothing that one exchange, swap or move would better', () => {
    const built = builtStaircase({ ...rules, tunes: many, seed: 3 });
    const score = scoreStaircase(many, rules);
    const neighbours = built.list.flatMap((id, at) => [
      ...many.filter((tune) => !built.list.includes(tune.id)).map((tune) => built.list.with(at, tune.id)),
      ...built.list.map((other, place) => built.list.with(at, other).with(place, id)),
      ...built.list.map((_, place) => built.list.toSpliced(at, 1).toSpliced(place, 0, id)),
    ]);
    expect(built.exact).toBe(false);
    expect(Math.min(...neighbours.map((list) => score(list).total))).toBeGreaterThanOrEqual(built.objective.total);
  });

  it('gives the same staircase for the same seed, and says how far it is', () => {
    const work = planStaircase({ ...rules, tunes: many, seed: 5 });
    const shares: number[] = [];
    let next = work.next();
    for (; next.done !== true; next = work.next()) shares.push(next.value);
    expect(shares).toEqual(shares.toSorted((a, b) => a - b));
    expect(shares.at(-1)).toBeLessThanOrEqual(1);
    expect(next.value.steps.map((step) => step.tune)).toEqual(builtStaircase({ ...rules, tunes: many, seed: 5 }).list);
  });

  it('keeps to wishes', () => {
    const pins: Pin[] = [
      { kind: 'at', tune: 't7', step: 3 },
      { kind: 'by', tune: 't20', step: 5 },
      { kind: 'never', tune: 't1' },
      { kind: 'before', tune: 't33', then: 't34' },
    ];
    const { list, objective } = builtStaircase({ ...rules, pins, tunes: many, seed: 1 });
    expect(objective.parts.refused).toBe(0);
    expect(list[2]).toBe('t7');
    expect(list.indexOf('t20')).toBeLessThan(5);
    expect(list).not.toContain('t1');
    expect(list.indexOf('t33')).toBeLessThan(list.indexOf('t34'));
  });

  it('names the next in line for each step, and what they would change', () => {
    const { list, objective } = builtStaircase({ ...rules, tunes: many, seed: 1 });
    const next = alternativesOf({ ...rules, tunes: many }, list, 2);
    const score = scoreStaircase(many, rules);
    for (const [at, [first, second]] of next.entries()) {
      expect(first!.total).toBeLessThanOrEqual(second!.total);
      expect(score(list.with(at, first!.tune)).total).toBe(first!.total);
      expect(first!.total).toBeGreaterThanOrEqual(objective.total);
    }
  });
});

describe('wishes that cannot be met', () => {
  const tune = (id: string, note = 'B4', unplayable: readonly string[] = []): TuneProfile => ({
    id,
    title: id,
    elements: [],
    signs: [],
    moves: [],
    moods: [],
    metre: '4/4',
    key: 'G major',
    notes: [{ name: note, count: 2 }],
    unplayable,
  });
  const tunes = [tune('a'), tune('b'), tune('c'), tune('deep', 'B4', ['C3']), tune('other', 'F4')];
  const problems = (steps: number, ...pins: Pin[]) =>
    checkRules(tunes, { order: ['B4'], knows: NOTHING_KNOWN, pins, steps });

  it.each<[string, string, Pin[]]>([
    ['no such tune', 'unknown-tune', [{ kind: 'at', tune: 'x', step: 1 }]],
    ['no such step', 'no-such-step', [{ kind: 'by', tune: 'a', step: 9 }]],
    ['not on the instrument', 'pinned-unplayable', [{ kind: 'at', tune: 'deep', step: 1 }]],
    [
      'two tunes at one step',
      'contradiction',
      [
        { kind: 'at', tune: 'a', step: 1 },
        { kind: 'at', tune: 'b', step: 1 },
      ],
    ],
    [
      'a tune at two steps',
      'contradiction',
      [
        { kind: 'at', tune: 'a', step: 1 },
        { kind: 'at', tune: 'a', step: 2 },
      ],
    ],
    [
      'never and by',
      'contradiction',
      [
        { kind: 'by', tune: 'a', step: 2 },
        { kind: 'never', tune: 'a' },
      ],
    ],
    [
      'late and by',
      'contradiction',
      [
        { kind: 'at', tune: 'a', step: 3 },
        { kind: 'by', tune: 'a', step: 2 },
      ],
    ],
    [
      'a circle',
      'circle',
      [
        { kind: 'before', tune: 'a', then: 'b' },
        { kind: 'before', tune: 'b', then: 'c' },
        { kind: 'before', tune: 'c', then: 'a' },
      ],
    ],
  ])('%s', (_, kind, pins) => {
    const checked = problems(3, ...pins);
    expect(checked.problems.map((problem) => problem.kind)).toEqual([kind]);
    expect(checked.rules.pins).toEqual(pins.slice(0, -1));
  });

  it('too few tunes: the best of those there are is still shown', () => {
    expect(problems(4).problems).toEqual([{ kind: 'too-few-tunes', fitting: 3, steps: 4 }]);
    const { list } = builtStaircase({
      tunes: tunes.slice(0, 3),
      order: ['B4'],
      knows: NOTHING_KNOWN,
      pins: [],
      steps: 4,
      seed: 1,
    });
    expect(list).toHaveLength(3);
  });
});
