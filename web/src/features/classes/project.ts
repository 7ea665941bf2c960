import { dayIn, USUAL_CHANGEOVER, USUAL_TALK } from '@escalier/core/calendar';
import { classState, groupBy, standings, type RecordEvent, type Standing } from '@escalier/core/records';
import type { ClassPage } from '@escalier/server/api';

/** Seconds of one turn on each step: the tune, the change and the talk. */
export function turnSeconds(page: ClassPage): readonly number[] {
  return page.steps.map((step) => step.tuneSeconds + USUAL_CHANGEOVER + USUAL_TALK);
}

/** Records by pupil, so that one new record makes one pupil's standing anew. */
export type RecordsByPupil = ReadonlyMap<string, readonly RecordEvent[]>;

export function byPupil(events: Iterable<RecordEvent>): RecordsByPupil {
  return groupBy(events, (event) => event.pupilId);
}

const NONE: readonly RecordEvent[] = [];

/** Where pupils stand by the records of the school alone; goes with them. */
const keptStandings = new WeakMap<RecordsByPupil, Map<string, Standing>>();

/**
 * The page as the records make it, by the rules by which the server works it out: so that what is recorded on this device
 * is seen at once, with a network or without.
 * @param base the records of the school.
 * @param pending those that only this device has.
 */
export function withRecords(page: ClassPage, base: RecordsByPupil, pending: RecordsByPupil): ClassPage {
  const rules = page.steps.map(({ id, tunes, toPass }) => ({ id, tunes: tunes.map((tune) => tune.id), toPass }));
  const known = keptStandings.get(base) ?? new Map<string, Standing>();
  keptStandings.set(base, known);
  const standingOf = (id: string, startStep: number): Standing => {
    const more = pending.get(id);
    const work = (): Standing =>
      standings([{ pupilId: id, startStepIndex: startStep - 1 }], rules, [
        ...(base.get(id) ?? NONE),
        ...(more ?? NONE),
      ])[0]!;
    if (more !== undefined) return work();
    const key = `${id} ${startStep}`;
    const standing = known.get(key) ?? work();
    known.set(key, standing);
    return standing;
  };
  const pupils = page.pupils.map((pupil) =>
    pupil.leftOn === null ? { ...pupil, standing: standingOf(pupil.id, pupil.startStep) } : pupil,
  );
  const all = pupils.flatMap((pupil) => pupil.standing ?? []);
  const frame = {
    pupils,
    stepIds: page.steps.map((step) => step.id),
    turnSeconds: turnSeconds(page),
    goOnShare: page.style.goOnShare,
    hearingMinutes: page.style.hearing.minutes,
    hearWithin: page.style.hearing.within,
    lessonDays: page.lessons.all.map((lesson) => lesson.date),
    today: page.today,
    dayOf: dayIn(page.timeZone),
  };
  const { goOn, ...state } = classState(frame, all);
  return { ...page, ...state, pupils, steps: page.steps.map((step, index) => ({ ...step, goOn: goOn[index]! })) };
}

/** Two lists of records as one, each record once; of two copies the second is the newer. */
export function mergeRecords(before: readonly RecordEvent[], more: readonly RecordEvent[]): readonly RecordEvent[] {
  if (more.length === 0) return before;
  const fresh = new Set(more.map((event) => event.id));
  return [...before.filter((event) => !fresh.has(event.id)), ...more];
}

/** Whether the records at hand are all that the school had when it gave the page. */
export function isWhole(page: ClassPage, base: RecordsByPupil): boolean {
  return page.pupils.every((pupil) => (base.get(pupil.id)?.length ?? 0) >= pupil.records);
}

/** Free words about pupils whose personal data was erased go from this device, too; the same list where there are none. */
export function withoutErased(events: readonly RecordEvent[], page: ClassPage): readonly RecordEvent[] {
  const erased = new Set(page.pupils.filter((pupil) => pupil.erased).map((pupil) => pupil.id));
  const has = (event: RecordEvent): boolean =>
    event.kind === 'heard' && event.reason !== undefined && erased.has(event.pupilId);
  if (!events.some(has)) return events;
  return events.map((event) => {
    if (event.kind !== 'heard' || !has(event)) return event;
    const { reason: _reason, ...rest } = event;
    return rest;
  });
}
