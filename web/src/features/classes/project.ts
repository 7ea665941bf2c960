import type { ClassPage } from '@escalier/contract/class-pages';
import { byRecords, classView, type ClassView as ViewOf } from '@escalier/core/classes';
import { groupBy, type RecordEvent, type Standing } from '@escalier/core/records';

/** A class as its pages show it: the facts from the school, and what they and the records come to. */
export type ClassView = ViewOf<ClassPage>;
export type PupilView = ClassView['pupils'][number];
export type StepView = ClassView['steps'][number];

/** Records by pupil, so that one new record makes one pupil's standing anew. */
export type RecordsByPupil = ReadonlyMap<string, readonly RecordEvent[]>;

export function byPupil(events: Iterable<RecordEvent>): RecordsByPupil {
  return groupBy(events, (event) => event.pupilId);
}

const NONE: readonly RecordEvent[] = [];

/** Where pupils stand by the records of the school alone; goes with them. */
const keptStandings = new WeakMap<RecordsByPupil, Map<string, Standing>>();

/**
 * A class as the records make it, by the core's rules: what is recorded on this device is seen at once, with a network
 * or without.
 * @param base the records of the school.
 * @param pending those that only this device has.
 */
export function viewOf(page: ClassPage, base: RecordsByPupil, pending: RecordsByPupil): ClassView {
  const known = keptStandings.get(base) ?? new Map<string, Standing>();
  keptStandings.set(base, known);
  const worked = byRecords((id) => [...(base.get(id) ?? NONE), ...(pending.get(id) ?? NONE)]);
  return classView(page, (pupil, rules) => {
    if (pending.has(pupil.id)) return worked(pupil, rules);
    const key = `${pupil.id} ${pupil.startStep}`;
    const standing = known.get(key) ?? worked(pupil, rules);
    known.set(key, standing);
    return standing;
  });
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
