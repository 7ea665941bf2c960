import type { LocalDate } from './term.ts';

/** A lesson of one class among those of others. */
export interface ClassLesson {
  readonly classId: string;
  readonly date: LocalDate;
  /** Local time, `09:40`. */
  readonly at: string;
  readonly minutes: number;
}

export interface SharedInstrument {
  readonly id: string;
  /** Classes in which a pupil has it. */
  readonly classIds: readonly string[];
  /** Local date and time, `2026-03-03T10:20`; null when nobody has noted a cleaning. */
  readonly cleanedAt: string | null;
}

/** Instruments that have to be cleaned before a lesson, because another class played them last. */
export interface CleaningCall {
  readonly classId: string;
  readonly date: LocalDate;
  readonly at: string;
  readonly playedBy: string;
  readonly instrumentIds: readonly string[];
}

/**
 * What has to be cleaned between classes, in order of the lessons.
 * @param lessons of all classes, in the room, those that have been too.
 * @param now local date and time, `2026-03-03T10:20`.
 * @param until the last day to look at.
 */
export function cleaningCalls(
  instruments: readonly SharedInstrument[],
  lessons: readonly ClassLesson[],
  now: string,
  until: LocalDate,
): readonly CleaningCall[] {
  const inOrder = lessons.toSorted((a, b) => startOf(a).localeCompare(startOf(b)));
  const calls = new Map<string, { call: Omit<CleaningCall, 'instrumentIds'>; instrumentIds: string[] }>();
  for (const [index, lesson] of inOrder.entries()) {
    if (startOf(lesson) < now || lesson.date > until) continue;
    for (const { id, classIds, cleanedAt } of instruments) {
      if (!classIds.includes(lesson.classId)) continue;
      const last = inOrder.slice(0, index).findLast((other) => classIds.includes(other.classId));
      if (last === undefined || last.classId === lesson.classId) continue;
      if (cleanedAt !== null && cleanedAt >= endOf(last)) continue;
      const key = `${startOf(lesson)} ${lesson.classId} ${last.classId}`;
      const { classId, date, at } = lesson;
      const call = calls.get(key) ?? { call: { classId, date, at, playedBy: last.classId }, instrumentIds: [] };
      call.instrumentIds.push(id);
      calls.set(key, call);
    }
  }
  return [...calls.values()].map(({ call, instrumentIds }) => ({ ...call, instrumentIds }));
}

function startOf({ date, at }: ClassLesson): string {
  return `${date}T${at}`;
}

/** Lessons end on the day on which they begin. */
function endOf({ date, at, minutes }: ClassLesson): string {
  const [hour, minute] = at.split(':').map(Number) as [number, number];
  const end = Math.min(24 * 60 - 1, hour * 60 + minute + minutes);
  const two = (part: number): string => String(part).padStart(2, '0');
  return `${date}T${two(Math.floor(end / 60))}:${two(end % 60)}`;
}
