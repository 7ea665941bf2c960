import type { Family } from '../instruments/index.ts';

/** What is heard, and what to look at first. */
export interface SoundProblem {
  readonly heard: string;
  readonly check: string;
}

/** In the order in which they come with a new note. */
export function soundProblems(family: Family): readonly SoundProblem[] {
  const leak = family === 'recorder' ? 'a leak, the thumb first; then too much breath' : 'a leak; then too much breath';
  return [
    { heard: 'It squeaks or jumps up', check: leak },
    { heard: 'It is somewhat high', check: 'breath too strong' },
    { heard: 'It is low and airy', check: 'breath too weak, or the window half covered' },
    { heard: 'It wobbles', check: 'a hole partly open: the flat pad, look for a whole ring' },
    { heard: 'Two notes run together', check: 'no tongue between them' },
    { heard: 'Each note begins with a puff', check: 'breath in place of the tongue' },
  ];
}
