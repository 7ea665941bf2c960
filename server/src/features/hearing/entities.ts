import { defineEntity } from '@mikro-orm/core';
import { ClassEntity, PupilEntity } from '../classes/index.ts';
import { AccountEntity, SchoolEntity } from '../schools/index.ts';
import { StepEntity } from '../staircase/index.ts';

/** How many records a pupil has: a trigger counts, in the transaction of the record. */
export const RecordCountEntity = defineEntity({
  name: 'RecordCount',
  tableName: 'record_count',
  properties: (p) => ({
    pupil: () => p.oneToOne(PupilEntity).mapToPk().primary().owner().deleteRule('cascade'),
    count: p.integer(),
  }),
});

/** Append-only: rows are never changed and never deleted. An undo is a row of its own. */
export const RecordEventEntity = defineEntity({
  name: 'RecordEvent',
  tableName: 'record_event',
  indexes: [{ properties: ['school', 'pupil'] }],
  properties: (p) => ({
    /** UUID v7 made by the client: sending it again stores nothing more. */
    id: p.uuid().primary(),
    school: () => p.manyToOne(SchoolEntity).mapToPk(),
    schoolClass: () => p.manyToOne(ClassEntity).mapToPk().index(),
    account: () => p.manyToOne(AccountEntity).mapToPk(),
    kind: p.enum(['heard', 'undone']),
    pupil: () => p.manyToOne(PupilEntity).mapToPk().index(),
    step: () => p.manyToOne(StepEntity).mapToPk(),
    /** Null for an undo. */
    outcome: p.text().nullable(),
    remarks: p.json<string[]>(),
    /** The heard event that an undo takes back. */
    undoes: p.uuid().nullable().index(),
    /** By the device's clock. */
    heardAt: p.datetime(),
    /** By the server's clock: the order that counts. */
    receivedAt: p.datetime(),
  }),
});
