import { CONDITIONS, OWNERS, STOCK_WAYS } from '@escalier/core/instruments';
import { defineEntity } from '@mikro-orm/core';
import type { LocalDate } from '@escalier/core/calendar';
import { AccountEntity } from '../accounts/index.ts';
import { PupilEntity } from '../classes/index.ts';
import { SchoolEntity } from '../schools/index.ts';
import { StepEntity } from '../staircase/index.ts';

export const InstrumentEntity = defineEntity({
  name: 'Instrument',
  tableName: 'instrument',
  uniques: [{ properties: ['school', 'kind', 'number'] }],
  properties: (p) => ({
    id: p.uuid().primary(),
    school: () => p.manyToOne(SchoolEntity).mapToPk().index(),
    /** What is written on it. */
    number: p.integer(),
    /** One of the core's instruments, `soprano-recorder-baroque`. */
    kind: p.text(),
    owner: p.enum([...OWNERS]),
    condition: p.enum([...CONDITIONS]),
    note: p.text(),
    cleanedAt: p.datetime().nullable(),
    version: p.integer().default(1),
  }),
});

/** From the day of lending to the day of return; an instrument may be in the hands of several classes. */
export const LoanEntity = defineEntity({
  name: 'Loan',
  tableName: 'loan',
  properties: (p) => ({
    id: p.uuid().primary(),
    instrument: () => p.manyToOne(InstrumentEntity).mapToPk().index(),
    pupil: () => p.manyToOne(PupilEntity).mapToPk().index(),
    lentOn: p.date().$type<LocalDate>(),
    returnedOn: p.date().$type<LocalDate>().nullable(),
  }),
});

export const BeltStockEntity = defineEntity({
  name: 'BeltStock',
  tableName: 'belt_stock',
  primaryKeys: ['school', 'belt'],
  properties: (p) => ({
    school: () => p.manyToOne(SchoolEntity).mapToPk().primary(),
    belt: p.text().primary(),
    way: p.enum([...STOCK_WAYS]),
    /** Pieces, or centimetres of cord. */
    onHand: p.integer(),
    /** Centimetres of cord for one child. */
    cmEach: p.integer(),
    reservePercent: p.integer(),
    version: p.integer().default(1),
  }),
});

/** A belt that was handed out. */
export const BeltGivenEntity = defineEntity({
  name: 'BeltGiven',
  tableName: 'belt_given',
  primaryKeys: ['pupil', 'step'],
  properties: (p) => ({
    pupil: () => p.manyToOne(PupilEntity).mapToPk().primary(),
    step: () => p.manyToOne(StepEntity).mapToPk().primary().index(),
    account: () => p.manyToOne(AccountEntity).mapToPk(),
    givenAt: p.datetime(),
    /** What it took from the stock, in its pieces or centimetres: so much comes back with it. */
    taken: p.integer().default(0),
  }),
});
