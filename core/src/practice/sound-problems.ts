import type { Family } from '../instruments/index.ts';

/** What is heard, and what to look at first. */
export interface SoundProblem {
  readonly heard: string;
  readonly check: string;
}

/** In the order in which they come with a new note. */
export function soundProblems(family: Family): readonly SoundProblem[] {
  const leak = family === 'recorder' ? 'a leak, thumb first; then too much breath' : 'a leak; then too much breath';
  return [
    { heard: 'It squeaks or jumps up', check: leak },
    { heard: 'It sounds sharp', check: 'too much breath' },
    { heard: 'It sounds flat and airy', check: 'too little breath, or the window half covered' },
    { heard: 'It wobbles', check: 'a hole partly open: flatten the pad, look for a complete ring' },
    { heard: 'Two notes run together', check: 'no tongue between them' },
    { heard: 'Each note starts with a puff', check: 'breath instead of the tongue' },
  ];
}
