import { lessonHistory, lessonRun, planLesson, type LessonEvent } from '@escalier/core/lesson';
import { PLAIN_SPEECH } from '@escalier/core/words';
import type { LocalDate } from '@escalier/core/calendar';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { effectScope, nextTick, shallowRef } from 'vue';
import { classPage, pupilView, step } from '../../testing/class-page.ts';
import { partnerCard, staffSheet, stageCards } from './cards.ts';
import { useStageReceiver, useStageSender } from './channel.ts';
import { factsOf, goOnOf, lessonToPlan, partOf, weakSpots } from './facts.ts';
import { keyWords, useActionKeys, useTaps } from '../../ui/action-keys.ts';
import { EMPTY_STAGE, SCENES_OF, usualScene, type Stage } from './stage.ts';
import { clockWords, lastLessonWords, paceWords } from './words.ts';
import { pitch } from '@escalier/core/music';

afterEach(() => {
  vi.unstubAllGlobals();
  localStorage.clear();
});

const standing = (pupilId: string, stepIndex: number) => ({
  pupilId,
  stepIndex,
  state: 'working' as const,
  passedSteps: stepIndex,
  triesOnStep: 0,
  lastHeardAt: null,
  steps: [],
});
const pupil = (name: string, at: number, more: object = {}) =>
  pupilView(name, { standing: standing(name, at), ...more });
const page = classPage({
  pupils: [pupil('Ann', 1), pupil('Ben', 0), pupil('Cy', 2), pupil('Di', 1, { away: true })],
  steps: [step(1), step(2, { hardMoves: [{ from: 'B4', to: 'C5', cost: 3 }], tuneSeconds: 40 }), step(3)],
  classStep: 1,
  queue: ['Ann', 'Ben', 'Cy'].map((pupilId) => ({ pupilId, reason: 'waited', lessons: 2 })),
  stuck: [{ pupilId: 'Ann', stepIndex: 1, why: { kind: 'tries', tries: 3 }, remarks: [] }],
});
const empty = lessonHistory([], '2026-03-03');
const around = {
  lesson: { number: 3, minutes: 40 },
  part: 'middle' as const,
  step: null,
  history: empty,
  toClean: 2,
  beltsToHand: 1,
  ready: ['Ben'],
};

describe('from what a lesson is planned', () => {
  it('is the lesson of today, or the next', () => {
    expect(lessonToPlan(page)?.date).toBe('2026-03-03');
    expect(lessonToPlan(classPage({ today: '2027-01-01' }))).toBeNull();
  });

  it('is who is here: whoever says to be ready first, with the seconds of their own tune', () => {
    const facts = factsOf(page, around);
    expect(facts.queue.map(({ pupilId }) => pupilId)).toEqual(['Ben', 'Ann', 'Cy']);
    expect(facts.queue.find(({ pupilId }) => pupilId === 'Ann')!.seconds).toBe(40 + 35);
    expect(facts).toMatchObject({ ahead: ['Cy'], behind: ['Ben'], seed: 3, toClean: 2 });
    expect(weakSpots(page)).toEqual([{ kind: 'move', from: 'B4', to: 'C5' }]);
  });

  it('is whether the notes of the step were taught, and its tune was played', () => {
    // Cy is a step further: then the class has played it.
    expect(factsOf(page, around)).toMatchObject({ noteTaught: true, playedThrough: true, hearsAfterPlaying: true });
    const fresh = { ...page, pupils: page.pupils.filter(({ name }) => name !== 'Cy') };
    expect(factsOf(fresh, around)).toMatchObject({ noteTaught: false, playedThrough: false });
    const taught = { ...empty, isNoteTaught: (position: number) => position === 2 };
    const asked = { ...around, step: lessonStep };
    expect(factsOf(fresh, { ...asked, history: taught })).toMatchObject({ noteTaught: true, playedThrough: false });
    const played = { ...empty, rungsDone: () => ['whole'] as const };
    expect(factsOf(fresh, { ...asked, history: played })).toMatchObject({ noteTaught: true, playedThrough: true });
  });

  it('is what the calendar holds, as far as the class is where the calendar has it', () => {
    const [, second, third] = page.steps;
    expect(partOf({ step: second!, part: 'hearing' }, second!, empty)).toBe('hearing');
    expect(partOf({ step: third!, part: 'middle' }, second!, empty)).toBe('first');
    expect(partOf({ step: third!, part: 'review' }, second!, empty)).toBe('review');
    expect(partOf(null, second!, empty)).toBe('middle');
  });

  it('is whether the class goes on, with the names that hold it up', () => {
    const { here, before } = goOnOf(page);
    expect(here).toMatchObject({ goOn: false, passed: 1, of: 4, holding: ['Ann', 'Ben', 'Di'] });
    expect(before).toMatchObject({ goOn: true, behind: ['Ben'] });
    expect(goOnOf(classPage()).before).toBeNull();
  });
});

const lessonStep = {
  position: 2,
  title: 'Tune 2',
  newNotes: [],
  knownNotes: [],
  newElements: [],
  moves: [],
  hardSpot: null,
  easier: null,
  extra: null,
  rungs: ['say', 'clap', 'whole'] as const,
  rungsDone: [],
};
const plan = planLesson(factsOf(page, { ...around, step: lessonStep }));
const at = (minute: number): string => new Date(Date.UTC(2026, 2, 3, 9, minute)).toISOString();
const events: readonly LessonEvent[] = [
  { id: '1', at: at(0), kind: 'started', plan, step: 2 },
  { id: '2', at: at(4), kind: 'block', block: plan.blocks[1]!.id },
  { id: '3', at: at(10), kind: 'ended' },
];

