import { reader, type ReadStep, type StepTexts } from '../../reader/index.ts';

/** A staircase as its tunes say it, from the first step up; of each step all tunes, the first one first. */
export interface StaircaseTexts {
  readonly instrumentId: string;
  readonly abcs: readonly StepTexts[];
}

const MOST_KEPT = 200;
const kept = new Map<string, Promise<readonly ReadStep[]>>();

/** The readings of a staircase's tunes in order, kept by the texts they come from. */
export function readStaircase({ instrumentId, abcs }: StaircaseTexts): Promise<readonly ReadStep[]> {
  const key = [instrumentId, ...abcs.map((texts) => texts.join('\u0001'))].join('\u0000');
  const known = kept.get(key);
  if (known !== undefined) return known;
  const reading = reader.staircase(instrumentId, abcs);
  if (kept.size >= MOST_KEPT) kept.delete(kept.keys().next().value!);
  kept.set(key, reading);
  reading.catch(() => kept.delete(key));
  return reading;
}
