import { TZDate } from '@date-fns/tz';
import { lessonsNow, lessonsOf, type Lesson, type LocalDate } from '@escalier/core/calendar';
import { goOnFrom, hearingOrder, stepNeeds, type Climb, type Standing, type StepNeed } from '@escalier/core/records';
import {
  DEFAULT_BREATH_SECONDS,
  joinKnowledge,
  knowledgeFrom,
  NOTHING_KNOWN,
  tuneSeconds,
} from '@escalier/core/reading';
import type { StepReading } from '@escalier/core/staircase';
import { format } from 'date-fns';
import type { SignedIn } from '../../platform/context.ts';
import type { EntityManager } from '../../platform/database.ts';
import { notFound, wrongInput } from '../../platform/problem.ts';
import { stepReadings } from '../staircase/index.ts';
import { oneTune, parsedTune } from '../tunes/index.ts';
import type {
  ClassBrief,
  ClassPage,
  ClassSummary,
  KnownDto,
  LessonsDto,
  PupilDto,
  StepDto,
  StepPage,
  TunePage,
} from './dto.ts';
import { ClassTuneEntity, type BreathPlace } from './entities.ts';
import { keptStanding } from './kept-events.ts';
import { readClassRows, type ClassRow } from './queries.ts';

export async function listClasses(em: EntityManager, who: SignedIn, now: Date): Promise<readonly ClassSummary[]> {
  const rows = await readClassRows(em, who, null);
  return rows.map((row): ClassSummary => {
    const standing = standingsOf(row);
    const onStep = [...row.steps.keys(), row.steps.length].map(
      (step) => standing.filter((each) => each.stepIndex === step).length,
    );
    const firstId = hearingOrder(standing)[0]?.pupilId;
    const first = row.pupils.find((pupil) => pupil.id === firstId);
    return {
      ...brief(row),
      pupils: standing.length,
      lessons: lessonsDto(row, localToday(now, who.timeZone)),
      belts: row.steps.map((step) => step.belt),
      onStep,
      nearly: standing.filter((each) => each.state === 'nearly').length,
      stuck: standing.filter((each) => each.state === 'stuck').length,
      hearFirst: first === undefined ? null : { id: first.id, name: first.name },
    };
  });
}

/** @throws Problem 404 when the class is not of the asker's school. */
export async function classPage(em: EntityManager, who: SignedIn, classId: string, now: Date): Promise<ClassPage> {
  const row = await oneClass(em, who, classId);
  const day = localToday(now, who.timeZone);
  const standing = standingsOf(row);
  const byPupil = new Map(standing.map((each) => [each.pupilId, each]));
  return {
    ...brief(row),
    today: day,
    term: row.term,
    lessons: { ...lessonsDto(row, day), all: lessonsOfClass(row) },
    steps: stepDtos(row, standing),
    pupils: row.pupils.map(({ records: _records, ...pupil }): PupilDto => ({
      ...pupil,
      standing: byPupil.get(pupil.id) ?? null,
    })),
    hearingOrder: hearingOrder(standing).map((each) => each.pupilId),
  };
}

/** @param position counted from 1. @throws Problem 404 when there is no such class or step. */
export async function stepPage(em: EntityManager, who: SignedIn, classId: string, position: number): Promise<StepPage> {
  const row = await oneClass(em, who, classId);
  const steps = stepDtos(row, standingsOf(row));
  const [step, source] = [steps[position - 1], row.steps[position - 1]];
  if (step === undefined || source === undefined) throw notFound('step');
  const known = knowledgeBefore(row, position - 1);
  return { ...(await tunePageOf(em, row, { ...source, id: source.tuneId }, known)), step, steps: steps.length };
}

/** A tune for what the class knows now: the steps that enough have passed. */
export async function tunePage(em: EntityManager, who: SignedIn, classId: string, tuneId: string): Promise<TunePage> {
  const row = await oneClass(em, who, classId);
  const tune = await oneTune(em, who, tuneId);
  return tunePageOf(em, row, tune, knowledgeBefore(row, stepsDone(row)));
}

