import { ApiError, changeWords } from '../refusals/index.ts';
import { t } from './messages.ts';

/** Something that several people may change: the version says which state of it somebody has before them. */
export interface Versioned {
  readonly version: number;
}

interface Merge<Row> {
  readonly merged: Row;
  /** Fields that both have changed, and not alike: `merged` has one's own. */
  readonly clashes: readonly (keyof Row)[];
}

/**
 * What two people have made of one thing.
 * @param before as both have read it.
 * @param mine with one's own changes.
 * @param theirs with the changes that came first.
 */
export function mergeChanges<Row extends object>(before: Row, mine: Row, theirs: Row): Merge<Row> {
  const same = (one: unknown, other: unknown): boolean => JSON.stringify(one ?? null) === JSON.stringify(other ?? null);
  const merged = { ...theirs };
  const clashes: (keyof Row)[] = [];
  for (const field of Object.keys(mine) as (keyof Row)[]) {
    if (field === 'version' || same(mine[field], before[field])) continue;
    if (isGroup(before[field]) && isGroup(mine[field]) && isGroup(theirs[field])) {
      const inner = mergeChanges<object>(before[field], mine[field], theirs[field]);
      merged[field] = inner.merged as Row[typeof field];
      if (inner.clashes.length > 0) clashes.push(field);
      continue;
    }
    if (!same(theirs[field], before[field]) && !same(theirs[field], mine[field])) clashes.push(field);
    merged[field] = mine[field];
  }
  return { merged, clashes };
}

/** Fields of their own within a field, such as a class's way of teaching. */
function isGroup(value: unknown): value is object {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}

interface MergedSave<Row, Kept> {
  /** As it was read. */
  readonly before: Row;
  readonly mine: Row;
  readonly put: (row: Row) => Promise<Kept>;
  /** Reads it anew; what shows it takes it over, and keeps what was typed. */
  readonly again: () => Promise<Row | undefined>;
}

/**
 * Saves one's changes. When somebody else was first, both are saved where they differ in their fields; else neither is
 * lost: theirs is there, one's own stays in the form, and saving again puts it in its place.
 * @throws ApiError with the sentence that says so.
 */
export async function saveMerged<Row extends Versioned, Kept>(work: MergedSave<Row, Kept>): Promise<Kept> {
  try {
    return await work.put({ ...work.mine, version: work.before.version });
  } catch (problem) {
    if (!(problem instanceof ApiError) || problem.code !== 'changed') throw problem;
    const theirs = await work.again();
    if (theirs === undefined) throw problem;
    const { merged, clashes } = mergeChanges(work.before, work.mine, theirs);
    if (clashes.length > 0) throw clash(problem);
    return work.put(merged);
  }
}

function clash({ message, changed }: ApiError): ApiError {
  const what =
    changed === null || changed === undefined
      ? message
      : `${message.replace(/\.$/, '')} (${changeWords(changed.what)}).`;
  const way = t('merge.your-version-isnt-saved-yet-press');
  return new ApiError({ error: { code: 'changed', message: `${what} ${way}` } });
}
