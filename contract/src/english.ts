import { LOCALES, PUPIL_WORDS, type English } from '@escalier/messages';
import * as z from 'zod/mini';

/** How a school speaks. */
export const english = z.object({
  locale: z.enum(LOCALES),
  pupils: z.enum(PUPIL_WORDS),
}) satisfies z.ZodMiniType<English>;
