import { termDays, type TermDay } from './days.ts';
import type { Lesson, LocalDate, Meeting, MeetingDay, Term } from './term.ts';

/** A day on which one class has no lesson: a trip, an assembly. */
export interface ClassDayOff {
  readonly date: LocalDate;
  readonly reason: string;
}

/**
 * The lessons of a term in order of time: every meeting that does not fall on a day off.
 * @param lost days that this class loses.
 */
export function lessonsOf(
  term: Term,
  meetings: readonly Meeting[],
  lost: readonly ClassDayOff[] = [],
): readonly Lesson[] {
  const away = new Set(lost.map((dayOff) => dayOff.date));
  return datesOf(term, meetings)
    .filter(({ day }) => day.off === null && !away.has(day.date))
    .map(({ day, meeting }, index) => ({
      number: index + 1,
      date: day.date,
      at: meeting.at,
      minutes: meeting.minutes,
      mode: meeting.mode,
    }));
}

/** Meetings that fall on days off, with the reason: what a holiday costs this class. */
export interface LostLesson {
  readonly date: LocalDate;
  readonly at: string;
  readonly reason: string;
}

export function lostLessons(
  term: Term,
  meetings: readonly Meeting[],
  lost: readonly ClassDayOff[] = [],
): readonly LostLesson[] {
  const reasons = new Map(lost.map((dayOff) => [dayOff.date, dayOff.reason]));
  return datesOf(term, meetings).flatMap(({ day, meeting }) => {
    const reason = day.off?.reason ?? reasons.get(day.date);
    return reason === undefined ? [] : [{ date: day.date, at: meeting.at, reason }];
  });
}

function datesOf(
  term: Term,
  meetings: readonly Meeting[],
): readonly { readonly day: TermDay; readonly meeting: Meeting }[] {
  return termDays(term).flatMap((day) =>
    meetings
      .filter((meeting) => isOn(meeting.on, day))
      .toSorted((a, b) => a.at.localeCompare(b.at))
      .map((meeting) => ({ day, meeting })),
  );
}

function isOn(on: MeetingDay, day: TermDay): boolean {
  switch (on.kind) {
    case 'weekly':
      return on.weekday === day.weekday;
    case 'alternating':
      return on.weekday === day.weekday && on.week === day.week;
    case 'cycle':
      return on.day === day.cycleDay;
  }
}

export interface LessonsNow {
  /** Lessons on days before today. */
  readonly had: number;
  /** Lessons today and later. */
  readonly left: number;
  readonly next: Lesson | null;
}

export function lessonsNow(lessons: readonly Lesson[], today: LocalDate): LessonsNow {
  const had = lessons.filter((lesson) => lesson.date < today).length;
  return { had, left: lessons.length - had, next: lessons[had] ?? null };
}

/** Lessons from today on that come before a date, such as a concert; a lesson on the day itself does not count. */
export function lessonsBefore(lessons: readonly Lesson[], today: LocalDate, date: LocalDate): readonly Lesson[] {
  return lessons.filter((lesson) => lesson.date >= today && lesson.date < date);
}

/** A group beside others of its grade. */
export interface GroupLessons {
  readonly id: string;
  readonly lessons: readonly Lesson[];
}

export interface GroupStand {
  readonly id: string;
  readonly had: number;
  readonly left: number;
  readonly total: number;
  /** Of those left, how many are work set for home. */
  readonly leftAtHome: number;
  /** Lessons that the furthest group has had more, today and by the end of the term. */
  readonly behind: number;
  readonly behindAtEnd: number;
  /** Since when it has been behind without a break; null when it is not. */
  readonly behindSince: LocalDate | null;
}

/** Parallel groups compared: how many lessons each has had and has left, and which falls behind. */
export function compareGroups(groups: readonly GroupLessons[], today: LocalDate): readonly GroupStand[] {
  const hadBy = (group: GroupLessons, date: LocalDate): number =>
    group.lessons.filter((lesson) => lesson.date < date).length;
  const lead = (date: LocalDate): number => Math.max(0, ...groups.map((group) => hadBy(group, date)));
  const most = Math.max(0, ...groups.map((group) => group.lessons.length));
  const dates = [...new Set(groups.flatMap((group) => group.lessons.map((lesson) => lesson.date)))]
    .filter((date) => date < today)
    .toSorted();
  return groups.map((group): GroupStand => {
    const { had, left } = lessonsNow(group.lessons, today);
    const behind = lead(today) - had;
    // After each date: lessons of that date count as had, so the next day's count is asked for.
    const evenAt = dates.findLastIndex((_, index) => {
      const next = dates[index + 1] ?? today;
      return lead(next) === hadBy(group, next);
    });
    return {
      id: group.id,
      had,
      left,
      total: group.lessons.length,
      leftAtHome: group.lessons.slice(had).filter((lesson) => lesson.mode === 'home').length,
      behind,
      behindAtEnd: most - group.lessons.length,
      behindSince: behind === 0 ? null : (dates[evenAt + 1] ?? null),
    };
  });
}
