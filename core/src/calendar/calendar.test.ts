import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  dayIn,
  capacity,
  compareGroups,
  lessonsBefore,
  lessonsNow,
  lessonsOf,
  localDate,
  lostLessons,
  NO_ROTATION,
  proposedTerm,
  readHolidays,
  writeLessons,
  type Lesson,
  type Meeting,
  type MeetingDay,
  type Term,
} from './index.ts';

const term: Term = {
  startsOn: '2026-03-02',
  endsOn: '2026-04-03',
  daysOff: [
    { from: '2026-03-16', to: '2026-03-20', reason: 'break' },
    { from: '2026-03-27', to: '2026-03-27', reason: 'sports day' },
  ],
  rotation: NO_ROTATION,
};

function meeting(day: MeetingDay, at = '09:40', more: Partial<Meeting> = {}): Meeting {
  return { on: day, at, minutes: 40, mode: 'room', ...more };
}

const weekly = (weekday: number, at?: string): Meeting => meeting({ kind: 'weekly', weekday }, at);
const twice = [weekly(5, '11:00'), weekly(2)];
const dates = (lessons: readonly Lesson[]): readonly string[] => lessons.map((lesson) => lesson.date.slice(5));

describe('a proposed term', () => {
  it('has twelve whole weeks, the first with today', () => {
    expect(proposedTerm('2026-09-03')).toMatchObject({ startsOn: '2026-08-31', endsOn: '2026-11-20', daysOff: [] });
    expect(proposedTerm('2026-11-30').startsOn).toBe('2026-11-30');
    expect(lessonsOf(proposedTerm('2026-09-06'), [weekly(7), weekly(1)])).toHaveLength(23);
  });
});

describe('the day of a moment', () => {
  it('is that of the school’s own time zone, also when it is asked for again', () => {
    const moment = '2026-03-03T23:30:00Z';
    expect([1, 2].map(() => dayIn('Europe/Oslo')(moment))).toEqual(['2026-03-04', '2026-03-04']);
    expect(dayIn('America/Lima')(moment)).toBe('2026-03-03');
    expect(() => dayIn('Nowhere/Land')).toThrow(RangeError);
  });
});

describe('lessons of every week', () => {
  it('are those that are really left after days off', () => {
    const lessons = lessonsOf(term, twice);
    expect(dates(lessons)).toEqual(['03-03', '03-06', '03-10', '03-13', '03-24', '03-31', '04-03']);
    expect(lessons.map((lesson) => lesson.number)).toEqual([1, 2, 3, 4, 5, 6, 7]);
  });

  it('go over the change of the clock without losing a day, and keep two meetings of a day in order', () => {
    const sundays = lessonsOf({ ...term, daysOff: [] }, [weekly(7, '15:00'), weekly(7, '09:00')]);
    expect(sundays.filter((lesson) => lesson.date === '2026-03-29').map((lesson) => lesson.at)).toEqual([
      '09:00',
      '15:00',
    ]);
    expect(lessonsOf({ ...term, endsOn: '2026-03-01' }, twice)).toEqual([]);
  });

  it('say what holidays and lost days cost', () => {
    expect(lostLessons(term, twice)).toEqual([
      { date: '2026-03-17', at: '09:40', reason: 'break' },
      { date: '2026-03-20', at: '11:00', reason: 'break' },
      { date: '2026-03-27', at: '11:00', reason: 'sports day' },
    ]);
  });
});

describe('lessons of alternating weeks', () => {
  const monday = (week: 'A' | 'B'): Meeting => meeting({ kind: 'alternating', week, weekday: 1 });

  it('come in A weeks or in B weeks', () => {
    const whole = { ...term, daysOff: [] };
    expect(dates(lessonsOf(whole, [monday('A')]))).toEqual(['03-02', '03-16', '03-30']);
    expect(dates(lessonsOf(whole, [monday('B')]))).toEqual(['03-09', '03-23']);
    const turned = { ...whole, rotation: { ...NO_ROTATION, firstWeek: 'B' as const } };
    expect(dates(lessonsOf(turned, [monday('B')]))).toEqual(['03-02', '03-16', '03-30']);
  });

  it('go on after the holidays as the school counts', () => {
    expect(dates(lessonsOf(term, [monday('A')]))).toEqual(['03-02', '03-30']);
    const skipping = { ...term, rotation: { ...NO_ROTATION, emptyWeeksCount: false } };
    expect(dates(lessonsOf(skipping, [monday('A')]))).toEqual(['03-02', '03-23']);
  });
});

