import '../../testing/own-database.ts';
import { mount } from '@vue/test-utils';
import { createPinia, setActivePinia } from 'pinia';
import { nextTick, ref } from 'vue';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { useOutbox } from '../../offline/index.ts';
import { useAway } from '../classes/index.ts';
import { heardEvent, undoneEvent } from './events.ts';
import RemarkChips from './RemarkChips.vue';
import LastRecordStrip from './LastRecordStrip.vue';
import OutcomeButtons from './OutcomeButtons.vue';
import { useHearing, type LastRecord } from './store.ts';
import { useFaults } from './use-faults.ts';
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
  afterEach(async () => {
    // What waits is not sent to the next test's school.
    await useOutbox().leave();
    vi.unstubAllGlobals();
  });

  it('keeps a record on the device when the school is not reached, and says so', async () => {
    const hearing = useHearing();
    expect(await hearing.hear('c', draft, 'Ann', 3)).toBe(true);
    expect(hearing.last).toMatchObject({ pupilName: 'Ann', outcome: 'passed', position: 3 });
    expect(hearing.atSchool).toBe(false);
    expect(useOutbox().waiting.map((kept) => kept.event.pupilId)).toEqual([hearing.last!.pupilId]);
  });

  it('undoes the last record, and then the one before it', async () => {
    const hearing = useHearing();
    await hearing.hear('c', draft, 'Ann', 3);
    await hearing.hear('c', { ...draft, pupilId: 'q' }, 'Ben', 1);
    expect(await hearing.undo()).toMatchObject({ pupilName: 'Ben' });
    expect(hearing.last?.pupilName).toBe('Ann');
    await hearing.undo();
    expect(hearing.last).toBeNull();
    const kinds = useOutbox().waiting.map(({ event }) =>
      event.kind === 'undone' ? `undo ${event.pupilId}` : event.kind,
    );
    expect(kinds).toEqual(['heard', 'heard', 'undo q', 'undo p']);
  });
});

describe('who is away', () => {
  beforeEach(() => setActivePinia(createPinia()));
  afterEach(() => vi.unstubAllGlobals());

  it('is noted here without a network, said, and taken back by the same key', async () => {
    vi.stubGlobal('fetch', () => Promise.reject(new TypeError('offline')));
    const hearing = useHearing();
    const ann = { classId: 'c', pupilId: 'p', pupilName: 'Ann' };
    expect(await hearing.noteAway(ann, '2026-03-03')).toBe(true);
    expect(hearing.last).toMatchObject({ kind: 'away', pupilName: 'Ann' });
    expect(hearing.atSchool).toBe(false);
    expect(useAway().isAway('p', '2026-03-03')).toBe(true);
    expect(await hearing.undo()).toMatchObject({ kind: 'away', pupilId: 'p' });
    expect(useAway().isAway('p', '2026-03-03')).toBe(false);
  });
});

describe('where it went wrong', () => {
  const marking = () => {
    const remarks = ref<string[]>([]);
    return { remarks, ...useFaults(remarks) };
  };
  const bar3 = { bar: 3, barIndex: 2 };

  it('takes the place first and the remark after it, or the other way round', async () => {
    const { remarks, faults, mark } = marking();
    mark(bar3);
    remarks.value = ['stopped'];
    await nextTick();
    remarks.value = ['stopped', 'note'];
    await nextTick();
    mark({ bar: 7, barIndex: 6, eventIndex: 1 });
    mark({ bar: 8, barIndex: 7 });
    expect(faults.value).toEqual([
      { ...bar3, remark: 'stopped' },
      { bar: 7, barIndex: 6, eventIndex: 1, remark: 'note' },
      { bar: 8, barIndex: 7 },
    ]);
  });

  it('loses its places with the remark, and a place that is taken away', async () => {
    const { remarks, faults, mark, drop } = marking();
    remarks.value = ['stopped'];
    await nextTick();
    mark(bar3);
    mark({ bar: 5, barIndex: 4 });
    drop(faults.value[1]!);
    remarks.value = [];
    await nextTick();
    expect(faults.value).toEqual([]);
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
    const who = { classId: 'c', pupilId: 'p', pupilName: 'Ann' } as const;
    const last: LastRecord = { kind: 'heard', event, ...who, outcome: 'nearly', position: 2, part: false };
    const stubs = { BButton: { template: '<button><slot /></button>' } };
    const strip = (props: { last: LastRecord | null; atSchool: boolean; error: string | null }) =>
      mount(LastRecordStrip, { props, global: { stubs } }).text();
    expect(strip({ last, atSchool: false, error: null })).toMatch(/Ann nearly passed, step 2\.\s+Saved here/);
    expect(strip({ last, atSchool: true, error: null })).toContain('Saved at school');
    const part = { ...last, part: true };
    expect(strip({ last: part, atSchool: true, error: null })).toMatch(/heard in part: nearly passed/);
    const away: LastRecord = { kind: 'away', date: '2026-03-03', ...who };
    expect(strip({ last: away, atSchool: true, error: null })).toMatch(/Ann\s+is away today\./);
    expect(strip({ last, atSchool: true, error: 'Not recorded.' })).toBe('Not recorded.');
    expect(strip({ last: null, atSchool: true, error: null })).toBe('');
  });
});
