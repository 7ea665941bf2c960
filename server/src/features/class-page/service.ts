import type { ClassKnowledge } from '@escalier/contract/class-pages';
import type {
  BreathPlace,
  ClassFacts,
  ClassPage,
  ClassSummary,
  ClassTune,
  ClassTuneInput,
  StepPage,
  TunePage,
} from '@escalier/contract/class-pages';
import { classView } from '@escalier/core/classes';
import { troubleSpots, type TroubleSpot } from '@escalier/core/records';
import { DEFAULT_BREATH_SECONDS, type KnownNames } from '@escalier/core/reading';
import type { SignedIn } from '../../platform/context.ts';
import type { EntityManager } from '../../platform/database.ts';
import { notFound, wrongInput } from '../../platform/problem.ts';
import { changedMeanwhile, changeVersion, logChange } from '../changes/index.ts';
import { markedHearings } from '../hearing/index.ts';
import { classOf, ClassTuneEntity } from '../classes/index.ts';
import { oneTune } from '../tunes/index.ts';
import { readClassRows, type ClassRow } from './queries.ts';
import { classFacts, classOnDay, knowledgeBefore, lessonsDto, oneClass, stepDtos, stepsDone } from './state.ts';
import { localToday } from '../../platform/today.ts';
import { reader } from '../../reader/index.ts';

export async function listClasses(em: EntityManager, user: SignedIn, now: Date): Promise<readonly ClassSummary[]> {
  const rows = await readClassRows(em, user, null);
  const day = localToday(now, user.timeZone);
  return rows.map((row): ClassSummary => {
    const standing = row.standings;
    const onStep = [...row.steps.keys(), row.steps.length].map(
      (step) => standing.filter((place) => place.stepIndex === step).length,
    );
    const byPupil = new Map(standing.map((place) => [place.pupilId, place]));
    const state = classView(classOnDay(row, day, user.timeZone), ({ id }) => byPupil.get(id)!);
    const named = (id: string | undefined) => row.pupils.find((pupil) => pupil.id === id);
    const first = named(state.queue[0]?.pupilId);
    const longest = state.queue.toSorted((a, b) => b.lessons - a.lessons)[0];
    const waits = longest === undefined || longest.lessons < 2 ? undefined : named(longest.pupilId);
    return {
      ...classFacts(row),
      pupils: standing.length,
      lessons: lessonsDto(row, day),
      belts: row.steps.map((step) => step.belt),
      onStep,
      nearly: standing.filter((place) => place.state === 'nearly').length,
      stuck: state.stuck.length,
      classStep: state.classStep,
      waits: waits === undefined ? null : { id: waits.id, name: waits.name, lessons: longest!.lessons },
      hearFirst: first === undefined ? null : { id: first.id, name: first.name },
    };
  });
}

/** @throws Problem 404 when the class is not of the asker's school. */
export async function classPage(em: EntityManager, user: SignedIn, classId: string, now: Date): Promise<ClassPage> {
  const row = await oneClass(em, user, classId);
  const day = localToday(now, user.timeZone);
  const { name, startsOn, endsOn } = row.term;
  return { ...classFacts(row), ...classOnDay(row, day, user.timeZone), term: { name, startsOn, endsOn } };
}

/** @param position counted from 1. @throws Problem 404 when there is no such class or step. */
export async function stepPage(
  em: EntityManager,
  user: SignedIn,
  classId: string,
  position: number,
): Promise<StepPage> {
  const row = await oneClass(em, user, classId);
  const steps = stepDtos(row);
  const [step, source] = [steps[position - 1], row.steps[position - 1]];
  if (step === undefined || source === undefined) throw notFound('step');
  const known = knowledgeBefore(row, position - 1);
  return { ...(await tunePageOf(em, row, { ...source, id: source.tuneId }, known)), step, steps: steps.length };
}

/** A tune for what the class knows now: the steps that enough have passed. */
export async function tunePage(em: EntityManager, user: SignedIn, classId: string, tuneId: string): Promise<TunePage> {
  const row = await oneClass(em, user, classId);
  const tune = await oneTune(em, user, tuneId);
  return tunePageOf(em, row, tune, knowledgeBefore(row, stepsDone(row)));
}

/** What the class knows now, for reading the whole library. */
export async function classKnowledge(em: EntityManager, user: SignedIn, classId: string): Promise<ClassKnowledge> {
  const row = await oneClass(em, user, classId);
  return { schoolClass: classFacts(row), known: knowledgeBefore(row, stepsDone(row)) };
}

