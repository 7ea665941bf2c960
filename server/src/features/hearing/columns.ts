import type { HeardDetails } from '@escalier/contract/results';
import type { Outcome } from '@escalier/core/records';

/** A record as it goes into its table, and as an archive carries it. */
export interface RecordRow {
  readonly id: string;
  readonly school: string;
  readonly schoolClass: string;
  readonly account: string;
  readonly kind: 'heard' | 'undone';
  readonly pupil: string;
  readonly step: string;
  readonly tune: string | null;
  readonly outcome: Outcome | null;
  readonly remarks: readonly string[];
  readonly details: HeardDetails;
  readonly undoes: string | null;
  readonly corrects: string | null;
  readonly reason: string;
  /** ISO 8601 in UTC. */
  readonly heardAt: string;
  readonly deviceAhead: number;
  readonly receivedAt: Date;
}

type Column = readonly [column: string, type: 'uuid' | 'text' | 'int' | 'jsonb' | 'timestamptz'];

/** Where each field of a row stands in the table; its number is made there. */
export const RECORD_COLUMNS = {
  id: ['id', 'uuid'],
  school: ['school_id', 'uuid'],
  schoolClass: ['school_class_id', 'uuid'],
  account: ['account_id', 'uuid'],
  kind: ['kind', 'text'],
  pupil: ['pupil_id', 'uuid'],
  step: ['step_id', 'uuid'],
  tune: ['tune_id', 'uuid'],
  outcome: ['outcome', 'text'],
  remarks: ['remarks', 'jsonb'],
  details: ['details', 'jsonb'],
  undoes: ['undoes', 'uuid'],
  corrects: ['corrects', 'uuid'],
  reason: ['reason', 'text'],
  heardAt: ['heard_at', 'timestamptz'],
  deviceAhead: ['device_ahead', 'int'],
  receivedAt: ['received_at', 'timestamptz'],
} as const satisfies Readonly<Record<keyof RecordRow, Column>>;

const all: readonly (readonly [string, Column])[] = Object.entries(RECORD_COLUMNS);

/** For an insert: the columns, the fields that go into them, and these with the types that JSON does not tell. */
export const columns = (): string => all.map(([, [column]]) => column).join(', ');
export const fields = (): string => all.map(([field]) => `"${field}"`).join(', ');
export const typedFields = (): string => all.map(([field, [, type]]) => `"${field}" ${type}`).join(', ');
