import type { HeardDetails } from '@escalier/contract/results';
import { defineEntity } from '@mikro-orm/core';
import type { Standing } from '@escalier/core/records';
import { AccountEntity } from '../accounts/index.ts';
import { ClassEntity, PupilEntity } from '../classes/index.ts';
import { SchoolEntity } from '../schools/index.ts';
import { StepEntity } from '../staircase/index.ts';
import { TuneEntity } from '../tunes/index.ts';

/** How many records a pupil has: a trigger counts, in the transaction of the record. */
export const RecordCountEntity = defineEntity({
  name: 'RecordCount',
  tableName: 'record_count',
  properties: (p) => ({
    pupil: () => p.oneToOne(PupilEntity).mapToPk().primary().owner().deleteRule('cascade'),
    count: p.integer(),
  }),
});

/** Append-only: rows are never changed and never deleted. An undo is a row of its own, and so is a correction. */
export const RecordEventEntity = defineEntity({
  name: 'RecordEvent',
  tableName: 'record_event',
  indexes: [{ properties: ['school', 'pupil'] }, { properties: ['pupil', 'number'] }],
  properties: (p) => ({
    /** UUID v7 made by the client: sending it again stores nothing more. */
    id: p.uuid().primary(),
    /** Counts up in the order in which the school got the records: the order that counts. */
    number: p.bigint('number').autoincrement().unique(),
    school: () => p.manyToOne(SchoolEntity).mapToPk(),
    schoolClass: () => p.manyToOne(ClassEntity).mapToPk().index(),
    account: () => p.manyToOne(AccountEntity).mapToPk(),
    kind: p.enum(['heard', 'undone']),
    pupil: () => p.manyToOne(PupilEntity).mapToPk(),
    step: () => p.manyToOne(StepEntity).mapToPk().index(),
    /** Which of the step's tunes; null for its first. */
    tune: () => p.manyToOne(TuneEntity).mapToPk().nullable().index(),
    /** Null for an undo. */
    outcome: p.text().nullable(),
    remarks: p.json<string[]>(),
    /** What else was said of a hearing. */
    details: p.json<HeardDetails>().default('{}'),
    /** The heard event that an undo takes back. */
    undoes: p.uuid().nullable().index(),
    /** The heard event in whose place this one stands. */
    corrects: p.uuid().nullable(),
    reason: p.text(),
    /** By the device's clock. */
    heardAt: p.datetime(),
    /** So many seconds was that clock ahead of the server's. */
    deviceAhead: p.integer(),
    /** By the server's clock. */
    receivedAt: p.datetime(),
  }),
});

/** Where a pupil stood after so many records by some rules: worked out again where either is another. */
export const KeptStandingEntity = defineEntity({
  name: 'KeptStanding',
  tableName: 'kept_standing',
  properties: (p) => ({
    pupil: () => p.oneToOne(PupilEntity).mapToPk().primary().owner().deleteRule('cascade'),
    records: p.integer(),
    rules: p.text(),
    standing: p.json<Standing>(),
  }),
});
