import * as archive from '@escalier/contract/archive';
import * as changes from '@escalier/contract/changes';
import * as classPages from '@escalier/contract/class-pages';
import * as classes from '@escalier/contract/classes';
import * as fieldProblems from '@escalier/contract/field-problems';
import * as instruments from '@escalier/contract/instruments';
import * as lessons from '@escalier/contract/lessons';
import * as notes from '@escalier/contract/notes';
import * as people from '@escalier/contract/people';
import * as practiceRooms from '@escalier/contract/practice-rooms';
import * as pupils from '@escalier/contract/pupils';
import * as recordings from '@escalier/contract/recordings';
import * as refusals from '@escalier/contract/refusals';
import * as results from '@escalier/contract/results';
import * as schools from '@escalier/contract/schools';
import * as staircases from '@escalier/contract/staircases';
import * as terms from '@escalier/contract/terms';
import * as tunes from '@escalier/contract/tunes';
import type { Hono } from 'hono';
import { generateSpecs } from 'hono-openapi';
import * as z from 'zod/mini';
import type { AppEnv } from './context.ts';

const RESOURCES = [
  ...[archive, changes, classPages, classes, instruments, lessons, notes, people, practiceRooms],
  ...[pupils, recordings, fieldProblems, refusals, results, schools, staircases, terms, tunes],
];

const isSchema = (value: unknown): value is z.ZodMiniType =>
  typeof value === 'object' && value !== null && '_zod' in value;

/** A schema stands in the document under its name in the contract. */
function nameSchemas(): void {
  const named = RESOURCES.flatMap((resource) => Object.entries<unknown>(resource));
  for (const [name, schema] of named)
    if (/^[A-Z][a-z]/.test(name) && isSchema(schema) && !z.globalRegistry.has(schema))
      z.globalRegistry.add(schema, { id: name });
}

const REFUSED = {
  description: 'Refused: what is wrong with each field.',
  content: { 'application/json': { schema: { $ref: '#/components/schemas/Refusal' } } },
};

/**
 * What the whole API takes and answers, as OpenAPI 3.1: from the schemas that its routes check with, so that it cannot
 * say anything else.
 */
export async function documentOf(app: Hono<AppEnv>): Promise<object> {
  nameSchemas();
  const named = z.toJSONSchema(z.globalRegistry, { io: 'input', uri: (id) => `#/components/schemas/${id}` }).schemas;
  const schemas = Object.fromEntries(
    Object.entries(named).map(([name, { $id: _id, $schema: _schema, ...schema }]) => [name, schema]),
  );
  const whole = await generateSpecs(app as unknown as Hono, {
    excludeStaticFile: false,
    defaultValidationErrorResponse: REFUSED,
    documentation: {
      info: {
        title: 'Escalier',
        version: '1',
        description:
          'What the pages of Escalier ask the school’s server. Every refusal has one shape, with a code, a sentence and, ' +
          'for wrong input, what is wrong with each field. Sign in with POST /api/sign-in, and send the cookie along.',
      },
    },
  });
  return { ...whole, components: { ...whole.components, schemas: { ...whole.components?.schemas, ...schemas } } };
}
