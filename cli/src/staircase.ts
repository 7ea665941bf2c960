import { readdir, readFile } from 'node:fs/promises';
import { basename, extname, join } from 'node:path';
import { readTuneFile } from '@escalier/core/formats';
import { NOTHING_KNOWN } from '@escalier/core/reading';
import {
  planStaircase,
  profileOf,
  scorePlan,
  type Pin,
  type Plan,
  type StaircaseRules,
  type TuneProfile,
} from '@escalier/core/staircase';
import { findingWords, problemWords, whyWords } from '@escalier/core/words';
import { pitchName } from '@escalier/core/music';
import { BadInput, type Command, type Output } from './command.ts';
import { instrumentOption, pitchWord, wholeNumber } from './options.ts';
import { t } from './messages.ts';

const MOST_STEPS = 40;
const ENDINGS = ['.abc', '.musicxml', '.xml', '.mxl', '.mid', '.midi'];

interface Left {
  readonly tune: string;
  readonly why: string;
}

interface Folder {
  readonly tunes: readonly TuneProfile[];
  /** Files that are no tune. */
  readonly left: readonly Left[];
}

type Options = Readonly<Record<string, string>>;

export const staircase: Command = {
  usage: t('staircase.staircase-buildscore-tunes-dir-order-b4'),
  about: t('staircase.the-best-staircase-from-a-folder'),
  example: t('staircase.staircase-build-tunes-demo-tunes-order'),
  options: ['tunes', 'order', 'steps', 'knows', 'pin', 'never', 'instrument', 'seed', 'list', 'lists'],
  async run([what, ...rest], options) {
    if (rest.length > 0 || (what !== 'build' && what !== 'score'))
      throw new BadInput(t('staircase.say-staircase-build-or-staircase-score'));
    const folder = await tunesIn(options);
    return what === 'build' ? build(folder, options) : score(folder, options);
  },
};

function build(folder: Folder, options: Options): Output {
  const steps = wholeNumber(options.steps, t('staircase.number-of-steps'), 1, MOST_STEPS);
  if (steps === undefined) throw new BadInput(t('staircase.give-the-number-of-steps-steps'));
  const seed = wholeNumber(options.seed, 'seed', 0, 2 ** 31) ?? 1;
  const work = planStaircase({ ...rulesOf(options, steps), tunes: folder.tunes, seed });
  let next = work.next();
  while (next.done !== true) next = work.next();
  return outputOf([next.value], folder)[0]!;
}

async function score(folder: Folder, options: Options): Promise<Output> {
  const plans = (await listsOf(options)).map((list) => {
    const unknown = list.find((id) => !folder.tunes.some((tune) => tune.id === id));
    if (unknown !== undefined) throw new BadInput(t('staircase.there-is-no-tune-unknown-in', { unknown }));
    if (new Set(list).size < list.length) throw new BadInput(t('staircase.a-tune-stands-twice-in-the'));
    const steps = wholeNumber(options.steps, t('staircase.number-of-steps'), 1, MOST_STEPS) ?? list.length;
    return scorePlan(folder.tunes, rulesOf(options, steps), list);
  });
  const outputs = outputOf(plans, folder);
  if (options.lists === undefined) return outputs[0]!;
  return { text: outputs.map((output) => output.text).join('\n\n'), json: outputs.map((output) => output.json) };
}

async function listsOf(options: Options): Promise<readonly (readonly string[])[]> {
  if (options.list !== undefined && options.lists === undefined) return [words(options.list)];
  if (options.lists === undefined || options.list !== undefined)
    throw new BadInput(t('staircase.give-a-list-of-tunes-list'));
  const wrong = new BadInput(t('staircase.the-file-lists-is-not-a', { lists: options.lists }));
  let lists: unknown;
  try {
    lists = JSON.parse(await readFile(options.lists, 'utf8'));
  } catch {
    throw wrong;
  }
  const isList = (list: unknown): list is string[] =>
    Array.isArray(list) && list.length > 0 && list.every((id) => typeof id === 'string');
  if (!Array.isArray(lists) || !lists.every(isList)) throw wrong;
  return lists;
}

