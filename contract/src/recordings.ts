import { OUTCOMES } from '@escalier/core/records';
import * as z from 'zod/mini';
import { count, id, uuid, localDate, type ReadOf, text, typed, version, writtenMoment } from './fields.ts';
import { remarkIds } from './results.ts';

/** Seconds of the longest recording, and of the longest spoken answer. */
export const LONGEST_RECORDING = 180;
export const LONGEST_ANSWER = 60;

const secondsTo = (most: number) => z.coerce.number().check(z.positive(), z.lte(most));

/** Beside the sound of a recording, in the address. */
export const NewRecording = z.object({
  pupilId: uuid,
  stepId: uuid,
  tuneId: uuid,
  fileName: typed(0, 200),
  seconds: secondsTo(LONGEST_RECORDING),
});
export type NewRecording = z.output<typeof NewRecording>;

/** Beside the sound of a recording from home. */
export const HandIn = z.object({ tuneId: uuid, seconds: secondsTo(LONGEST_RECORDING) });
export type HandIn = z.output<typeof HandIn>;
export const handedIn = z.object({ id });

/** Of words and voice together: who answers has to have seen what stands there. */
const answerVersion = z.pipe(z.coerce.number(), version);
export const NewAnswer = z.object({ seconds: secondsTo(LONGEST_ANSWER), version: answerVersion });
export type NewAnswer = z.output<typeof NewAnswer>;
export const answerErased = z.object({ version: answerVersion });

/** What listening made of a recording, for the list. */
export const HeardSummary = z.object({
  /** Null where nothing is proposed. */
  outcome: z.nullable(z.enum(OUTCOMES)),
  remarks: remarkIds,
  /** The sentence that sums it up. */
  words: text().check(z.maxLength(2000)),
  /** 0 to 1. */
  sure: z.number().check(z.gte(0), z.lte(1)),
  /** It could not be listened to: it is not tried again by itself. */
  failed: z.optional(z.boolean()),
});
export type HeardSummary = ReadOf<typeof HeardSummary>;

/** What listening made of it, or the teacher's words to the pupil. */
export const RecordingChange = z.union([
  z.strictObject({ heard: HeardSummary }),
  z.strictObject({ words: typed(0, 500), version: answerVersion }),
]);
export type RecordingChange = z.output<typeof RecordingChange>;
export type WordsInput = Extract<RecordingChange, { words: string }>;

/** How long recordings are kept, and how much of them. */
export const StorageInput = z.object({
  days: z.int().check(z.gte(1), z.lte(365)),
  megabytes: z.int().check(z.gte(10), z.lte(20_000)),
});
export type StorageInput = z.output<typeof StorageInput>;

export const RecordingDto = z.object({
  id,
  pupilId: id,
  stepId: id,
  tuneId: id,
  fileName: z.string(),
  seconds: z.number(),
  receivedAt: writtenMoment,
  /** The day on which it is erased. */
  erasedOn: localDate,
  heard: z.nullable(HeardSummary),
  /** To the pupil. */
  words: z.string(),
  /** Seconds of what the teacher says to the pupil; null where nothing was spoken. */
  spokenSeconds: z.nullable(z.number()),
  /** Of words and voice together. */
  answerVersion: version,
  /** Handed in from the practice room: anyone holding the access slip may have played it. */
  fromHome: z.boolean(),
});
export type RecordingDto = ReadOf<typeof RecordingDto>;

export const RecordingStorage = z.object({ count, bytes: count, megabytes: count, days: count });
export type RecordingStorage = ReadOf<typeof RecordingStorage>;

export const RecordingList = z.object({
  recordings: z.array(RecordingDto),
  /** Ids of the pupils whose families agreed to recordings. */
  agreed: z.array(id),
  storage: RecordingStorage,
});
export type RecordingList = ReadOf<typeof RecordingList>;

export const recordingCount = z.object({ count });
export const recordingsErased = z.object({ erased: count });
