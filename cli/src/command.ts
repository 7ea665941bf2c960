/** What a command gives: the same content for people and for machines. */
export interface Output {
  readonly text: string;
  readonly json: unknown;
}

/** Bad input: one clear sentence, exit code 1. */
export class BadInput extends Error {}

export interface Command {
  readonly usage: string;
  readonly about: string;
  /** A call that works as it stands in a checkout. */
  readonly example: string;
  /** Names of options that take a value; `--json` is common to all. */
  readonly options: readonly string[];
  readonly run: (words: readonly string[], options: Readonly<Record<string, string>>) => Promise<Output> | Output;
}
