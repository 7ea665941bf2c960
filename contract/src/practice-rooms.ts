import { OUTCOMES } from '@escalier/core/records';
import * as z from 'zod/mini';
import { english } from './english.ts';
import { knownNames } from './knowledge.ts';
import { plainStyle } from './plain-style.ts';
import {
  count,
  id,
  uuid,
  linkToken,
  localDate,
  type ReadOf,
  span,
  text,
  typed,
  version,
  writtenMoment,
} from './fields.ts';

export const roomInput = z.object({
  /** The last day; null closes the room. */
  until: z.nullable(localDate),
});

/** One thing for the week. */
export const RoomTask = z.object({
  tuneId: uuid,
  /** First and last bar, as printed; null for all of it. */
  bars: z.nullable(span),
  /** Beats a minute; null for the pupil's own. */
  tempo: z.nullable(z.int().check(z.gte(20), z.lte(240))),
  /** To the pupils. */
  words: typed(0, 200),
});
export type RoomTask = ReadOf<typeof RoomTask>;

export const TaskInput = z.object({ task: z.nullable(RoomTask), version });
export type TaskInput = z.output<typeof TaskInput>;

export const slipsInput = z.object({ pupilIds: z.array(uuid).check(z.minLength(1), z.maxLength(60)) });

/** What stands on a pupil's access slip: shown once, kept nowhere. */
export const AccessSlip = z.object({
  pupilId: id,
  pictureName: z.string(),
  token: linkToken,
  words: z.string(),
});
export type AccessSlip = ReadOf<typeof AccessSlip>;
export const accessSlips = z.array(AccessSlip);

export const slipWords = z.object({ words: text().check(z.maxLength(100)) });
export const roomKey = z.object({ token: linkToken });

/** A class's practice room, for its teacher. */
export const RoomOfClass = z.object({
  /** The owner has allowed practice rooms. */
  allowed: z.boolean(),
  today: localDate,
  /** Null while it is closed. */
  room: z.nullable(z.object({ until: localDate, task: z.nullable(RoomTask), version })),
  /** The last day of the class's term. */
  endsOn: localDate,
  pupils: z.array(
    z.object({
      id,
      name: z.string(),
      pictureName: z.nullable(z.string()),
      mayHandIn: z.boolean(),
      /** Recordings from home that are here. */
      handedIn: count,
    }),
  ),
  tunes: z.array(z.object({ id, title: z.string() })),
});
export type RoomOfClass = ReadOf<typeof RoomOfClass>;

export const roomsAllowed = z.object({ allowed: z.boolean() });
/** The owner's switch, and how many classes have an open room. */
export const RoomsOfSchool = z.extend(roomsAllowed, { open: count });
export type RoomsOfSchool = ReadOf<typeof RoomsOfSchool>;

const RoomTune = z.object({
  id,
  title: z.string(),
  abc: z.string(),
  belt: z.string(),
  /** Of its step, counted from 1. */
  position: z.int().check(z.gte(1)),
  passed: z.boolean(),
});
export type RoomTune = ReadOf<typeof RoomTune>;

/** What the teacher says to a recording from home. */
const RoomAnswer = z.object({
  id,
  tuneId: id,
  handedInAt: writtenMoment,
  /** The day on which recording and answer are erased. */
  erasedOn: localDate,
  words: z.string(),
  /** Null while the teacher has not decided. */
  outcome: z.nullable(z.enum(OUTCOMES)),
  /** To practise, as printed. */
  bars: z.array(z.int()),
  spokenSeconds: z.nullable(z.number()),
});
export type RoomAnswer = ReadOf<typeof RoomAnswer>;

/** All that a pupil's practice room shows. No name of a person is in it. */
export const RoomFacts = z.object({
  pictureName: z.string(),
  /** Tells a device whether it is the same pupil as before, and nothing else. */
  whose: z.string(),
  instrumentId: z.string(),
  style: plainStyle,
  english,
  chunkBeats: count,
  /** Up to the step that the pupil is on, and the next one. */
  tunes: z.array(RoomTune),
  /** Among the tunes; the last one of all for who has climbed the whole staircase. */
  now: z.int(),
  known: knownNames,
  /** Those of this step among them. */
  notes: z.array(z.string()),
  task: z.nullable(z.object({ tune: count, bars: z.nullable(span), tempo: z.nullable(z.number()), words: z.string() })),
  /** The family and the school agree to recordings. */
  mayHandIn: z.boolean(),
  keptDays: count,
  /** The last day on which the room opens. */
  until: localDate,
  answers: z.array(RoomAnswer),
});
export type RoomFacts = ReadOf<typeof RoomFacts>;
