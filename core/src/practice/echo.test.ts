import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { instrument } from '../instruments/index.ts';
import {
  equal,
  eventsLength,
  midiNumber,
  pitch,
  pitchName,
  rational,
  samePitch,
  toNumber,
  valueLength,
  type Pitch,
} from '../music/index.ts';
import {
  ECHO_GRADES,
  echoPatterns,
  echoPlace,
  echoSheet,
  echoTurns,
  plainValue,
  type EchoPattern,
  type EchoRequest,
} from './index.ts';
import { contentOf } from './echo-pattern.ts';
import { isSingable, pairs, pitchesOf } from './singing.ts';

const recorder = instrument('soprano-recorder-baroque');
const ELEMENTS = new Set(['note quarter', 'note half', 'note eighth', 'rest quarter']);

function request(notes: string, newNote: string, more: Partial<EchoRequest> = {}): EchoRequest {
  return {
    on: recorder,
    notes: notes.split(' ').map(pitch),
    newNote: pitch(newNote),
    elements: ELEMENTS,
    perGrade: 3,
    seed: 7,
    ...more,
  };
}

function ofGrade(patterns: readonly EchoPattern[], grade: EchoPattern['grade']): readonly (readonly Pitch[])[] {
  return patterns.filter((pattern) => pattern.grade === grade).map((pattern) => pitchesOf(pattern.events));
}

