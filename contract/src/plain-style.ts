import { NAMINGS } from '@escalier/core/instruments';
import { COUNTINGS, LENGTH_WORDS } from '@escalier/core/music';
import { MOUTH_RULES, REST_PLACES } from '@escalier/core/practice';
import * as z from 'zod/mini';
import { typed } from './fields.ts';

/** What of a class's ways a pupil meets at home, too: how things are called, and how the instrument is held. */
export const plainStyle = z.object({
  naming: z.enum(NAMINGS),
  /** How a rhythm is counted aloud; null for no counting under the notes. */
  counting: z.nullable(z.enum(COUNTINGS)),
  lengthWords: z.enum(LENGTH_WORDS),
  posture: z.object({ mouth: z.enum(MOUTH_RULES), restsAt: z.enum(REST_PLACES), handMark: typed(1, 60) }),
});
