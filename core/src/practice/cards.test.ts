import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  barLength,
  equal,
  eventsLength,
  nameRhythm,
  pitch,
  pitchName,
  PLAIN_NOTE,
  PLAIN_REST,
  sum,
  valueLength,
  type Metre,
  type TuneEvent,
} from '../music/index.ts';
import {
  barAt,
  barFromTaps,
  countBars,
  missingCards,
  openBar,
  plainValue,
  rhythmCards,
  rulesFor,
  sampleBars,
  seeded,
  valuesKnown,
  type RhythmValue,
} from './index.ts';

const FOUR: Metre = { count: 4, unit: 4 };
const METRES: readonly Metre[] = [
  FOUR,
  { count: 3, unit: 4 },
  { count: 2, unit: 4 },
  { count: 6, unit: 8 },
  { count: 2, unit: 2 },
];
const ALL = [
  'note quarter',
  'note half',
  'note eighth',
  'note dotted-quarter',
  'note sixteenth',
  'note dotted-half',
  'rest quarter',
  'rest eighth',
];

function known(...ids: string[]): ReadonlySet<string> {
  return new Set(ids);
}

function short(bar: readonly RhythmValue[]): string {
  return bar.map(({ kind, value }) => (kind === 'rest' ? 'z' : '') + value.base[0]! + '.'.repeat(value.dots)).join(' ');
}

describe('rhythm cards', () => {
  it('are bars of the metre from what is known, all different, plain ones first', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...METRES),
        fc.subarray(ALL, { minLength: 1 }),
        fc.nat(99),
        (metre, elements, seed) => {
          const cards = rhythmCards({ metre, elements: known(...elements), count: 8, seed });
          for (const card of cards) {
            expect(equal(sum(card.map((value) => valueLength(value.value))), barLength(metre))).toBe(true);
            for (const { kind, value } of card)
              expect(elements).toContain(`${kind} ${value.dots > 0 ? 'dotted-' : ''}${value.base}`);
          }
          expect(new Set(cards.map(short)).size).toBe(cards.length);
          const lengths = cards.map((card) => card.length);
          expect(lengths).toEqual(lengths.toSorted((a, b) => a - b));
        },
      ),
    );
  });

  it('let the beats be seen', () => {
    const all = rhythmCards({
      metre: { count: 2, unit: 4 },
      elements: known('note quarter', 'note eighth'),
      count: 99,
      seed: 1,
    });
    expect(all.map(short).toSorted()).toEqual(['e e e e', 'e e q', 'q e e', 'q q']);
    const syncopated = rhythmCards({
      metre: { count: 2, unit: 4 },
      elements: known('note quarter', 'note eighth', 'syncopation'),
      count: 99,
      seed: 1,
    });
    expect(syncopated.map(short)).toContain('e q e');
    const compound = rhythmCards({
      metre: { count: 6, unit: 8 },
      elements: known('note quarter', 'note eighth'),
      count: 99,
      seed: 1,
    });
    expect(compound.map(short)).toContain('q e e q');
    expect(compound.map(short)).not.toContain('q q q');
  });

  it('can be counted in every school', () => {
    for (const metre of METRES) {
      for (const card of rhythmCards({ metre, elements: known(...ALL), count: 40, seed: 5 })) {
        const events = card.map((value) => barEvent(value));
        for (const school of ['numbers', 'ta', 'beat-function', 'beat-position'] as const) {
          const said = nameRhythm(events, metre, school);
          expect(said).toHaveLength(card.length);
          expect(said.join(' '), `${school}: ${short(card)}`).not.toMatch(/·|undefined/);
        }
      }
    }
  });
});

function barEvent({ kind, value }: RhythmValue): TuneEvent {
  return kind === 'rest' ? { ...PLAIN_REST, value } : { ...PLAIN_NOTE, value, pitch: pitch('B4') };
}

