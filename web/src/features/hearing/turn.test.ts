import type { QueuePlace } from '@escalier/core/records';
import { standings } from '@escalier/core/records';
import { mount } from '@vue/test-utils';
import { createPinia, setActivePinia } from 'pinia';
import { beforeEach, describe, expect, it } from 'vitest';
import { ref, shallowRef } from 'vue';
import type { PupilView } from '../classes/index.ts';
import { classPage, pupilView } from '../../testing/class-page.ts';
import { mountInApp, openHow } from '../../testing/mount.ts';
import GroupColumns from './GroupColumns.vue';
import QueueCard from './QueueCard.vue';
import { useTurn } from './use-turn.ts';
import { eventually } from '../../testing/eventually.ts';

const pupil = (name: string, startStep = 1): PupilView =>
  pupilView(name, {
    startStep,
    standing: standings(
      [{ pupilId: name, startStepIndex: startStep - 1 }],
      ['step-1', 'step-2', 'step-3'].map((id) => ({ id, tunes: [], toPass: 1 })),
      [],
    )[0]!,
  });

const PUPILS = [pupil('Ann'), pupil('Ben', 2), pupil('Cem'), pupil('Dee'), pupil('Eva', 2)];
const queueOf = (...names: string[]): readonly QueuePlace[] =>
  names.map((pupilId) => ({ pupilId, reason: 'waited', lessons: 2 }));

function turn(size = 1, wanted?: string) {
  const page = shallowRef<ReturnType<typeof classPage> | null>(
    classPage({ pupils: PUPILS, queue: queueOf('Ann', 'Ben', 'Cem', 'Dee', 'Eva') }),
  );
  const playing = shallowRef<readonly PupilView[] | null>(null);
  return { page, playing, ...useTurn(page, ref(wanted), ref(size), () => playing.value) };
}

const names = (pupils: readonly PupilView[]) => pupils.map((pupil) => pupil.name);

describe('whose turn it is', () => {
  it('is the first in the queue, or who is wanted, and then the next who waits', () => {
    expect(turn().pupil.value?.name).toBe('Ann');
    expect(turn().next.value?.name).toBe('Ben');
    const wanted = turn(1, 'Dee');
    expect(wanted.pupil.value?.name).toBe('Dee');
    expect(wanted.next.value?.name).toBe('Ann');
    expect(turn(1, 'nobody').pupil.value).toBeNull();
  });

  it('is a row of those who play the same step', () => {
    const { group, next } = turn(3);
    expect(names(group.value)).toEqual(['Ann', 'Cem', 'Dee']);
    expect(next.value?.name).toBe('Ben');
    expect(names(turn(3, 'Eva').group.value)).toEqual(['Eva', 'Ben']);
  });

  it('puts who is skipped behind the others', () => {
    const { queue, skip, pupil: first } = turn();
    skip([PUPILS[0]!, PUPILS[1]!]);
    expect(names(queue.value)).toEqual(['Cem', 'Dee', 'Eva', 'Ann', 'Ben']);
    expect(first.value?.name).toBe('Cem');
  });

  it('goes on to who does not play in the row that is being judged', () => {
    const { playing, next } = turn(3);
    playing.value = [PUPILS[0]!, PUPILS[1]!];
    expect(next.value?.name).toBe('Cem');
  });

  it('says why', () => {
    expect(turn().why('Ann')).toBe('not heard for 2 lessons');
    expect(turn().why('nobody')).toBe('');
  });
});

describe('a row', () => {
  beforeEach(() => setActivePinia(createPinia()));

  it('has a column for each, one tap each, with the remarks of that column', async () => {
    const { wrapper: row, setProps } = mountInApp(GroupColumns, { group: [PUPILS[0]!, PUPILS[2]!], done: new Map() });
    const [ann, cem] = row.findAll('li.card-paper');
    await cem!.get('.how-toggle').trigger('click');
    await eventually(() => cem!.get('.how-body'));
    await cem!.get('input[value=leak]').setValue(true);
    await cem!.findAll('button')[1]!.trigger('click');
    await ann!.findAll('button')[0]!.trigger('click');
    expect(row.emitted('judge')).toEqual([
      [PUPILS[2], 'nearly', ['leak']],
      [PUPILS[0], 'passed', []],
    ]);
    await setProps({ done: new Map([['Cem', 'nearly']]) });
    expect(row.findAll('li.card-paper')[1]!.text()).toBe('CemNearly');
  });
});

it('the queue tells who comes after that, with the reason, and why in this order', async () => {
  const card = mount(QueueCard, {
    props: { page: classPage(), queue: PUPILS.slice(1, 3), why: () => 'not heard for 2 lessons' },
    global: { stubs: { RouterLink: { template: '<a><slot /></a>' } } },
  });
  expect(card.findAll('li').map((line) => line.text())).toEqual([
    'Ben step 2, not heard for 2 lessons',
    'Cem step 1, not heard for 2 lessons',
  ]);
  await openHow(card);
  expect(card.text()).toContain('10 in a lesson’s 10 minutes');
});
