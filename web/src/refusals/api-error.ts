import type { FieldProblem, FieldProblems } from '@escalier/contract/field-problems';
import type { ChangedBy, RefusalCode } from '@escalier/contract/refusals';
import { fieldsInWords } from './field-words.ts';
import { PlainError } from './plain-error.ts';

/** A refusal as a page meets it: of the server, or that it could not be reached. */
export interface Told {
  readonly error: {
    readonly code: RefusalCode | 'offline';
    readonly message: string;
    readonly fields?: FieldProblems | undefined;
    readonly changed?: ChangedBy | undefined;
  };
}

/** What the server refused, in its own sentence; `code` is "offline" when it could not be reached. */
export class ApiError extends PlainError {
  readonly code: Told['error']['code'];
  /** What is wrong with each field, in words. */
  readonly fields: Readonly<Record<string, string>>;
  /** The id of a tune that is in the library already; null for other refusals. */
  readonly sameTune: string | null;
  /** Who changed meanwhile what was to be saved; null for other refusals. */
  readonly changed: ChangedBy | null;
  /** The status of HTTP; 0 when nothing answered. */
  readonly status: number;

  constructor({ error }: Told, status = 0) {
    super(error.message);
    this.code = error.code;
    this.fields = fieldsInWords(error.fields);
    this.sameTune = Object.values(error.fields ?? {}).find(isSameTune)?.id ?? null;
    this.changed = error.changed ?? null;
    this.status = status;
  }
}

type SameTune = Extract<FieldProblem, { readonly code: 'same-tune' }>;
const isSameTune = (problem: FieldProblem): problem is SameTune => problem.code === 'same-tune';
