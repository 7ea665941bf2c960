import { PRINT_SIZES } from '@escalier/core/handouts';
import * as z from 'zod/mini';
import { PupilDto } from './class-pages.ts';
import { instrumentId } from './choices.ts';
import { uuid, localDate, type ReadOf, typed, version } from './fields.ts';

const shownName = typed(1, 60);
/** Position of the first step, counted from 1. */
const startStep = z.int().check(z.gte(1), z.lte(1000));

export const newPupils = z.object({
  pupils: z.array(z.object({ name: shownName, startStep, joinedOn: localDate })).check(z.minLength(1), z.maxLength(60)),
});
export type NewPupils = z.output<typeof newPupils>['pupils'];

export const PupilInput = z.object({
  name: shownName,
  startStep,
  joinedOn: localDate,
  leftOn: z.nullable(localDate),
  handMark: typed(0, 60),
  note: typed(0, 500),
  playsInstead: z.nullable(instrumentId),
  mayRecord: z.boolean(),
  printSize: z._default(z.enum(PRINT_SIZES), 'medium'),
  easierLine: z._default(z.boolean(), false),
  breathSeconds: z._default(z.nullable(z.int().check(z.gte(2), z.lte(20))), null),
  version,
});
export type PupilInput = z.output<typeof PupilInput>;

/** What is kept of a pupil, for the teachers of the class. */
export const PupilRecord = z.extend(
  z.pick(PupilDto, {
    id: true,
    name: true,
    startStep: true,
    joinedOn: true,
    leftOn: true,
    playsInstead: true,
  }),
  {
    ...z.pick(PupilDto, { breathSeconds: true, printSize: true, easierLine: true }).shape,
    handMark: z.string(),
    note: z.string(),
    mayRecord: z.boolean(),
    version,
    /** Latest first. */
    absences: z.array(localDate),
    /** From which class to this one or another, and when. */
    moves: z.array(z.object({ on: localDate, from: z.string(), to: z.string() })),
  },
);
export type PupilRecord = ReadOf<typeof PupilRecord>;
export const pupilList = z.array(PupilRecord);

export const AbsenceInput = z.object({ date: localDate, absent: z.boolean() });
export type AbsenceInput = z.output<typeof AbsenceInput>;
export const moveInput = z.object({ classId: uuid });

/** Where the database holds free text, beside a pupil's own row and the accounts of the staff. */
export const PLACE_IDS = [
  ...['instrument-note', 'lesson-remark', 'week-task', 'pupil-note', 'pupil-mark', 'pupil-name', 'change'],
  ...['recording-words', 'recording-heard', 'recording-file', 'record-reason'],
  ...['class-name', 'class-grade', 'class-settings', 'class-brings', 'class-day'],
  ...['class-note', 'class-note-page', 'class-tune-page'],
  ...['lesson-template', 'school-caution', 'school-remark', 'term-name', 'term-day'],
  ...['staircase-name', 'tune-title', 'tune-text', 'invitation'],
] as const;
export type PlaceId = (typeof PLACE_IDS)[number];

/** A text in which a pupil's name stands. */
export const Trace = z.object({
  place: z.enum(PLACE_IDS),
  key: z.string().check(z.maxLength(200)),
  words: z.string(),
  /** The whole name as the class uses it; else only its first word, which others may share. */
  isWhole: z.boolean(),
});
export type Trace = ReadOf<typeof Trace>;
export const traceList = z.array(Trace);

const MOST_TRACES = 5000;

/** The free texts out of which the name is to be taken. */
export const eraseInput = z.object({
  clean: z._default(z.array(z.pick(Trace, { place: true, key: true })).check(z.maxLength(MOST_TRACES)), []),
});
