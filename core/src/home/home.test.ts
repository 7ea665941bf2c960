import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { instrument, primaryFingering } from '../instruments/index.ts';
import { pitch, pitchName } from '../music/index.ts';
import { seeded } from '../practice/index.ts';
import { NOTHING_KNOWN, type Knowledge } from '../reading/index.ts';
import { GOOSE_WALK, MILLPOND, tuneOf } from '../testing/index.ts';
import {
  answered,
  DOOR_WORDS,
  doorWords,
  FIRST_DAY,
  isFingering,
  MOST_PICTURE_NAMES,
  movedOn,
  nextCard,
  noteCards,
  pictureName,
  readDoorWords,
  tapped,
  tenMinutes,
  type HomeFacts,
  type HomePart,
  type HomePartKind,
} from './index.ts';

const ON = instrument('soprano-recorder-baroque');
const BAG: Knowledge = { ...NOTHING_KNOWN, notes: new Set(['G4', 'A4', 'B4']), elements: new Set(['note quarter']) };
const LANTERNS = tuneOf(
  ['X:1', 'T:Three Lanterns', 'M:4/4', 'L:1/4', 'Q:1/4=80', 'K:G', 'B A G2|B A G2|G A B2|B A G2|]'].join('\n'),
);

const facts = (more: Partial<HomeFacts> = {}): HomeFacts => ({
  on: ON,
  now: 1,
  known: BAG,
  chunkBeats: 4,
  task: null,
  progress: FIRST_DAY,
  loved: [],
  day: 3,
  tunes: [
    { tune: LANTERNS, passed: true },
    { tune: GOOSE_WALK, passed: false },
    { tune: MILLPOND, passed: false },
  ],
  ...more,
});
const kinds = (parts: readonly HomePart[]): readonly string[] => parts.map(({ kind, minutes }) => `${kind} ${minutes}`);
const part = <Kind extends HomePartKind>(parts: readonly HomePart[], kind: Kind) =>
  parts.find((part): part is Extract<HomePart, { kind: Kind }> => part.kind === kind)!;

describe('ten minutes', () => {
  it('warm up, the hard move, the next piece, the whole tune and an old one', () => {
    const parts = tenMinutes(facts());
    expect(kinds(parts)).toEqual(['warm-up 2', 'hard-spot 2', 'piece 3', 'whole 2', 'old 1']);
    expect(part(parts, 'hard-spot').hardest).toMatchObject({ from: 'A4', to: 'E4' });
    expect(part(parts, 'piece').chunk.bars).toEqual([1, 1]);
    expect(part(parts, 'old').tune).toBe(0);
  });

  it('warm up with the newest note, and only with notes that are known', () => {
    const { patterns } = part(tenMinutes(facts()), 'warm-up');
    const notes = patterns.flatMap(({ events }) =>
      events.flatMap((event) => (event.kind === 'note' ? [pitchName(event.pitch)] : [])),
    );
    expect(notes).toContain('E4');
    expect(new Set([...notes, 'E4', 'G4', 'A4', 'B4'])).toEqual(new Set(['E4', 'G4', 'A4', 'B4']));
  });

  it('take one more note each time for the hard move, at a tempo that works', () => {
    const spot = part(tenMinutes(facts()), 'hard-spot');
    const names = spot.sheet.parts[0].bars
      .flat()
      .flatMap((event) => (event.kind === 'note' ? [pitchName(event.pitch)] : []));
    expect(names.slice(0, 2)).toEqual(['A4', 'E4']);
    expect(names.slice(2, 4)).toEqual(['A4', 'E4']);
    expect(spot.tempo).toBeLessThan(84);
  });

  it('go on by "More", not beyond the last piece and the tune’s own tempo', () => {
    let progress = FIRST_DAY;
    const seen: string[] = [];
    for (let times = 0; times < 16; times++) {
      const parts = tenMinutes(facts({ progress }));
      seen.push(part(parts, 'piece').chunk.bars.join('-'));
      for (const part of parts) progress = movedOn(progress, part);
    }
    expect(seen.slice(0, 3)).toEqual(['1-1', '1-2', '3-3']);
    expect(seen.at(-1)).toBe(seen.at(-2));
    expect(part(tenMinutes(facts({ progress })), 'whole').tempo).toBe(84);
    expect(movedOn(progress, part(tenMinutes(facts()), 'old'))).toEqual(progress);
  });

  it('have what the teacher set in place of the piece', () => {
    const parts = tenMinutes(facts({ task: { tune: 1, bars: [5, 8], tempo: 60 } }));
    expect(kinds(parts)).toEqual(['warm-up 2', 'hard-spot 2', 'task 3', 'whole 2', 'old 1']);
    expect(part(parts, 'task')).toMatchObject({ bars: [5, 8], tempo: 60 });
  });

  it('bring a tune that is liked, and without any the others by turns', () => {
    const three = facts({ now: 2, tunes: facts().tunes.map((tune) => ({ ...tune, passed: true })) });
    expect([0, 1, 2].map((day) => part(tenMinutes({ ...three, day }), 'old').tune)).toEqual([0, 1, 0]);
    expect(part(tenMinutes({ ...three, loved: [1] }), 'old')).toMatchObject({ tune: 1, isLoved: true });
  });

  it('are ten whatever is missing, and the same for the same day', () => {
    fc.assert(
      fc.property(fc.nat(30), fc.nat(2), fc.nat(20), fc.boolean(), (day, now, piece, brings) => {
        const asked = facts({
          day,
          now,
          progress: { piece, rung: piece % 7 },
          ...(brings ? {} : { known: NOTHING_KNOWN }),
        });
        const parts = tenMinutes(asked);
        expect(parts.reduce((sum, { minutes }) => sum + minutes, 0)).toBe(10);
        expect(tenMinutes(asked)).toEqual(parts);
      }),
      { numRuns: 12 },
    );
    expect(kinds(tenMinutes(facts({ now: 0, known: NOTHING_KNOWN })))).not.toContain('old 1');
  });
});

