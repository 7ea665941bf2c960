import { mount } from '@vue/test-utils';
import { createPinia, setActivePinia } from 'pinia';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { whenSignedOut } from '../../api.ts';
import { heardEvent, undoneEvent } from './events.ts';
import FaultChips from './FaultChips.vue';
import LastRecordStrip from './LastRecordStrip.vue';
import OutcomeButtons from './OutcomeButtons.vue';
import { useHearing } from './store.ts';

const draft = { pupilId: 'p', stepId: 's', outcome: 'passed', remarks: ['leak'] } as const;
const now = new Date('2026-03-03T10:00:00Z');

describe('events', () => {
  it('carry an id of their own that grows with time', () => {
    const [first, second] = [heardEvent(draft, now), heardEvent(draft, now)];
    expect(first).toMatchObject({ kind: 'heard', ...draft, heardAt: '2026-03-03T10:00:00.000Z' });
    expect(first.id).not.toBe(second.id);
    expect(first.id[14]).toBe('7');
    expect(first.id < second.id).toBe(true);
    expect(undoneEvent(first.id, now)).toMatchObject({ kind: 'undone', undoes: first.id });
  });
});

describe('the hearing store', () => {
  const fetched = vi.fn<typeof fetch>();
  const answer = (status: number, body: unknown): Response =>
    new Response(JSON.stringify(body), { status, headers: { 'content-type': 'application/json' } });
  beforeEach(() => {
    setActivePinia(createPinia());
    vi.stubGlobal('fetch', fetched);
  });
  afterEach(() => {
    vi.unstubAllGlobals();
    fetched.mockReset();
  });

  it('shows a record only once the school has it, and undoes that one', async () => {
    fetched.mockImplementation(() => Promise.resolve(answer(201, { stored: true })));
    const hearing = useHearing();
    expect(await hearing.hear(draft, 'Ann', 3)).toBe(true);
    expect(hearing.last).toMatchObject({ pupilName: 'Ann', outcome: 'passed', position: 3 });
    const recorded = hearing.last!.id;
    expect(await hearing.undo()).toBe(true);
    expect(hearing.last).toBeNull();
    const sent = fetched.mock.calls.map(
      ([, init]) => JSON.parse(init?.body as string) as { kind: string; undoes?: string },
    );
    expect(sent.map((event) => event.kind)).toEqual(['heard', 'undone']);
    expect(sent[1]!.undoes).toBe(recorded);
  });

  it('says the server’s own sentence when it refuses, and another when nothing is reached', async () => {
    const hearing = useHearing();
    fetched.mockResolvedValueOnce(
      answer(400, { error: { code: 'wrong-input', message: 'This pupil has left the class.' } }),
    );
    expect(await hearing.hear(draft, 'Ann', 3)).toBe(false);
    expect(hearing.error).toBe('Not recorded. This pupil has left the class.');
    fetched.mockRejectedValueOnce(new TypeError('offline'));
    await hearing.hear(draft, 'Ann', 3);
    expect(hearing.error).toContain('cannot be reached');
    fetched.mockResolvedValueOnce(new Response('<html>', { status: 502 }));
    await hearing.hear(draft, 'Ann', 3);
    expect(hearing.error).toContain('cannot be read');
    expect(hearing.last).toBeNull();
  });

  it('tells when the session is over', async () => {
    const over = vi.fn();
    whenSignedOut(over);
    fetched.mockResolvedValueOnce(answer(401, { error: { code: 'signed-out', message: 'Please sign in first.' } }));
    await useHearing().hear(draft, 'Ann', 3);
    expect(over).toHaveBeenCalledOnce();
  });

  it('sends one record at a time', async () => {
    let release: (response: Response) => void = () => undefined;
    fetched.mockReturnValueOnce(new Promise((resolve) => (release = resolve)));
    const hearing = useHearing();
    const first = hearing.hear(draft, 'Ann', 3);
    expect(await hearing.hear(draft, 'Ann', 3)).toBe(false);
    release(answer(201, { stored: true }));
    expect(await first).toBe(true);
    expect(fetched).toHaveBeenCalledOnce();
  });
});

describe('the pieces of the hearing page', () => {
  it('offers three outcomes, for the pupil by name', async () => {
    const buttons = mount(OutcomeButtons, { props: { busy: false, pupilName: 'Ann' } });
    expect(buttons.get('[role=group]').attributes('aria-label')).toBe('How did Ann do?');
    for (const button of buttons.findAll('button')) await button.trigger('click');
    expect(buttons.emitted('judge')).toEqual([['passed'], ['nearly'], ['not-yet']]);
  });

  it('ticks faults and shows the remedy of each', async () => {
    const chips = mount(FaultChips, { props: { modelValue: ['leak'] } });
    expect(chips.text()).toContain('Flat pads, thumb first');
    expect(chips.text()).not.toContain('Warm, slow breath');
    await chips.get('input[value=tongue]').setValue(true);
    expect(chips.emitted('update:modelValue')).toEqual([[['leak', 'tongue']]]);
  });

  it('says what was recorded last, or what went wrong', () => {
    const last = { id: 'x', pupilName: 'Ann', outcome: 'nearly', position: 2 } as const;
    const stubs = { BButton: { template: '<button><slot /></button>' } };
    expect(mount(LastRecordStrip, { props: { last, error: null }, global: { stubs } }).text()).toContain(
      'Ann nearly passed, step 2.',
    );
    expect(mount(LastRecordStrip, { props: { last, error: 'Not recorded.' }, global: { stubs } }).text()).toBe(
      'Not recorded.',
    );
    expect(mount(LastRecordStrip, { props: { last: null, error: null }, global: { stubs } }).text()).toBe('');
  });
});
