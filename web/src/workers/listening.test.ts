import { writeAbc } from '@escalier/core/formats';
import { instrument } from '@escalier/core/instruments';
import { PLAIN_RULE, tuneScore } from '@escalier/core/listening';
import { recordingOf, STILE_AND_GATE, type RecordingRecipe } from '@escalier/core/testing';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { listeningPool, type ToListen } from './listening.ts';
import type { ListeningWorker } from './listening.worker.ts';

const exposed = vi.hoisted(() => ({ worker: null as ListeningWorker | null }));
vi.mock('comlink', () => ({
  expose: (worker: ListeningWorker) => (exposed.worker = worker),
  transfer: (asked: unknown) => asked,
  wrap: (worker: { listen: (asked: ToListen) => unknown }) => worker,
}));
await import('./listening.worker.ts');

const abc = writeAbc(STILE_AND_GATE);
const instrumentId = 'soprano-recorder-baroque';

function played(recipe: Partial<RecordingRecipe>): ToListen {
  const { notes, tempo } = tuneScore(STILE_AND_GATE, instrument(instrumentId));
  const { samples, rate } = recordingOf(notes, {
    seed: 3,
    rate: 16_000,
    voice: 'recorder',
    tempo,
    tuning: 0,
    surroundings: 'quiet',
    ...recipe,
  });
  return { samples, rate, abc, instrumentId, rule: PLAIN_RULE };
}
const listen = (recipe: Partial<RecordingRecipe>) => exposed.worker!.listen(played(recipe))!;

describe('what a screen shows of a recording', () => {
  it('is each written note with when it was played, by the ids of the sheet', () => {
    const view = listen({});
    expect(view).toMatchObject({ words: 'All right, 100 beats a minute.', outcome: 'passed', spots: [], faults: [] });
    expect(view.asked[0]).toMatchObject({ id: 'n0-0-0', kind: 'right', words: '' });
    expect(view.asked.every(({ from, to }) => from !== null && to! > from)).toBe(true);
    expect(view.curve.length / view.seconds).toBeGreaterThan(80);
  });

  it('names what came instead, where to listen again, and the faults for the record', () => {
    const view = listen({ wrong: 1, hesitations: 1, seed: 5 });
    const wrong = view.asked.find(({ kind }) => kind === 'wrong')!;
    expect(wrong.words).toMatch(/^(low |high )?[A-G]( sharp| flat)?$/);
    expect(view.stops).toHaveLength(1);
    expect(view.spots).toHaveLength(2);
    expect(view.spots).toEqual(view.spots.toSorted((a, b) => a - b));
    expect(view.faults.map(({ remark }) => remark).toSorted()).toEqual(['note', 'stopped']);
    expect(wrong.id).toBe(`n0-${view.faults[0]!.barIndex}-${view.faults[0]!.eventIndex}`);
  });

  it('asks for the step’s tempo in beats of the tune', () => {
    const slow = exposed.worker!.listen({ ...played({ tempo: 50 }), rule: { ...PLAIN_RULE, tempo: 90 } })!;
    expect(slow.words).toContain('oo slow at 50, not 90');
  });

  it('is of the stretch that was to be played, with the notes as the class names them', () => {
    const { notes, tempo } = tuneScore(STILE_AND_GATE, instrument(instrumentId));
    const line = notes.filter(({ barIndex }) => barIndex < 4);
    const { samples, rate } = recordingOf(line, {
      seed: 5,
      rate: 16_000,
      voice: 'recorder',
      tempo,
      tuning: 0,
      surroundings: 'quiet',
      wrong: 1,
    });
    const asked = { ...played({}), samples, rate, naming: 'fixed-do' } as const;
    const view = exposed.worker!.listen({ ...asked, stretch: { from: 'n0-0-0', to: 'n0-3-2' } })!;
    expect(view.asked).toHaveLength(line.length);
    expect(view.kindly.next).toEqual([
      expect.stringMatching(/^One note to fix: (do|re|mi|fa|sol|la|ti)′? in bar \d\.$/),
    ]);
    const whole = exposed.worker!.listen({
      ...asked,
      samples: recordingOf(line, { seed: 5, rate: 16_000, voice: 'recorder', tempo, tuning: 0, surroundings: 'quiet' })
        .samples,
    })!;
    expect(whole.kindly.next).toEqual(['Next time go on after bar 4.']);
  });

  it('is nothing for what is no tune', () => {
    expect(exposed.worker!.listen({ ...played({}), instrumentId: 'no such' })).toBeNull();
  });
});

describe('the pool that listens', () => {
  /** Workers that answer when they are told to. */
  const workers: { answer: (() => void) | null; ended: boolean; failed: (() => void) | null }[] = [];
  beforeEach(() => {
    workers.length = 0;
    vi.stubGlobal('navigator', { hardwareConcurrency: 3 });
    vi.stubGlobal(
      'Worker',
      class {
        readonly own = { answer: null, ended: false, failed: null } as (typeof workers)[number];
        constructor() {
          workers.push(this.own);
        }
        addEventListener(_: string, failed: () => void): void {
          this.own.failed = failed;
        }
        listen(asked: ToListen): Promise<unknown> {
          return new Promise((done) => (this.own.answer = () => done({ words: asked.abc })));
        }
        terminate(): void {
          this.own.ended = true;
        }
      },
    );
  });
  afterEach(() => vi.unstubAllGlobals());
  const asked = (name: string) => ({ ...played({}), samples: new Float32Array(1), abc: name });
  const turn = async (): Promise<void> => {
    for (let step = 0; step < 5; step++) await Promise.resolve();
  };

  it('listens to as many at once as there is room for, and to the others after them', async () => {
    const pool = listeningPool();
    const words: string[] = [];
    for (const name of ['one', 'two', 'three']) void pool.listen(asked(name)).then((view) => words.push(view!.words));
    expect(workers).toHaveLength(2);
    workers[1]!.answer!();
    await turn();
    expect(words).toEqual(['two']);
    workers[0]!.answer!();
    workers[1]!.answer!();
    await turn();
    expect(words.toSorted()).toEqual(['one', 'three', 'two']);
  });

  it('ends all when it is stopped, or when a worker breaks, and starts anew', async () => {
    const pool = listeningPool();
    const first = pool.listen(asked('one'));
    pool.cancel();
    await expect(first).rejects.toThrow('Stopped.');
    expect(workers[0]!.ended).toBe(true);
    const second = pool.listen(asked('two'));
    workers[1]!.failed!();
    await expect(second).rejects.toThrow('Listening has stopped. Please try again.');
    const third = pool.listen(asked('three'));
    workers[2]!.answer!();
    expect((await third)!.words).toBe('three');
  });
});
