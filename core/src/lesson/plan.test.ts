import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { LESSON_PARTS } from '../calendar/index.ts';
import { instrument } from '../instruments/index.ts';
import { RUNG_IDS, USUAL_LADDER } from '../practice/index.ts';
import { NOTHING_KNOWN } from '../reading/index.ts';
import { GOOSE_WALK } from '../testing/index.ts';
import { hearingReach } from './hearing-ways.ts';
import { lessonStep } from './lesson-step.ts';
import { fitMinutes } from './minutes.ts';
import {
  leaveOut,
  lockBlock,
  moveBlock,
  putIn,
  setMinutes,
  swapBlock,
  usualFrom,
  type PlanChange,
} from './plan-changes.ts';
import { BLOCK_KINDS, isPlayedThrough, planLesson, type LessonFacts, type LessonPlan } from './plan.ts';
import { RUNG_RUNS } from './rungs.ts';
import { tempoRungs } from '../reading/index.ts';
import { tempoWord } from './tempo-word.ts';

const step = {
  position: 3,
  title: 'Goose Walk',
  newNotes: ['E4'],
  knownNotes: ['G4', 'A4', 'B4', 'C5'],
  newElements: [],
  easier: null,
  extra: 'Kite',
  moves: [{ from: 'G4', to: 'E4' }],
  hardSpot: { from: 'G4', to: 'E4', bars: [3, 4] as const, tempi: [60, 66] },
  rungs: USUAL_LADDER,
  rungsDone: [],
};
const facts: LessonFacts = {
  minutes: 40,
  seed: 1,
  part: 'first',
  step,
  usual: null,
  hearingMinutes: 10,
  queue: ['a', 'b', 'c', 'd', 'e', 'f'].map((pupilId) => ({ pupilId, reason: 'waited', seconds: 75, step: 1 })),
  ahead: ['x'],
  behind: ['y'],
  weak: [],
  open: [],
  noteTaught: false,
  playedThrough: true,
  hearsAfterPlaying: true,
  toClean: 0,
  beltsToHand: 2,
};
const line = ({ blocks }: LessonPlan): string => blocks.map(({ kind, minutes }) => `${kind} ${minutes}`).join(', ');
const total = ({ blocks }: LessonPlan): number => blocks.reduce((sum, { minutes }) => sum + minutes, 0);
const value = (change: PlanChange): LessonPlan => {
  if (!change.ok) throw new Error(change.error);
  return change.value;
};

