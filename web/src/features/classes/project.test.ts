import type { ClassPage } from '@escalier/contract/class-pages';
import '../../testing/own-database.ts';
import type { HeardEvent, RecordEvent } from '@escalier/core/records';
import { createPinia, setActivePinia } from 'pinia';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { useOutbox } from '../../offline/index.ts';
import { classPage, pupilView, step } from '../../testing/class-page.ts';
import { fakeServer } from '../../testing/fake-server.ts';
import { byPupil, isWhole, mergeRecords, viewOf, withoutErased, type ClassView } from './project.ts';
import { useClasses } from './store.ts';

const PAGE = classPage({
  today: '2026-03-05',
  steps: [step(1), step(2), step(3)],
  pupils: [
    pupilView('Ann'),
    pupilView('Ben'),
    pupilView('Cem', { away: true }),
    pupilView('Zoe', { leftOn: '2026-03-02' }),
  ],
});

let made = 0;
function heard(pupilId: string, position: number, outcome: HeardEvent['outcome'], number?: number): HeardEvent {
  made += 1;
  return {
    kind: 'heard',
    id: `id-${String(made).padStart(4, '0')}`,
    pupilId,
    stepId: `step-${position}`,
    outcome,
    remarks: [],
    heardAt: '2026-03-03T09:10:00.000Z',
    ...(number === undefined ? {} : { receipt: { number, deviceAhead: 0 } }),
  };
}

const project = (base: readonly RecordEvent[], pending: readonly RecordEvent[] = []) =>
  viewOf(PAGE, byPupil(base), byPupil(pending));
const stepOf = (page: ClassView, id: string) => page.pupils.find((pupil) => pupil.id === id)!.standing?.stepIndex;

describe('a page with records that only this device has', () => {
  it('stands as if the school had them', () => {
    const base = [heard('Ann', 1, 'passed', 1), heard('Ben', 1, 'nearly', 2)];
    const more = [heard('Ben', 1, 'passed')];
    expect(stepOf(project(base), 'Ben')).toBe(0);
    expect(stepOf(project(base, more), 'Ben')).toBe(1);
    expect(project(base, more)).toEqual(project([...base, ...more]));
    expect(project(base, more).steps[0]!.goOn).toMatchObject({ passed: 2, of: 3 });
  });

  it('leaves out of the queue who is away, and counts no longer who has left', () => {
    const page = project([]);
    expect(page.queue.map((place) => place.pupilId)).toEqual(['Ann', 'Ben']);
    expect(page.pupils.find((pupil) => pupil.id === 'Zoe')!.standing).toBeNull();
  });

  it('is whole when no pupil has fewer records than the school counted', () => {
    const counted = { ...PAGE, pupils: [pupilView('Ann', { records: 2 })] };
    const [first, second] = [heard('Ann', 1, 'nearly', 1), heard('Ann', 1, 'passed', 2)];
    expect(isWhole(counted, byPupil([first]))).toBe(false);
    expect(isWhole(counted, byPupil([first, second]))).toBe(true);
  });

  it('has each record once, the newer copy', () => {
    const held = heard('Ann', 1, 'nearly');
    const received = { ...held, receipt: { number: 7, deviceAhead: 0 } };
    expect(mergeRecords([held], [received])).toEqual([received]);
    const before = [held];
    expect(mergeRecords(before, [])).toBe(before);
  });
});

describe('the class that is open', () => {
  afterEach(() => vi.unstubAllGlobals());

  it('asks for the records after the last, and goes on with what is here when there is no network', async () => {
    setActivePinia(createPinia());
    const records = [heard('Ann', 1, 'passed', 1)];
    const page = { ...PAGE, pupils: [pupilView('Ann', { records: 1 }), pupilView('Ben')] };
    let offline = false;
    const asked: string[] = [];
    fakeServer({});
    vi.stubGlobal('fetch', (input: string) => {
      asked.push(new URL(input, 'http://here').pathname + new URL(input, 'http://here').search);
      if (offline && input.includes('/records')) return Promise.reject(new TypeError('offline'));
      if (!input.includes('/records')) return Promise.resolve(Response.json(page));
      const after = Number(new URL(input, 'http://here').searchParams.get('after'));
      const fresh = records.filter((record) => record.receipt!.number > after);
      return Promise.resolve(Response.json({ records: fresh, last: fresh.at(-1)?.receipt?.number ?? after }));
    });
    await useOutbox().open('mara@osierbridge.example', '');
    const classes = useClasses();
    await classes.open('c');
    expect(stepOf(classes.page!, 'Ann')).toBe(1);
    records.push(heard('Ben', 1, 'passed', 2));
    await classes.open('c');
    expect(stepOf(classes.page!, 'Ben')).toBe(1);
    expect(asked.filter((path) => path.includes('/records'))).toEqual([
      '/api/classes/c/records?after=0',
      '/api/classes/c/records?after=1',
    ]);
    offline = true;
    await classes.open('c');
    expect(classes.error).toBeNull();
    expect(stepOf(classes.page!, 'Ben')).toBe(1);
    classes.forget();
    expect(classes.page).toBeNull();
  });
});

it('free words about a pupil whose data was erased go from the device', () => {
  const event = { ...heard('Ann', 1, 'passed', 2), reason: 'mixed up with Ben' };
  const events = [event, heard('Ben', 1, 'passed', 3)];
  const page = { pupils: [{ id: event.pupilId, erased: true }] } as unknown as ClassPage;
  expect(JSON.stringify(withoutErased(events, page))).not.toContain('mixed up');
  const present = { pupils: [{ id: event.pupilId, erased: false }] } as unknown as ClassPage;
  expect(withoutErased(events, present)).toBe(events);
});