describe('one minute of notes', () => {
  it('asks for what was missed soon, and for what is known later each time', () => {
    const random = seeded(5);
    let cards = noteCards(['G4', 'A4', 'B4', 'E4']);
    const asked: string[] = [];
    let last: string | null = null;
    for (let turn = 0; turn < 40; turn++) {
      const { note } = nextCard(cards, turn, last, random);
      expect(note).not.toBe(last);
      asked.push(note);
      cards = answered(cards, turn, { note, isRight: note !== 'E4', seconds: 2 });
      last = note;
    }
    const count = (note: string): number => asked.filter((each) => each === note).length;
    expect(count('E4')).toBeGreaterThan(2 * count('G4'));
    expect(new Set(asked).size).toBe(4);
  });

  it('keeps a note where it is when the answer took long, and remembers the device’s boxes', () => {
    const cards = noteCards(['G4', 'A4'], [{ note: 'G4', box: 2, due: 9 }]);
    expect(cards).toEqual([
      { note: 'G4', box: 2, due: 0 },
      { note: 'A4', box: 0, due: 0 },
    ]);
    expect(answered(cards, 0, { note: 'G4', isRight: true, seconds: 20 })[0]!.box).toBe(2);
    expect(answered(cards, 0, { note: 'G4', isRight: true, seconds: 2 })[0]!.box).toBe(3);
    expect(answered(cards, 0, { note: 'G4', isRight: false, seconds: 2 })[0]!.box).toBe(0);
  });

  it('takes every fingering of a note, and no other', () => {
    const { holes } = primaryFingering(ON, pitch('F4'))!;
    expect(isFingering(ON, 'F4', holes)).toBe(true);
    expect(isFingering(ON, 'F#4', holes)).toBe(false);
    for (const { pitch: note, holes: covered } of ON.fingerings)
      expect(isFingering(ON, pitchName(note), covered)).toBe(true);
  });
});

describe('tapping along', () => {
  it('says for each note whether the tap was early, late or together', () => {
    const { notes, extra } = tapped([0, 1, 2, 3], [0.02, 0.8, 2.2]);
    expect(notes.map(({ kind }) => kind)).toEqual(['together', 'early', 'late', 'missed']);
    expect(extra).toBe(0);
  });

  it('counts taps that belong to no note', () => {
    expect(tapped([0, 1], [0, 0.5, 1, 1.6])).toMatchObject({ extra: 2 });
    expect(tapped([], [1])).toEqual({ notes: [], extra: 1 });
    expect(tapped([1], [])).toEqual({ notes: [{ kind: 'missed', off: null }], extra: 0 });
  });

  it('matches as many as can be, as near as can be, whatever is tapped', () => {
    const times = fc
      .uniqueArray(fc.nat(40), { maxLength: 7 })
      .map((all) => all.toSorted((a, b) => a - b).map((n) => n / 8));
    fc.assert(
      fc.property(times, times, (onsets, taps) => {
        const { notes, extra } = tapped(onsets, taps);
        const hits = notes.filter(({ off }) => off !== null);
        expect(hits.length + extra).toBe(taps.length);
        expect(hits.length).toBe(mostPairs(onsets, taps));
      }),
    );
  });
});

/** By trying everything: each note its tap within reach, in order. */
function mostPairs(onsets: readonly number[], taps: readonly number[]): number {
  const reach = onsets.map((onset, n) =>
    Math.min(0.3, Math.min(onset - (onsets[n - 1] ?? -Infinity), (onsets[n + 1] ?? Infinity) - onset) / 2),
  );
  const most = (n: number, t: number): number => {
    if (n === onsets.length) return 0;
    let best = most(n + 1, t);
    for (let tap = t; tap < taps.length; tap++)
      if (Math.abs(taps[tap]! - onsets[n]!) <= reach[n]!) best = Math.max(best, 1 + most(n + 1, tap + 1));
    return best;
  };
  return most(0, 0);
}

describe('the words of a door', () => {
  it('are three of a list of short words, each once', () => {
    expect(new Set(DOOR_WORDS).size).toBe(DOOR_WORDS.length);
    expect(DOOR_WORDS.length).toBeGreaterThan(900);
    for (const word of DOOR_WORDS) expect(word).toMatch(/^[a-z]{3,8}$/);
    const random = seeded(1);
    const words = doorWords((sides) => Math.floor(random() * sides));
    expect(readDoorWords(` ${words.toUpperCase().replaceAll(' ', ' - ')}. `)).toBe(words);
  });

  it.each(['', 'otter', 'otter lamp', 'otter lamp lamp lamp', 'otter lamp xyzzy'])('%s are none', (typed) => {
    expect(readDoorWords(typed)).toBeNull();
  });
});

describe('picture names', () => {
  it('are each once, and each animal once as long as they last', () => {
    const random = seeded(2);
    const taken = new Set<string>();
    for (let pupil = 0; pupil < 30; pupil++) taken.add(pictureName(taken, (sides) => Math.floor(random() * sides)));
    expect(taken.size).toBe(30);
    expect(new Set([...taken].map((name) => name.split(' ')[1])).size).toBe(30);
  });

  it('run out at last', () => {
    const taken = new Set<string>();
    for (let pupil = 0; pupil < MOST_PICTURE_NAMES; pupil++) taken.add(pictureName(taken, () => 0));
    expect(taken.size).toBe(MOST_PICTURE_NAMES);
    expect(() => pictureName(taken, () => 0)).toThrow(RangeError);
  });
});
