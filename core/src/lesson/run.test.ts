import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { USUAL_LADDER } from '../practice/index.ts';
import { planLesson } from './plan.ts';
import {
  isTaught,
  leftOpen,
  lessonClock,
  lessonHistory,
  lessonRun,
  taughtBlocks,
  wasHeld,
  type LessonEvent,
} from './run.ts';

const plan = planLesson({
  minutes: 30,
  seed: 1,
  part: 'middle',
  usual: null,
  hearingMinutes: 6,
  ahead: [],
  behind: [],
  weak: [],
  open: [],
  noteTaught: false,
  playedThrough: true,
  hearsAfterPlaying: true,
  toClean: 0,
  beltsToHand: 0,
  queue: [{ pupilId: 'a', reason: 'due', seconds: 60, step: 1 }],
  step: {
    position: 2,
    title: 'T',
    newNotes: [],
    knownNotes: ['G4', 'A4', 'B4'],
    newElements: [],
    moves: [],
    rungs: USUAL_LADDER,
    rungsDone: [],
    hardSpot: { from: 'B4', to: 'C5', bars: [3, 4], tempi: [60] },
    easier: null,
    extra: null,
  },
});
const START = Date.parse('2026-03-03T09:00:00Z');
let made = 0;
type Bare = LessonEvent extends infer Each ? (Each extends LessonEvent ? Omit<Each, 'id' | 'at'> : never) : never;
const event = (second: number, of: Bare): LessonEvent => ({
  ...of,
  id: `e${String(++made).padStart(3, '0')}`,
  at: new Date(START + second * 1000).toISOString(),
});
const ids = plan.blocks.map(({ id }) => id);
const started = event(0, { kind: 'started', plan, step: 2 });
const minutesBefore = (index: number): number =>
  plan.blocks.slice(0, index).reduce((sum, { minutes }) => sum + minutes, 0);

describe('a lesson that runs', () => {
  it('knows its block, and how many minutes it has used and has left', () => {
    const run = lessonRun([started, event(180, { kind: 'block', block: ids[1]! })]);
    expect(run).toMatchObject({ index: 1, step: 2, spent: { [ids[0]!]: 180 } });
    expect(lessonClock(run, START + 200_000)).toMatchObject({ elapsed: 200, left: 1600, inBlock: 20 });
    expect(lessonClock(lessonRun([]), START)).toBeNull();
  });

  it('is behind by what a block takes too long, ahead by what it takes less, and says which can give back', () => {
    const seconds = plan.blocks[0]!.minutes * 60;
    const late = lessonClock(lessonRun([started]), START + (seconds + 90) * 1000)!;
    expect(late.behind).toBe(90);
    expect(late.gives).not.toBeNull();
    expect(late.gives!.minutes - late.gives!.least).toBeGreaterThan(0);
    const early = lessonRun([started, event(60, { kind: 'block', block: ids[1]! })]);
    expect(lessonClock(early, START + 60_000)!.behind).toBe(60 - seconds);
    expect(lessonClock(early, START + 60_000)!.gives).toBeNull();
  });

  it('counts a rung as gone through when it goes on from it, and carries the others over', () => {
    const tune = plan.blocks.find(({ kind }) => kind === 'tune')!;
    const [first, second] = tune.rungs!;
    const events = [
      started,
      event(minutesBefore(ids.indexOf(tune.id)) * 60, { kind: 'block', block: tune.id }),
      event(900, { kind: 'again' }),
      event(1000, { kind: 'rung', rung: second! }),
      event(1100, { kind: 'ended' }),
    ];
    const run = lessonRun(events);
    expect(run.rungsDone).toEqual([first, second]);
    const open = leftOpen(run);
    expect(open).toContainEqual({ kind: 'hard-spot' });
    expect(open.find(({ kind }) => kind === 'tune')?.rungs).toEqual(tune.rungs!.slice(2));
    expect(leftOpen(lessonRun([started]))).toEqual([]);
  });

  it('leaves a block that is skipped open', () => {
    const run = lessonRun([
      started,
      event(200, { kind: 'block', block: 'hard-spot' }),
      event(210, { kind: 'skipped', block: 'hard-spot' }),
      event(211, { kind: 'block', block: 'close' }),
      event(300, { kind: 'ended' }),
    ]);
    expect(leftOpen(run).map(({ kind }) => kind)).toContain('hard-spot');
  });

  it('shows what was chosen until the next part, and says whether it sounds', () => {
    const chosen = [
      started,
      event(10, { kind: 'scene', scene: 'quiet' }),
      event(20, { kind: 'play', on: true, tempo: 72 }),
    ];
    expect(lessonRun(chosen)).toMatchObject({ scene: 'quiet', play: { on: true, tempo: 72, at: START + 20_000 } });
    const next = [...chosen, event(30, { kind: 'block', block: ids[1]! })];
    expect(lessonRun(next)).toMatchObject({ scene: null, play: null });
  });

  it('is the same from two devices, in whatever order their events come, and twice', () => {
    const events = [
      started,
      event(100, { kind: 'ready', pupilId: 'a', ready: true }),
      event(150, { kind: 'block', block: ids[1]! }),
      event(160, { kind: 'remark', text: 'Loud today.' }),
      event(170, { kind: 'ready', pupilId: 'a', ready: false }),
      event(200, { kind: 'block', block: ids[2]! }),
      event(400, { kind: 'ended' }),
      event(500, { kind: 'block', block: ids[0]! }),
    ];
    const whole = lessonRun(events);
    expect(whole).toMatchObject({ index: 2, ready: [], remarks: [{ text: 'Loud today.' }] });
    fc.assert(
      fc.property(fc.shuffledSubarray(events, { minLength: events.length }), fc.subarray(events), (mixed, twice) => {
        expect(lessonRun([...mixed, ...twice])).toEqual(whole);
      }),
    );
  });

  it('tells the next lesson what was left open, what is usual, and which rungs the tune has had', () => {
    const usual = [{ kind: 'tune' as const, minutes: 20 }];
    const lessons = [started, event(60, { kind: 'usual', usual }), event(100, { kind: 'ended' })].map((each) => ({
      date: '2026-03-03' as const,
      event: each,
    }));
    const history = lessonHistory(lessons, '2026-03-10');
    expect(history.usual).toEqual(usual);
    expect(history.patterns).toEqual([]);
    const card = [{ kind: 'note', value: { base: 'whole', dots: 0, tuplet: null } }] as const;
    const own = { date: '2026-03-04' as const, event: event(900, { kind: 'patterns', patterns: [card] }) };
    expect(lessonHistory([...lessons, own], '2026-03-10').patterns).toEqual([card]);
    expect(history.last?.date).toBe('2026-03-03');
    expect(history.open.map(({ kind }) => kind)).toEqual(['hard-spot', 'tune']);
    expect(lessonHistory(lessons, '2026-03-03')).toMatchObject({ last: null, open: [] });
    expect(history.rungsDone(2)).toEqual([]);
  });
});

