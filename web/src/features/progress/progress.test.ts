// @vitest-environment node
import { stepRules } from '@escalier/core/classes';
import {
  forecastClass,
  standings,
  type ForecastRequest,
  type HeardEvent,
  type RecordEvent,
} from '@escalier/core/records';
import { describe, expect, it } from 'vitest';
import type { ClassView } from '../classes/index.ts';
import { classPage, pupilView, step } from '../../testing/class-page.ts';
import { boardRows, moved } from './board.ts';
import { clockWords, hearingsOf } from './history.ts';
import { familyNote, outlookOf, outlookRequests, practiceOf, remarksOverTime } from './pupil.ts';
import { againstFan, fanRequests, trendsOf } from './trends.ts';

let made = 0;
function heard(
  pupilId: string,
  position: number,
  outcome: HeardEvent['outcome'],
  day: number,
  more: object = {},
): HeardEvent {
  made += 1;
  return {
    kind: 'heard',
    id: `id-${String(made).padStart(4, '0')}`,
    pupilId,
    stepId: `step-${position}`,
    outcome,
    remarks: [],
    heardAt: `2026-03-0${day}T09:10:00.000Z`,
    ...more,
  };
}

const EVENTS: readonly RecordEvent[] = [
  heard('ann', 1, 'nearly', 1, { remarks: ['leak'] }),
  heard('ann', 1, 'passed', 2),
  heard('ann', 2, 'not-yet', 2, { remarks: ['leak', 'beat'] }),
  heard('ben', 1, 'nearly', 2),
];

function page(more: Partial<ClassView> = {}): ClassView {
  const shown = classPage({ today: '2026-03-05', ...more });
  const pupils = ['ann', 'ben', 'cem'].map((id, index) =>
    pupilView(id, {
      name: id[0]!.toUpperCase() + id.slice(1),
      startStep: index === 2 ? 2 : 1,
      standing: standings(
        [{ pupilId: id, startStepIndex: index === 2 ? 1 : 0 }],
        stepRules(shown.steps, 'whole'),
        EVENTS,
      )[0]!,
    }),
  );
  return { ...shown, pupils, queue: [{ pupilId: 'cem', reason: 'never', lessons: 4 }] };
}

describe('the board', () => {
  it('tells in each cell whether and when it was passed, and how often it was tried', () => {
    const rows = boardRows(page(), 'name', 'all', '');
    expect(rows.map((row) => row.pupil.name)).toEqual(['Ann', 'Ben', 'Cem']);
    expect(rows[0]!.cells.map((cell) => `${cell.state} ${cell.text}`)).toEqual([
      'passed 2 Mar',
      'tried 1×',
      'unheard ',
    ]);
    expect(rows[0]!.cells[0]!.words).toBe('Ann, step 1: passed on 2 Mar, 2 tries');
    expect(rows[1]!.cells[0]!.words).toBe('Ben, step 1: 1 try, 1 nearly, last on 2 Mar');
    expect(rows[2]!.cells[0]).toMatchObject({ state: 'below', words: 'Cem, step 1: joined on a later step' });
    expect(rows.map((row) => row.cells.findIndex((cell) => cell.here))).toEqual([1, 0, 1]);
  });

  it('shows the day of a pass where the school is, not where Greenwich is', () => {
    const passed = heard('ann', 1, 'passed', 2, { heardAt: '2026-03-02T20:30:00.000Z' });
    const cell = (timeZone: string) => {
      const open = page({ timeZone });
      const rules = stepRules(open.steps, 'whole');
      const standing = standings([{ pupilId: 'ann', startStepIndex: 0 }], rules, [passed])[0]!;
      const pupils = open.pupils.slice(0, 1).map((pupil) => ({ ...pupil, standing }));
      return boardRows({ ...open, pupils }, 'name', 'all', '')[0]!.cells[0]!.text;
    };
    expect(cell('Pacific/Auckland')).toBe('3 Mar');
    expect(cell('America/Los_Angeles')).toBe('2 Mar');
  });

  it('is sorted, filtered and searched', () => {
    const names = (...args: [Parameters<typeof boardRows>[1], Parameters<typeof boardRows>[2], string]) =>
      boardRows(page(), ...args).map((row) => row.pupil.name);
    expect(names('step', 'all', '')).toEqual(['Ann', 'Cem', 'Ben']);
    expect(names('wait', 'all', '')[0]).toBe('Cem');
    expect(names('name', 'nearly', '')).toEqual(['Ben']);
    expect(names('name', 'unheard', '')).toEqual(['Cem']);
    expect(names('name', 'all', ' AN')).toEqual(['Ann']);
  });

  it('is walked by keys like a sheet, and not left', () => {
    expect(moved([0, 0], 'ArrowDown', 3, 4)).toEqual([1, 0]);
    expect(moved([0, 0], 'ArrowUp', 3, 4)).toEqual([0, 0]);
    expect(moved([2, 3], 'ArrowRight', 3, 4)).toEqual([2, 3]);
    expect(moved([1, 2], 'Home', 3, 4)).toEqual([1, 0]);
    expect(moved([1, 2], 'End', 3, 4)).toEqual([1, 3]);
    expect(moved([1, 2], 'PageDown', 30, 4)).toEqual([11, 2]);
    expect(moved([1, 2], 'x', 3, 4)).toBeNull();
  });
});

