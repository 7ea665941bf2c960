import { OUTCOMES, type Fault, type ListenedTo, type RecordEvent } from '@escalier/core/records';
import * as z from 'zod/mini';
import {
  bar,
  count,
  countInAddress,
  different,
  id,
  uuid,
  madeId,
  moment,
  type ReadOf,
  remarkId,
  span,
  typed,
} from './fields.ts';

const MOST_REMARKS = 20;
const MOST_FAULTS = 60;
const MOST_EVENTS = 200;

const outcome = z.enum(OUTCOMES);
export const remarkIds = z.array(remarkId).check(z.maxLength(MOST_REMARKS));

const fault = z.object({
  remark: z.optional(remarkId),
  bar,
  barIndex: bar,
  eventIndex: z.optional(z.int().check(z.gte(0), z.lte(999))),
}) satisfies z.ZodMiniType<Fault>;

/**
 * What may be said of a hearing beside who, what and how it went. Whoever adds a field adds it here and to the core's
 * `HeardEvent`; what sends, keeps, stores and exports results goes by this list.
 */
export const HeardDetails = z.object({
  /** Beats a minute that were reached, when somebody noted them. */
  tempo: z.optional(z.int().check(z.gte(10), z.lte(400))),
  faults: z.optional(z.array(fault).check(z.minLength(1), z.maxLength(MOST_FAULTS))),
  /** Absent when the whole tune was heard. */
  extent: z.optional(z.object({ bars: span, indices: span, slowly: z.boolean() })),
  /** What was proposed by listening; absent where nobody but the teacher listened. */
  listened: z.optional(
    z.object({ recordingId: z.optional(uuid), outcome: z.nullable(outcome), remarks: remarkIds }),
  ) satisfies z.ZodMiniType<ListenedTo | undefined>,
});
export type HeardDetails = ReadOf<typeof HeardDetails>;

const SentHeard = z.extend(HeardDetails, {
  kind: z.literal('heard'),
  id: madeId,
  pupilId: uuid,
  stepId: uuid,
  /** Which of the step's tunes; absent for its first. */
  tuneId: z.optional(uuid),
  outcome,
  remarks: different(remarkIds, (remark) => remark),
  /** The device's time. */
  heardAt: moment,
  /** The event in whose place this one stands, with the reason. */
  corrects: z.optional(uuid),
  reason: z.optional(typed(0, 200)),
});

const SentUndone = z.object({
  kind: z.literal('undone'),
  id: madeId,
  undoes: uuid,
  /** Absent where a tap was undone at once. */
  reason: z.optional(typed(0, 200)),
  heardAt: moment,
});

/** An event as a device sends it. */
export const SentEvent = z.discriminatedUnion('kind', [SentHeard, SentUndone]);
export type SentEvent = ReadOf<typeof SentEvent>;
export type SentHeard = ReadOf<typeof SentHeard>;
export type SentUndone = ReadOf<typeof SentUndone>;

export const SentEvents = z.object({
  /** By the device's clock, when it sends. */
  sentAt: moment,
  events: different(z.array(SentEvent).check(z.minLength(1), z.maxLength(MOST_EVENTS)), (event) => event.id),
});
export type SentEvents = ReadOf<typeof SentEvents>;

const Recorded = z.union([
  z.object({ id, number: count, stored: z.boolean() }),
  /** The sentence why it was not taken. */
  z.object({ id, refused: z.string() }),
]);
export type Recorded = ReadOf<typeof Recorded>;
/** How each event of a sending fared. */
export const recordedAll = z.object({ results: z.array(Recorded) });

const receipt = z.optional(z.object({ number: count, deviceAhead: z.int() }));

/** What the database holds may lie outside what a device may send today. */
const storedHeard = z.extend(SentHeard, {
  id,
  pupilId: id,
  stepId: id,
  tuneId: z.optional(id),
  corrects: z.optional(id),
  remarks: z.array(z.string()),
  heardAt: z.string(),
  reason: z.optional(z.string()),
  tempo: z.optional(z.int()),
  receipt,
});
const storedUndone = z.object({
  kind: z.literal('undone'),
  id,
  pupilId: id,
  undoes: id,
  reason: z.optional(z.string()),
  receipt,
});

/** An event as the school keeps it, and as a device keeps what it knows of the school's. */
export const storedEvent = z.discriminatedUnion('kind', [
  storedHeard,
  storedUndone,
]) satisfies z.ZodMiniType<RecordEvent>;

export const ClassRecords = z.object({
  records: z.array(storedEvent),
  /** The number of the last record that is in the answer, or of the one that was asked from. */
  last: count,
});
export type ClassRecords = ReadOf<typeof ClassRecords>;
export const afterQuery = z.object({ after: z._default(countInAddress(0, Number.MAX_SAFE_INTEGER), 0) });
