import type { ClassFacts, LessonsDto, PupilDto, StepDto } from '@escalier/contract/class-pages';
import { lessonsNow, lessonsOf, lostLessons, type Lesson, type LocalDate } from '@escalier/core/calendar';
import { goOnSetting, type ClassOnDay } from '@escalier/core/classes';
import type { KnownNames } from '@escalier/core/reading';
import { classStep, type HardMove } from '@escalier/core/records';
import { learned } from '@escalier/core/staircase';
import type { EntityManager } from '../../platform/database.ts';
import { notFound } from '../../platform/problem.ts';
import type { ReadStep } from '../../reader/index.ts';
import { readClassRows, tunesOf, type Asker, type ClassRow } from './queries.ts';

export function knowledgeBefore(row: ClassRow, steps: number): KnownNames {
  const known = row.readings.slice(0, steps).reduce((before, { step }) => learned(before, step.profile), row.brings);
  return { notes: [...known.notes], elements: [...known.elements], signs: [...known.signs], moves: [...known.moves] };
}

/** How many steps from the first up enough of the class have passed. */
export function stepsDone({ standings, steps, style }: ClassRow): number {
  return classStep(
    standings,
    steps.map((step) => step.id),
    goOnSetting(style),
  );
}

export async function oneClass(em: EntityManager, who: Asker, classId: string): Promise<ClassRow> {
  const [row] = await readClassRows(em, who, classId);
  if (row === undefined) throw notFound('class');
  return row;
}

export function classFacts({ id, staircaseId, name, grade, instrumentId, style }: ClassRow): ClassFacts {
  return { id, staircaseId, name, grade, instrumentId, style };
}

const MOST_CALENDARS = 500;
const keptLessons = new Map<string, readonly Lesson[]>();

/** The lessons of a class, kept by the term and the meetings that they come from. */
export function lessonsOfClass({ term, meetings, lost }: ClassRow): readonly Lesson[] {
  const key = JSON.stringify([term, meetings, lost]);
  const known = keptLessons.get(key);
  if (known !== undefined) return known;
  const lessons = lessonsOf(term, meetings, lost);
  if (keptLessons.size >= MOST_CALENDARS) keptLessons.delete(keptLessons.keys().next().value!);
  keptLessons.set(key, lessons);
  return lessons;
}

export function lessonsDto(row: ClassRow, day: LocalDate): LessonsDto {
  const lessons = lessonsOfClass(row);
  return {
    total: lessons.length,
    ...lessonsNow(lessons, day),
    lost: lostLessons(row.term, row.meetings, row.lost).length,
  };
}

/** The facts that the core works out a class by, beside where its pupils stand. */
export function classOnDay(row: ClassRow, day: LocalDate, timeZone: string) {
  return {
    pupils: row.pupils.map(({ absences, ...pupil }): PupilDto => ({ ...pupil, away: absences.includes(day) })),
    steps: stepDtos(row),
    style: row.style,
    lessons: { ...lessonsDto(row, day), all: lessonsOfClass(row) },
    today: day,
    timeZone,
  } satisfies ClassOnDay;
}

/** The hardest moves of a tune for a class that knows what came before, each once. */
function hardMovesOf({ hardSpots, moves }: ReadStep['step']['reading']): readonly HardMove[] {
  return hardSpots.map(({ drill: { toggle } }): HardMove => {
    const [from, to] = toggle;
    const use = moves.all.find((move) => move.from === from && move.to === to);
    return { from, to, cost: Math.round(10 * (use?.costAtTempo ?? 0)) / 10 };
  });
}

export function stepDtos(row: ClassRow): readonly StepDto[] {
  return row.steps.map(({ abc: _abc, moreAbcs: _more, ...step }, index): StepDto => {
    const {
      seconds,
      step: { reading, news },
    } = row.readings[index]!;
    return {
      ...step,
      tunes: tunesOf(row.steps[index]!, row.readings[index]!),
      tuneSeconds: seconds,
      tempo: reading.tempo.perMinute,
      hardMoves: hardMovesOf(reading),
      rise: news.rise,
      newNotes: news.notes.map((note) => note.name),
      newElements: news.elements,
      newSigns: news.signs,
    };
  });
}
