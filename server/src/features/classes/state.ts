import { TZDate } from '@date-fns/tz';
import {
  dayIn,
  lessonsNow,
  lessonsOf,
  lostLessons,
  USUAL_CHANGEOVER,
  USUAL_TALK,
  type Lesson,
  type LocalDate,
} from '@escalier/core/calendar';
import { classState, goOnFrom, type ClassState, type HardMove, type Standing } from '@escalier/core/records';
import { joinKnowledge, knowledgeFrom, NOTHING_KNOWN } from '@escalier/core/reading';
import { format } from 'date-fns';
import type { SignedIn } from '../../platform/context.ts';
import type { EntityManager } from '../../platform/database.ts';
import { notFound } from '../../platform/problem.ts';
import type { ReadStep } from '../../reader/index.ts';
import type { ClassFacts, KnownDto, LessonsDto, StepDto } from './dto.ts';
import { readClassRows, type ClassRow } from './queries.ts';

export function knowledgeBefore(row: ClassRow, steps: number): KnownDto {
  const known = row.readings
    .slice(0, steps)
    .map(({ step }) => knowledgeFrom(step.reading))
    .reduce(joinKnowledge, NOTHING_KNOWN);
  return { notes: [...known.notes], elements: [...known.elements], signs: [...known.signs], moves: [...known.moves] };
}

/** How many steps from the first up enough of the class have passed. */
export function stepsDone(row: ClassRow): number {
  const standing = row.standings;
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

export function classFacts({ id, name, grade, instrumentId, style }: ClassRow): ClassFacts {
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
  return { total: lessons.length, ...lessonsNow(lessons, day), lost: lostLessons(row.term, row.meetings).length };
}

/** What follows for a class on a day from where its pupils stand. */
export function stateOf(row: ClassRow, all: readonly Standing[], day: LocalDate, timeZone: string): ClassState {
  const frame = {
    pupils: row.pupils.map(({ id, joinedOn, absences }) => ({ id, joinedOn, away: absences.includes(day) })),
    stepIds: row.steps.map((step) => step.id),
    turnSeconds: row.readings.map(({ seconds }) => seconds + USUAL_CHANGEOVER + USUAL_TALK),
    goOnShare: row.style.goOnShare,
    hearingMinutes: row.style.hearing.minutes,
    hearWithin: row.style.hearing.within,
    lessonDays: lessonsOfClass(row).map((lesson) => lesson.date),
    today: day,
    dayOf: dayIn(timeZone),
  };
  return classState(frame, all);
}

/** The hardest moves of a tune for a class that knows what came before, each once. */
function hardMovesOf({ hardSpots, moves }: ReadStep['step']['reading']): readonly HardMove[] {
  return hardSpots.map(({ drill: { toggle } }): HardMove => {
    const [from, to] = toggle;
    const use = moves.all.find((each) => each.from === from && each.to === to);
    return { from, to, cost: Math.round(10 * (use?.costAtTempo ?? 0)) / 10 };
  });
}

export function stepDtos(row: ClassRow, standing: readonly Standing[]): readonly StepDto[] {
  return row.steps.map((step, index): StepDto => {
    const {
      seconds,
      step: { reading, rise },
    } = row.readings[index]!;
    return {
      id: step.id,
      position: step.position,
      belt: step.belt,
      lessons: step.lessons,
      tuneId: step.tuneId,
      title: step.title,
      tunes: step.tunes,
      toPass: step.toPass,
      tuneSeconds: seconds,
      tempo: reading.tempo.perMinute,
      hardMoves: hardMovesOf(reading),
      rise,
      newNotes: reading.notes.new.map((use) => use.name),
      newElements: reading.elements.new.map((element) => element.id),
      newSigns: reading.signs.new.map((sign) => sign.id),
      goOn: goOnFrom(standing, index, row.style.goOnShare),
    };
  });
}
