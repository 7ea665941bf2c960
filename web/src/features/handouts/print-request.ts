import {
  KINDS,
  USUAL_BREATHING,
  USUAL_OPTIONS,
  type Breathing,
  type HandoutClass,
  type HandoutKind,
  type LetterId,
  type PrintSize,
  type TuneSheetOptions,
} from '@escalier/core/handouts';
import { sayingsOf } from '@escalier/core/practice';
import type { Standing } from '@escalier/core/records';
import type { HoldingSide, PaperName } from '@escalier/paper';
import type { ClassView } from '../classes/index.ts';
import type { PrintRequest } from '../../workers/handouts.ts';
import { t } from './messages.ts';

type Mutable<Thing> = { -readonly [Key in keyof Thing]: Thing[Key] };

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
  /** What a letter is about. */
  letter: LetterId;
  /** Of a letter or certificate; empty for the usual ones. */
  words: string;
  options: Mutable<TuneSheetOptions>;
}

/** What the school knows, beside the class itself. */
export interface Facts {
  readonly school: string;
  readonly teacher: string;
  readonly cautions: readonly string[];
  readonly abcOf: (tuneId: string) => string | null;
  /** Where the class breathes in a tune, as far as it has changed it. */
  readonly breathingOf: (tuneId: string) => Breathing | null;
  /** Belts that a pupil has earned and not been given. */
  readonly beltsDueOf: (pupilId: string) => readonly string[];
  /** Of the instrument that a pupil has on loan. */
  readonly numberOf: (pupilId: string) => number | null;
  /** The next lesson for a substitute; null until it is planned. */
  readonly lesson: HandoutClass['lesson'] | null;
}

/** Paper as it is usual where the browser's language is spoken. */
export function usualPaper(language: string): PaperName {
  return /-(us|ca|mx|ph|cl|co)$/i.test(language) ? 'letter' : 'a4';
}

export function usualChoices(page: ClassView, language: string): HandoutChoices {
  const step = page.steps[Math.min(page.classStep, page.steps.length - 1)];
  return {
    kind: 'tune-sheet',
    step: step?.position ?? 1,
    tuneId: step?.tuneId ?? '',
    pupilId: null,
    seed: 1,
    count: '',
    size: 'medium',
    paper: usualPaper(language),
    holding: 'none',
    letter: 'new-note',
    words: '',
    copies: page.pupils.filter((pupil) => pupil.standing !== null).length,
    options: { ...USUAL_OPTIONS },
  };
}

export const kindOf = (kind: HandoutKind) => KINDS.find((each) => each.kind === kind)!;
export const needsTune = (kind: HandoutKind): boolean =>
  KINDS.some((each) => each.kind === kind && [...each.needs].some((need) => need === 'tune'));

/** For the press: what the class knows at the step, and what the sheet needs besides; null until all of it is here. */
export function printRequest(page: ClassView, choices: HandoutChoices, facts: Facts): PrintRequest | null {
  // Only this kind waits for the lesson, and is set anew when it changes.
  const lesson = choices.kind === 'substitute-plan' ? facts.lesson : [];
  if (lesson === null) return null;
  const upTo = page.steps.filter((step) => step.position <= choices.step);
  const step = page.steps.find((step) => step.position === choices.step);
  const isNew = new Set(kindOf(choices.kind).group === 'tune' || choices.kind === 'step-packet' ? step?.newNotes : []);
  const notes = [...new Set(upTo.flatMap((each) => each.newNotes))].filter((note) => !isNew.has(note));
  const easier = step?.tunes.find((tune) => tune.role === 'easier');
  const { teaching, counting, naming, lengthWords } = page.style;
  return {
    kind: choices.kind,
    seed: choices.seed,
    size: choices.size,
    options: choices.options,
    instrumentId: page.instrumentId,
    notes,
    naming,
    counting,
    lengthWords,
    elements: [...new Set(upTo.flatMap((each) => each.newElements))],
    sayings: sayingsOf(teaching),
    abc: facts.abcOf(choices.tuneId),
    breathing: facts.breathingOf(choices.tuneId) ?? USUAL_BREATHING,
    posture: page.style.posture,
    holding: teaching,
    letter: choices.letter,
    easierAbc: easier === undefined || easier.id === choices.tuneId ? null : facts.abcOf(easier.id),
    count: choices.count === '' ? null : Number(choices.count),
    words: choices.words.trim() === '' ? null : choices.words,
    schoolClass: {
      name: page.name,
      school: facts.school,
      teacher: facts.teacher,
      cautions: facts.cautions,
      lesson,
      classStep: Math.min(page.classStep, Math.max(0, page.steps.length - 1)),
      pupils: page.pupils
        .filter((pupil) => pupil.standing !== null && (choices.pupilId === null || pupil.id === choices.pupilId))
        .map(({ id, name, standing }) => ({
          name,
          passed: passedSteps(page, standing!),
          beltsDue: facts.beltsDueOf(id),
          instrumentNumber: facts.numberOf(id),
        })),
      steps: page.steps.map((step) => ({
        title: step.title,
        belt: step.belt,
        lessons: step.lessons,
        rise: step.rise.total,
        newNotes: step.newNotes,
        tempo: step.tempo,
        abc: facts.abcOf(step.tuneId),
        breathing: facts.breathingOf(step.tuneId) ?? USUAL_BREATHING,
      })),
    },
  };
}

/** Indexes of the steps that were passed. */
function passedSteps(page: ClassView, { steps }: Standing): readonly number[] {
  return page.steps.flatMap(({ id }, index) =>
    steps.find(({ stepId }) => stepId === id)?.passed === true ? [index] : [],
  );
}

export const MOST_COPIES = 200;

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
    const label = [SIZE_WORDS[pupil.printSize], ...(easier ? [t('print-request.easier-line')] : [])].join(', ');
    const pupils = (groups.get(label)?.pupils ?? 0) + 1;
    groups.set(label, { label, pupils, size: pupil.printSize, easier });
  }
  return [...groups.values()].toSorted((a, b) => b.pupils - a.pupils);
}

export const SIZE_WORDS: Readonly<Record<PrintSize, string>> = {
  small: t('print-request.small-print'),
  medium: t('print-request.medium'),
  big: t('print-request.big-print'),
};

/** Kinds that are of the class as it is: printed once. */
export function isPerPupil(kind: HandoutKind): boolean {
  return kindOf(kind).group === 'class';
}