describe('lessons of a cycle of school days', () => {
  it('move through the week, and a day off moves them on', () => {
    const cycle = { ...term, rotation: { ...NO_ROTATION, cycleDays: 6 } };
    const first = meeting({ kind: 'cycle', day: 1 });
    expect(dates(lessonsOf(cycle, [first]))).toEqual(['03-02', '03-10', '03-25', '04-03']);
    const lost = {
      ...cycle,
      daysOff: [...term.daysOff, { from: '2026-03-04', to: '2026-03-04', reason: 'snow' } as const],
    };
    expect(dates(lessonsOf(lost, [first]))).toEqual(['03-02', '03-11', '03-26']);
    expect(lessonsOf(term, [first])).toEqual([]);
  });

  it('give each day of the cycle its share, whatever is off', () => {
    const day = fc.integer({ min: 0, max: 32 }).map((offset) => {
      const date = localDate(new Date(2026, 2, 2 + offset));
      return { from: date, to: date, reason: 'off' };
    });
    fc.assert(
      fc.property(fc.integer({ min: 2, max: 10 }), fc.array(day, { maxLength: 8 }), (cycleDays, daysOff) => {
        const cycle = { ...term, daysOff, rotation: { ...NO_ROTATION, cycleDays } };
        const counts = Array.from(
          { length: cycleDays },
          (_, index) => lessonsOf(cycle, [meeting({ kind: 'cycle', day: index + 1 })]).length,
        );
        expect(Math.max(...counts) - Math.min(...counts)).toBeLessThanOrEqual(1);
        expect(counts).toEqual(counts.toSorted((a, b) => b - a));
      }),
    );
  });
});

describe('now', () => {
  const lessons = lessonsOf(term, twice);

  it('counts today’s lesson as left', () => {
    expect(lessonsNow(lessons, '2026-03-10')).toMatchObject({ had: 2, left: 5, next: { number: 3 } });
    expect(lessonsNow(lessons, '2026-03-11')).toMatchObject({ had: 3, left: 4 });
    expect(lessonsNow(lessons, '2026-05-01')).toEqual({ had: 7, left: 0, next: null });
  });

  it('counts the lessons until a concert, without those of the day itself', () => {
    expect(lessonsBefore(lessons, '2026-03-10', '2026-03-24')).toHaveLength(2);
    expect(lessonsBefore(lessons, '2026-03-24', '2026-03-24')).toHaveLength(0);
  });
});

describe('parallel groups', () => {
  const plover = { id: 'plover', lessons: lessonsOf(term, [weekly(2)]) };
  const otter = {
    id: 'otter',
    lessons: lessonsOf(term, [meeting({ kind: 'weekly', weekday: 5 }, '11:00', { mode: 'home' })]),
  };

  it('show which one falls behind, since when, and how it ends', () => {
    const stands = compareGroups([plover, otter], '2026-03-30');
    expect(stands[0]).toMatchObject({ id: 'plover', had: 3, left: 1, total: 4, behind: 0, behindSince: null });
    expect(stands[1]).toMatchObject({ id: 'otter', had: 2, left: 1, leftAtHome: 1, behind: 1, behindAtEnd: 1 });
    expect(stands[1]!.behindSince).toBe('2026-03-24');
  });

  it('are level again when the other has caught up', () => {
    expect(compareGroups([plover, otter], '2026-03-07').map((stand) => stand.behind)).toEqual([0, 0]);
    expect(compareGroups([plover, otter], '2026-03-06')[1]).toMatchObject({ behind: 1, behindSince: '2026-03-03' });
    expect(compareGroups([], '2026-03-06')).toEqual([]);
  });
});

