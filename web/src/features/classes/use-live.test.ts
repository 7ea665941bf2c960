import '../../testing/own-database.ts';
import { flushPromises } from '@vue/test-utils';
import { createPinia, setActivePinia } from 'pinia';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { effectScope, ref, type EffectScope } from 'vue';
import { useOutbox } from '../../offline/index.ts';
import { classPage, step } from '../../testing/class-page.ts';
import { fakeServer } from '../../testing/fake-server.ts';
import { useClasses } from './store.ts';
import { useLiveClass } from './use-live.ts';
import { eventually } from '../../testing/eventually.ts';

const told = vi.hoisted(() => new Set<(classId: string | null) => void>());
vi.mock('../../offline/live.ts', () => ({
  useLive: (listener: (classId: string | null) => void) => told.add(listener),
}));

const tell = async (classId: string | null): Promise<void> => {
  for (const listener of told) listener(classId);
  await eventually(flushPromises);
};

const PUPIL = { name: '', startStep: 1, joinedOn: '2026-02-02', leftOn: null, playsInstead: null, erased: false };
const pupil = (id: string) => ({ ...PUPIL, id, name: id, away: false, records: 0, standing: null });

function passed(pupilId: string, number: number) {
  const heardAt = '2026-03-03T10:00:00.000Z';
  const receipt = { number, deviceAhead: 0 };
  return {
    kind: 'heard',
    id: `r${number}`,
    pupilId,
    stepId: 'step-1',
    outcome: 'passed',
    remarks: [],
    heardAt,
    receipt,
  };
}

describe('a class that is open', () => {
  let scope: EffectScope;
  beforeEach(() => {
    setActivePinia(createPinia());
    scope = effectScope();
    told.clear();
    vi.useFakeTimers({ toFake: ['Date'], now: new Date('2026-03-03T10:00:00Z') });
  });
  afterEach(() => {
    scope.stop();
    vi.useRealTimers();
    vi.unstubAllGlobals();
  });

  async function opened(pupils: readonly string[]) {
    const records: ReturnType<typeof passed>[] = [];
    const page = { ...classPage({ steps: [step(1), step(2)] }), pupils: pupils.map(pupil) };
    const asked = fakeServer({
      'GET /api/classes/c': () => page,
      'GET /api/classes/c/records': () => ({ records, last: records.length }),
    });
    scope.run(() => useLiveClass(ref('c')));
    await useOutbox().open('mara@osierbridge.example', '');
    const classes = useClasses();
    await eventually(() => expect(classes.page).not.toBeNull());
    return {
      records,
      page,
      asked,
      classes,
      paths: () => asked.map((each) => each.path.slice('/api/'.length)),
    };
  }

  it('is asked for once, and after a mark elsewhere only for its records', async () => {
    const { records, asked, classes, paths } = await opened(['ann', 'ben']);
    expect(paths()).toEqual(['classes/c', 'classes/c/records']);
    asked.length = 0;
    records.push(passed('ben', 1));
    await tell('c');
    await eventually(() => expect(classes.page!.pupils[1]!.standing!.stepIndex).toBe(1));
    expect(paths()).toEqual(['classes/c/records']);
    await tell('another');
    expect(paths()).toHaveLength(1);
    await tell(null);
    await eventually(() => expect(paths()).toEqual(['classes/c/records', 'classes/c/records']));
  });

  it('is loaded anew for a pupil who is not on the page, on a new day, and when the network is back', async () => {
    const { records, asked, page, paths } = await opened(['ann']);
    const loads = () => paths().filter((path) => path === 'classes/c').length;
    asked.length = 0;
    records.push(passed('cem', 1));
    (page.pupils as unknown[]).push(pupil('cem'));
    await tell('c');
    await eventually(() => expect(loads()).toBe(1));
    vi.setSystemTime(new Date('2026-03-04T10:00:00Z'));
    await tell('c');
    await eventually(() => expect(loads()).toBe(2));
    window.dispatchEvent(new Event('online'));
    await eventually(() => expect(loads()).toBe(3));
  });
});
