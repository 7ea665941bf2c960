import { NO_ROTATION } from '@escalier/core/calendar';
import { flushPromises } from '@vue/test-utils';
import { describe, expect, it } from 'vitest';
import { classPage, classSummary } from '../../testing/class-page.ts';
import { fakeServer, openPage, Refused } from '../../testing/fake-server.ts';
import { press } from '../../testing/mount.ts';
import ClassSettingsPage from './ClassSettingsPage.vue';

const term = {
  id: 't',
  name: 'Spring',
  startsOn: '2026-02-02',
  endsOn: '2026-05-01',
  daysOff: [],
  rotation: NO_ROTATION,
};
const stairs = { id: 's', name: 'Recorder, from B down', instrumentId: 'soprano-recorder-baroque' };
const page = classPage({ id: 'c' });
const settings = {
  id: 'c',
  name: '4 Plover',
  grade: 'Year 4',
  termId: 't',
  staircaseId: 's',
  meetings: [{ on: { kind: 'weekly', weekday: 2 }, at: '09:40', minutes: 40, mode: 'room' }],
  style: page.style,
  brings: { notes: [], elements: [], signs: [], moves: [], tuneIds: [] },
};
const choices = { 'GET /api/terms': () => [term], 'GET /api/staircases': () => [stairs] };
const existing = {
  ...choices,
  'GET /api/classes/c/settings': () => settings,
  'GET /api/classes/c': () => page,
  'GET /api/classes': () => [classSummary(), classSummary({ id: 'o', name: '4 Otter', pupils: 26 })],
  'GET /api/calendar/c': () => ({ term, lessons: page.lessons.all, lost: [], groups: [], token: null }),
};

describe('a new class', () => {
  it('begins with what is usual and goes on to its pupils', async () => {
    const asked = fakeServer({ ...choices, 'POST /api/classes': ({ body }) => ({ id: 'n', ...(body as object) }) });
    const { wrapper, push } = await openPage(ClassSettingsPage, { classId: null });
    const [name, grade] = wrapper.findAll('input[type=text]');
    await name!.setValue('3 Heron');
    await grade!.setValue('Year 3');
    await press('Add a lesson time');
    expect(wrapper.get('figcaption').text()).toContain('13 lessons');
    await wrapper.get('form').trigger('submit');
    await flushPromises();
    expect(asked.at(-1)!.body).toMatchObject({
      name: '3 Heron',
      staircaseId: 's',
      style: { naming: 'letters', passRule: 'both', ladder: ['say', 'clap', 'finger', 'spot', 'whole'] },
    });
    expect(push).toHaveBeenCalledWith({ name: 'pupils', params: { classId: 'n' } });
  });

  it('needs a term first', async () => {
    fakeServer({ ...choices, 'GET /api/terms': () => [] });
    const { wrapper } = await openPage(ClassSettingsPage, { classId: null });
    expect(wrapper.text()).toContain('A class needs a term.');
    expect(wrapper.find('form').exists()).toBe(false);
  });
});

describe('the settings of a class', () => {
  it('say what speaks for each choice, and send what was changed', async () => {
    const asked = fakeServer({ ...existing, 'PUT /api/classes/c/settings': () => settings });
    const { wrapper } = await openPage(ClassSettingsPage, { classId: 'c' });
    expect(wrapper.text()).toContain('The names used on sheet music and by other teachers.');
    const naming = wrapper.findAll('select').find((element) => element.text().includes('Do re mi, movable'))!;
    await naming.setValue('movable-do');
    expect(wrapper.text()).toContain('pupils hear where each note sits in the key');
    await wrapper.get('form').trigger('submit');
    await flushPromises();
    const sent = asked.find((each) => each.method === 'PUT')!.body;
    expect(sent).toMatchObject({ style: { naming: 'movable-do' } });
    expect(sent).not.toHaveProperty('staircaseId');
  });

  it('say at its place what the server refuses', async () => {
    const ladder = { code: 'rungs', least: 3, most: 6 } as const;
    const fields = { 'meetings.0.at': { code: 'not-time' }, 'style.ladder': ladder } as const;
    fakeServer({ ...existing, 'PUT /api/classes/c/settings': () => new Refused(400, 'Not saved.', fields) });
    const { wrapper } = await openPage(ClassSettingsPage, { classId: 'c' });
    await wrapper.get('form').trigger('submit');
    await flushPromises();
    expect(wrapper.get('.meeting').text()).toContain('A time such as 09:40.');
    expect(wrapper.get('[aria-label="Practice ladder"]').element.parentElement!.textContent).toContain(
      'A ladder has 3 to 6 rungs.',
    );
  });

  it('work out how long hearing all takes, for the parallel group too', async () => {
    fakeServer(existing);
    const { wrapper } = await openPage(ClassSettingsPage, { classId: 'c' });
    // 24 s of tune + 15 s to change + 20 s to talk = 59 s: ten turns in ten minutes.
    expect(wrapper.text()).toContain('one pupil: tune 24 s + change 15 s + talk 20 s = 59 s');
    expect(wrapper.text()).toContain('4 Otter, 26 pupils: 3 lessons; 5 left');
  });
});
