import { parseArgs } from 'node:util';
import { LOCALES, setEnglish, USUAL_ENGLISH } from '@escalier/messages';
import { BadInput, type Command } from './command.ts';
import { completion } from './completion.ts';
import { t } from './messages.ts';

/** Each command loads its own part of the core, and nothing of the others. */
const COMMANDS: Readonly<Record<string, () => Promise<Command>>> = {
  agree: async () => (await import('./agree.ts')).agree,
  backing: async () => (await import('./lesson.ts')).backing,
  bare: async () => (await import('./bare.ts')).bare,
  chunks: async () => (await import('./teaching.ts')).chunks,
  convert: async () => (await import('./convert.ts')).convert,
  echo: async () => (await import('./echo.ts')).echo,
  figures: async () => (await import('./teaching.ts')).figures,
  fingering: async () => (await import('./fingering.ts')).fingering,
  forecast: async () => (await import('./forecast.ts')).forecast,
  handout: async () => (await import('./handout.ts')).handout,
  library: async () => (await import('./library.ts')).library,
  listen: async () => (await import('./listen.ts')).listen,
  mixups: async () => (await import('./teaching.ts')).mixups,
  move: async () => (await import('./move.ts')).move,
  plan: async () => (await import('./lesson.ts')).plan,
  read: async () => (await import('./read.ts')).read,
  staircase: async () => (await import('./staircase.ts')).staircase,
};

const HEAD = t('escalier.npm-run-s-escalier-command-json');
const EXITS = 'Exit codes: 0 done, 1 bad input (a sentence says what is wrong), 2 a bug in Escalier.';

async function allCommands(): Promise<readonly Command[]> {
  return Promise.all(Object.values(COMMANDS).map((load) => load()));
}

async function help(): Promise<string> {
  const rows = (await allCommands()).map((command) => `  ${command.usage}\n      ${command.about}`);
  const more = [
    t('escalier.command-help-one-command-with-an'),
    t('escalier.completion-a-script-that-completes-commands'),
    t('escalier.locale'),
  ];
  return [HEAD, ...rows, ...more, EXITS].join('\n');
}

function helpOf({ usage, about, example }: Command): string {
  return [
    `Usage: ${usage} [--json]`,
    about,
    '',
    t('escalier.example-npm-run-s-escalier-example', { example }),
    EXITS,
  ].join('\n');
}

export interface Ended {
  readonly code: 0 | 1;
  readonly out: string;
  readonly err: string;
}

/** Takes `--locale en-US` off a command line, and speaks so from then on. @throws BadInput for any other. */
function speaking(argv: readonly string[]): readonly string[] {
  const at = argv.indexOf('--locale');
  if (at < 0) {
    setEnglish(USUAL_ENGLISH);
    return argv;
  }
  const word = argv[at + 1]?.replace(/^--.*/, '') ?? '';
  const chosen = LOCALES.find((each) => each === word);
  if (chosen === undefined) throw new BadInput(t('escalier.no-such-locale', { word, list: LOCALES.join(', ') }));
  setEnglish({ locale: chosen, pupils: chosen === 'en-US' ? 'student' : 'pupil' });
  return argv.toSpliced(at, 2);
}

/** Runs one command line. Bad input gives a sentence on `err` and code 1, or `{error}` as JSON when asked for. */
export async function escalier(argv: readonly string[]): Promise<Ended> {
  const wantsJson = argv.includes('--json');
  try {
    const [name, ...words] = speaking(argv);
    if (name === undefined || name === 'help' || name === '--help') return { code: 0, out: await help(), err: '' };
    if (name === 'completion') return { code: 0, out: completion(await allCommands()), err: '' };
    const load = Object.hasOwn(COMMANDS, name) ? COMMANDS[name] : undefined;
    if (load === undefined)
      throw new BadInput(
        t('escalier.there-is-no-command-name-known', { name, list: Object.keys(COMMANDS).join(', ') }),
      );
    const command = await load();
    if (words.includes('--help')) return { code: 0, out: helpOf(command), err: '' };
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
    throw new BadInput(t('escalier.not-understood-usage-usage-json', { usage: command.usage }));
  }
}
