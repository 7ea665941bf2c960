import { defineEntity } from '@mikro-orm/core';
import { ANY_WAY, type StepPassRule } from '@escalier/core/staircase';
import { SchoolEntity } from '../schools/index.ts';
import { TuneEntity } from '../tunes/index.ts';

/** What a tune beside the first can be for. */
const FURTHER_ROLES: ('choice' | 'easier' | 'extra')[] = ['choice', 'easier', 'extra'];

/** Parallel classes climb one staircase. */
export const StaircaseEntity = defineEntity({
  name: 'Staircase',
  tableName: 'staircase',
  properties: (p) => ({
    id: p.uuid().primary(),
    school: () => p.manyToOne(SchoolEntity).mapToPk().index(),
    name: p.text(),
    instrument: p.text(),
    /** Written notes in the order in which they are to come; empty for none. */
    noteOrder: p.json<readonly string[]>().default('[]'),
    version: p.integer().default(1),
  }),
});

export const StepEntity = defineEntity({
  name: 'Step',
  tableName: 'step',
  uniques: [{ properties: ['staircase', 'position'] }],
  properties: (p) => ({
    id: p.uuid().primary(),
    staircase: () => p.manyToOne(StaircaseEntity).mapToPk(),
    /** Counted from 1. */
    position: p.integer(),
    tune: () => p.manyToOne(TuneEntity).mapToPk().index(),
    belt: p.text(),
    /** Lessons given to the step: the depth of its tread. */
    lessons: p.integer(),
    /** How many of its tunes have to be passed. */
    toPass: p.integer(),
    /** What passing means, beside playing the tune. */
    passRule: p.json<StepPassRule>().default(JSON.stringify(ANY_WAY)),
  }),
});

/** A further tune of a step, beside its first: to choose, an easier line, or for those ahead. */
export const StepTuneEntity = defineEntity({
  name: 'StepTune',
  tableName: 'step_tune',
  primaryKeys: ['step', 'tune'],
  properties: (p) => ({
    step: () => p.manyToOne(StepEntity).mapToPk().primary().deleteRule('cascade'),
    tune: () => p.manyToOne(TuneEntity).mapToPk().primary().index(),
    /** Counted from 1. */
    position: p.integer(),
    role: p.enum(FURTHER_ROLES).default('choice'),
  }),
});
