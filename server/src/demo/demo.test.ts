import { instrument } from '@escalier/core/instruments';
import { readAbc } from '@escalier/core/formats';
import { NOTHING_KNOWN, readTune } from '@escalier/core/reading';
import { describe, expect, it } from 'vitest';
import { TUNES_FOLDER } from '../testing/index.ts';
import { demoEvents, seeded } from './records.ts';
import { DEMO_CLASSES, DEMO_STAIRCASES } from './school.ts';
import { readShipped } from './shipped.ts';

describe('the shipped tunes', async () => {
  const tunes = (await readShipped(TUNES_FOLDER)).tunes;

  it('are a dozen or more, each with title, source and licence, each a file of its own', () => {
    expect(tunes.length).toBeGreaterThanOrEqual(12);
    for (const { slug, abc } of tunes) {
      const read = readAbc(abc);
      expect(read.ok, slug).toBe(true);
      if (!read.ok) continue;
      const { title, source, licence, composer, tempo } = read.value.tune;
      expect(
        [title, source, licence, composer].every((field) => field !== ''),
        slug,
      ).toBe(true);
      expect(tempo, slug).not.toBeNull();
      expect(read.value.leftOut, slug).toEqual([]);
    }
  });

  it('are playable on the instrument of their staircase', () => {
    for (const { instrument: id, steps } of Object.values(DEMO_STAIRCASES)) {
      for (const step of steps) {
        const found = tunes.find((tune) => tune.slug === step.tune);
        const read = readAbc(found?.abc ?? '');
        expect(read.ok && readTune(read.value.tune, instrument(id), NOTHING_KNOWN).unplayable, step.tune).toEqual([]);
      }
    }
  });
});

describe('the made-up records', () => {
  it('have no two pupils of one name, so that the demo reads well', () => {
    for (const { name, pupils } of DEMO_CLASSES)
      expect(new Set(pupils.map(([pupil]) => pupil)).size, name).toBe(pupils.length);
  });

  it('fall into lessons that have been, in the order of the steps', () => {
    const had = (['2026-02-05', '2026-02-08', '2026-02-11'] as const).map((date, index) => ({
      number: index + 1,
      date,
      at: '09:40',
      minutes: 40,
      mode: 'room' as const,
    }));
    const history = { pupilId: 'p', startIndex: 0, stepIndex: 2, state: 'nearly' } as const;
    const events = demoEvents(history, ['a', 'b', 'c'], had, 'Europe/London', seeded(3));
    expect(events.at(-1)).toMatchObject({ stepId: 'c', outcome: 'nearly' });
    expect(events.filter((event) => event.outcome === 'passed').map((event) => event.stepId)).toEqual(['a', 'b']);
    const times = events.map((event) => event.heardAt);
    expect(times).toEqual(times.toSorted());
    for (const time of times) expect(had.map((lesson) => lesson.date)).toContain(time.slice(0, 10));
  });
});
