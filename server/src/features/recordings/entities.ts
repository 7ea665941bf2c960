import type { HeardSummary } from '@escalier/contract/recordings';
import { defineEntity } from '@mikro-orm/core';
import { AccountEntity } from '../accounts/index.ts';
import { ClassEntity, PupilEntity } from '../classes/index.ts';
import { SchoolEntity } from '../schools/index.ts';
import { StepEntity } from '../staircase/index.ts';
import { TuneEntity } from '../tunes/index.ts';

/** A pupil's playing, kept until the school's days are over. */
export const RecordingEntity = defineEntity({
  name: 'Recording',
  tableName: 'recording',
  properties: (p) => ({
    /** UUID v7 made by the client: sending it again stores nothing more. */
    id: p.uuid().primary(),
    school: () => p.manyToOne(SchoolEntity).mapToPk().index(),
    schoolClass: () => p.manyToOne(ClassEntity).mapToPk().index(),
    pupil: () => p.manyToOne(PupilEntity).mapToPk().index().deleteRule('cascade'),
    step: () => p.manyToOne(StepEntity).mapToPk().index().deleteRule('cascade'),
    tune: () => p.manyToOne(TuneEntity).mapToPk().index().deleteRule('cascade'),
    /** Who brought it; null for one that came from home. */
    account: () => p.manyToOne(AccountEntity).mapToPk().nullable(),
    /** Handed in through a pupil's door: whoever has the slip may have played it. */
    fromHome: p.boolean().default(false),
    fileName: p.text(),
    type: p.text(),
    bytes: p.integer(),
    seconds: p.double(),
    receivedAt: p.datetime(),
    heard: p.json<HeardSummary>().nullable(),
    /** What the teacher says to the pupil; the result itself is a record that names the recording. */
    words: p.text(),
    /** Of the answer, words and voice together. */
    answerVersion: p.integer().default(0),
    /** Fetched only to be played. */
    sound: p.blob().lazy(),
    /** The teacher's answer, spoken. */
    spoken: p.blob().lazy().nullable(),
    spokenSeconds: p.double().nullable(),
  }),
});
