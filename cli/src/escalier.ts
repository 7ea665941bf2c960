import { parseArgs } from 'node:util';
import { agree } from './agree.ts';
import { bare } from './bare.ts';
import { BadInput, type Command } from './command.ts';
import { convert } from './convert.ts';
import { echo } from './echo.ts';
import { fingering } from './fingering.ts';
import { forecast } from './forecast.ts';
import { backing, plan } from './lesson.ts';
import { handout } from './handout.ts';
import { library } from './library.ts';
import { listen } from './listen.ts';
import { move } from './move.ts';
import { read } from './read.ts';
import { staircase } from './staircase.ts';
import { chunks, figures, mixups } from './teaching.ts';

const COMMANDS: Readonly<Record<string, Command>> = {
  agree,
  backing,
  bare,
  chunks,
  convert,
  echo,
  figures,
  fingering,
  forecast,
  handout,
  library,
  listen,
  mixups,
  move,
  plan,
  read,
  staircase,
};

function help(): string {
  const rows = Object.values(COMMANDS).map((command) => `  ${command.usage}\n      ${command.about}`);
  return ['npm run -s escalier -- COMMAND … [--json]', ...rows].join('\n');
}

export interface Ended {
  readonly code: 0 | 1;
  readonly out: string;
  readonly err: string;
}

/** Runs one command line. Bad input gives a sentence on `err` and code 1, or `{error}` as JSON when asked for. */
export async function escalier(argv: readonly string[]): Promise<Ended> {
  const wantsJson = argv.includes('--json');
  try {
    const [name, ...words] = argv;
    if (name === undefined || name === 'help' || name === '--help') return { code: 0, out: help(), err: '' };
    const command = COMMANDS[name];
    if (command === undefined)
      throw new BadInput(`There is no command "${name}". Known: ${Object.keys(COMMANDS).join(', ')}.`);
    const { positionals, values } = parse(command, words);
    const { text, json } = await command.run(positionals, values);
    return { code: 0, out: wantsJson ? JSON.stringify(json) : text, err: '' };
  } catch (error) {
    if (!(error instanceof BadInput)) throw error;
    return wantsJson
      ? { code: 1, out: JSON.stringify({ error: { message: error.message } }), err: '' }
      : { code: 1, out: '', err: error.message };
  }
}

function parse(command: Command, words: readonly string[]): { positionals: string[]; values: Record<string, string> } {
  const options = Object.fromEntries(command.options.map((name) => [name, { type: 'string' as const }]));
  try {
    const { positionals, values } = parseArgs({
      args: [...words],
      allowPositionals: true,
      options: { ...options, json: { type: 'boolean' } },
    });
    const given = Object.entries(values as Record<string, unknown>).flatMap(([name, value]) =>
      typeof value === 'string' ? [[name, value] as const] : [],
    );
    return { positionals, values: Object.fromEntries(given) };
  } catch {
    throw new BadInput(`Not understood. Usage: ${command.usage} [--json]`);
  }
}
