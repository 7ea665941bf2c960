import type { InstrumentLine, InstrumentList } from '@escalier/contract/instruments';
import { flushPromises } from '@vue/test-utils';
import { describe, expect, it } from 'vitest';
import { fakeServer, openPage, Refused } from '../../testing/fake-server.ts';
import { press } from '../../testing/mount.ts';
import BeltsPage from './BeltsPage.vue';
import InstrumentsPage from './InstrumentsPage.vue';

const KIND = 'soprano-recorder-baroque';
const line = (number: number, more: Partial<InstrumentLine> = {}): InstrumentLine => ({
  id: `i${number}`,
  number,
  kind: KIND,
  owner: 'school',
  condition: 'good',
  note: '',
  version: 1,
  cleanedAt: null,
  loans: [],
  ...more,
});
const desk: InstrumentList = {
  instruments: [
    line(1, {
      loans: [
        { id: 'l1', pupilId: 'a', pupil: 'Aino', classId: 'p', lentOn: '2026-03-02' },
        { id: 'l2', pupilId: 'b', pupil: 'Abel', classId: 'o', lentOn: '2026-03-02' },
      ],
    }),
    line(2),
    line(3, { condition: 'lost' }),
  ],
  classes: [
    { id: 'p', name: '4 Plover', kind: KIND, pupils: [{ id: 'a', name: 'Aino', kind: KIND }] },
    { id: 'o', name: '4 Otter', kind: KIND, pupils: [{ id: 'b', name: 'Abel', kind: KIND }] },
  ],
  cleaning: [{ classId: 'o', date: '2026-03-04', at: '09:40', playedBy: 'p', instrumentIds: ['i1'] }],
};
const base = {
  'GET /api/instruments': () => desk,
  'GET /api/school/cautions': () => ({ cautions: [] }),
};

describe('the instruments', () => {
  it('show who has which, what is not to be had, and what to clean before which class', async () => {
    const asked = fakeServer({ ...base, 'POST /api/instruments/cleaned': () => ({ ok: true }) });
    const { wrapper } = await openPage(InstrumentsPage);
    expect(wrapper.get('h2').text()).toBe('3 instruments, 2 usable');
    expect(wrapper.text()).toContain(
      'Before 4 Otter, Wednesday 4 March, 9:40 am: 1 instrument last played by 4 Plover.',
    );
    expect(wrapper.text()).toContain('Number 1');
    await press('Cleaned now');
    expect(asked.find((each) => each.method === 'POST')!.body).toEqual({ ids: ['i1'] });
  });

  it('are lent to a class after a look at who would get which', async () => {
    const plan = { pairs: [{ instrumentId: 'i2', number: 2, pupilId: 'c', pupil: 'Chidi' }], without: ['Dov'] };
    const asked = fakeServer({ ...base, 'POST /api/instruments/lend': () => plan });
    const { wrapper } = await openPage(InstrumentsPage);
    await press('Who gets which?');
    expect(wrapper.text()).toContain('2 Chidi');
    expect(wrapper.text()).toContain('No instrument for Dov');
    await press('Lend 1 instrument');
    const sent = asked.filter((each) => each.path === '/api/instruments/lend').map((each) => each.body);
    expect(sent).toEqual([
      { classId: 'p', share: false, dryRun: true },
      { classId: 'p', share: false, dryRun: false },
    ]);
    expect(wrapper.text()).not.toContain('No instrument for Dov');
  });

  it('say why one cannot be lent', async () => {
    fakeServer({
      ...base,
      'POST /api/instruments/i3/loans': () =>
        new Refused(400, 'Not saved.', { pupilId: { code: 'condition', number: 3, condition: 'lost' } }),
    });
    const { wrapper } = await openPage(InstrumentsPage);
    await wrapper
      .findAll('li button')
      .find((element) => element.text().startsWith('3'))!
      .trigger('click');
    await wrapper.get('[aria-label="Lend to"]').setValue('a');
    await wrapper.get('form.line').trigger('submit');
    await flushPromises();
    expect(wrapper.text()).toContain('Number 3 is lost.');
  });

  it('are printed for one class, sorted by name', async () => {
    fakeServer(base);
    const { wrapper } = await openPage(InstrumentsPage);
    await wrapper.get('[aria-label="Show"]').setValue('o');
    expect(wrapper.get('.print-only h1').text()).toBe('Instruments, 4 Otter');
    expect(wrapper.findAll('.print-only tbody tr').map((row) => row.text())).toEqual(['Abel1good']);
  });
});

describe('belts', () => {
  it('are compared with what is typed, before it is stored', async () => {
    const belts = {
      stock: [{ belt: 'straw', way: 'pieces', onHand: 0, cmEach: 60, reservePercent: 10 }],
      classes: [
        {
          id: 'p',
          name: '4 Plover',
          lessonsLeft: 17,
          steps: [{ belt: 'straw', position: 1, passed: 20, likely: 3, atMost: 4 }],
        },
      ],
    };
    const asked = fakeServer({
      'GET /api/belts': () => belts,
      'GET /api/belts/earned': () => [],
      'PUT /api/belts': () => belts,
    });
    const { wrapper } = await openPage(BeltsPage);
    expect(wrapper.get('tbody tr').text()).toContain('3 to 4');
    expect(wrapper.get('tbody tr').text()).toContain('4 more');
    await wrapper.get('[aria-label="straw: in stock"]').setValue(4);
    expect(wrapper.get('tbody tr').text()).toContain('enough');
    await wrapper.get('form').trigger('submit');
    await flushPromises();
    expect(asked.at(-1)!.body).toEqual({ belts: [{ ...belts.stock[0], onHand: 4, version: 0 }] });
  });
});