describe('echo patterns', () => {
  const { patterns, missing } = echoPatterns(request('B4 A4 G4 E4', 'E4'));

  it('come in five grades, three of each', () => {
    expect(missing).toEqual([]);
    expect(patterns.map((pattern) => pattern.grade)).toEqual(ECHO_GRADES.flatMap((grade) => [grade, grade, grade]));
  });

  it('go from the note alone to a beginning elsewhere', () => {
    const names = (melody: readonly Pitch[]): Set<string> => new Set(melody.map(pitchName));
    for (const melody of ofGrade(patterns, 'one-note')) expect(names(melody)).toEqual(new Set(['E4']));
    for (const melody of ofGrade(patterns, 'two-notes')) expect(names(melody)).toEqual(new Set(['E4', 'G4']));
    const ladder = ['E4', 'G4', 'A4', 'B4'];
    const jumps = (melody: readonly Pitch[]): number =>
      pairs(melody).filter(([a, b]) => Math.abs(ladder.indexOf(pitchName(a)) - ladder.indexOf(pitchName(b))) > 1)
        .length;
    for (const melody of ofGrade(patterns, 'steps')) expect(jumps(melody)).toBe(0);
    for (const melody of ofGrade(patterns, 'skip')) expect(jumps(melody)).toBe(1);
    for (const melody of ofGrade(patterns, 'elsewhere')) expect(['A4', 'B4']).toContain(pitchName(melody[0]!));
  });

  it('move in crotchets until they begin elsewhere, sit on the beats, and come home in one of three at least', () => {
    for (const seed of [1, 2, 3, 4, 5]) {
      const set = echoPatterns(request('B4 A4 G4 E4', 'E4', { seed })).patterns;
      const last = set.map((pattern) => pitchesOf(pattern.events).at(-1)!);
      expect(last.filter((pitch) => pitch.letter === 'G').length).toBeGreaterThanOrEqual(set.length / 3);
      for (const { grade, events } of set) {
        let beat = 0;
        for (const [index, { kind, value }] of events.entries()) {
          const beats = toNumber(valueLength(value)) * 4;
          if (beats > 1) expect(beat % 2).toBe(0);
          beat += beats;
          const [here, next] = [events[index]!, events[index + 1]];
          const isMove =
            kind === 'note' && next?.kind === 'note' && here.kind === 'note' && !samePitch(here.pitch, next.pitch);
          if (isMove && grade !== 'elsewhere') expect(beats).toBeGreaterThanOrEqual(1);
        }
      }
    }
  });

  it('name their traps', () => {
    const elsewhere = patterns.find((pattern) => pattern.grade === 'elsewhere')!;
    expect(elsewhere.traps[0]).toMatchObject({ kind: 'start', not: pitch('E4') });
    const traps = patterns.flatMap((pattern) => pattern.traps);
    expect(traps.some((trap) => trap.kind === 'move' && trap.move.bothHands)).toBe(true);
    expect(traps.filter(({ kind }) => kind === 'repeated').length).toBeLessThanOrEqual(1);
  });

  it('are the same for the same seed and others for another', () => {
    expect(echoPatterns(request('B4 A4 G4 E4', 'E4')).patterns).toEqual(patterns);
    expect(echoPatterns(request('B4 A4 G4 E4', 'E4', { seed: 8 })).patterns).not.toEqual(patterns);
  });

  it('keep what the teacher has pinned when the rest is shuffled', () => {
    const pinned = patterns[4]!;
    const pinnedAt = new Map([[echoPlace('two-notes', 1), pinned]]);
    const shuffled = echoPatterns(request('B4 A4 G4 E4', 'E4', { seed: 99, pinned: pinnedAt })).patterns;
    expect(shuffled[4]!.events).toEqual(pinned.events);
    expect(new Set(shuffled.map((pattern) => contentOf(pattern.events))).size).toBe(shuffled.length);
  });

  it('say why a grade is missing', () => {
    const first = echoPatterns(request('B4', 'B4'));
    expect(first.patterns.map((pattern) => pattern.grade)).toEqual(['one-note', 'one-note', 'one-note']);
    expect(first.missing.map((each) => each.reason)[0]).toBe('no-other-note');
    const second = echoPatterns(request('B4 A4', 'A4'));
    expect(second.missing.map((each) => each.grade)).toEqual(['skip', 'elsewhere']);
  });

  it('take crotchets when the class knows no rhythm yet', () => {
    const plain = echoPatterns(request('B4 A4 G4', 'G4', { elements: new Set() })).patterns;
    expect(plain.flatMap((pattern) => pattern.events).every((event) => event.value.base === 'quarter')).toBe(true);
  });

  it('stand on one sheet, a bar each', () => {
    const sheet = echoSheet(patterns, 'Echo');
    expect(sheet.bars).toHaveLength(15);
    expect(sheet.bars[3]!.lineEnd).toBe(true);
  });

  it('are played twice each, then read alone once', () => {
    expect(echoTurns([0, 1], false).map((turn) => `${turn.pattern} ${turn.who}`)).toEqual([
      '0 teacher',
      '0 class',
      '0 teacher',
      '0 class',
      '1 teacher',
      '1 class',
      '1 teacher',
      '1 class',
    ]);
    expect(echoTurns([0, 1], true).map((turn) => turn.who)).toEqual(['class', 'class']);
  });

  const sets = [
    'B4 A4',
    'B4 A4 G4',
    'B4 A4 G4 E4',
    'B4 A4 G4 E4 D4',
    'B4 A4 G4 C5 D5',
    'E4 F#4 G4 A4 B4',
    'G4 A4 Bb4 C5',
  ];
  it('hold for every set of notes, rhythm and seed: four beats, singable, linked, the new note in each, no two alike', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...sets),
        fc.nat(20),
        fc.nat(1000),
        fc.subarray([...ELEMENTS, 'note dotted-quarter', 'note sixteenth', 'rest half']),
        (notes, which, seed, elements) => {
          const names = notes.split(' ');
          const newNote = names[which % names.length]!;
          const set = echoPatterns(request(notes, newNote, { seed, elements: new Set(elements), perGrade: 2 }));
          const known = new Set([...elements, 'note quarter']);
          for (const [index, { events, grade }] of set.patterns.entries()) {
            const melody = pitchesOf(events);
            expect(equal(eventsLength(events), rational(1))).toBe(true);
            expect(melody.some((each) => samePitch(each, pitch(newNote)))).toBe(true);
            if (grade !== 'two-notes') expect(pairs(melody).every(([a, b]) => isSingable(a, b))).toBe(true);
            for (const { kind, value } of events)
              expect(known).toContain(`${kind} ${value.dots > 0 ? 'dotted-' : ''}${value.base}`);
            const before = set.patterns[index - 1];
            if (before === undefined || grade === 'elsewhere') continue;
            const link = midiNumber(melody[0]!) - midiNumber(pitchesOf(before.events).at(-1)!);
            expect(Math.abs(link)).toBeLessThanOrEqual(5);
          }
          const contents = set.patterns.map((pattern) => contentOf(pattern.events));
          expect(new Set(contents).size).toBe(contents.length);
        },
      ),
      { numRuns: 25 },
    );
  });

  it('are as many as there are, where a set has too few for all', () => {
    const few = echoPatterns(request('B4 A4', 'A4', { elements: new Set(), perGrade: 12 }));
    expect(few.patterns.filter((pattern) => pattern.grade === 'one-note')).toHaveLength(1);
    expect(few.patterns[0]!.events.map((event) => event.value)).toEqual(Array(4).fill(plainValue('quarter')));
  });
});
