import type { PupilRecord } from '@escalier/contract/pupils';
import { flushPromises } from '@vue/test-utils';
import { afterEach, describe, expect, it } from 'vitest';
import { classPage, classSummary } from '../../testing/class-page.ts';
import { clearPage } from '../../testing/page.ts';
import { fakeServer, openPage, Refused } from '../../testing/fake-server.ts';
import { press } from '../../testing/mount.ts';
import type { ClassView } from '../classes/index.ts';
import PupilsPage from './PupilsPage.vue';
import { eventually } from '../../testing/eventually.ts';

afterEach(clearPage);

const pupil = (name: string, more: Partial<PupilRecord> = {}): PupilRecord => ({
  id: name.toLowerCase(),
  name,
  startStep: 1,
  joinedOn: '2026-02-02',
  leftOn: null,
  handMark: '',
  note: '',
  playsInstead: null,
  mayRecord: false,
  breathSeconds: null,
  printSize: 'medium',
  easierLine: false,
  version: 1,
  absences: [],
  moves: [],
  ...more,
});

function answers(pupils: () => readonly PupilRecord[], page: Partial<ClassView> = {}) {
  const here = classPage({ id: 'c', ...page });
  return {
    'GET /api/classes/c/pupils': pupils,
    'GET /api/school/cautions': () => ({ cautions: [] }),
    'GET /api/classes/c': () => here,
    'GET /api/classes': () => [classSummary(), classSummary({ id: 'o', name: '4 Otter' })],
  };
}

describe('the pupils of a class', () => {
  it('are listed with what differs from the rest; who has left stands last', async () => {
    fakeServer(
      answers(() => [
        pupil('Zoe', { leftOn: '2026-02-20' }),
        pupil('Bo', { note: 'Sits in front', playsInstead: 'tin-whistle-d', absences: ['2026-02-24'] }),
      ]),
    );
    const { wrapper } = await openPage(PupilsPage, { classId: 'c' });
    expect(wrapper.get('h2').text()).toBe('1 pupil');
    const lines = wrapper.findAll('.list-group-item').map((element) => element.text());
    expect(lines[0]).toContain('away 1×');
    expect(lines[0]).toContain('has a note');
    expect(lines[1]).toContain('left 20 Feb');
  });

  it('are noted as away by a tap, and there again by another', async () => {
    let absences: PupilRecord['absences'] = [];
    const asked = fakeServer({
      ...answers(() => [pupil('Bo', { absences })]),
      'PUT /api/pupils/bo/absence': ({ body }) => {
        absences = (body as { absent: boolean }).absent ? ['2026-03-03'] : [];
        return { ok: true };
      },
    });
    const { wrapper } = await openPage(PupilsPage, { classId: 'c' });
    const tile = () => wrapper.get('.away button');
    await tile().trigger('click');
    await flushPromises();
    expect(tile().attributes('aria-pressed')).toBe('true');
    await tile().trigger('click');
    await flushPromises();
    expect(asked.filter((each) => each.method === 'PUT').map((each) => each.body)).toEqual([
      { date: '2026-03-03', absent: true },
      { date: '2026-03-03', absent: false },
    ]);
  });

  it('are changed: an empty date of leaving is none', async () => {
    const asked = fakeServer({ ...answers(() => [pupil('Bo')]), 'PUT /api/pupils/bo': () => ({ ok: true }) });
    const { wrapper } = await openPage(PupilsPage, { classId: 'c' });
    await wrapper.get('.list-group-item').trigger('click');
    await wrapper.get('textarea').setValue('Sits in front');
    await wrapper.get('form input[type=checkbox]').setValue(true);
    await wrapper.get('form').trigger('submit');
    await flushPromises();
    const sent = asked.find((each) => each.method === 'PUT')!.body;
    expect(sent).toMatchObject({ note: 'Sits in front', mayRecord: true, leftOn: null });
    expect(sent).not.toHaveProperty('absences');
  });

  it('go to a parallel group, or say why not', async () => {
    fakeServer({
      ...answers(() => [pupil('Bo', { moves: [{ on: '2026-02-10', from: '4 Otter', to: '4 Plover' }] })]),
      'POST /api/pupils/bo/move': () => new Refused(400, 'Not saved.', { classId: { code: 'name-taken', name: 'Bo' } }),
    });
    const { wrapper } = await openPage(PupilsPage, { classId: 'c' });
    await wrapper.get('.list-group-item').trigger('click');
    expect(wrapper.text()).toContain('10 Feb: moved from 4 Otter to 4 Plover.');
    await wrapper.get('[aria-label="Class"]').setValue('o');
    await wrapper.findAll('form').at(-1)!.trigger('submit');
    await flushPromises();
    expect(wrapper.text()).toContain('Bo is already in this class.');
  });

  const erasing = {
    ...answers(() => [pupil('Bo')]),
    'GET /api/pupils/bo/traces': () => [
      { place: 'instrument-note', key: 'i', words: 'Bo dropped it', isWhole: true },
      { place: 'lesson-remark', key: 'l', words: 'Bo helps', isWhole: false },
    ],
    'POST /api/pupils/bo/erase': () => ({ ok: true }),
  };

  it('are erased only by an owner', async () => {
    fakeServer(erasing);
    const teacher = await openPage(PupilsPage, { classId: 'c' }, { role: 'teacher' });
    await teacher.wrapper.get('.list-group-item').trigger('click');
    expect(teacher.wrapper.text()).not.toContain('Erase');
  });

  it('are erased only after a second word, with the texts in which the name stands', async () => {
    const asked = fakeServer(erasing);
    const { wrapper } = await openPage(PupilsPage, { classId: 'c' });
    await wrapper.get('.list-group-item').trigger('click');
    await press('Erase Bo …');
    expect(asked.some((each) => each.method === 'POST')).toBe(false);
    // A whole name is ticked; a first name may be another child's.
    await eventually(() => expect(document.body.textContent).toContain('Note on an instrument: Bo dropped it'));
    await eventually(() => press('Erase for good'));
    expect(asked.find((each) => each.path.endsWith('/erase'))?.body).toEqual({
      clean: [{ place: 'instrument-note', key: 'i' }],
    });
  });

  it('whose family takes its consent back: what was recorded can go, too', async () => {
    let mayRecord = true;
    const asked = fakeServer({
      ...answers(() => [pupil('Bo', { mayRecord })]),
      'PUT /api/pupils/bo': () => {
        mayRecord = false;
        return { ok: true };
      },
      'GET /api/pupils/bo/recordings': () => ({ count: 3 }),
      'DELETE /api/pupils/bo/recordings': () => ({ erased: 3 }),
    });
    const { wrapper } = await openPage(PupilsPage, { classId: 'c' });
    await wrapper.get('.list-group-item').trigger('click');
    await wrapper.get('form input[type=checkbox]').setValue(false);
    await wrapper.get('form').trigger('submit');
    await eventually(() => press('Erase 3 recordings'));
    expect(asked.some(({ method, path }) => method === 'DELETE' && path.endsWith('/recordings'))).toBe(true);
  });
});
