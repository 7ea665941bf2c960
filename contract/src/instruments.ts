import type { CleaningCall } from '@escalier/core/calendar';
import { CONDITIONS, OWNERS, STOCK_WAYS } from '@escalier/core/instruments';
import type { StepNeed } from '@escalier/core/records';
import { BELTS } from '@escalier/core/staircase';
import * as z from 'zod/mini';
import { beltId, instrumentId } from './choices.ts';
import { count, different, id, uuid, localDate, type ReadOf, typed, version, whole, writtenMoment } from './fields.ts';

const number = z.int().check(z.gte(1), z.lte(9999));
const owner = z.enum(OWNERS);
const condition = z.enum(CONDITIONS);

export const NewInstruments = z.object({
  kind: instrumentId,
  from: number,
  count: z.int().check(z.gte(1), z.lte(100)),
  owner,
});
export type NewInstruments = z.output<typeof NewInstruments>;

export const InstrumentChange = z.object({ number, owner, condition, note: typed(0, 200), version });
export type InstrumentChange = z.output<typeof InstrumentChange>;

const classInput = z.object({ classId: uuid });
export const LendInput = z.extend(classInput, { share: z.boolean(), dryRun: z.boolean() });
export type LendInput = z.output<typeof LendInput>;
export const takeBackInput = classInput;
export const takenBack = z.object({ count });
export const cleanedInput = z.object({ ids: z.array(uuid).check(z.minLength(1), z.maxLength(1000)) });
export const loanInput = z.object({ pupilId: uuid });

const loanLine = z.object({ id, pupilId: id, pupil: z.string(), classId: id, lentOn: localDate });

export const InstrumentLine = z.object({
  id,
  number: count,
  kind: z.string(),
  owner,
  condition,
  note: z.string(),
  version,
  /** Local date and time, `2026-03-03T10:20`; null when nobody has noted a cleaning. */
  cleanedAt: z.nullable(z.string()),
  /** In whose hands it is: of each class at most one pupil. */
  loans: z.array(loanLine),
});
export type InstrumentLine = ReadOf<typeof InstrumentLine>;

const kind = z.string();
export const LendingClass = z.object({
  id,
  name: z.string(),
  kind,
  pupils: z.array(z.object({ id, name: z.string(), kind })),
});
export type LendingClass = ReadOf<typeof LendingClass>;

const cleaningCall = z.object({
  classId: id,
  date: localDate,
  at: z.string(),
  playedBy: z.string(),
  instrumentIds: z.array(id),
}) satisfies z.ZodMiniType<CleaningCall>;

export const InstrumentList = z.object({
  instruments: z.array(InstrumentLine),
  classes: z.array(LendingClass),
  cleaning: z.array(cleaningCall),
});
export type InstrumentList = ReadOf<typeof InstrumentList>;

/** Who gets which instrument of the school, and who gets none. */
export const Lending = z.object({
  pairs: z.array(z.object({ instrumentId: id, number: count, pupilId: id, pupil: z.string() })),
  without: z.array(z.string()),
});
export type Lending = ReadOf<typeof Lending>;

const stockOf = {
  way: z.enum(STOCK_WAYS),
  /** Pieces, or centimetres of cord. */
  onHand: whole,
  cmEach: whole.check(z.lte(1000)),
  reservePercent: whole.check(z.lte(200)),
  /** 0 as long as nothing was noted of this belt. */
  version,
};
export const StockInput = z.object({
  belts: different(
    z.array(z.object({ belt: beltId, ...stockOf })).check(z.maxLength(BELTS.length)),
    ({ belt }) => belt,
  ),
});
export type StockInput = z.output<typeof StockInput>;

export const BeltStock = z.object({ belt: z.string(), ...stockOf });
export type BeltStock = ReadOf<typeof BeltStock>;

const stepNeed = z.object({ passed: count, likely: z.number(), atMost: z.number() }) satisfies z.ZodMiniType<StepNeed>;

/** What a class needs of each belt, counted from the standings and the pace so far. */
export const ClassNeeds = z.object({
  id,
  name: z.string(),
  lessonsLeft: count,
  steps: z.array(z.extend(stepNeed, { belt: z.string(), position: z.int().check(z.gte(1)) })),
});
export type ClassNeeds = ReadOf<typeof ClassNeeds>;

export const BeltList = z.object({ stock: z.array(BeltStock), classes: z.array(ClassNeeds) });
export type BeltList = ReadOf<typeof BeltList>;

/** A belt that a pupil has earned. */
export const EarnedBelt = z.object({
  pupilId: id,
  name: z.string(),
  stepId: id,
  position: z.int().check(z.gte(1)),
  belt: z.string(),
  /** By the device's time. */
  passedAt: writtenMoment,
  /** Null as long as it was not handed out. */
  givenAt: z.nullable(writtenMoment),
});
export type EarnedBelt = ReadOf<typeof EarnedBelt>;

export const ClassBelts = z.object({ id, name: z.string(), earned: z.array(EarnedBelt) });
export type ClassBelts = ReadOf<typeof ClassBelts>;
export const beltsOfClasses = z.array(ClassBelts);

export const GivenInput = z.object({
  belts: z.array(z.object({ pupilId: uuid, stepId: uuid })).check(z.minLength(1), z.maxLength(1000)),
  given: z.boolean(),
});
export type GivenInput = z.output<typeof GivenInput>;
