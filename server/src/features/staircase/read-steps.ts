import { reader, type BroughtTexts, type ReadStaircase, type StepTexts } from '../../reader/index.ts';

/** A staircase as its tunes say it, from the first step up; of each step all tunes, the first one first. */
export interface StaircaseTexts {
  /** With chosen fingerings, where the class has some. */
  readonly instrumentId: string;
  readonly abcs: readonly StepTexts[];
  /** What the class knows before its first step. */
  readonly brought: BroughtTexts;
}

const MOST_KEPT = 200;
const kept = new Map<string, Promise<ReadStaircase>>();

/** The readings of a staircase's tunes in order, kept by the texts they come from. */
export function readStaircase({ instrumentId, abcs, brought }: StaircaseTexts): Promise<ReadStaircase> {
  const key = [instrumentId, JSON.stringify(brought), ...abcs.map((texts) => texts.join('\u0001'))].join('\u0000');
  const known = kept.get(key);
  if (known !== undefined) return known;
  const reading = reader.staircase(instrumentId, abcs, brought);
  if (kept.size >= MOST_KEPT) kept.delete(kept.keys().next().value!);
  kept.set(key, reading);
  reading.catch(() => kept.delete(key));
  return reading;
}
