import { createHash } from 'node:crypto';
import { standings, STANDINGS_VERSION, type Standing, type StepRule } from '@escalier/core/records';
import type { EntityManager } from '../../platform/database.ts';
import { eventsOf } from './read-events.ts';

/** A pupil whose standing is wanted. */
export interface Climber {
  readonly id: string;
  readonly startStepIndex: number;
  readonly steps: readonly StepRule[];
  /** How many records the database has of this pupil. */
  readonly records: number;
}

interface Kept {
  readonly records: number;
  /** Of all else that a standing comes from. */
  readonly rules: string;
  readonly standing: Standing;
}

const MOST_PUPILS = 10_000;
/** In this process; the table has the same for the next one. */
const kept = new Map<string, Kept>();

const READ = `select pupil_id as id, records, rules, standing from kept_standing where pupil_id = any(?::uuid[])`;
const WRITE = `
insert into kept_standing (pupil_id, records, rules, standing)
select id, records, rules, standing from json_to_recordset(?::json) as (id uuid, records int, rules text, standing jsonb)
order by id
on conflict (pupil_id) do update set records = excluded.records, rules = excluded.rules, standing = excluded.standing
where kept_standing.records <= excluded.records`;

/**
 * Where pupils stand, in their order. Records are only ever added, so a standing that came from as many records by the
 * same rules is the same: it is taken from memory or from the table, and worked out only where neither has it.
 */
export async function standingsOfClimbers(
  em: EntityManager,
  climbers: readonly Climber[],
): Promise<readonly Standing[]> {
  const rules = rulesOf(climbers);
  const has = (climber: Climber): boolean => {
    const known = kept.get(climber.id);
    return known !== undefined && known.records === climber.records && known.rules === rules.get(climber);
  };
  // Who was never heard stands where they began: nothing is kept of it.
  const heard = climbers.filter((climber) => climber.records > 0);
  await readKept(
    em,
    heard.filter((climber) => !has(climber)),
  );
  await workOut(
    em,
    heard.filter((climber) => !has(climber)),
    rules,
  );
  return climbers.map((climber) => (climber.records > 0 ? kept.get(climber.id)!.standing : work(climber, [])));
}

function rulesOf(climbers: readonly Climber[]): ReadonlyMap<Climber, string> {
  // Pupils of a class share their steps.
  const hashes = new Map<readonly StepRule[], string>();
  return new Map(
    climbers.map((climber) => {
      const { steps, startStepIndex } = climber;
      const hash =
        hashes.get(steps) ??
        createHash('sha256')
          .update(JSON.stringify([STANDINGS_VERSION, steps]))
          .digest('base64');
      hashes.set(steps, hash);
      return [climber, `${startStepIndex} ${hash}`];
    }),
  );
}

async function readKept(em: EntityManager, missing: readonly Climber[]): Promise<void> {
  if (missing.length === 0) return;
  const rows = await em.execute<(Kept & { readonly id: string })[]>(READ, [
    `{${missing.map(({ id }) => id).join(',')}}`,
  ]);
  for (const { id, ...row } of rows) keep(id, row);
}

async function workOut(
  em: EntityManager,
  missing: readonly Climber[],
  rules: ReadonlyMap<Climber, string>,
): Promise<void> {
  if (missing.length === 0) return;
  const events = await eventsOf(
    em,
    missing.map(({ id }) => id),
  );
  const rows = missing.map((climber) => {
    const own = events.get(climber.id) ?? [];
    // As many as were read: a record may have come since the pupils were counted.
    const row = { records: own.length, rules: rules.get(climber)!, standing: work(climber, own) };
    keep(climber.id, row);
    return { id: climber.id, ...row };
  });
  await em.execute(WRITE, [JSON.stringify(rows)]);
}

function work({ id, startStepIndex, steps }: Climber, events: Parameters<typeof standings>[2]): Standing {
  return standings([{ pupilId: id, startStepIndex }], steps, events)[0]!;
}

function keep(id: string, row: Kept): void {
  kept.delete(id);
  kept.set(id, row);
  if (kept.size > MOST_PUPILS) kept.delete(kept.keys().next().value!);
}
