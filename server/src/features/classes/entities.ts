import type { BreathPlace } from '@escalier/contract/class-pages';
import { type Brings, NOTHING_BROUGHT, type TeachingStyle } from '@escalier/contract/classes';
import type { PrintSize } from '@escalier/core/handouts';
import { defineEntity } from '@mikro-orm/core';
import type { ClassDayOff, Meeting, LocalDate } from '@escalier/core/calendar';
import { AccountEntity } from '../accounts/index.ts';
import { SchoolEntity } from '../schools/index.ts';
import { StaircaseEntity, StepEntity } from '../staircase/index.ts';
import { TermEntity } from '../terms/index.ts';
import { TuneEntity } from '../tunes/index.ts';

export const ClassEntity = defineEntity({
  name: 'SchoolClass',
  tableName: 'school_class',
  properties: (p) => ({
    id: p.uuid().primary(),
    school: () => p.manyToOne(SchoolEntity).mapToPk().index(),
    term: () => p.manyToOne(TermEntity).mapToPk().index(),
    staircase: () => p.manyToOne(StaircaseEntity).mapToPk().index(),
    name: p.text(),
    grade: p.text(),
    meetings: p.json<Meeting[]>(),
    style: p.json<TeachingStyle>(),
    brings: p.json<Brings>().default(JSON.stringify(NOTHING_BROUGHT)),
    /** Days on which this class alone has no lesson. */
    lost: p.json<readonly ClassDayOff[]>().default('[]'),
    /** Opens the calendar of the class to a program that is not signed in; null as long as nobody subscribes. */
    calendarToken: p.text().nullable().unique(),
    version: p.integer().default(1),
  }),
});

/** Who teaches a class, or hears its pupils. Owners of the school open every class without being named. */
export const ClassTeacherEntity = defineEntity({
  name: 'ClassTeacher',
  tableName: 'class_teacher',
  primaryKeys: ['schoolClass', 'account'],
  properties: (p) => ({
    schoolClass: () => p.manyToOne(ClassEntity).mapToPk().primary().deleteRule('cascade'),
    account: () => p.manyToOne(AccountEntity).mapToPk().primary().index(),
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
    startStep: () => p.manyToOne(StepEntity).mapToPk().index(),
    joinedOn: p.date().$type<LocalDate>(),
    leftOn: p.date().$type<LocalDate>().nullable(),
    /** How this pupil tells left from right, where it is not the mark of the class; empty for that. */
    handMark: p.text(),
    /** For the teachers only. */
    note: p.text(),
    /** Another instrument than the class's; null for the same. */
    playsInstead: p.text().nullable(),
    /** The family and the school agree to recordings. Off until somebody says so. */
    mayRecord: p.boolean(),
    /** The most seconds that one breath of this pupil carries; null for those of the class. */
    breathSeconds: p.integer().nullable(),
    /** How large this pupil's sheets are printed. */
    printSize: p.text().$type<PrintSize>().default('medium'),
    /** Plays the easier line of a tune that has one. */
    easierLine: p.boolean().default(false),
    /** When the personal data was erased; the records stay without a name. */
    erasedAt: p.datetime().nullable(),
    version: p.integer().default(1),
  }),
});

/** From one class to a parallel one; the records go along. */
export const PupilMoveEntity = defineEntity({
  name: 'PupilMove',
  tableName: 'pupil_move',
  properties: (p) => ({
    id: p.uuid().primary(),
    pupil: () => p.manyToOne(PupilEntity).mapToPk().index(),
    fromClass: () => p.manyToOne(ClassEntity).mapToPk().index(),
    toClass: () => p.manyToOne(ClassEntity).mapToPk().index(),
    movedOn: p.date().$type<LocalDate>(),
  }),
});

export const AbsenceEntity = defineEntity({
  name: 'Absence',
  tableName: 'absence',
  primaryKeys: ['pupil', 'date'],
  properties: (p) => ({
    pupil: () => p.manyToOne(PupilEntity).mapToPk().primary().deleteRule('cascade'),
    date: p.date().$type<LocalDate>().primary(),
  }),
});

/** What a class has changed for itself in a tune. */
export const ClassTuneEntity = defineEntity({
  name: 'ClassTune',
  tableName: 'class_tune',
  primaryKeys: ['schoolClass', 'tune'],
  properties: (p) => ({
    schoolClass: () => p.manyToOne(ClassEntity).mapToPk().primary(),
    tune: () => p.manyToOne(TuneEntity).mapToPk().primary().index().deleteRule('cascade'),
    /** The most seconds that one breath of this class carries. */
    breathSeconds: p.integer(),
    /** Places after which the class breathes, or null for what Escalier proposes. */
    breaths: p.json<BreathPlace[]>().nullable(),
    /** Where it stands in the class's own book. */
    bookPage: p.text().default(''),
    version: p.integer().default(1),
  }),
});

/** What a class says about a note, in its teacher's own words. */
export const ClassNoteEntity = defineEntity({
  name: 'ClassNote',
  tableName: 'class_note',
  primaryKeys: ['schoolClass', 'note'],
  properties: (p) => ({
    schoolClass: () => p.manyToOne(ClassEntity).mapToPk().primary(),
    /** Written pitch, `F#4`. */
    note: p.text().primary(),
    /** A reason, a hint, a word for the picture. */
    hint: p.text(),
    bookPage: p.text(),
    version: p.integer().default(1),
  }),
});
