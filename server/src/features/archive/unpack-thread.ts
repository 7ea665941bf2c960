import { answerQuestions } from '../../platform/thread.ts';
import { unpackArchive } from './unpack.ts';

answerQuestions({ unpack: unpackArchive });