describe('iCalendar', () => {
  const event = (lines: string): string => `BEGIN:VEVENT\r\nUID:1\r\n${lines}\r\nEND:VEVENT\r\n`;
  const file = (...events: string[]): string =>
    `BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//x//y//EN\r\n${events.join('')}END:VCALENDAR\r\n`;
  const read = (text: string) => readHolidays(text, '2026-03-01', '2026-04-30');

  it('gives days off from whole days; the end of an event is the day after', () => {
    const result = read(
      file(
        event('DTSTART;VALUE=DATE:20260316\r\nDTEND;VALUE=DATE:20260321\r\nSUMMARY:Break\\, half-term'),
        event('DTSTART;VALUE=DATE:20260327\r\nSUMMARY:Sports day'),
      ),
    );
    expect(result).toEqual({
      ok: true,
      value: {
        daysOff: [
          { from: '2026-03-16', to: '2026-03-20', reason: 'Break, half-term' },
          { from: '2026-03-27', to: '2026-03-27', reason: 'Sports day' },
        ],
        leftOut: [],
      },
    });
  });

  it('takes what repeats within the term, and names what is no day off', () => {
    const result = read(
      file(
        event('DTSTART;VALUE=DATE:20260202\r\nRRULE:FREQ=MONTHLY;BYMONTHDAY=2\r\nSUMMARY:Staff day'),
        event('DTSTART:20260316T090000Z\r\nDTEND:20260316T100000Z\r\nSUMMARY:Meeting'),
        event('DTSTART;VALUE=DATE:20270101\r\nSUMMARY:New Year'),
      ),
    );
    expect(result.ok && result.value.daysOff.map((off) => off.from)).toEqual(['2026-03-02', '2026-04-02']);
    expect(result.ok && result.value.leftOut).toEqual([
      '“Meeting” has times of day: it is no day off.',
      '“New Year” lies outside the term.',
    ]);
  });

  it('refuses what is no calendar in a sentence, and never throws', () => {
    for (const text of ['', 'hello', 'BEGIN:VCALENDAR', '{"a": 1}', 'x'.repeat(3_000_000)]) {
      const result = read(text);
      if (!result.ok) expect(result.error).toMatch(/\.$/);
      else expect(result.value.daysOff).toEqual([]);
    }
    fc.assert(
      fc.property(fc.string({ maxLength: 300 }), (noise) => {
        expect(() => read(`BEGIN:VCALENDAR\n${noise}\nEND:VCALENDAR`)).not.toThrow();
      }),
    );
  });

  it('writes the lessons as moments, right before and after the change of the clock', () => {
    const lessons = lessonsOf({ ...term, daysOff: [] }, [weekly(5, '09:40')]);
    const head = {
      className: '4 Plover',
      timeZone: 'Europe/London',
      uid: 'c1',
      writtenAt: new Date('2026-03-01T08:00:00Z'),
    };
    const text = writeLessons(lessons, head);
    expect(text).toContain('DTSTART:20260327T094000Z');
    expect(text).toContain('DTSTART:20260403T084000Z');
    expect(text).toContain('DTEND:20260403T092000Z');
    expect(text).toContain('SUMMARY:4 Plover: lesson 5 of 5');
    expect(text.match(/BEGIN:VEVENT/g)).toHaveLength(5);
    expect(new Set(text.match(/UID:.*/g)).size).toBe(5);
    expect(text.split('\r\n').every((line) => line.length <= 75)).toBe(true);
  });
});

describe('capacity', () => {
  const request = {
    tuneSeconds: 25,
    changeoverSeconds: 15,
    talkSeconds: 20,
    way: { kind: 'alone' as const },
    minutes: 10,
    pupils: 24,
  };

  it('is written out as sums', () => {
    expect(capacity(request)).toEqual({
      secondsPerTurn: 60,
      pupilsPerLesson: 10,
      lessons: 3,
      sums: [
        'one pupil: tune 25 s + change 15 s + talk 20 s = 60 s',
        'a lesson: 10 min = 600 s, ÷ 60 s = 10 turns = 10 pupils',
        'all: 24 pupils ÷ 10 = 3 lessons',
      ],
    });
  });

  it('hears more in groups, and from recordings without a change', () => {
    expect(capacity({ ...request, way: { kind: 'group', size: 3 } })).toMatchObject({
      secondsPerTurn: 100,
      pupilsPerLesson: 18,
      lessons: 2,
    });
    expect(capacity({ ...request, way: { kind: 'recording' }, minutes: 30 })).toMatchObject({
      secondsPerTurn: 45,
      pupilsPerLesson: 24,
      lessons: 1,
    });
  });

  it('says when not one turn fits', () => {
    expect(capacity({ ...request, tuneSeconds: 900 })).toMatchObject({ pupilsPerLesson: 0, lessons: null });
    expect(capacity({ ...request, tuneSeconds: 900 }).sums).toHaveLength(2);
  });

  it('never hears fewer with more minutes', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 5, max: 90 }),
        fc.integer({ min: 1, max: 30 }),
        fc.integer({ min: 1, max: 30 }),
        (tune, minutes, pupils) => {
          const some = capacity({ ...request, tuneSeconds: tune, minutes, pupils });
          const more = capacity({ ...request, tuneSeconds: tune, minutes: minutes + 5, pupils });
          expect(more.pupilsPerLesson).toBeGreaterThanOrEqual(some.pupilsPerLesson);
          if (some.lessons !== null) expect(some.lessons * some.pupilsPerLesson).toBeGreaterThanOrEqual(pupils);
        },
      ),
    );
  });
});
