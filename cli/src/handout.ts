import { join } from 'node:path';
import {
  isHandoutKind,
  KINDS,
  LETTERS,
  makeHandout,
  NoHandout,
  PRINT_SIZES,
  USUAL_OPTIONS,
  usualRequest,
  type Handout,
  type HandoutKind,
  type HandoutRequest,
  type LetterId,
  type PrintSize,
} from '@escalier/core/handouts';
import { NAMINGS, type Naming } from '@escalier/core/instruments';
import { byHeight, COUNTINGS, type Counting } from '@escalier/core/music';
import { BadInput, type Command, type Output } from './command.ts';
import { bytesToFile, jsonToFile, makeFolder, tuneFromFile } from './files.ts';
import { elementsOption, instrumentOption, pitchWord, wholeNumber } from './options.ts';
import { t } from './messages.ts';

type Options = Readonly<Record<string, string>>;

export const handout: Command = {
  usage: t('handout.handout-kind-out-file-pdf-key'),
  about: t('handout.a-sheet-for-pupils-as-pdf'),
  example: t('handout.handout-fingering-chart-notes-b4-a4'),
  options: [
    ...['out', 'key', 'tune', 'easier', 'notes', 'elements', 'count', 'seed', 'instrument', 'naming', 'counting'],
    ...['names', 'show', 'size', 'paper', 'words', 'letter', 'holding'],
  ],
  async run([kind, ...rest], options) {
    if (kind === 'list' && rest.length === 0) return listed();
    if (kind === undefined || rest.length > 0) throw new BadInput(t('handout.name-one-kind-of-handout-or'));
    const kinds = kind === 'all' ? KINDS.map((each) => each.kind) : kind.split(',').map(kindNamed);
    return kinds.length === 1 ? printed(kinds[0]!, options) : printedIn(kinds, options);
  },
};

function kindNamed(name: string): HandoutKind {
  if (!isHandoutKind(name))
    throw new BadInput(
      t('handout.there-is-no-handout-name-known', { name, list: KINDS.map((each) => each.kind).join(', ') }),
    );
  return name;
}

/** Several kinds, each as a file of its name in a folder; what cannot be made of this tune and these notes is told. */
async function printedIn(kinds: readonly HandoutKind[], options: Options): Promise<Output> {
  const { out: folder } = options;
  if (folder === undefined) throw new BadInput(t('handout.name-the-folder-to-write-to'));
  await makeFolder(folder);
  const made: { readonly file: string; readonly text: string; readonly json: unknown }[] = [];
  const left: { readonly kind: HandoutKind; readonly reason: string }[] = [];
  for (const kind of kinds) {
    const file = join(folder, `${kind}.pdf`);
    try {
      const { text, json } = await printed(kind, { ...options, out: file });
      made.push({ file, text, json });
    } catch (problem) {
      if (!(problem instanceof BadInput)) throw problem;
      left.push({ kind, reason: problem.message });
    }
  }
  if (made.length === 0) throw new BadInput(left.map(({ kind, reason }) => `${kind}: ${reason}`).join(' '));
  return {
    text: [
      ...made.map(({ text }) => text),
      ...left.map(({ kind, reason }) => t('handout.left-out-kind-reason', { kind, reason })),
    ].join('\n'),
    json: { handouts: made.map(({ file, json }) => ({ file, ...(json as object) })), left },
  };
}

function listed(): Output {
  const kinds = KINDS.map(({ kind, about, needs }) => ({ kind, about, needs: [...needs] }));
  return { text: kinds.map(({ kind, about }) => `${kind}: ${about}`).join('\n'), json: { kinds } };
}