const forecastsOf = (requests: readonly (ForecastRequest | null)[]) =>
  requests.map((request) => request && forecastClass({ ...request, runs: 400 }));

describe('a pupil’s page', () => {
  it('has the hearings that count, and says of a clock that was wrong', () => {
    const all = hearingsOf(EVENTS, 'ann');
    expect(all.map((event) => event.outcome)).toEqual(['nearly', 'passed', 'not-yet']);
    const undone = { kind: 'undone', id: 'u', pupilId: 'ann', undoes: all[0]!.id } as const;
    expect(hearingsOf([...EVENTS, undone], 'ann')).toHaveLength(2);
    const clock = (deviceAhead: number) => clockWords({ ...all[0]!, receipt: { number: 1, deviceAhead } });
    expect(clock(30)).toBeNull();
    expect(clock(10_800)).toBe('The device’s clock was 3 hours ahead.');
    expect(clock(-600)).toBe('The device’s clock was 10 minutes behind.');
    expect(clock(864_000)).toBe('The device’s clock was 10 days ahead.');
  });

  it('shows remarks by the days on which they were noted', () => {
    expect(remarksOverTime(hearingsOf(EVENTS, 'ann'), 'UTC')).toEqual([
      { remark: 'leak', days: ['2026-03-01', '2026-03-02'] },
      { remark: 'beat', days: ['2026-03-02'] },
    ]);
  });

  it('says how likely the next step is, soon and by the end, and nothing of who is not there', () => {
    const forecasts = forecastsOf(outlookRequests(page(), EVENTS));
    const outlook = outlookOf(page(), EVENTS, 'ann', forecasts)!;
    expect(outlook).toMatchObject({ soon: 4, heard: 3, passed: 1 });
    expect(outlook.chanceSoon).toBeGreaterThan(0);
    expect(outlook.chance).toBeGreaterThanOrEqual(outlook.chanceSoon);
    expect(outlook.chance).toBeLessThanOrEqual(1);
    expect(outlookOf(page(), EVENTS, 'nobody', forecasts)).toBeNull();
  });

  it('says what to practise, and writes it to the family', () => {
    const goose = step(2, { title: 'Goose Walk', newNotes: ['E4'], hardMoves: [{ from: 'A4', to: 'E4', cost: 3 }] });
    const remarks = [{ id: 'leak', words: 'Leak', remedy: 'Flat pads.' }];
    const practice = practiceOf(goose, ['leak'], remarks);
    expect(practice).toEqual(['the new note E', 'A and E, back and forth: slowly, then faster', 'Flat pads.']);
    const open = page({ steps: [step(1), goose, step(3)] });
    const note = familyNote(open, open.pupils[0]!, practice);
    expect(note).toContain('Ann has passed 1 of 3 steps. The tune now is “Goose Walk”, at 84 beats a minute.');
    expect(note).toContain('- Flat pads.');
    expect(familyNote(open, open.pupils[1]!, [])).toContain('Ben is on the first of 3 steps.');
  });
});

describe('trends of a class', () => {
  it('compare what came with what was likely', () => {
    const trends = trendsOf(page(), EVENTS, forecastsOf(fanRequests(page(), EVENTS)));
    expect(trends.came).toEqual([0, 0, 1 / 3, 1 / 3, 1 / 3, 1 / 3]);
    expect(trends.now.middle).toHaveLength(trends.lessonsLeft + 1);
    expect(trends.then).toBeNull();
    expect(againstFan(trends)).toBeNull();
  });

  it('say when the class goes slower than it looked', () => {
    const lessons = classPage().lessons;
    const early = Array.from({ length: 3 }, (_, index) => heard('ann', index + 1, 'passed', index + 1));
    const open = page({ today: '2026-03-09', lessons });
    const trends = trendsOf(open, early, forecastsOf(fanRequests(open, early)));
    expect(trends.then?.from).toBe(4);
    expect(againstFan(trends)).toMatch(/^Forecast after lesson 4: .* actual 1\.0, slower than expected/);
  });
});