/** A step as the class climbs it. */
export interface ClimbStep {
  readonly position: number;
  readonly title: string;
  readonly newNotes: readonly string[];
  /** What the steps below have brought. */
  readonly knownBefore: KnownNames;
  /** Pupils who work on this step or are past it. */
  readonly pupilsHere: number;
}

export interface ClassClimb {
  readonly facts: ClassFacts;
  readonly steps: readonly ClimbStep[];
  readonly pupils: number;
  /** How many steps enough of the class have passed. */
  readonly done: number;
}

/** The stairs of a class, with how many pupils have come to each step. */
export async function classClimb(em: EntityManager, user: SignedIn, classId: string): Promise<ClassClimb> {
  const row = await oneClass(em, user, classId);
  const standing = row.standings;
  const { readings } = row;
  return {
    facts: classFacts(row),
    pupils: standing.length,
    done: stepsDone(row),
    steps: row.steps.map((step, index) => ({
      position: step.position,
      title: step.title,
      newNotes: readings[index]!.step.news.notes.map((note) => note.name),
      knownBefore: knowledgeBefore(row, index),
      pupilsHere: standing.filter((place) => place.stepIndex >= index).length,
    })),
  };
}

/** Keeps what a class changes for itself. @throws Problem 404, or 400 when a place is not in the tune. */
export async function keepClassTune(
  em: EntityManager,
  user: SignedIn,
  classId: string,
  tuneId: string,
  input: ClassTuneInput,
): Promise<{ readonly version: number }> {
  const row = await oneClass(em, user, classId);
  const tune = await oneTune(em, user, tuneId);
  const read = await reader.text(user.accountId, tune.abc);
  if (!read.ok) throw wrongInput({ breaths: { code: 'file', words: read.error } });
  const isThere = ({ barIndex, eventIndex }: BreathPlace): boolean => eventIndex < (read.value.events[barIndex] ?? 0);
  if (input.breaths?.every(isThere) === false) throw wrongInput({ breaths: 'no-note-there' });
  const { breathSeconds, bookPage, version } = input;
  const next = { breathSeconds, bookPage, breaths: input.breaths === null ? null : [...input.breaths] };
  const where = { schoolClass: row.id, tune: tuneId };
  await em.transactional(async (tx) => {
    if (version === 0) {
      const made = await tx
        .createQueryBuilder(ClassTuneEntity)
        .insert({ ...where, ...next })
        .onConflict()
        .ignore();
      if (made.affectedRows === 0) throw await changedMeanwhile(tx, user.schoolId, tuneId);
    } else await changeVersion(tx, user, ClassTuneEntity, { where, about: tuneId, version }, next);
    await logChange(tx, user, tuneId, { code: 'class-tune', name: row.name, title: tune.title });
  });
  return { version: version + 1 };
}

/** The tunes that a class breathes in as its teacher says. @throws Problem 404 when the class is not of the asker's. */
export async function classTunes(em: EntityManager, user: SignedIn, classId: string): Promise<readonly ClassTune[]> {
  await classOf(em, user, classId);
  const kept = await em.find(ClassTuneEntity, { schoolClass: classId });
  return kept.map(({ tune, breathSeconds, breaths }) => ({ tuneId: tune, breathSeconds, breaths: breaths ?? null }));
}

/** Where pupils of the class stopped in a tune, as far as somebody marked it. */
async function troublesIn(em: EntityManager, row: ClassRow, tuneId: string): Promise<readonly TroubleSpot[]> {
  const main = row.steps.filter((step) => step.tuneId === tuneId).map((step) => step.id);
  return troubleSpots(await markedHearings(em, row.id, tuneId, main));
}

async function tunePageOf(
  em: EntityManager,
  row: ClassRow,
  tune: { readonly id: string; readonly title: string; readonly abc: string },
  known: KnownNames,
): Promise<TunePage> {
  const kept = await em.findOne(ClassTuneEntity, { schoolClass: row.id, tune: tune.id });
  return {
    schoolClass: classFacts(row),
    tuneId: tune.id,
    title: tune.title,
    abc: tune.abc,
    known,
    breathSeconds: kept?.breathSeconds ?? DEFAULT_BREATH_SECONDS,
    breaths: kept?.breaths ?? null,
    breathsVersion: kept?.version ?? 0,
    bookPage: kept?.bookPage ?? '',
    troubles: await troublesIn(em, row, tune.id),
  };
}
