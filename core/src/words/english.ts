import { locale } from '@escalier/messages';
import type { LengthWords } from '../music/index.ts';

/** Names of note values where a class has chosen none. */
export const usualLengths = (): LengthWords => (locale() === 'en-US' ? 'american' : 'british');

/** The paper that lies in a school's printer. */
export const usualPaper = (): 'a4' | 'letter' => (locale() === 'en-US' ? 'letter' : 'a4');
