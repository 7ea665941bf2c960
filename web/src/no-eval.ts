import * as z from 'zod/mini';

/** Before any schema is made: the Content-Security-Policy forbids the functions that Zod would write for speed. */
z.config({ jitless: true });
