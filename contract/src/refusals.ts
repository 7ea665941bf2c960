import * as z from 'zod/mini';
import { ChangeFact } from './changes.ts';
import { FieldProblem } from './field-problems.ts';
import { type ReadOf, writtenMoment } from './fields.ts';

/** Why the server refuses. */
export const REFUSAL_CODES = [
  ...[
    'wrong-input',
    'signed-out',
    'no-slip',
    'slip-void',
    'wrong-sign-in',
    'not-your-role',
    'wrong-origin',
    'not-found',
  ],
  ...[
    'room-closed',
    'rooms-off',
    'no-consent',
    'full',
    'changed',
    'duplicate',
    'erased',
    'here-already',
    'in-use',
    'not-empty',
  ],
  ...['set-up', 'taken', 'too-large', 'enough-today', 'too-many-streams', 'too-many-tries', 'busy', 'no-database'],
  ...['broken', 'unreadable'],
] as const;
export type RefusalCode = (typeof REFUSAL_CODES)[number];

/** Who changed a thing since it was read, and what. */
export const ChangedBy = z.object({
  by: z.string(),
  at: writtenMoment,
  what: ChangeFact,
});
export type ChangedBy = ReadOf<typeof ChangedBy>;

/** The one shape of an error that the server gives. */
export const Refusal = z.object({
  error: z.object({
    code: z.enum(REFUSAL_CODES),
    /** For people who read the API by themselves, and where a page has nothing better to say. */
    message: z.string(),
    fields: z.optional(z.record(z.string(), FieldProblem)),
    /** Only with the code "changed". */
    changed: z.optional(ChangedBy),
  }),
});
export type Refusal = ReadOf<typeof Refusal>;
