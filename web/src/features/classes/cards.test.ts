import type { PupilState, QueuePlace, Standing, Stuck } from '@escalier/core/records';
import { mount, RouterLinkStub } from '@vue/test-utils';
import { createPinia, setActivePinia } from 'pinia';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { PupilView } from './project.ts';
import { classPage as page, step } from '../../testing/class-page.ts';
import { openHow } from '../../testing/mount.ts';
import ClassStrip from './ClassStrip.vue';
import GoOnCard from './GoOnCard.vue';
import HearCard from './HearCard.vue';
import { pegsOf } from './pegs.ts';
import StuckCard from './StuckCard.vue';
import { longDate, shortDate } from '../../ui/dates.ts';
import { newThings } from './words.ts';
import { eventually } from '../../testing/eventually.ts';

vi.mock('../../workers/planning.ts', () => import('../../testing/planning-here.ts'));

function pupil(name: string, stepIndex: number, state: PupilState, remarks: readonly string[] = []): PupilView {
  const steps: Standing['steps'] = [
    {
      stepId: `step-${stepIndex + 1}`,
      tries: 3,
      nearly: 0,
      passed: false,
      passedAt: null,
      share: 0,
      passedTunes: [],
      tempo: null,
      lastOutcome: 'not-yet',
      lastHeardAt: '2026-03-03T10:00:00.000Z',
      remarks,
    },
  ];
  const standing: Standing = {
    pupilId: name,
    stepIndex,
    state,
    passedSteps: stepIndex,
    triesOnStep: state === 'working' ? 0 : 3,
    lastHeardAt: null,
    steps,
  };
  return {
    id: name,
    name,
    startStep: 1,
    joinedOn: '2026-02-02',
    leftOn: null,
    playsInstead: null,
    breathSeconds: null,
    printSize: 'medium',
    easierLine: false,
    erased: false,
    away: false,
    records: 0,
    standing,
  };
}

/** The first nearly passed, the others wait. */
function queueOf(names: readonly string[]): readonly QueuePlace[] {
  return names.map((pupilId, index) => ({ pupilId, reason: index === 0 ? 'ready' : 'waited', lessons: 1 }));
}

const global = { stubs: { RouterLink: RouterLinkStub } };

describe('StuckCard', () => {
  beforeEach(() => setActivePinia(createPinia()));
  const stuck = (pupilId: string, stepIndex: number, remark: string): Stuck => ({
    pupilId,
    stepIndex,
    remarks: [remark],
    why: { kind: 'tries', tries: 3 },
  });
  const shown = (list: readonly Stuck[]) =>
    mount(StuckCard, {
      props: {
        page: page({
          pupils: list.map((each) => pupil(each.pupilId, each.stepIndex, 'stuck', each.remarks)),
          steps: [step(1), step(2, { newNotes: ['E4'], hardMoves: [{ from: 'A4', to: 'E4', cost: 3 }] })],
          stuck: list,
        }),
      },
      global,
    });

  it('names who is stuck, what most have in common, and who can be helped together with which drill', async () => {
    const card = shown([stuck('Emre', 0, 'leak'), stuck('Farah', 1, 'leak'), stuck('Quentin', 1, 'beat')]);
    expect(card.get('h2').text()).toBe('3 pupils are stuck');
    expect(card.text()).toContain('Most often: leak (2 of 3). Flat pads, thumb first');
    expect(card.text()).toMatch(/2 of 3 need the move\s+A to E/);
    expect(card.text()).toMatch(/Together: Farah, Quentin, go back and forth between A and E,\s+step 2/);
    await openHow(card);
    expect(card.text()).toContain('Emre: 3 tries without a pass');
  });

  it('makes no common cause of one', () => {
    expect(shown([stuck('Emre', 0, 'leak'), stuck('Farah', 1, 'beat')]).text()).toContain(
      'Each for a different reason',
    );
    expect(shown([]).get('h2').text()).toBe('Nobody is stuck');
  });
});