describe('the plan of a lesson', () => {
  it('introduces a note that is due, goes over its moves, and hears as many as fit', () => {
    const plan = planLesson(facts);
    expect(line(plan)).toBe('settle 3, warm-up 5, new-note 8, moves 4, tune 6, hearing 8, together 4, close 2');
    expect(plan.blocks.find(({ kind }) => kind === 'hearing')!.slots!.map(({ at }) => at)).toEqual([
      0, 75, 150, 225, 300, 375,
    ]);
    expect(planLesson(facts)).toEqual(plan);
  });

  it('works on the hard spot once the note is known, on the rungs that are left', () => {
    const later = planLesson({
      ...facts,
      part: 'middle',
      noteTaught: true,
      step: { ...step, rungsDone: ['say', 'clap'] },
    });
    expect(later.blocks.map(({ kind }) => kind)).toContain('hard-spot');
    expect(later.blocks.map(({ kind }) => kind)).not.toContain('new-note');
    expect(later.blocks.find(({ kind }) => kind === 'tune')!.rungs).toEqual(['finger', 'spot', 'whole']);
  });

  it('takes up what the last lesson left open', () => {
    const open = [{ kind: 'new-note' as const }, { kind: 'tune' as const, rungs: ['clap' as const] }];
    const plan = planLesson({ ...facts, part: 'middle', open });
    expect(plan.blocks.find(({ kind }) => kind === 'new-note')).toMatchObject({ why: 'left-open' });
    expect(plan.blocks.find(({ kind }) => kind === 'tune')).toMatchObject({ why: 'left-open', rungs: ['clap'] });
  });

  it('warms up on what was weak, hears more at the end of a step, and plays to others at the end of term', () => {
    const weak = [{ kind: 'move' as const, from: 'B4', to: 'C5' }];
    expect(planLesson({ ...facts, weak }).blocks[1]).toMatchObject({ why: 'weak', weak: weak[0] });
    const hearing = (part: LessonFacts['part']) =>
      planLesson({ ...facts, part, step: { ...step, newNotes: [] } }).blocks.find(({ kind }) => kind === 'hearing')
        ?.minutes;
    expect(hearing('hearing')!).toBeGreaterThan(hearing('middle')!);
    expect(hearing('concert')).toBeUndefined();
  });

  it('gives everybody something while others are heard', () => {
    const others = planLesson(facts).blocks.find(({ kind }) => kind === 'hearing')!.others!;
    expect(others.map(({ group, does }) => `${group} ${does}`)).toEqual([
      'ahead extra',
      'behind hard-spot',
      'rest silent',
    ]);
  });

  it('leaves out in a short lesson what can wait, and says so', () => {
    const plan = planLesson({ ...facts, minutes: 15 });
    expect(total(plan)).toBe(15);
    expect(plan.left).toContain('moves');
    expect(plan.blocks.map(({ kind }) => kind)).toContain('tune');
    expect(() => planLesson({ ...facts, minutes: 2 })).toThrow(RangeError);
  });

  it('follows the usual lesson of the teacher, and still brings the note that is due', () => {
    const usual = [
      { kind: 'hearing' as const, minutes: 12 },
      { kind: 'tune' as const, minutes: 14 },
    ];
    const plan = planLesson({ ...facts, usual });
    expect(plan.blocks.map(({ kind }) => kind)).toEqual(['settle', 'new-note', 'hearing', 'tune', 'close']);
    expect(total(plan)).toBe(40);
    expect(usualFrom(plan)[2]).toMatchObject({ kind: 'hearing' });
  });

  it('brings a new note until it was taught, on whatever day the class begins', () => {
    const kinds = (more: Partial<LessonFacts>) => planLesson({ ...facts, ...more }).blocks.map(({ kind }) => kind);
    for (const part of ['first', 'middle', 'hearing', 'review'] as const) {
      expect(kinds({ part })).toContain('new-note');
      expect(kinds({ part, noteTaught: true })).not.toContain('new-note');
    }
  });

  it('plays nothing with a note before it was shown, fingered and echoed', () => {
    const usual = (['hearing', 'together', 'tune', 'warm-up'] as const).map((kind) => ({ kind, minutes: 8 }));
    const kinds = planLesson({ ...facts, usual }).blocks.map(({ kind }) => kind);
    expect(kinds.indexOf('new-note')).toBeLessThan(Math.min(...usual.map(({ kind }) => kinds.indexOf(kind))));
    const warmUp = (more: Partial<LessonFacts>) =>
      planLesson({ ...facts, ...more }).blocks.find(({ kind }) => kind === 'warm-up')!;
    expect(warmUp({}).notes).not.toContain('E4');
    expect(warmUp({ noteTaught: true }).notes).toContain('E4');
    expect(warmUp({ weak: [{ kind: 'move', from: 'G4', to: 'E4' }] }).weak).toBeUndefined();
    // Who knows no note yet has the first one before the warm-up.
    const first = planLesson({ ...facts, step: { ...step, knownNotes: [] } });
    expect(first.blocks.map(({ kind }) => kind).slice(0, 3)).toEqual(['settle', 'new-note', 'warm-up']);
    expect(first.blocks[2]!.notes).toEqual(['E4']);
  });

  it('names no more notes in a part than a class echoes, however many it knows', () => {
    const knownNotes = Array.from({ length: 30 }, (_, index) => `${'CDEFGAB'[index % 7]!}${3 + Math.floor(index / 7)}`);
    const { blocks } = planLesson({ ...facts, playedThrough: false, step: { ...step, knownNotes } });
    for (const { notes = [] } of blocks) expect(notes.length).toBeLessThanOrEqual(8);
  });

  it('plays together what can be played: the notes of a tune that was only chanted', () => {
    const together = (more: Partial<LessonFacts>) =>
      planLesson({ ...facts, ...more }).blocks.find(({ kind }) => kind === 'together')!;
    expect(together({ playedThrough: false }).notes).toEqual(['E4', 'G4', 'A4', 'B4', 'C5']);
    expect(together({ playedThrough: true }).notes).toBeUndefined();
    const ready = { ...step, rungsDone: ['say', 'clap', 'finger', 'slow', 'spot', 'join'] as const };
    expect(together({ playedThrough: false, noteTaught: true, step: ready }).notes).toBeUndefined();
  });

  it('hears nobody on a step that the class has not played through, unless the teacher likes to', () => {
    const queue = [2, 3, 3].map((at, index) => ({
      pupilId: String(index),
      reason: 'waited' as const,
      seconds: 60,
      step: at,
    }));
    const heard = (more: Partial<LessonFacts>) =>
      planLesson({ ...facts, queue, playedThrough: false, ...more })
        .blocks.find(({ kind }) => kind === 'hearing')
        ?.slots?.map(({ pupilId }) => pupilId);
    expect(heard({})).toEqual(['0']);
    expect(heard({ queue: queue.slice(1) })).toBeUndefined();
    expect(heard({ hearsAfterPlaying: false })).toEqual(['0', '1', '2']);
    expect(heard({ playedThrough: true })).toEqual(['0', '1', '2']);
    expect([isPlayedThrough(['slow', 'spot']), isPlayedThrough(['whole'])]).toEqual([false, true]);
  });

  it('always sums to the minutes of the lesson, whatever there is to do', () => {
    const any = fc.record({
      minutes: fc.integer({ min: 5, max: 120 }),
      part: fc.constantFrom(...LESSON_PARTS),
      hearingMinutes: fc.integer({ min: 0, max: 40 }),
      waiting: fc.integer({ min: 0, max: 30 }),
      seconds: fc.integer({ min: 20, max: 400 }),
      hasStep: fc.boolean(),
      open: fc.subarray([...BLOCK_KINDS]),
      usual: fc.option(
        fc.uniqueArray(fc.record({ kind: fc.constantFrom(...BLOCK_KINDS), minutes: fc.integer({ min: 1, max: 60 }) }), {
          selector: ({ kind }) => kind,
        }),
      ),
    });
    fc.assert(
      fc.property(any, ({ waiting, seconds, hasStep, open, ...more }) => {
        const queue = Array.from({ length: waiting }, (_, index) => ({
          pupilId: String(index),
          reason: 'waited' as const,
          seconds,
          step: 1,
        }));
        const plan = planLesson({
          ...facts,
          ...more,
          queue,
          step: hasStep ? step : null,
          open: open.map((kind) => ({ kind })),
        });
        expect(total(plan)).toBe(more.minutes);
        expect(plan.blocks.every(({ minutes }) => minutes >= 1)).toBe(true);
        const hearing = plan.blocks.find(({ kind }) => kind === 'hearing');
        expect((hearing?.slots ?? []).length * seconds).toBeLessThanOrEqual((hearing?.minutes ?? 0) * 60);
      }),
    );
  });
});