describe('a lesson in words', () => {
  it('says the last lesson in a line, and the clock', () => {
    const date: LocalDate = '2026-03-03';
    const { last } = lessonHistory(
      events.map((event) => ({ date, event })),
      '2026-03-10',
    );
    expect(lastLessonWords(last)).toContain(`2 of ${plan.blocks.length} parts in 10 minutes`);
    expect(lastLessonWords(null)).toContain('has been run');
    expect(clockWords(65)).toBe('1:05');
    expect(clockWords(-5)).toBe('−0:05');
  });

  it('says whether it is behind, and which part gives the minutes back', () => {
    const speech = { ...PLAIN_SPEECH, tune: 'Tune 2' };
    const clock = { elapsed: 0, left: 0, inBlock: 0, blockLeft: 0, behind: 0, gives: null };
    const long = plan.blocks.find(({ kind }) => kind === 'hearing')!;
    expect(paceWords(clock, speech)).toBe('On time');
    expect(paceWords({ ...clock, behind: -120 }, speech)).toBe('2 min ahead');
    expect(paceWords({ ...clock, behind: 120, gives: long }, speech)).toMatch(
      /^2 min behind: Hearing: \d can give back 2$/,
    );
    expect(paceWords({ ...clock, behind: 120 }, speech)).toBe('2 min behind');
  });
});

describe('what the class sees', () => {
  it('follows the part of the lesson, and the rung of the tune', () => {
    expect(usualScene(lessonRun([]))).toBe('title');
    expect(usualScene(lessonRun(events.slice(0, 1)))).toBe(SCENES_OF.settle[0]);
    const onTune = lessonRun([
      events[0]!,
      { id: '4', at: at(5), kind: 'block', block: 'tune' },
      { id: '5', at: at(6), kind: 'rung', rung: 'clap' },
    ]);
    expect(usualScene(onTune)).toBe('chant');
    expect(usualScene(lessonRun(events))).toBe('title');
  });

  it('goes to another window, the whole of it once and then only the place in the music', async () => {
    const posted: unknown[] = [];
    const channels = new Set<FakeChannel>();
    class FakeChannel extends EventTarget {
      constructor() {
        super();
        channels.add(this);
      }
      postMessage(data: unknown): void {
        posted.push(data);
        for (const other of channels) if (other !== this) other.dispatchEvent(new MessageEvent('message', { data }));
      }
      close(): void {
        channels.delete(this);
      }
    }
    vi.stubGlobal('BroadcastChannel', FakeChannel);
    const scope = effectScope();
    const stage = shallowRef<Stage>({ ...EMPTY_STAGE, scene: 'tune', heading: 'Tune 2' });
    const { sender, seen } = scope.run(() => ({
      sender: useStageSender('c', stage),
      seen: useStageReceiver('c'),
    }))!;
    expect(sender.isSeen.value).toBe(true);
    expect(seen.value?.heading).toBe('Tune 2');
    stage.value = { ...stage.value, now: 'n0-1-2' };
    await nextTick();
    expect(posted.at(-1)).toMatchObject({ kind: 'now', now: 'n0-1-2' });
    expect(seen.value).toMatchObject({ heading: 'Tune 2', now: 'n0-1-2' });

    // The teacher's window is opened anew while that of the class stays; and the class's is closed.
    const again = scope.run(() => useStageSender('c', stage))!;
    expect(again.isSeen.value).toBe(true);
    window.dispatchEvent(new Event('pagehide'));
    expect(again.isSeen.value).toBe(false);
    scope.stop();
    expect(channels.size).toBe(0);
  });
});

describe('rhythm cards', () => {
  it('are made of what the class knows, on a note that it has, the same for the same lesson', () => {
    const cards = stageCards(['note quarter', 'note eighth'], 'B4', 6, 3);
    expect(cards).toEqual(stageCards(['note quarter', 'note eighth'], 'B4', 6, 3));
    expect(cards).toHaveLength(6);
    expect(cards[0]!.abc).toContain('B');
    expect(partnerCard(cards, 5).map(({ abc }) => abc)).toEqual([cards[5]!.abc, cards[0]!.abc]);
    expect(partnerCard([], 0)).toEqual([]);
  });

  it('and a new note stands among those that the class has', () => {
    const sheet = staffSheet({ known: [pitch('B4')], note: pitch('G4'), label: 'G' });
    expect(sheet.marks).toEqual([{ kind: 'ring', id: 'n0-0-0' }]);
  });
});

describe('keys', () => {
  it('can be changed for a foot switch, and a key does one thing only', () => {
    const { keys, set, reset, isChanged } = useActionKeys();
    expect(keyWords(keys.value.get('next')!)).toBe('→, PageDown, Enter');
    set('play', 'PageDown');
    expect(keys.value.get('play')).toEqual(['PageDown']);
    expect(keyWords(keys.value.get('next')!)).toBe('→, Enter');
    expect(isChanged.value).toBe(true);
    reset();
    expect(keyWords(keys.value.get('play')!)).toBe('Space');
    expect(keyWords([])).toBe('none');
  });

  it('tap a tempo, begun anew after a pause', () => {
    const tap = useTaps();
    expect(tap(0)).toBeNull();
    expect(tap(500)).toBe(120);
    expect(tap(1000)).toBe(120);
    expect(tap(9000)).toBeNull();
  });
});
