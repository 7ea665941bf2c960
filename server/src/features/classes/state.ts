import { TZDate } from '@date-fns/tz';
import { lessonsNow, lessonsOf, type Lesson, type LocalDate } from '@escalier/core/calendar';
import { goOnFrom, type Standing } from '@escalier/core/records';
import { joinKnowledge, knowledgeFrom, NOTHING_KNOWN, tuneSeconds } from '@escalier/core/reading';
import type { StepReading } from '@escalier/core/staircase';
import { format } from 'date-fns';
import type { SignedIn } from '../../platform/context.ts';
import type { EntityManager } from '../../platform/database.ts';
import { notFound } from '../../platform/problem.ts';
import { stepReadings } from '../staircase/index.ts';
import { parsedTune } from '../tunes/index.ts';
import type { ClassBrief, KnownDto, LessonsDto, StepDto } from './dto.ts';
import { keptStanding } from './kept-events.ts';
import { readClassRows, type ClassRow } from './queries.ts';

export function knowledgeBefore(row: ClassRow, steps: number): KnownDto {
  const known = readingsOf(row)
    .slice(0, steps)
    .map(({ reading }) => knowledgeFrom(reading))
    .reduce(joinKnowledge, NOTHING_KNOWN);
  return { notes: [...known.notes], elements: [...known.elements], signs: [...known.signs], moves: [...known.moves] };
}

/** How many steps from the first up enough of the class have passed. */
export function stepsDone(row: ClassRow): number {
  const standing = standingsOf(row);
  const open = row.steps.findIndex((_, index) => !goOnFrom(standing, index, row.style.goOnShare).goOn);
  return open < 0 ? row.steps.length : open;
}

export async function oneClass(em: EntityManager, who: SignedIn, classId: string): Promise<ClassRow> {
  const [row] = await readClassRows(em, who, classId);
  if (row === undefined) throw notFound('class');
  return row;
}

/** The school's own date at a moment. */
export function localToday(now: Date, timeZone: string): LocalDate {
  return format(new TZDate(now, timeZone), 'yyyy-MM-dd');
}

export function brief({ id, name, grade, instrumentId, style }: ClassRow): ClassBrief {
  return { id, name, grade, instrumentId, style };
}

const MOST_CALENDARS = 500;
const keptLessons = new Map<string, readonly Lesson[]>();

/** The lessons of a class, kept by the term and the meetings that they come from. */
export function lessonsOfClass({ term, meetings }: ClassRow): readonly Lesson[] {
  const key = JSON.stringify([term, meetings]);
  const known = keptLessons.get(key);
  if (known !== undefined) return known;
  const lessons = lessonsOf(term, meetings);
  if (keptLessons.size >= MOST_CALENDARS) keptLessons.delete(keptLessons.keys().next().value!);
  keptLessons.set(key, lessons);
  return lessons;
}

export function lessonsDto(row: ClassRow, day: LocalDate): LessonsDto {
  const lessons = lessonsOfClass(row);
  return { total: lessons.length, ...lessonsNow(lessons, day) };
}

/** Whether a pupil is not noted as away on a day. */
export function isHere({ pupils }: ClassRow, day: LocalDate): (standing: Standing) => boolean {
  const away = new Set(pupils.filter((pupil) => pupil.absences.includes(day)).map((pupil) => pupil.id));
  return (standing) => !away.has(standing.pupilId);
}

/** Pupils who have left are not counted any more; their records stay. */
export function standingsOf(row: ClassRow): readonly Standing[] {
  const pupils = row.pupils.filter((pupil) => pupil.leftOn === null);
  const stepIds = row.steps.map((step) => step.id);
  return pupils.map(({ id, startStep }) => keptStanding(id, startStep - 1, stepIds, row.events.get(id) ?? []));
}

export function readingsOf(row: ClassRow): readonly StepReading[] {
  return stepReadings(
    row.instrumentId,
    row.steps.map((step) => step.abc),
  );
}

export function stepDtos(row: ClassRow, standing: readonly Standing[]): readonly StepDto[] {
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
