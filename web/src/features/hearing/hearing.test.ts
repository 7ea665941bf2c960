import 'fake-indexeddb/auto';
import { mount } from '@vue/test-utils';
import { createPinia, setActivePinia } from 'pinia';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { useOutbox } from '../../offline/index.ts';
import { heardEvent, undoneEvent } from './events.ts';
import RemarkChips from './RemarkChips.vue';
import LastRecordStrip from './LastRecordStrip.vue';
import OutcomeButtons from './OutcomeButtons.vue';
import { useHearing } from './store.ts';
import { tappedTempo } from './tapped-tempo.ts';

const draft = { pupilId: 'p', stepId: 's', outcome: 'passed', remarks: ['leak'] } as const;
const now = new Date('2026-03-03T10:00:00Z');

describe('events', () => {
  it('carry an id of their own that grows with time', () => {
    const [first, second] = [heardEvent(draft, now), heardEvent(draft, now)];
    expect(first).toMatchObject({ kind: 'heard', ...draft, heardAt: '2026-03-03T10:00:00.000Z' });
    expect(first.id).not.toBe(second.id);
    expect(first.id[14]).toBe('7');
    expect(first.id < second.id).toBe(true);
    expect(undoneEvent(first, now)).toMatchObject({ kind: 'undone', undoes: first.id, pupilId: 'p' });
  });
});

describe('the hearing store', () => {
  beforeEach(async () => {
    setActivePinia(createPinia());
    vi.stubGlobal('fetch', () => Promise.reject(new TypeError('offline')));
    await useOutbox().open(`${crypto.randomUUID()}@osierbridge.example`, '');
  });
  afterEach(() => vi.unstubAllGlobals());

  it('keeps a record on the device when the school is not reached, and says so', async () => {
    const hearing = useHearing();
    expect(await hearing.hear('c', draft, 'Ann', 3)).toBe(true);
    expect(hearing.last).toMatchObject({ pupilName: 'Ann', outcome: 'passed', position: 3 });
    expect(hearing.atSchool).toBe(false);
    expect(useOutbox().waiting.map((kept) => kept.event.id)).toEqual([hearing.last!.event.id]);
  });

  it('undoes the last record, and then the one before it', async () => {
    const hearing = useHearing();
    await hearing.hear('c', draft, 'Ann', 3);
    await hearing.hear('c', { ...draft, pupilId: 'q' }, 'Ben', 1);
    await hearing.undo();
    expect(hearing.last?.pupilName).toBe('Ann');
    await hearing.undo();
    expect(hearing.last).toBeNull();
    const kinds = useOutbox().waiting.map(({ event }) =>
      event.kind === 'undone' ? `undo ${event.pupilId}` : event.kind,
    );
    expect(kinds).toEqual(['heard', 'heard', 'undo q', 'undo p']);
  });
});

describe('the tempo that is tapped', () => {
  it('is the middle of the steps, from the third tap on', () => {
    expect(tappedTempo([0, 500])).toBeNull();
    expect(tappedTempo([0, 500, 1000])).toBe(120);
    expect(tappedTempo([0, 500, 1000, 2000, 2500, 3000])).toBe(120);
  });

  it('begins anew after a pause, and is none where nobody plays so', () => {
    expect(tappedTempo([0, 500, 1000, 9000, 9600, 10_200])).toBe(100);
    expect(tappedTempo([0, 10, 20])).toBeNull();
  });
});

describe('the pieces of the hearing page', () => {
  beforeEach(() => setActivePinia(createPinia()));

  it('offers three outcomes, for the pupil by name', async () => {
    const buttons = mount(OutcomeButtons, { props: { pupilName: 'Ann', keys: true } });
    expect(buttons.get('[role=group]').attributes('aria-label')).toBe('How did Ann do?');
    for (const button of buttons.findAll('button')) await button.trigger('click');
    expect(buttons.emitted('judge')).toEqual([['passed'], ['nearly'], ['not-yet']]);
  });

  it('ticks problems and shows the remedy of each', async () => {
    const chips = mount(RemarkChips, { props: { modelValue: ['leak'] } });
    expect(chips.text()).toContain('Flat pads, thumb first');
    expect(chips.text()).not.toContain('Warm, slow breath');
    await chips.get('input[value=tongue]').setValue(true);
    expect(chips.emitted('update:modelValue')).toEqual([[['leak', 'tongue']]]);
  });

  it('says what was recorded last and where it is, or what went wrong', () => {
    const event = heardEvent({ ...draft, outcome: 'nearly' }, now);
    const last = { event, classId: 'c', pupilName: 'Ann', outcome: 'nearly', position: 2 } as const;
    const stubs = { BButton: { template: '<button><slot /></button>' } };
    const strip = (props: { last: typeof last | null; atSchool: boolean; error: string | null }) =>
      mount(LastRecordStrip, { props, global: { stubs } }).text();
    expect(strip({ last, atSchool: false, error: null })).toMatch(/Ann nearly passed, step 2\.\s+Saved here/);
    expect(strip({ last, atSchool: true, error: null })).toContain('Saved at school');
    expect(strip({ last, atSchool: true, error: 'Not recorded.' })).toBe('Not recorded.');
    expect(strip({ last: null, atSchool: true, error: null })).toBe('');
  });
});