describe('what is missing', () => {
  it('writes the subtraction out, in the lower number of the time signature', () => {
    const [card] = missingCards(
      { metre: FOUR, elements: known('note quarter', 'note eighth', 'note dotted-quarter'), count: 1, seed: 2 },
      'british',
    );
    const there = card!.bar.filter((_, index) => index !== card!.missing);
    expect(card!.sum).toMatch(/^4 - \([\d/ +]+\) = [\d/ ]+$/);
    expect(there.length).toBe(card!.bar.length - 1);
  });

  it('is right for every card', () => {
    fc.assert(
      fc.property(fc.constantFrom(...METRES), fc.nat(500), (metre, seed) => {
        const cards = missingCards({ metre, elements: known(...ALL), count: 6, seed }, 'british');
        for (const { sum: text } of cards) {
          const [, all, there, left] = /^(\S+) - \((.*)\) = (.*)$/.exec(text)!;
          const number = (mixed: string): number =>
            mixed.split(' ').reduce(
              (total, part) =>
                total +
                part
                  .split('/')
                  .map(Number)
                  .reduce((a, b) => a / b),
              0,
            );
          const parts = there!.split(' + ').map(number);
          expect(number(all!) - parts.reduce((a, b) => a + b, 0)).toBeCloseTo(number(left!));
        }
      }),
    );
  });

  it('names the answer as the class says it', () => {
    const request = { metre: FOUR, elements: known('note half', 'rest half'), count: 4, seed: 3 };
    expect(
      missingCards(request, 'british')
        .map((card) => card.answer)
        .join(),
    ).toMatch(/a minim( rest)?/);
    expect(
      missingCards(request, 'american')
        .map((card) => card.answer)
        .join(),
    ).toMatch(/a half (note|rest)/);
  });
});

describe('a pattern of one’s own', () => {
  const source = {
    ...rulesFor(FOUR, known('note quarter', 'note half', 'note eighth', 'rest quarter')),
    pitches: ['B4', 'A4', 'G4'].map(pitch),
  };

  it('counts all bars: two values and one note by hand', () => {
    const small = { ...rulesFor(FOUR, known('note quarter', 'note half')), pitches: [pitch('B4')] };
    expect(countBars(small)).toBe(5n);
    expect(countBars({ ...small, pitches: ['B4', 'A4'].map(pitch) })).toBe(2n ** 4n + 3n * 2n ** 3n + 2n ** 2n);
    expect(countBars({ ...small, values: [] })).toBe(0n);
  });

  it('gives every number a bar of its own', () => {
    const small = {
      ...rulesFor({ count: 2, unit: 4 }, known('note quarter', 'note eighth', 'rest quarter')),
      pitches: ['B4', 'A4'].map(pitch),
    };
    const all = Number(countBars(small));
    const bars = Array.from({ length: all }, (_, number) => barAt(small, BigInt(number)));
    const texts = bars.map((bar) =>
      bar.map((event) => `${event.kind === 'note' ? pitchName(event.pitch) : 'z'}${event.value.base}`).join(' '),
    );
    expect(new Set(texts).size).toBe(all);
    expect(bars.every((bar) => equal(eventsLength(bar), barLength(small.metre)))).toBe(true);
    expect(() => barAt(small, BigInt(all))).toThrow(RangeError);
  });

  it('samples different bars, and all of them when there are fewer', () => {
    expect(sampleBars(source, 20, seeded(3))).toHaveLength(20);
    const tiny = { ...rulesFor(FOUR, known('note half')), pitches: [pitch('B4')] };
    expect(sampleBars(tiny, 20, seeded(3))).toHaveLength(1);
  });

  it('says while it is built what is missing and what still fits', () => {
    const quarter: RhythmValue = { kind: 'note', value: plainValue('quarter') };
    const open = openBar(rulesFor(FOUR, known('note half', 'note quarter', 'note dotted-half')), [quarter]);
    expect(open).toMatchObject({ missingWords: '3', full: false });
    expect(open.choices.map((choice) => short([choice]))).toEqual(['h.', 'h', 'q']);
    const full = openBar(source, [quarter, quarter, quarter, quarter]);
    expect(full).toMatchObject({ full: true, missingWords: '0', choices: [] });
    const halves = openBar(rulesFor({ count: 3, unit: 4 }, known('note half', 'note dotted-half')), []);
    expect(halves.choices.map((choice) => short([choice]))).toEqual(['h.']);
  });

  it('hears a tapped rhythm, unevenly as it may be tapped', () => {
    const rules = rulesFor(FOUR, known('note quarter', 'note half', 'note eighth'));
    const whole = 4 * 0.75;
    const tapped = (...taps: number[]): string =>
      short(
        barFromTaps(
          rules,
          taps.map((beat) => beat * 0.75),
          whole,
        ) ?? [],
      );
    expect(tapped(0, 1.05, 1.93, 3.1)).toBe('q q q q');
    expect(tapped(0, 0.97, 1.56, 2.02)).toBe('q e e h');
    expect(tapped(0, 2.1)).toBe('h h');
    expect(barFromTaps(rules, [0], whole)).toBeNull();
  });

  it('reads the values of a class, longest first, without what is no single value', () => {
    expect(
      short(valuesKnown(known('note eighth', 'tie', 'note half', 'pickup', 'rest quarter', 'note eighth in 3'))),
    ).toBe('h zq e');
  });
});
