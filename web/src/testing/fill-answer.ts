import document from '../../../docs/reference/openapi.json' with { type: 'json' };

interface JsonSchema {
  readonly $ref?: string;
  readonly type?: string;
  readonly const?: unknown;
  readonly enum?: readonly unknown[];
  readonly default?: unknown;
  readonly anyOf?: readonly JsonSchema[];
  readonly oneOf?: readonly JsonSchema[];
  readonly allOf?: readonly JsonSchema[];
  readonly properties?: Readonly<Record<string, JsonSchema>>;
  readonly required?: readonly string[];
  readonly items?: JsonSchema;
  readonly minimum?: number;
  readonly format?: string;
  readonly pattern?: string;
}

interface Operation {
  readonly responses: Readonly<
    Record<string, { readonly content?: Readonly<Record<string, { readonly schema?: JsonSchema }>> }>
  >;
}

const paths = Object.entries(
  document.paths as unknown as Readonly<Record<string, Readonly<Record<string, Operation>>>>,
);
const schemas = document.components.schemas as unknown as Readonly<Record<string, JsonSchema>>;

/** The fixed parts of an address tell more than those that stand for something. */
const patterns = paths
  .map(([path, operations]) => ({
    operations,
    pattern: new RegExp(`^${path.replace(/\{\w+\}/g, '[^/]+').replace(/\/$/, '')}/?$`),
    open: path.split('{').length,
  }))
  .toSorted((a, b) => a.open - b.open);

/** What a route answers by the contract, with what a test gives of it: it says only what matters to it. */
export function fillAnswer(method: string, path: string, given: unknown): unknown {
  const responses = patterns.find(({ pattern }) => pattern.test(path))?.operations[method.toLowerCase()]?.responses;
  const schema = (responses?.['200'] ?? responses?.['201'])?.content?.['application/json']?.schema;
  return schema === undefined ? given : filled(schema, given);
}

function resolved(schema: JsonSchema): JsonSchema {
  return schema.$ref === undefined ? schema : resolved(schemas[schema.$ref.split('/').at(-1)!]!);
}

function filled(of: JsonSchema, given: unknown): unknown {
  const schema = resolved(of);
  if (given !== undefined && (typeof given !== 'object' || given === null)) return given;
  const choices = schema.anyOf ?? schema.oneOf;
  if (choices !== undefined) return filled(choiceFor(choices, given), given);
  if (schema.allOf !== undefined) return schema.allOf.reduce<unknown>((now, part) => filled(part, now), given);
  if (Array.isArray(given)) return given.map((each: unknown) => filled(schema.items ?? {}, each));
  if (schema.type === 'object' && schema.properties !== undefined) return filledObject(schema, given);
  return given ?? sample(schema);
}

/** Of several shapes, the one that says what the test says; the plainest where it says nothing. */
function choiceFor(choices: readonly JsonSchema[], given: unknown): JsonSchema {
  if (given === undefined) return choices.find(({ type }) => type === 'null') ?? choices[0]!;
  const fits = ({ properties = {} }: JsonSchema): boolean =>
    Object.entries(properties).every(([name, { const: only }]) => only === undefined || at(given, name) === only);
  const open = choices.filter((choice) => resolved(choice).type !== 'null');
  return open.find((choice) => fits(resolved(choice))) ?? open[0]!;
}

function at(value: unknown, name: string): unknown {
  return (value as Readonly<Record<string, unknown>>)[name];
}

function filledObject({ properties = {}, required = [] }: JsonSchema, given: unknown): unknown {
  const known = Object.entries(properties).flatMap(([name, schema]) => {
    const value = given === undefined ? undefined : at(given, name);
    return value === undefined && !required.includes(name) ? [] : [[name, filled(schema, value)] as const];
  });
  return { ...(given as object | undefined), ...Object.fromEntries(known) };
}

function sample({ type, const: only, enum: values, default: usual, minimum, format, pattern }: JsonSchema): unknown {
  if (usual !== undefined) return usual;
  if (only !== undefined) return only;
  if (values !== undefined) return values[0];
  if (type === 'integer' || type === 'number') return Math.max(minimum ?? 0, 0);
  if (type === 'boolean') return false;
  if (type === 'array') return [];
  if (type === 'object') return {};
  if (format === 'date') return '2026-03-03';
  if (format === 'date-time') return '2026-03-03T10:00:00.000Z';
  if (pattern?.startsWith('^[\\w-]{20') === true) return 'x'.repeat(43);
  return type === 'string' ? 'something' : null;
}
