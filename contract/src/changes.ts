import * as z from 'zod/mini';
import { count, id, type ReadOf, uuid, writtenMoment } from './fields.ts';

/** Of a person, a class or a thing, as it was called then. */
const name = z.string();
const title = z.string();
/** The fields that were changed, by their names in the contract. */
const fields = z.array(z.string());

const fact = <const Code extends string>(code: Code) => z.object({ code: z.literal(code) });
const about = <const Code extends string>(code: Code) => z.object({ code: z.literal(code), name });
const ofTune = <const Code extends string>(code: Code) => z.object({ code: z.literal(code), title });

/** What somebody changed, as facts: whoever shows it says it. */
export const ChangeFact = z.discriminatedUnion('code', [
  // School
  about('school-set-up'),
  z.object({ code: z.literal('school-changed'), fields }),
  fact('letters-changed'),
  fact('remarks-changed'),
  fact('cautions-changed'),
  fact('school-exported'),
  fact('tables-exported'),
  z.object({ code: z.literal('archive-imported'), name, date: z.string() }),
  z.object({ code: z.literal('recording-rule'), days: count, megabytes: count }),
  fact('rooms-allowed'),
  fact('rooms-forbidden'),
  // People
  fact('signed-in'),
  fact('own-password-changed'),
  z.object({ code: z.literal('person-changed'), name, role: z.string(), classes: count, closed: z.boolean() }),
  z.object({ code: z.literal('person-invited'), name, role: z.string() }),
  about('password-link-made'),
  about('link-withdrawn'),
  about('password-set-by-link'),
  z.object({ code: z.literal('person-joined'), name, role: z.string() }),
  // Terms and calendar
  about('term-made'),
  z.object({ code: z.literal('term-changed'), name, fields }),
  about('calendar-opened'),
  about('calendar-closed'),
  z.object({ code: z.literal('lesson-lost'), name, date: z.string(), reason: z.string() }),
  z.object({ code: z.literal('lesson-restored'), name, date: z.string() }),
  // Classes
  about('class-made'),
  z.object({ code: z.literal('class-changed'), name, fields }),
  z.object({ code: z.literal('class-staircase'), name, staircase: z.string() }),
  z.object({ code: z.literal('class-tune'), name, title }),
  z.object({ code: z.literal('class-note'), name, note: z.string() }),
  z.object({ code: z.literal('room-opened'), name, until: z.string() }),
  about('room-closed'),
  about('task-set'),
  about('task-cleared'),
  about('slips-made'),
  // Pupils
  z.object({ code: z.literal('pupils-added'), name, count }),
  z.object({ code: z.literal('pupil-changed'), name, fields, consent: z.nullable(z.enum(['given', 'withdrawn'])) }),
  z.object({ code: z.literal('pupil-moved'), name, from: z.string(), to: z.string() }),
  z.object({ code: z.literal('pupil-away'), name, date: z.string() }),
  z.object({ code: z.literal('pupil-here'), name, date: z.string() }),
  fact('pupil-erased'),
  /** In the place of every line about a pupil whose data was erased. */
  fact('about-erased-pupil'),
  // Staircases and tunes
  about('staircase-made'),
  about('staircase-changed'),
  about('staircase-deleted'),
  ofTune('tune-added'),
  ofTune('tune-changed'),
  ofTune('tune-restored'),
  ofTune('tune-archived'),
  ofTune('tune-deleted'),
  // Recordings
  fact('recording-erased'),
  z.object({ code: z.literal('recordings-erased'), name, count }),
  about('recording-spoken-answer'),
  about('recording-spoken-answer-erased'),
  about('recording-answered'),
  about('recording-words-erased'),
  // Instruments and belts
  z.object({ code: z.literal('instruments-entered'), count, from: count }),
  z.object({ code: z.literal('instrument-changed'), number: count, condition: z.string() }),
  z.object({ code: z.literal('instrument-removed'), number: count }),
  z.object({ code: z.literal('instruments-cleaned'), count }),
  z.object({ code: z.literal('instrument-lent'), number: count, name }),
  z.object({ code: z.literal('instrument-returned'), number: count, name }),
  z.object({ code: z.literal('instruments-lent'), count, name }),
  z.object({ code: z.literal('instruments-returned'), count, name }),
  fact('belt-stock-changed'),
  z.object({ code: z.literal('belt-given'), name, belt: z.string() }),
  z.object({ code: z.literal('belt-taken-back'), name, belt: z.string() }),
  /** What stands at a recording now, for whoever answers at the same time. */
  z.object({ code: z.literal('recording-answer-now'), words: z.string(), spokenSeconds: z.nullable(z.number()) }),
  /** A sentence of an earlier version, as it was. */
  z.object({ code: z.literal('in-words'), words: z.string() }),
]);
export type ChangeFact = ReadOf<typeof ChangeFact>;

/** One line of what was changed at a school. */
export const ChangeLine = z.object({ id, at: writtenMoment, who: name, what: ChangeFact });
export type ChangeLine = ReadOf<typeof ChangeLine>;
export const changeList = z.array(ChangeLine);

/** `before` is the id of the last line of the page before. */
export const changesQuery = z.object({ before: z.optional(uuid) });
