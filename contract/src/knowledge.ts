import type { KnownNames } from '@escalier/core/reading';
import * as z from 'zod/mini';

const texts = z.array(z.string());

/** What somebody knows, by name. */
export const knownNames = z.object({
  notes: texts,
  elements: texts,
  signs: texts,
  moves: texts,
}) satisfies z.ZodMiniType<KnownNames>;
