import type { TermDto } from '@escalier/contract/terms';
import { NO_ROTATION } from '@escalier/core/calendar';
import { flushPromises } from '@vue/test-utils';
import { describe, expect, it } from 'vitest';
import { fakeServer, openPage, Refused } from '../../testing/fake-server.ts';
import { mountInApp, press } from '../../testing/mount.ts';
import SubscribeCard from './SubscribeCard.vue';
import TermsPage from './TermsPage.vue';

const spring: TermDto = {
  id: 't1',
  name: 'Spring',
  startsOn: '2026-01-12',
  endsOn: '2026-04-02',
  daysOff: [{ from: '2026-02-16', to: '2026-02-20', reason: 'Half-term holiday' }],
  rotation: NO_ROTATION,
  version: 1,
};

describe('the terms', () => {
  it('a single day off needs only its first day', async () => {
    const asked = fakeServer({
      'GET /api/terms': () => [spring],
      'PUT /api/terms/t1': ({ body }) => ({ id: 't1', ...(body as object) }),
    });
    const { wrapper } = await openPage(TermsPage);
    await press('Add a day off');
    await wrapper.get('[aria-label="First day off 2"]').setValue('2026-03-03');
    await wrapper.get('[aria-label="Reason of day off 2"]').setValue('Boiler repair');
    expect(wrapper.findAll('td .day.off')).toHaveLength(6);
    await wrapper.get('form').trigger('submit');
    await flushPromises();
    const sent = asked.find((each) => each.method === 'PUT')!.body as TermDto;
    expect(sent.daysOff[1]).toEqual({ from: '2026-03-03', to: '2026-03-03', reason: 'Boiler repair' });
  });

  it('the first one is made where there is none', async () => {
    const made: TermDto[] = [];
    const asked = fakeServer({
      'GET /api/terms': () => made,
      'POST /api/terms': ({ body }) => {
        made.push({ id: 't9', ...(body as Omit<TermDto, 'id'>) });
        return made[0];
      },
    });
    const { wrapper } = await openPage(TermsPage);
    expect(wrapper.text()).toContain('No terms yet.');
    await wrapper.get('input[type=text]').setValue('First term');
    const [first, last] = wrapper.findAll('input[type=date]');
    await first!.setValue('2026-01-12');
    await last!.setValue('2026-04-02');
    await wrapper.get('form').trigger('submit');
    await flushPromises();
    expect(asked.find((each) => each.method === 'POST')!.body).toMatchObject({ name: 'First term', daysOff: [] });
    expect(wrapper.get<HTMLSelectElement>('select').element.value).toBe('t9');
  });

  it('says beside its line what is wrong with a day off, and keeps what was typed', async () => {
    const fields = { 'daysOff.0': { code: 'first-last' } } as const;
    fakeServer({
      'GET /api/terms': () => [spring],
      'PUT /api/terms/t1': () => new Refused(400, 'Not saved.', fields),
    });
    const { wrapper } = await openPage(TermsPage);
    await wrapper.get('[aria-label="Last day off 1"]').setValue('2026-02-01');
    await wrapper.get('form').trigger('submit');
    await flushPromises();
    expect(wrapper.get('[role=alert]').text()).toContain('It ends before it begins.');
    expect(wrapper.get<HTMLInputElement>('[aria-label="Last day off 1"]').element.value).toBe('2026-02-01');
  });

  it('take over the days off of a file that are ticked', async () => {
    const found = {
      daysOff: [
        { from: '2026-02-16', to: '2026-02-20', reason: 'Half-term holiday' },
        { from: '2026-03-17', to: '2026-03-17', reason: 'Founders’ day' },
      ],
      leftOut: ['“Concert” has times of day: it is no day off.'],
    };
    fakeServer({ 'GET /api/terms': () => [spring], 'POST /api/terms/t1/holidays': () => found });
    const { wrapper } = await openPage(TermsPage);
    const input = wrapper.get<HTMLInputElement>('input[type=file]');
    Object.defineProperty(input.element, 'files', { value: [new File(['BEGIN:VCALENDAR'], 'a.ics')] });
    await input.trigger('change');
    await flushPromises();
    await flushPromises();
    const preview = wrapper.get('[aria-label="Days off in the file"]');
    expect(preview.text()).toContain('(already there)');
    expect(preview.text()).toContain('1 left out');
    await press('Add these');
    const reasons = wrapper.findAll<HTMLInputElement>('input.reason').map((element) => element.element.value);
    expect(reasons).toEqual(['Half-term holiday', 'Founders’ day']);
  });
});

describe('the address to subscribe to', () => {
  it('is opened, renewed and closed', async () => {
    const [first, second] = ['f'.repeat(43), 's'.repeat(43)];
    const tokens = [first, second, null];
    const asked = fakeServer({ 'PUT /api/calendar/c1/link': () => ({ token: tokens.shift() ?? null }) });
    const { wrapper, setProps } = mountInApp(SubscribeCard, { classId: 'c1', token: null });
    const then = async (text: string) => {
      await press(text);
      await setProps({ token: (wrapper.emitted('changed') as [string | null][]).at(-1)![0] });
    };
    await then('Create an address to subscribe to');
    expect(wrapper.get<HTMLInputElement>('input').element.value).toMatch(new RegExp(`/api/calendars/${first}$`));
    await then('Create a new address');
    expect(wrapper.get<HTMLInputElement>('input').element.value).toMatch(new RegExp(`${second}$`));
    await then('Turn it off');
    expect(wrapper.find('input').exists()).toBe(false);
    expect(asked.map((each) => each.body)).toEqual([{ on: true }, { on: true }, { on: false }]);
  });
});
