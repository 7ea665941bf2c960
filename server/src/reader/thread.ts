import { answerQuestions } from '../platform/thread.ts';
import { JOBS } from './jobs.ts';

answerQuestions(JOBS);
