import { setPriority } from 'node:os';
import { answerQuestions } from '../platform/thread.ts';
import { JOBS } from './jobs.ts';

/** On Linux it counts for the calling thread alone: whoever is signed in goes before whoever guesses. */
const AFTER_ALL_OTHERS = 15;

setPriority(AFTER_ALL_OTHERS);
answerQuestions(JOBS);
