import type { ClassNotes } from '@escalier/contract/notes';
import { moveBetween, primaryFingering, instrument } from '@escalier/core/instruments';
import { pitch, pitchName } from '@escalier/core/music';
import { USUAL_CAUTIONS, USUAL_TEACHING } from '@escalier/core/practice';
import { bridgeWords } from '@escalier/core/words';
import { flushPromises, mount } from '@vue/test-utils';
import { describe, expect, it, vi } from 'vitest';
import { ApiError } from '../../api.ts';
import { mountInApp, press } from '../../testing/mount.ts';
import BeatClock from './BeatClock.vue';
import BeforeStage from './BeforeStage.vue';
import FingerStage from './FingerStage.vue';
import { echoNotes, lessonOf } from './lesson.ts';
import PipePicture from './PipePicture.vue';
import { changesInWords, pipeShape } from './pipe-shape.ts';
import StageStairs from './StageStairs.vue';

const recorder = instrument('soprano-recorder-baroque');
const whistle = instrument('tin-whistle-d');
const posture = { mouth: 'lips', restsAt: 'chin', handMark: 'the green dot' } as const;

function classNotes(more: Partial<ClassNotes> = {}, naming = 'letters' as const): ClassNotes {
  const at = (note: string, position: number, knownNotes: readonly string[]) => ({
    note,
    position,
    title: 'Goose Walk',
    knownNotes,
    knownElements: ['note quarter'],
    own: null,
  });
  return {
    schoolClass: {
      id: 'c1',
      staircaseId: 's1',
      name: '4 Plover',
      grade: 'Year 4',
      instrumentId: recorder.id,
      style: {
        naming,
        counting: null,
        lengthWords: 'british',
        goOnShare: 70,
        passRule: 'both',
        ladder: ['say', 'clap', 'whole'],
        hearing: { minutes: 10, within: 6, afterPlaying: true },
        points: { kind: 'none' },
        teaching: USUAL_TEACHING,
        posture,
      },
    },
    notes: [
      at('B4', 1, []),
      at('A4', 1, ['B4']),
      at('E4', 3, ['B4', 'A4', 'G4']),
      at('D5', 5, ['B4', 'A4', 'G4', 'E4', 'D4']),
    ],
    next: 'E4',
    classStep: 2,
    arrived: { count: 3, of: 24 },
    cautionsVersion: 1,
    cautions: USUAL_CAUTIONS.map((caution) => ({ ...caution, shown: true })),
    ...more,
  };
}

describe('the lesson of a note', () => {
  const lesson = lessonOf(classNotes(), 'E4')!;

  it('works out the bridge, the moves and the place on the staff', () => {
    expect(lesson.label).toBe('E');
    expect(bridgeWords(lesson.bridge!)).toBe('G, and two more fingers');
    expect(lesson.pairs.map((pair) => pitchName(pair.from))).toEqual(['G4', 'A4', 'B4']);
    expect(lesson.staffPlace).toBe('on the first line');
    expect(lesson.comparison).toBe('Lower than G, 2 steps away.');
    expect(echoNotes(lesson)).toEqual(['G4', 'A4', 'B4', 'E4']);
    expect(lesson.place).toEqual({ position: 3, title: 'Goose Walk' });
  });

  it('knows the first note of all, the note between two, and one beside the stairs', () => {
    expect(lessonOf(classNotes(), 'B4')!.comparison).toBe('The very first note.');
    expect(lessonOf(classNotes(), 'B4')!.bridge).toBeNull();
    const beside = lessonOf(classNotes(), 'G4')!;
    expect(beside.place).toBeNull();
    expect(beside.comparison).toBe('Higher than E, 2 steps away; lower than A, the next step.');
  });

  it('tells a high note from the low one of the same name', () => {
    const high = lessonOf(classNotes(), 'D5')!;
    expect(high.label).toBe('D′');
    expect(high.name(pitch('D4'))).toBe('D');
  });

  it('is none for what is no note of the instrument', () => {
    expect(lessonOf(classNotes(), 'C2')).toBeNull();
    expect(lessonOf(classNotes(), 'moon')).toBeNull();
  });
});

