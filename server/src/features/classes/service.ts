import { TZDate } from '@date-fns/tz';
import { lessonsNow, lessonsOf, type LocalDate } from '@escalier/core/calendar';
import { goOnFrom, hearingOrder, standings, type Standing } from '@escalier/core/records';
import { joinKnowledge, knowledgeFrom, NOTHING_KNOWN } from '@escalier/core/reading';
import type { StepReading } from '@escalier/core/staircase';
import { format } from 'date-fns';
import type { SignedIn } from '../../platform/context.ts';
import type { EntityManager } from '../../platform/database.ts';
import { notFound } from '../../platform/problem.ts';
import { stepReadings } from '../staircase/index.ts';
import type { ClassBrief, ClassPage, ClassSummary, LessonsDto, PupilDto, StepDto, StepPage } from './dto.ts';
import { readClassRows, toEvents, type ClassRow } from './queries.ts';

export async function listClasses(em: EntityManager, who: SignedIn, now: Date): Promise<readonly ClassSummary[]> {
  const rows = await readClassRows(em, who.schoolId, null);
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
      lessons: lessonsDto(row, today(now, who.timeZone)),
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
  const day = today(now, who.timeZone);
  const standing = standingsOf(row);
  const byPupil = new Map(standing.map((each) => [each.pupilId, each]));
  return {
    ...brief(row),
    today: day,
    term: row.term,
    lessons: { ...lessonsDto(row, day), all: lessonsOf(row.term, row.meetings) },
    steps: stepDtos(row, standing),
    pupils: row.pupils.map((pupil): PupilDto => ({ ...pupil, standing: byPupil.get(pupil.id) ?? null })),
    hearingOrder: hearingOrder(standing).map((each) => each.pupilId),
  };
}

/** @param position counted from 1. @throws Problem 404 when there is no such class or step. */
export async function stepPage(em: EntityManager, who: SignedIn, classId: string, position: number): Promise<StepPage> {
  const row = await oneClass(em, who, classId);
  const steps = stepDtos(row, standingsOf(row));
  const [step, source] = [steps[position - 1], row.steps[position - 1]];
  if (step === undefined || source === undefined) throw notFound('step');
  const known = readingsOf(row)
    .slice(0, position - 1)
    .map(({ reading }) => knowledgeFrom(reading))
    .reduce(joinKnowledge, NOTHING_KNOWN);
  return {
    schoolClass: brief(row),
    step,
    steps: steps.length,
    abc: source.abc,
    known: {
      notes: [...known.notes],
      elements: [...known.elements],
      signs: [...known.signs],
      moves: [...known.moves],
    },
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
  const [row] = await readClassRows(em, who.schoolId, classId);
  if (row === undefined) throw notFound('class');
  return row;
}

/** The school's own date at a moment. */
function today(now: Date, timeZone: string): LocalDate {
  return format(new TZDate(now, timeZone), 'yyyy-MM-dd');
}

function brief({ id, name, grade, instrumentId, style }: ClassRow): ClassBrief {
  return { id, name, grade, instrumentId, style };
}

function lessonsDto(row: ClassRow, day: LocalDate): LessonsDto {
  const lessons = lessonsOf(row.term, row.meetings);
  return { total: lessons.length, ...lessonsNow(lessons, day) };
}

/** Pupils who have left are not counted any more; their records stay. */
function standingsOf(row: ClassRow): readonly Standing[] {
  const pupils = row.pupils.filter((pupil) => pupil.leftOn === null);
  const starts = pupils.map((pupil) => ({ pupilId: pupil.id, startStepIndex: pupil.startStep - 1 }));
  return standings(
    starts,
    row.steps.map((step) => step.id),
    toEvents(row.events),
  );
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
      rise,
      newNotes: reading.notes.new.map((use) => use.name),
      newElements: reading.elements.new.map((element) => element.id),
      newSigns: reading.signs.new.map((sign) => sign.id),
      goOn: goOnFrom(standing, index, row.style.goOnShare),
    };
  });
}
