import { defineEntity } from '@mikro-orm/core';
import type { Meeting } from '@escalier/core/calendar';
import type { Naming } from '@escalier/core/instruments';
import type { LengthWords } from '@escalier/core/music';
import { SchoolEntity, TermEntity } from '../schools/index.ts';
import { StaircaseEntity, StepEntity } from '../staircase/index.ts';

/** How a class is taught where practitioners differ. */
export interface TeachingStyle {
  readonly naming: Naming;
  readonly lengthWords: LengthWords;
  /** Percent of the class that has to pass a step before the class goes on. */
  readonly goOnShare: number;
}

export const ClassEntity = defineEntity({
  name: 'SchoolClass',
  tableName: 'school_class',
  properties: (p) => ({
    id: p.uuid().primary(),
    school: () => p.manyToOne(SchoolEntity).mapToPk().index(),
    term: () => p.manyToOne(TermEntity).mapToPk(),
    staircase: () => p.manyToOne(StaircaseEntity).mapToPk(),
    name: p.text(),
    grade: p.text(),
    meetings: p.json<Meeting[]>(),
    style: p.json<TeachingStyle>(),
  }),
});

export const PupilEntity = defineEntity({
  name: 'Pupil',
  tableName: 'pupil',
  properties: (p) => ({
    id: p.uuid().primary(),
    school: () => p.manyToOne(SchoolEntity).mapToPk().index(),
    schoolClass: () => p.manyToOne(ClassEntity).mapToPk().index(),
    shownName: p.text(),
    /** Late joiners begin above the first step. */
    startStep: () => p.manyToOne(StepEntity).mapToPk(),
    joinedOn: p.date(),
    leftOn: p.date().nullable(),
  }),
});
