import { v7 } from 'uuid';
import { z } from 'zod';

/** Ids grow with time, so that rows made together stand together. */
export function newId(): string {
  return v7();
}

export const idParam = z.object({ id: z.uuid() });