/** What the class knows now, for reading the whole library. */
export async function classKnowledge(
  em: EntityManager,
  who: SignedIn,
  classId: string,
): Promise<{ schoolClass: ClassBrief; known: KnownDto }> {
  const row = await oneClass(em, who, classId);
  return { schoolClass: brief(row), known: knowledgeBefore(row, stepsDone(row)) };
}

/** What a class needs of each belt, counted from the standings and the pace so far. */
export interface ClassNeeds {
  readonly id: string;
  readonly name: string;
  readonly lessonsLeft: number;
  readonly steps: readonly (StepNeed & { readonly belt: string; readonly position: number })[];
}

export async function classNeeds(em: EntityManager, who: SignedIn, now: Date): Promise<readonly ClassNeeds[]> {
  const day = localToday(now, who.timeZone);
  const rows = await readClassRows(em, who, null);
  return rows.map((row): ClassNeeds => {
    const lessons = lessonsOfClass(row);
    const byPupil = new Map(row.pupils.map((pupil) => [pupil.id, pupil]));
    const climbs = standingsOf(row).map((standing): Climb => {
      const { startStep, joinedOn } = byPupil.get(standing.pupilId)!;
      return {
        pupilId: standing.pupilId,
        stepIndex: standing.stepIndex,
        startStepIndex: startStep - 1,
        lessonsHad: lessons.filter((lesson) => lesson.date >= joinedOn && lesson.date < day).length,
      };
    });
    const left = lessonsNow(lessons, day).left;
    const needs = stepNeeds(climbs, row.steps.length, left);
    return {
      id: row.id,
      name: row.name,
      lessonsLeft: left,
      steps: row.steps.map(({ belt, position }, index) => ({ belt, position, ...needs[index]! })),
    };
  });
}

/** A step as the class climbs it. */
export interface ClimbStep {
  readonly position: number;
  readonly title: string;
  readonly newNotes: readonly string[];
  /** What the steps below have brought. */
  readonly knownBefore: KnownDto;
  /** Pupils who work on this step or are past it. */
  readonly pupilsHere: number;
}

export interface ClassClimb {
  readonly brief: ClassBrief;
  readonly steps: readonly ClimbStep[];
  readonly pupils: number;
}

/** The stairs of a class, with how many pupils have come to each step. */
export async function classClimb(em: EntityManager, who: SignedIn, classId: string): Promise<ClassClimb> {
  const row = await oneClass(em, who, classId);
  const standing = standingsOf(row);
  const readings = readingsOf(row);
  return {
    brief: brief(row),
    pupils: standing.length,
    steps: row.steps.map((step, index) => ({
      position: step.position,
      title: step.title,
      newNotes: readings[index]!.reading.notes.new.map((use) => use.name),
      knownBefore: knowledgeBefore(row, index),
      pupilsHere: standing.filter((each) => each.stepIndex >= index).length,
    })),
  };
}

export interface ClassTuneInput {
  readonly breathSeconds: number;
  readonly breaths: readonly BreathPlace[] | null;
}

/** Keeps what a class changes for itself. @throws Problem 404, or 400 when a place is not in the tune. */
export async function keepClassTune(
  em: EntityManager,
  who: SignedIn,
  classId: string,
  tuneId: string,
  input: ClassTuneInput,
): Promise<void> {
  const row = await oneClass(em, who, classId);
  const tune = parsedTune((await oneTune(em, who, tuneId)).abc);
  const isThere = ({ barIndex, eventIndex }: BreathPlace): boolean =>
    tune.parts[0].bars[barIndex]?.[eventIndex] !== undefined;
  if (input.breaths?.every(isThere) === false)
    throw wrongInput({ breaths: 'A breath stands where the tune has no note.' });
  const breaths = input.breaths === null ? null : [...input.breaths];
  await em.upsert(ClassTuneEntity, { schoolClass: row.id, tune: tuneId, breathSeconds: input.breathSeconds, breaths });
}

function knowledgeBefore(row: ClassRow, steps: number): KnownDto {
  const known = readingsOf(row)
    .slice(0, steps)
    .map(({ reading }) => knowledgeFrom(reading))
    .reduce(joinKnowledge, NOTHING_KNOWN);
  return { notes: [...known.notes], elements: [...known.elements], signs: [...known.signs], moves: [...known.moves] };
}