function rulesOf(options: Options, steps: number): StaircaseRules {
  const notes = (list: string | undefined): readonly string[] =>
    words(list ?? '').map((word) => pitchName(pitchWord(word)));
  return {
    order: notes(options.order),
    knows: { ...NOTHING_KNOWN, notes: new Set(notes(options.knows)) },
    pins: [
      ...words(options.pin ?? '').map(pinOf),
      ...words(options.never ?? '').map((tune): Pin => ({ kind: 'never', tune })),
    ],
    steps,
  };
}

/** "3=goose-walk", "goose-walk<=5" or "goose-walk<mill-wheel". */
function pinOf(text: string): Pin {
  const at = /^(\d+)=([^<=]+)$/.exec(text);
  if (at !== null) return { kind: 'at', step: Number(at[1]), tune: at[2]! };
  const by = /^([^<=]+)<=(\d+)$/.exec(text);
  if (by !== null) return { kind: 'by', tune: by[1]!, step: Number(by[2]) };
  const before = /^([^<=]+)<([^<=]+)$/.exec(text);
  if (before !== null) return { kind: 'before', tune: before[1]!, then: before[2]! };
  throw new BadInput(t('staircase.text-is-no-wish-write-3-2', { text }));
}

function words(list: string): readonly string[] {
  return list
    .split(',')
    .map((word) => word.trim())
    .filter((word) => word !== '');
}

async function tunesIn(options: Options): Promise<Folder> {
  const folder = options.tunes;
  if (folder === undefined) throw new BadInput(t('staircase.give-a-folder-of-tunes-tunes'));
  const instrument = instrumentOption(options.instrument);
  let names: readonly string[];
  try {
    names = await readdir(folder);
  } catch {
    throw new BadInput(t('staircase.the-folder-folder-cannot-be-read', { folder }));
  }
  const tunes: TuneProfile[] = [];
  const left: Left[] = [];
  for (const name of names.filter((name) => ENDINGS.includes(extname(name).toLowerCase())).toSorted()) {
    const id = basename(name, extname(name));
    const read = readTuneFile(await readFile(join(folder, name)));
    if (!read.ok) left.push({ tune: id, why: read.error[0]?.message ?? t('staircase.this-is-no-tune') });
    else tunes.push(profileOf(id, read.value.tune, instrument));
  }
  if (tunes.length === 0) throw new BadInput(t('staircase.there-are-no-tunes-in-the', { folder }));
  return { tunes, left };
}

function outputOf(plans: readonly Plan[], folder: Folder): readonly Output[] {
  const titles = new Map(folder.tunes.map((tune) => [tune.id, tune.title]));
  return plans.map((plan) => {
    const findings = [
      ...plan.problems.map((problem) => ({
        step: null,
        kind: problem.kind,
        weight: 'problem',
        ...problemWords(problem),
      })),
      ...plan.findings.map((finding) => ({
        step: finding.step,
        kind: finding.kind,
        weight: finding.weight,
        ...findingWords(finding),
      })),
    ];
    const steps = plan.steps.map((step) => ({
      tune: step.tune,
      new: {
        notes: step.news.notes.map((note) => note.name),
        elements: step.news.elements,
        signs: step.news.signs,
        moves: step.news.moves.map((move) => move.key),
      },
      rise: step.news.rise.total,
      why: whyWords(step),
      alternatives: step.alternatives,
    }));
    const left = [...folder.left, ...unplayable(folder.tunes)];
    return {
      json: { objective: plan.objective, exact: plan.exact, steps, findings, left },
      text: [
        t('staircase.counts-against-it-total', { total: plan.objective.total }),
        ...steps.map((step, index) => `${index + 1}. ${titles.get(step.tune) ?? step.tune}: ${step.why}`),
        ...findings.map(
          ({ step, text, remedy }) => `${step === null ? '' : t('staircase.step-step', { step })}${text} ${remedy}`,
        ),
        ...left.map(({ tune, why }) => t('staircase.left-out-tune-why', { tune, why })),
      ].join('\n'),
    };
  });
}

function unplayable(tunes: readonly TuneProfile[]): readonly Left[] {
  return tunes
    .filter((tune) => tune.unplayable.length > 0)
    .map((tune) => ({
      tune: tune.id,
      why: t('staircase.the-instrument-does-not-have-list', { list: tune.unplayable.join(', ') }),
    }));
}