describe('a hearing that cannot reach everybody', () => {
  const queue = Array.from({ length: 27 }, (_, index) => ({
    pupilId: String(index),
    reason: 'waited' as const,
    seconds: 75,
    step: 1,
  }));

  it('offers rows, recordings and a lesson of hearing, each with its sums', () => {
    const many = { ...facts, queue };
    const plan = planLesson(many);
    const reached = plan.blocks.find(({ kind }) => kind === 'hearing')!.slots!.length;
    const found = hearingReach(plan, many)!;
    expect(found).toMatchObject({ waiting: 27, reached, lessons: Math.ceil(27 / reached) });
    // A tune of 40 s: a row takes 40 + 15 + 4 × 20 s, a recording 40 + 20 s, one alone 75 s.
    expect(found.ways.map(({ way, minutes, rows }) => [way, minutes, rows])).toEqual([
      ['rows', Math.ceil((7 * 135) / 60), 7],
      ['recordings', 27, 0],
      ['hearing-lesson', Math.ceil((27 * 75) / 60), 0],
    ]);
    const { minutes } = plan.blocks.find(({ kind }) => kind === 'hearing')!;
    const rowsFit = Math.floor((minutes * 60) / 135);
    expect(found.ways.map(({ lessons }) => lessons)).toEqual([Math.ceil(27 / (rowsFit * 4)), 0, 1]);
    for (const { sums } of found.ways) expect(sums[0]).toMatch(/\d+ s/);
  });

  it('offers no rows where a row is longer than the hearing', () => {
    const long = { ...facts, hearingMinutes: 2, queue: queue.map((turn) => ({ ...turn, seconds: 110 })) };
    const ways = hearingReach(planLesson(long), long)!.ways.map(({ way }) => way);
    expect(ways.slice(-2)).toEqual(['recordings', 'hearing-lesson']);
  });

  it('says nothing where all are reached, or nobody is heard', () => {
    const few = { ...facts, queue: queue.slice(0, 2) };
    expect(hearingReach(planLesson(few), few)).toMatchObject({ reached: 2, ways: [] });
    const none = { ...facts, queue: [] };
    expect(hearingReach(planLesson(none), none)).toBeNull();
  });
});