describe('the large picture', () => {
  const [e, g] = [primaryFingering(recorder, pitch('E4'))!, primaryFingering(recorder, pitch('G4'))!];

  it('says which fingers move', () => {
    expect(changesInWords(pipeShape(recorder, e, g, 'pupil'))).toBe('right index lands, right middle lands');
    expect(changesInWords(pipeShape(recorder, g, e, 'pupil'))).toBe('right index lifts, right middle lifts');
    expect(changesInWords(pipeShape(recorder, e, null, 'pupil'))).toBe('');
  });

  it('has the left hand left for the pupil, and mirrored for those who face', () => {
    const side = (view: 'pupil' | 'facing') =>
      pipeShape(recorder, e, null, view).holes.map((hole) => `${hole.hand} ${hole.side}`);
    expect(new Set(side('pupil'))).toEqual(new Set(['left -1', 'right 1']));
    expect(new Set(side('facing'))).toEqual(new Set(['left 1', 'right -1']));
    const double = (view: 'pupil' | 'facing') =>
      pipeShape(recorder, e, null, view).holes[6]!.rings.map((ring) => ring.r);
    expect(double('pupil')).toEqual(double('facing'));
  });

  it('has a thumb side only where there is a thumb hole', () => {
    expect(pipeShape(recorder, e, null, 'pupil').back).not.toBeNull();
    expect(pipeShape(whistle, whistle.fingerings[0]!, null, 'pupil').back).toBeNull();
  });

  it('is told in words', () => {
    const picture = mount(PipePicture, { props: { on: recorder, fingering: e, from: g, view: 'pupil', label: 'E' } });
    expect(picture.attributes('aria-label')).toBe(
      'E: left hand: thumb, index, middle, ring; right hand: index, middle; changes: right index lands, right middle lands',
    );
    expect(picture.findAll('.badge')).toHaveLength(2);
    expect(picture.findAll('.finger.open')).toHaveLength(2);
  });
});

describe('Fingers', () => {
  const lesson = lessonOf(classNotes(), 'E4')!;

  it('starts from the nearest note; another can be chosen, and the picture goes back', async () => {
    const stage = mount(FingerStage, { props: { lesson, big: false, view: 'pupil' } });
    expect(stage.text()).toContain('G, and two more fingers.');
    expect(stage.text()).toContain('Check the new fingers first: right index, right middle.');
    await stage.get('select').setValue('A4');
    expect(stage.text()).toContain('A, and three more fingers.');
    await stage.get('input[value="known"]').setValue(true);
    expect(stage.get('svg.pipe').attributes('aria-label')).toContain('A: left hand: thumb, index, middle;');
    await stage.get('input[value="facing"]').setValue(true);
    expect(stage.emitted('update:view')).toEqual([['facing']]);
  });

  it('shows the class only the picture and the words', () => {
    const stage = mount(FingerStage, { props: { lesson, big: true, view: 'facing' } });
    expect(stage.text()).not.toContain('If it doesn’t sound right');
    expect(stage.text()).toContain('Mirrored');
    expect(stage.text()).toContain('Cover test');
  });
});

describe('Before', () => {
  const lesson = lessonOf(classNotes(), 'E4')!;
  const open = (keep = vi.fn().mockResolvedValue(undefined)) =>
    mountInApp(BeforeStage, {
      lesson,
      posture,
      holding: USUAL_TEACHING,
      bring: '',
      view: 'pupil',
      cautions: classNotes().cautions,
      big: false,
      saveCautions: keep,
    }).wrapper;

  it('names the hand with the mark, the cautions of a lesson, and that local rules come first', () => {
    const text = open().text();
    expect(text).toContain('Left hand on top: the hand with the green dot.');
    expect(text).toContain('Light-headed?');
    expect(text).not.toContain('Record a child');
    expect(text).toContain('come first');
  });

  it('keeps what the school shows, without empty ones', async () => {
    const keep = vi.fn().mockResolvedValue(undefined);
    const stage = open(keep);
    await stage.get('button').trigger('click');
    await stage.findAll('input[type=checkbox]')[0]!.setValue(false);
    await press('Add your own');
    await stage.get('form').trigger('submit');
    await flushPromises();
    const kept = keep.mock.calls[0]![0] as ClassNotes['cautions'];
    expect(kept).toHaveLength(USUAL_CAUTIONS.length);
    expect(kept[0]!.shown).toBe(false);
    expect(stage.find('form').exists()).toBe(false);
  });

  it('says so when it could not be kept', async () => {
    const keep = vi
      .fn()
      .mockRejectedValue(new ApiError({ error: { code: 'wrong-input', message: 'A caution needs words.' } }));
    const stage = open(keep);
    await stage.get('button').trigger('click');
    await stage.get('form').trigger('submit');
    await flushPromises();
    expect(stage.get('[role=alert]').text()).toBe('A caution needs words.');
  });
});

describe('the clock and the stairs of the lesson', () => {
  it('say whose turn it is and which beat', () => {
    const clock = mount(BeatClock, { props: { beat: 3, whose: 'class' } });
    expect(clock.text()).toContain('Your turn');
    expect(clock.get('li.on').text()).toBe('3');
    expect(
      mount(BeatClock, { props: { beat: null, whose: null } })
        .find('li.on')
        .exists(),
    ).toBe(false);
  });

  it('lead to each part', async () => {
    const stairs = mount(StageStairs, { props: { modelValue: 'before' } });
    expect(stairs.get('[aria-current=step]').text()).toContain('Before');
    await stairs.findAll('button')[3]!.trigger('click');
    expect(stairs.emitted('update:modelValue')).toEqual([['echo']]);
  });
});

it('counts on the same moves as the core', () => {
  const lesson = lessonOf(classNotes(), 'E4')!;
  expect(lesson.pairs[0]!.there).toEqual(moveBetween(recorder, pitch('G4'), pitch('E4')));
});