/** How many steps from the first up enough of the class have passed. */
function stepsDone(row: ClassRow): number {
  const standing = standingsOf(row);
  const open = row.steps.findIndex((_, index) => !goOnFrom(standing, index, row.style.goOnShare).goOn);
  return open < 0 ? row.steps.length : open;
}

async function tunePageOf(
  em: EntityManager,
  row: ClassRow,
  tune: { readonly id: string; readonly title: string; readonly abc: string },
  known: KnownDto,
): Promise<TunePage> {
  const kept = await em.findOne(ClassTuneEntity, { schoolClass: row.id, tune: tune.id });
  return {
    schoolClass: brief(row),
    tuneId: tune.id,
    title: tune.title,
    abc: tune.abc,
    known,
    breathSeconds: kept?.breathSeconds ?? DEFAULT_BREATH_SECONDS,
    breaths: kept?.breaths ?? null,
  };
}

/** Where one pupil stands, for the answer to a new record. */
export async function pupilStanding(
  em: EntityManager,
  who: SignedIn,
  classId: string,
  pupilId: string,
): Promise<Standing | null> {
  const row = await oneClass(em, who, classId);
  return standingsOf(row).find((standing) => standing.pupilId === pupilId) ?? null;
}

async function oneClass(em: EntityManager, who: SignedIn, classId: string): Promise<ClassRow> {
  const [row] = await readClassRows(em, who, classId);
  if (row === undefined) throw notFound('class');
  return row;
}

/** The school's own date at a moment. */
export function localToday(now: Date, timeZone: string): LocalDate {
  return format(new TZDate(now, timeZone), 'yyyy-MM-dd');
}

function brief({ id, name, grade, instrumentId, style }: ClassRow): ClassBrief {
  return { id, name, grade, instrumentId, style };
}

const MOST_CALENDARS = 500;
const keptLessons = new Map<string, readonly Lesson[]>();

/** The lessons of a class, kept by the term and the meetings that they come from. */
function lessonsOfClass({ term, meetings }: ClassRow): readonly Lesson[] {
  const key = JSON.stringify([term, meetings]);
  const known = keptLessons.get(key);
  if (known !== undefined) return known;
  const lessons = lessonsOf(term, meetings);
  if (keptLessons.size >= MOST_CALENDARS) keptLessons.delete(keptLessons.keys().next().value!);
  keptLessons.set(key, lessons);
  return lessons;
}

function lessonsDto(row: ClassRow, day: LocalDate): LessonsDto {
  const lessons = lessonsOfClass(row);
  return { total: lessons.length, ...lessonsNow(lessons, day) };
}

/** Pupils who have left are not counted any more; their records stay. */
function standingsOf(row: ClassRow): readonly Standing[] {
  const pupils = row.pupils.filter((pupil) => pupil.leftOn === null);
  const stepIds = row.steps.map((step) => step.id);
  return pupils.map(({ id, startStep }) => keptStanding(id, startStep - 1, stepIds, row.events.get(id) ?? []));
}

function readingsOf(row: ClassRow): readonly StepReading[] {
  return stepReadings(
    row.instrumentId,
    row.steps.map((step) => step.abc),
  );
}

function stepDtos(row: ClassRow, standing: readonly Standing[]): readonly StepDto[] {
  const readings = readingsOf(row);
  return row.steps.map((step, index): StepDto => {
    const { reading, rise } = readings[index]!;
    return {
      id: step.id,
      position: step.position,
      belt: step.belt,
      lessons: step.lessons,
      tuneId: step.tuneId,
      title: step.title,
      tuneSeconds: Math.round(tuneSeconds(parsedTune(step.abc), reading.tempo)),
      rise,
      newNotes: reading.notes.new.map((use) => use.name),
      newElements: reading.elements.new.map((element) => element.id),
      newSigns: reading.signs.new.map((sign) => sign.id),
      goOn: goOnFrom(standing, index, row.style.goOnShare),
    };
  });
}