describe('a plan that a teacher changes', () => {
  const plan = planLesson(facts);

  it('keeps the minutes that are set, and ends with the bell', () => {
    const longer = value(setMinutes(plan, 'tune', 12, facts));
    expect(longer.blocks.find(({ id }) => id === 'tune')).toMatchObject({ minutes: 12, locked: true });
    expect(total(longer)).toBe(40);
    const both = value(setMinutes(longer, 'hearing', 14, facts));
    expect(both.blocks.find(({ id }) => id === 'tune')!.minutes).toBe(12);
    expect(both.blocks.find(({ id }) => id === 'hearing')!.slots).toHaveLength(6);
    expect(total(both)).toBe(40);
    expect(setMinutes(both, 'warm-up', 20, facts)).toEqual({ ok: false, error: 'too-long' });
  });

  it('lets a block be moved, left out, put in and swapped', () => {
    expect(moveBlock(plan, 1, 0).blocks[0]!.kind).toBe('warm-up');
    expect(moveBlock(plan, 0, 99)).toBe(plan);
    const without = value(leaveOut(plan, 'moves', facts));
    expect(without.blocks.some(({ kind }) => kind === 'moves')).toBe(false);
    expect(total(without)).toBe(40);
    const twice = value(putIn(plan, 'warm-up', 5, facts));
    expect(twice.blocks.filter(({ kind }) => kind === 'warm-up').map(({ id }) => id)).toEqual(['warm-up', 'warm-up-2']);
    expect(total(twice)).toBe(40);
    const swapped = value(swapBlock(plan, 'moves', 'hard-spot', facts));
    expect(swapped.blocks[3]).toMatchObject({ kind: 'hard-spot', bars: [3, 4] });
    expect(lockBlock(plan, 'tune', true).blocks.find(({ id }) => id === 'tune')!.locked).toBe(true);
  });

  it('does not lose its last block', () => {
    const one = { ...plan, blocks: plan.blocks.slice(0, 1) };
    expect(leaveOut(one, 'settle', facts)).toEqual({ ok: false, error: 'last' });
  });
});

describe('minutes', () => {
  it('are cut in proportion where even the least is too much', () => {
    const wishes = [6, 2, 1].map((least) => ({ wish: 9, least, grows: 1, fixed: null }));
    expect(fitMinutes(wishes, 5)).toEqual([3, 1, 1]);
    expect(fitMinutes([{ wish: 3, least: 2, grows: 0, fixed: null }], 30)).toEqual([30]);
  });
});

describe('the tempo ladder', () => {
  it('climbs by 10 to 15 % to the target, and above it only as a challenge', () => {
    expect(tempoRungs(60, 84)).toEqual([60, 67, 75, 84]);
    expect(tempoRungs(60, 84, true)).toEqual([60, 67, 75, 84, 94, 105]);
    expect(tempoRungs(84, 84)).toEqual([84]);
    expect(tempoRungs(100, 84)).toEqual([84]);
    fc.assert(
      fc.property(fc.integer({ min: 40, max: 90 }), fc.integer({ min: 100, max: 200 }), (holds, target) => {
        const rungs = tempoRungs(holds, target);
        expect(rungs[0]).toBe(holds);
        expect(rungs.at(-1)).toBe(target);
        for (const [index, rung] of rungs.slice(1).entries()) {
          const step = rung / rungs[index]!;
          // Whole beats a minute: half a beat off on both sides.
          expect(step).toBeLessThan(1.17);
          if (rungs.length > 3) expect(step).toBeGreaterThan(1.08);
        }
      }),
    );
  });

  it('has the Italian word beside the number', () => {
    expect([50, 72, 92, 112, 130, 160, 190].map(tempoWord)).toEqual([
      'largo',
      'adagio',
      'andante',
      'moderato',
      'allegro',
      'vivace',
      'presto',
    ]);
  });
});

describe('a step for a lesson', () => {
  it('is read from its tune', () => {
    const own = { position: 1, title: 'Goose Walk', rungs: USUAL_LADDER, rungsDone: [], easier: null, extra: null };
    const read = lessonStep(GOOSE_WALK, instrument('soprano-recorder-baroque'), NOTHING_KNOWN, {
      ...own,
      challenge: false,
    });
    expect(read.newNotes.length).toBeGreaterThan(2);
    const pairs = read.moves.map(({ from, to }) => [from, to].toSorted().join());
    expect(new Set(pairs).size).toBe(pairs.length);
    expect(read).not.toHaveProperty('challenge');
  });

  it('has a way to run every rung', () => {
    expect(Object.keys(RUNG_RUNS).toSorted()).toEqual([...RUNG_IDS].toSorted());
  });
});
