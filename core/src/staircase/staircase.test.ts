import { describe, expect, it } from 'vitest';
import { readAbc } from '../formats/index.ts';
import { instrument } from '../instruments/index.ts';
import { NOTHING_KNOWN } from '../reading/index.ts';
import {
  BELTS,
  belt,
  findingsOf,
  isBeltId,
  lessonsToTeach,
  newsOfSteps,
  NOTE_ORDERS,
  noteOrdersFor,
  profileOf,
  readSteps,
  type Finding,
} from './index.ts';

const recorder = instrument('soprano-recorder-baroque');

function tune(body: string, head = 'M:4/4\nL:1/4\nK:G') {
  const read = readAbc(`X:1\nT:Test\n${head}\n${body}\n`);
  if (!read.ok) throw new Error(read.error[0]?.message);
  return read.value.tune;
}

describe('readSteps', () => {
  const steps = [[tune('B A G2|G4|]')], [tune('G A B2|G4|]'), tune('B c B2|G4|]')], [tune('B c G2|E4|]')]] as const;
  const [first, both, hands] = readSteps(steps, recorder);

  it('reads each tune for a class that has learned all before it', () => {
    expect(first!.reading.notes.new).toHaveLength(3);
    expect(both!.reading.notes.new).toHaveLength(0);
    expect(hands!.reading.notes.new.map((use) => use.name)).toEqual(['E4']);
  });

  it('counts what all tunes of a step bring, not only the first', () => {
    expect(both!.news.notes).toEqual([{ name: 'C5', count: 1 }]);
    expect(hands!.news.notes).toEqual([{ name: 'E4', count: 1 }]);
  });

  it('rises by the sum of its parts, and a little for a tune that brings nothing else', () => {
    for (const { news } of [first!, both!, hands!]) {
      const sum = news.rise.parts.reduce((total, part) => total + part.points, 0);
      expect(news.rise.total).toBeCloseTo(sum, 5);
    }
    const [, again] = readSteps([[tune('B A G2|G4|]')], [tune('B A G2|G4|]')]], recorder);
    expect(again!.news.rise.total).toBe(1);
  });
});

describe('orders of notes', () => {
  it('name each note once, all of them on the instrument', () => {
    for (const order of NOTE_ORDERS) {
      const on = instrument(order.family === 'recorder' ? 'soprano-recorder-baroque' : 'tin-whistle-d');
      expect(new Set(order.notes).size).toBe(order.notes.length);
      expect(noteOrdersFor(on)).toContain(order);
    }
  });
});

describe('findings', () => {
  const B = 'B B B2|B4|]';
  const A = 'B A B A|A4|]';
  const G = 'B A G2|G A G2|G4|]';
  const kinds = (found: readonly Finding[]): readonly string[] =>
    found.map((finding) => `${finding.step ?? 'all'} ${finding.kind}`);
  const find = (bodies: readonly string[], more: { order?: string[]; lessons?: number[] } = {}): readonly Finding[] =>
    findingsOf({
      steps: bodies.map((body) =>
        body.includes('M:')
          ? profileOf('', tune(body.split('\n').at(-1)!, body.split('\n').slice(0, -1).join('\n')), recorder)
          : profileOf('', tune(body), recorder),
      ),
      order: more.order ?? [],
      knows: NOTHING_KNOWN,
      ...(more.lessons === undefined ? {} : { lessons: more.lessons }),
    });

  it('are none where one new thing comes after another', () => {
    expect(kinds(find([B, A, G], { order: ['B4', 'A4', 'G4'] }))).toEqual([]);
  });

  it.each<[string, string[], string, { order?: string[]; lessons?: number[] }]>([
    ['two new notes at once', [B, G], '2 two-notes', {}],
    ['a note with a rhythm', [B, 'B A/A/ B A|A4|]'], '2 note-and-rhythm', {}],
    ['a note before its turn', [B, 'B G B G|G4|]', G], '2 early-note', { order: ['B4', 'A4', 'G4'] }],
    ['a note outside the order', [B, A], '2 outside-order', { order: ['B4'] }],
    ['a note that comes once', [B, 'B A B2|B4|]', A], '2 note-once', {}],
    ['a note that never comes again', [B, A, B, B], '2 note-lost', {}],
    ['a hard move with a new note', [G, 'A E A E|E4|]'], '2 hard-move', {}],
    ['three steps with nothing new', [G, A, B, B], '4 nothing-new', {}],
    ['a step much higher than its neighbours', [B, B, 'B A G E|D E G d|E4|]', B], '3 steep', {}],
    ['no tune in three', [B, B, B, B, B, B], '1 no-three', {}],
    ['one key', [B, A, G, G], 'all one-key', {}],
    ['a note the instrument does not have', [B, 'B, B, B,2|B,4|]'], '2 not-on-instrument', {}],
    ['too few lessons', [G], '1 too-few-lessons', { lessons: [1] }],
    ['a note of the order that never comes', [B], 'all missing-note', { order: ['B4', 'A4'] }],
  ])('%s', (_, bodies, finding, more) => {
    expect(kinds(find(bodies, more))).toContain(finding);
  });

  it('say where a note comes again, when that is late', () => {
    const [lost] = find([B, A, B, B, A]).filter((finding) => finding.kind === 'note-lost');
    expect(lost).toMatchObject({ step: 2, weight: 'hint', note: 'A4', again: 5 });
  });

  it('count six steps without one in three from where they begin', () => {
    const inThree = 'M:3/4\nL:1/4\nK:G\nB A G|G3|]';
    expect(kinds(find([inThree, G, G, G, G, G, G]))).toContain('2 no-three');
    expect(kinds(find([G, G, G, inThree, G, G, G]))).not.toContain('1 no-three');
  });

  it('ask for lessons by the rise', () => {
    expect([1, 2.5, 5.1, 7].map(lessonsToTeach)).toEqual([1, 1, 2, 3]);
    expect(newsOfSteps([profileOf('', tune(B), recorder)], NOTHING_KNOWN)[0]!.rise.total).toBe(7);
  });
});

describe('belts', () => {
  it('differ in weave as well as in colour', () => {
    expect(new Set(BELTS.map((each) => each.weave)).size).toBe(BELTS.length);
    expect(new Set(BELTS.map((each) => each.ground)).size).toBe(BELTS.length);
    expect(belt('moss').name).toBe('Moss');
    expect(isBeltId('black')).toBe(false);
  });
});