async function printed(kind: HandoutKind, options: Options): Promise<Output> {
  const { out, key: keyFile } = options;
  if (out === undefined) throw new BadInput(t('handout.name-the-file-to-write-out'));
  const request = await requestOf(options);
  const made = handoutOf(kind, request);
  // Engraver and fonts are megabytes: no other command waits for them.
  const { layOut, PAPERS, toPdf } = await import('@escalier/paper');
  const { toolsOnDisk } = await import('@escalier/paper/node');
  const paper = oneOf(options.paper ?? 'a4', Object.keys(PAPERS) as (keyof typeof PAPERS)[], 'paper');
  const tools = await toolsOnDisk();
  const laid = layOut(made, tools, {
    paper,
    holding: oneOf(options.holding ?? 'none', ['none', 'left', 'right'] as const, 'side'),
    size: request.size,
  });
  const pdf = await toPdf([laid], tools.letters, tools.fonts, made.title);
  await bytesToFile(out, pdf);
  const key = { kind, title: made.title, seed: request.seed, answers: made.key };
  if (keyFile !== undefined) await jsonToFile(keyFile, key);
  const sheets = `${laid.pages.length} ${laid.pages.length === 1 ? 'page' : 'pages'}`;
  return {
    text: [t('handout.title-sheets-in-out', { title: made.title, sheets, out }), ...laid.warnings].join('\n'),
    json: {
      kind,
      title: made.title,
      pages: laid.pages.length,
      bytes: pdf.length,
      warnings: laid.warnings,
      answers: made.key,
    },
  };
}

function handoutOf(kind: HandoutKind, request: HandoutRequest): Handout {
  try {
    return makeHandout(kind, request);
  } catch (problem) {
    if (problem instanceof NoHandout) throw new BadInput(problem.message);
    throw problem;
  }
}

async function requestOf(options: Options): Promise<HandoutRequest> {
  const names = options.notes === undefined ? [] : options.notes.split(',');
  return usualRequest({
    seed: wholeNumber(options.seed, 'seed', 0, 2 ** 31) ?? 1,
    on: instrumentOption(options.instrument),
    notes: names.map((name) => pitchWord(name)).toSorted(byHeight),
    naming: oneOf<Naming>(options.naming ?? 'letters', NAMINGS, 'naming'),
    counting: options.counting === undefined ? null : oneOf<Counting>(options.counting, COUNTINGS, 'counting'),
    elements: elementsOption(options.elements),
    tune: options.tune === undefined ? null : (await tuneFromFile(options.tune)).tune,
    easier: options.easier === undefined ? null : (await tuneFromFile(options.easier)).tune,
    size: oneOf<PrintSize>(options.size ?? 'medium', PRINT_SIZES, 'size'),
    count: wholeNumber(options.count, t('handout.number-of-tasks'), 1, 10_000) ?? null,
    options: { ...USUAL_OPTIONS, ...shown(options) },
    letter: oneOf<LetterId>(
      options.letter ?? 'new-note',
      LETTERS.map(({ id }) => id),
      'letter',
    ),
    words: options.words ?? null,
  });
}

const SHOWN = [
  'fingerings',
  'counting',
  'words',
  'breaths',
  'form',
  'shades',
  'hardSpot',
  'chords',
  'twoToPage',
] as const;

/** What `--show` names is on the tune sheet, and nothing else; `--names` says how the notes are named. */
function shown({ show, names }: Options) {
  const wanted = show?.split(',').filter((word) => word !== '');
  const unknown = wanted?.find((word) => !SHOWN.some((each) => each === word));
  if (unknown !== undefined)
    throw new BadInput(t('handout.unknown-cannot-be-shown-known-list', { unknown, list: SHOWN.join(', ') }));
  return {
    ...(wanted === undefined ? {} : Object.fromEntries(SHOWN.map((each) => [each, wanted.includes(each)]))),
    ...(names === undefined
      ? {}
      : { names: oneOf(names, ['full', 'first', 'blank', 'none'] as const, t('handout.way-of-naming')) }),
  };
}

function oneOf<Word extends string>(word: string, known: readonly Word[], what: string): Word {
  const found = known.find((each) => each === word);
  if (found === undefined)
    throw new BadInput(t('handout.word-is-no-what-say-one', { word, what, list: known.join(', ') }));
  return found;
}
