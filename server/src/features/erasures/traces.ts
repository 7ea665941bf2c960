import type { Trace } from '@escalier/contract/pupils';
import type { EntityManager } from '../../platform/database.ts';
import { PLACES, type Place } from './places.ts';

export type TraceKey = Pick<Trace, 'place' | 'key'>;

const STANDS_FOR_A_NAME = '…';
const SHORTEST_NAME = 3;
const LONGEST_SHOWN = 240;

/** The name, and its first word where it has more: "Ada M." is written as "Ada", too. */
function namesIn(name: string): readonly string[] {
  const [first = name] = name.split(/\s+/);
  return [...new Set([name, first])].filter((each) => each.length >= SHORTEST_NAME || each === name);
}

/** Finds a name as a word of its own, in any case. */
function pattern(name: string): RegExp {
  const escaped = name.replace(/[.*+?^${}()|[\]\\]/g, '\\$&').replace(/\s+/g, '\\s+');
  return new RegExp(`(?<![\\p{L}\\p{N}])${escaped}(?![\\p{L}\\p{N}])`, 'giu');
}

/** What a thing is, in our own words: a child may be called as one of them. */
const NEVER_A_NAME = new Set(['code', 'kind']);

function mapText(value: unknown, change: (text: string) => string): unknown {
  if (typeof value === 'string') return change(value);
  if (Array.isArray(value)) return value.map((each: unknown) => mapText(each, change));
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(
    Object.entries(value).map(([key, each]) => [key, NEVER_A_NAME.has(key) ? each : mapText(each, change)]),
  );
}

function textsOf(value: unknown): readonly string[] {
  const texts: string[] = [];
  mapText(value, (text) => (texts.push(text), text));
  return texts;
}

interface Row {
  readonly key: string;
  readonly value: unknown;
}

function rowsWith(em: EntityManager, place: Place, schoolId: string, name: string): Promise<Row[]> {
  const like = `%${name.replace(/[\\%_]/g, '\\$&')}%`;
  return em.execute<Row[]>(
    `select ${place.key} as key, t.${place.column} as value from ${place.table} t
    where ${place.ofSchool} and t.${place.column}::text ilike ? order by 1`,
    [schoolId, like],
  );
}

/** Where a name stands, beside the pupil's own row. @param pupilId whose row is cleared anyway. */
export async function tracesOf(
  em: EntityManager,
  schoolId: string,
  { pupilId, name }: { readonly pupilId: string; readonly name: string },
): Promise<readonly Trace[]> {
  const traces: Trace[] = [];
  const [, first] = namesIn(name);
  for (const place of PLACES)
    for (const { key, value } of await rowsWith(em, place, schoolId, first ?? name)) {
      if (place.table === 'pupil' && key === pupilId) continue;
      const texts = textsOf(value).filter((text) => namesIn(name).some((each) => pattern(each).test(text)));
      if (texts.length === 0) continue;
      const isWhole = texts.some((text) => pattern(name).test(text));
      traces.push({ place: place.id, key, words: texts.join(' · ').slice(0, LONGEST_SHOWN), isWhole });
    }
  return traces;
}

/** Takes a name out of a text, in the transaction of the erasure; what else stands there stays. */
export async function cleanTrace(
  tx: EntityManager,
  schoolId: string,
  { place: id, key }: TraceKey,
  name: string,
): Promise<void> {
  const place = PLACES.find((place) => place.id === id)!;
  const where = `${place.ofSchool} and ${place.key} = ?`;
  const [row] = await tx.execute<Row[]>(
    `select ${place.key} as key, t.${place.column} as value from ${place.table} t where ${where}`,
    [schoolId, key],
  );
  if (row === undefined) return;
  const clean = (text: string): string =>
    namesIn(name).reduce((now, each) => now.replace(pattern(each), STANDS_FOR_A_NAME), text);
  const value = mapText(row.value, clean);
  // What happened is never changed but for this.
  await tx.execute(`select set_config('escalier.erasing', 'on', true)`);
  await tx.execute(`update ${place.table} t set ${place.column} = ?${place.isJson ? '::jsonb' : ''} where ${where}`, [
    place.isJson ? JSON.stringify(value) : (value as string),
    schoolId,
    key,
  ]);
}
