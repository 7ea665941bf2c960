import { defineEntity } from '@mikro-orm/core';
import type { LocalDate } from '@escalier/core/calendar';
import type { LessonEvent, LessonEventKind } from '@escalier/core/lesson';
import { AccountEntity } from '../accounts/index.ts';
import { ClassEntity } from '../classes/index.ts';

type Content<Event> = Event extends LessonEvent ? Omit<Event, 'id' | 'at' | 'kind'> : never;
/** What an event says beside its kind. */
export type LessonEventContent = Content<LessonEvent>;

/** What happened to the lessons of a class. Append-only: rows are never changed and never deleted. */
export const LessonEventEntity = defineEntity({
  name: 'LessonEvent',
  tableName: 'lesson_event',
  indexes: [{ properties: ['schoolClass', 'date'] }],
  properties: (p) => ({
    /** UUID v7 made by the client: sending it again stores nothing more. */
    id: p.uuid().primary(),
    schoolClass: () => p.manyToOne(ClassEntity).mapToPk(),
    account: () => p.manyToOne(AccountEntity).mapToPk(),
    /** Of the lesson. */
    date: p.date().$type<LocalDate>(),
    /** By the device's clock. */
    at: p.datetime(),
    kind: p.text().$type<LessonEventKind>(),
    content: p.json<LessonEventContent>(),
  }),
});
