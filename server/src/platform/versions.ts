import { z } from 'zod';

/** Which state of a thing a form was filled from: goes out with it, and comes back with what was changed. */
export const version = z.int().min(0).max(2_000_000_000);
