import { MOST_OF_LESSON, type DatedLessonEvent, type LessonEventsInput } from '@escalier/contract/lessons';
import type { LocalDate } from '@escalier/core/calendar';
import type { SignedIn } from '../../platform/context.ts';
import type { EntityManager } from '../../platform/database.ts';
import { wrongInput } from '../../platform/problem.ts';
import { classOf } from '../classes/index.ts';
import { LessonEventEntity, type LessonEventContent } from './entities.ts';

/** So many lessons back tell what the next one takes up. */
const LESSONS_BACK = 12;

const EVENTS = `
select e.id, e.date::text as date, e.at, e.kind, e.content from lesson_event e
where e.school_class_id = ? and (e.id in (
  select distinct on (o.kind) o.id from lesson_event o
  where o.school_class_id = ? and o.kind in ('usual', 'patterns') order by o.kind, o.at desc, o.id desc) or e.date in (
  select distinct d.date from lesson_event d where d.school_class_id = ? order by d.date desc limit ${LESSONS_BACK}))
order by e.at, e.id`;

interface FoundEvent {
  readonly id: string;
  readonly date: LocalDate;
  readonly at: string | Date;
  readonly kind: string;
  readonly content: LessonEventContent;
}

/** What happened to the last lessons of a class. @throws Problem 404 when the class is not of the asker's. */
export async function lessonEvents(
  em: EntityManager,
  user: SignedIn,
  classId: string,
): Promise<readonly DatedLessonEvent[]> {
  await classOf(em, user, classId);
  const found = await em.execute<FoundEvent[]>(EVENTS, [classId, classId, classId]);
  return found.map(({ id, date, at, kind, content }) => ({
    date,
    event: { id, at: new Date(at).toISOString(), kind, ...content } as DatedLessonEvent['event'],
  }));
}

/** Keeps events; those that are here already are left as they are. @throws Problem 400, 404. */
export async function keepLessonEvents(
  em: EntityManager,
  user: SignedIn,
  classId: string,
  { events }: LessonEventsInput,
): Promise<void> {
  await classOf(em, user, classId);
  const dates = [...new Set(events.map((event) => event.date))];
  for (const date of dates) {
    const before = await em.count(LessonEventEntity, { schoolClass: classId, date });
    const more = events.filter((event) => event.date === date).length;
    if (before + more > MOST_OF_LESSON) throw wrongInput({ events: 'lesson-full' });
  }
  const rows = events.map(({ id, date, at, kind, ...content }) => ({
    id,
    date,
    kind,
    content,
    schoolClass: classId,
    account: user.accountId,
    at: new Date(at),
  }));
  await em.createQueryBuilder(LessonEventEntity).insert(rows).onConflict('id').ignore();
}
