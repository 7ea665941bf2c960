import type { RoomTask } from '@escalier/contract/practice-rooms';
import { defineEntity } from '@mikro-orm/core';
import type { LocalDate } from '@escalier/core/calendar';
import { ClassEntity, PupilEntity } from '../classes/index.ts';
import { SchoolEntity } from '../schools/index.ts';

/** A class whose pupils practise at home with Escalier; without a row the room is closed. */
export const RoomEntity = defineEntity({
  name: 'Room',
  tableName: 'room',
  properties: (p) => ({
    schoolClass: () => p.oneToOne(ClassEntity).mapToPk().primary().owner().deleteRule('cascade'),
    school: () => p.manyToOne(SchoolEntity).mapToPk().index(),
    /** The last day on which its doors open. */
    until: p.date().$type<LocalDate>(),
    task: p.json<RoomTask>().nullable(),
    /** Of the task. */
    version: p.integer().default(0),
  }),
});

/** A pupil's way into the room, as it stands on the slip. */
export const DoorEntity = defineEntity({
  name: 'Door',
  tableName: 'door',
  properties: (p) => ({
    pupil: () => p.oneToOne(PupilEntity).mapToPk().primary().owner().deleteRule('cascade'),
    school: () => p.manyToOne(SchoolEntity).mapToPk().index(),
    /** The door does not open for a pupil who has gone to another class. */
    schoolClass: () => p.manyToOne(ClassEntity).mapToPk().index(),
    /** By which the room knows its pupil; never the name. */
    pictureName: p.text(),
    /** Of the three words: scrypt, as words are fewer than what can be guessed at. */
    wordsHash: p.text().unique(),
    madeAt: p.datetime(),
  }),
});

/** What opens a door: the link of the slip, and one for each device that came by the three words. */
export const DoorKeyEntity = defineEntity({
  name: 'DoorKey',
  tableName: 'door_key',
  properties: (p) => ({
    /** SHA-256 of the token. */
    tokenHash: p.text().primary(),
    /** For a device that came by the three words; the slip's own key stays as long as the slip. */
    byWords: p.boolean(),
    door: () => p.manyToOne(DoorEntity).mapToPk().index().deleteRule('cascade'),
    madeAt: p.datetime(),
  }),
});
