import type { BeatsPerMinute } from '../units/index.ts';

const ITALIAN: readonly (readonly [number, string])[] = [
  [40, 'grave'],
  [60, 'largo'],
  [66, 'larghetto'],
  [76, 'adagio'],
  [108, 'andante'],
  [120, 'moderato'],
  [156, 'allegro'],
  [176, 'vivace'],
];

/** The Italian word for a tempo, as metronomes print them. */
export function tempoWord(perMinute: BeatsPerMinute): string {
  return ITALIAN.find(([below]) => perMinute < below)?.[1] ?? 'presto';
}
