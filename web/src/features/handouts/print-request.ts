import { KINDS, USUAL_OPTIONS, type HandoutKind, type PrintSize, type TuneSheetOptions } from '@escalier/core/handouts';
import type { HoldingSide, PaperName } from '@escalier/paper';
import type { ClassView } from '../classes/index.ts';
import type { HandoutOrder } from '../../workers/handouts.ts';

/** What a teacher chooses for a sheet. */
export interface HandoutChoices {
  kind: HandoutKind;
  /** Counted from 1. */
  step: number;
  tuneId: string;
  /** Null for all pupils. */
  pupilId: string | null;
  seed: number;
  /** Empty for as many as is usual. */
  count: string;
  size: PrintSize;
  paper: PaperName;
  holding: HoldingSide;
  copies: number;
  options: TuneSheetOptions;
  /** Of a letter or certificate. */
  words: string;
}

export interface Facts {
  readonly school: string;
  readonly teacher: string;
  readonly cautions: readonly string[];
  readonly abcOf: (tuneId: string) => string | null;
  /** Belts that a pupil has earned and not been given. */
  readonly beltsDueOf: (pupilId: string) => readonly string[];
  /** Of the instrument that a pupil has on loan. */
  readonly numberOf: (pupilId: string) => number | null;
}

/** Paper as it is usual where the browser's language is spoken. */
export function usualPaper(language: string): PaperName {
  return /-(us|ca|mx|ph|cl|co)$/i.test(language) ? 'letter' : 'a4';
}

export function usualChoices(page: ClassView, language: string): HandoutChoices {
  const step = page.steps[Math.min(page.classStep, page.steps.length - 1)];
  return {
    ...{ kind: 'tune-sheet', step: step?.position ?? 1, tuneId: step?.tuneId ?? '', pupilId: null, seed: 1, count: '' },
    ...{ size: 'medium', paper: usualPaper(language), holding: 'none', words: '' },
    copies: page.pupils.filter((pupil) => pupil.standing !== null).length,
    options: { ...USUAL_OPTIONS },
  };
}

export const kindOf = (kind: HandoutKind) => KINDS.find((each) => each.kind === kind)!;
export const needsOf = (kind: HandoutKind): readonly string[] => kindOf(kind).needs;

/** For the press: what the class knows at the step, and what the sheet needs besides. */
export function orderOf(page: ClassView, choices: HandoutChoices, facts: Facts): HandoutOrder {
  const upTo = page.steps.filter((step) => step.position <= choices.step);
  const step = page.steps.find((each) => each.position === choices.step);
  const isNew = new Set(kindOf(choices.kind).group === 'tune' || choices.kind === 'step-packet' ? step?.newNotes : []);
  const notes = [...new Set(upTo.flatMap((each) => each.newNotes))].filter((note) => !isNew.has(note));
  const easier = step?.tunes.find((tune) => tune.role === 'easier');
  const { teaching, counting, naming, lengthWords } = page.style;
  return {
    ...{ kind: choices.kind, seed: choices.seed, size: choices.size, options: choices.options },
    ...{ instrumentId: page.instrumentId, notes, naming, counting, lengthWords },
    elements: [...new Set(upTo.flatMap((each) => each.newElements))],
    sayings: { syncopation: teaching.syncopation, rest: teaching.restWord },
    abc: facts.abcOf(choices.tuneId),
    easierAbc: easier === undefined || easier.id === choices.tuneId ? null : facts.abcOf(easier.id),
    count: choices.count === '' ? null : Number(choices.count),
    words: choices.words.trim() === '' ? null : choices.words,
    schoolClass: {
      ...{ name: page.name, school: facts.school, teacher: facts.teacher, cautions: facts.cautions },
      classStep: Math.min(page.classStep, Math.max(0, page.steps.length - 1)),
      pupils: page.pupils
        .filter((pupil) => pupil.standing !== null && (choices.pupilId === null || pupil.id === choices.pupilId))
        .map(({ id, name, standing }) => ({
          ...{ name, passedSteps: standing!.passedSteps },
          ...{ beltsDue: facts.beltsDueOf(id), instrumentNumber: facts.numberOf(id) },
        })),
      steps: page.steps.map((each) => ({
        ...{ title: each.title, belt: each.belt, lessons: each.lessons, rise: each.rise.total },
        ...{ newNotes: each.newNotes, tempo: each.tempo, abc: facts.abcOf(each.tuneId) },
      })),
    },
  };
}

/** Sheets of paper for so many copies: one side, and both. */
export function paperNeeded(pages: number, copies: number): { readonly sheets: number; readonly duplex: number } {
  return { sheets: pages * copies, duplex: Math.ceil(pages / 2) * copies };
}

/** Pupils who need the same sheet. */
export interface PrintGroup {
  readonly label: string;
  readonly pupils: number;
  readonly size: PrintSize;
  readonly easier: boolean;
}

/** "Big print for 3, the easier line for 2": who needs which sheet, from the pupils' own settings. */
export function printGroups(page: ClassView, step: number): readonly PrintGroup[] {
  const hasEasier =
    page.steps.find(({ position }) => position === step)?.tunes.some(({ role }) => role === 'easier') === true;
  const groups = new Map<string, PrintGroup>();
  for (const pupil of page.pupils) {
    if (pupil.standing === null) continue;
    const easier = hasEasier && pupil.easierLine;
    const label = [SIZE_WORDS[pupil.printSize], ...(easier ? ['easier line'] : [])].join(', ');
    const pupils = (groups.get(label)?.pupils ?? 0) + 1;
    groups.set(label, { label, pupils, size: pupil.printSize, easier });
  }
  return [...groups.values()].toSorted((a, b) => b.pupils - a.pupils);
}

export const SIZE_WORDS: Readonly<Record<PrintSize, string>> = {
  small: 'Small print',
  medium: 'Medium',
  big: 'Big print',
};

/** Kinds of which each pupil has a page of their own: they are printed once. */
export function isPerPupil(kind: HandoutKind): boolean {
  return kindOf(kind).group === 'class';
}