describe('what was taught', () => {
  const walk = (seconds: number): readonly LessonEvent[] => [
    started,
    ...ids.slice(1).map((id, index) => event((index + 1) * seconds, { kind: 'block', block: id })),
    event(ids.length * seconds, { kind: 'ended' }),
  ];

  it('is nothing of a lesson that was stepped through in seconds, and it stays planned', () => {
    const run = lessonRun(walk(3));
    expect(taughtBlocks(run)).toEqual([]);
    expect(wasHeld(run)).toBe(false);
    expect(run.rungsDone).toEqual([]);
    const lessons = walk(3).map((each) => ({ date: '2026-03-03' as const, event: each }));
    expect(lessonHistory(lessons, '2026-03-10').last).toBeNull();
  });

  it('is each part that had a third of its minutes and was not skipped', () => {
    const [first, second] = plan.blocks;
    const run = lessonRun([
      started,
      event((first!.minutes * 60) / 3, { kind: 'block', block: second!.id }),
      event(1000, { kind: 'skipped', block: second!.id }),
      event(1001, { kind: 'ended' }),
    ]);
    expect(taughtBlocks(run)).toEqual([first]);
    expect(wasHeld(run)).toBe(true);
  });

  it('counts a skipped part after all that was gone back to', () => {
    const run = lessonRun([
      started,
      event(1, { kind: 'skipped', block: ids[0]! }),
      event(2, { kind: 'block', block: ids[1]! }),
      event(600, { kind: 'block', block: ids[0]! }),
      event(1200, { kind: 'ended' }),
    ]);
    expect(isTaught(run, plan.blocks[0]!)).toBe(true);
  });

  it('is what the teacher says, whatever the clock says', () => {
    const all = ids.map((id) => event(900, { kind: 'reached', block: id, reached: true }));
    expect(leftOpen(lessonRun([...walk(3), ...all]))).toEqual([]);
    const none = ids.map((id) => event(9000, { kind: 'reached', block: id, reached: false }));
    expect(taughtBlocks(lessonRun([...walk(600), ...none]))).toEqual([]);
  });

  it('goes on where it was when the lesson is opened again', () => {
    const run = lessonRun([...walk(60), event(1000, { kind: 'reopened' })]);
    expect(run).toMatchObject({ endedAt: null, index: ids.length - 1 });
    expect(lessonClock(run, START + 1_010_000)!.inBlock).toBe(70);
    expect(lessonRun([...walk(60), event(1000, { kind: 'reopened' }), event(1060, { kind: 'ended' })]).endedAt).toBe(
      START + 1_060_000,
    );
  });
});

describe('the new notes of a step', () => {
  const block = { id: 'new-note', kind: 'new-note', minutes: 9, least: 5, locked: false, why: 'new-due' } as const;
  const withNote = { minutes: 9, blocks: [block], left: [] };
  const isTaughtAfter = (seconds: number): boolean => {
    const date = '2026-03-03' as const;
    const lesson = [
      event(0, { kind: 'started', plan: withNote, step: 2 }),
      event(seconds, { kind: 'remark', text: 'Loud hall.' }),
      event(seconds, { kind: 'ended' }),
    ];
    return lessonHistory(
      lesson.map((each) => ({ date, event: each })),
      '2026-03-10',
    ).isNoteTaught(2);
  };

  it('are taught by a third of their minutes, not by a lesson that was stepped through', () => {
    expect(isTaughtAfter(5)).toBe(false);
    expect(isTaughtAfter(200)).toBe(true);
  });
});