describe('GoOnCard', () => {
  const goOn = (passed: number, of: number) => ({
    passed,
    of,
    share: Math.round((100 * passed) / of),
    ruleShare: 70,
    goOn: passed * 100 >= 70 * of,
  });

  it('says how many more have to pass, and what the plan has come to', () => {
    const steps = [
      step(1, { goOn: goOn(9, 10) }),
      step(2, { goOn: goOn(4, 10), lessons: 1 }),
      step(3, { goOn: goOn(0, 10), newNotes: ['E4'] }),
    ];
    const card = mount(GoOnCard, { props: { page: page({ steps, classStep: 1 }) }, global });
    expect(card.get('h2').text()).toBe('The class is on step 2');
    expect(card.text()).toContain('4 of 10 have passed it (40%; your rule is 70%). 3 more and you can move on.');
    expect(card.text()).toMatch(/Your plan has you on\s+step 3, until 7 Mar: E\./);
  });

  it('says who will likely have passed by the end', async () => {
    const pupils = ['Ann', 'Ben', 'Cem'].map((name) => pupil(name, 0, 'working'));
    const card = mount(GoOnCard, { props: { page: page({ steps: [step(1), step(2)], pupils }) }, global });
    expect(card.text()).toContain('Working out where the class will be');
    await eventually(() => expect(card.text()).toMatch(/\d of 3 should pass step 1 by .* \(range \d–\d\)./));
  });

  it('says when the stairs are climbed', () => {
    const climbed = page({ steps: [step(1, { goOn: goOn(10, 10) })], classStep: 1 });
    expect(mount(GoOnCard, { props: { page: climbed }, global }).text()).toContain('The top of the stairs');
  });

  it('says by what else a class may go on', () => {
    const by = (rule: 'heard' | 'own') => {
      const plain = page({ steps: [step(1, { goOn: goOn(4, 10) })] });
      const teaching = { ...plain.style.teaching, goOn: rule };
      return mount(GoOnCard, { props: { page: { ...plain, style: { ...plain.style, teaching } } }, global }).text();
    };
    expect(by('heard')).toContain('once everybody has been heard');
    expect(by('own')).toContain('You decide when the class moves on');
  });
});

describe('HearCard', () => {
  it('shows the first six in order, and counts the others', () => {
    const names = ['Ann', 'Ben', 'Cem', 'Dee', 'Eva', 'Fin', 'Gia', 'Hao'];
    const pupils = names.map((name, index) => pupil(name, 0, index === 0 ? 'nearly' : 'working'));
    const card = mount(HearCard, { props: { page: page({ pupils, queue: queueOf(names) }) }, global });
    expect(card.findAll('.pupil').map((element) => element.text())).toEqual([
      'Annnearly',
      'Ben',
      'Cem',
      'Dee',
      'Eva',
      'Fin',
    ]);
    expect(card.text()).toContain('and 2 more');
  });

  it('says how many fit into the minutes left, by the length of their tunes', async () => {
    const names = Array.from({ length: 12 }, (_, index) => `Pupil ${index + 1}`);
    const pupils = names.map((name) => pupil(name, 0, 'working'));
    const card = mount(HearCard, { props: { page: page({ pupils, queue: queueOf(names) }) }, global });
    // 24 s of tune + 15 s to change + 20 s to talk: ten turns of 59 s in ten minutes.
    expect(card.get('.fits').text()).toContain('you can hear the first 10');
    await card.get('select').setValue(15);
    expect(card.get('.fits').text()).toContain('you can hear all 12');
  });

  it('names who is away and leaves them out', () => {
    const [ann, ben] = [pupil('Ann', 0, 'working'), { ...pupil('Ben', 0, 'working'), away: true }];
    const card = mount(HearCard, { props: { page: page({ pupils: [ann, ben], queue: queueOf(['Ann']) }) }, global });
    expect(card.text()).toContain('Away today: Ben.');
    expect(card.findAll('.pupil')).toHaveLength(1);
  });
});

describe('pegs', () => {
  it('stand on their step, in trouble first, those who have passed all behind the last', () => {
    const groups = pegsOf(
      page({
        pupils: [
          pupil('Ann', 0, 'working'),
          pupil('Ben', 0, 'stuck'),
          pupil('Cem', 3, 'finished'),
          { ...pupil('Left', 0, 'working'), standing: null },
        ],
      }),
    );
    expect(groups.map((group) => group.map((peg) => peg.label))).toEqual([['Be', 'An'], [], [], ['Ce']]);
    expect(groups[0]![0]!.words).toBe('Ben: stuck, 3 tries');
    expect(groups[0]![1]!.words).toBe('Ann: on this step, not heard on it yet');
    expect(groups[3]![0]!.words).toBe('Cem: has passed every step');
  });
});

it('ClassStrip counts the pupils of each step', () => {
  const strip = mount(ClassStrip, { props: { belts: ['straw', 'moss'], onStep: [3, 0, 2] } });
  expect(strip.findAll('.visually-hidden').map((element) => element.text())).toEqual(['3 on step 1', '0 on step 2']);
  expect(strip.text()).toContain('2 on top');
});

describe('words', () => {
  it('says dates and new things', () => {
    expect(longDate('2026-03-03')).toBe('Tuesday 3 March');
    expect(shortDate('2026-03-03')).toBe('3 Mar');
    expect(
      newThings(step(1, { newNotes: ['F#4'], newElements: ['note dotted-half'], newSigns: ['metre 3/4'] }), 'british'),
    ).toEqual(['F♯', 'dotted minim', '3/4 time']);
  });
});
