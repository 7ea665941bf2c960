import { dayIn, type LocalDate } from '@escalier/core/calendar';
import {
  chanceToPass,
  forecast,
  type Climb,
  type Remark,
  type Forecast,
  type HeardEvent,
} from '@escalier/core/records';
import type { StepDto } from '@escalier/server/api';
import type { ClassView, PupilView } from '../classes/index.ts';
import { noteWords } from '../../ui/note-words.ts';

/** What the pupils of a class have climbed, in how many lessons each. */
export function climbsOf(page: ClassView): readonly Climb[] {
  return page.pupils.flatMap(({ id, standing, startStep, joinedOn }): Climb[] =>
    standing === null
      ? []
      : [
          {
            pupilId: id,
            stepIndex: standing.stepIndex,
            startStepIndex: startStep - 1,
            lessonsHad: page.lessons.all.filter((lesson) => lesson.date >= joinedOn && lesson.date < page.today).length,
          },
        ],
  );
}

export interface Outlook extends Forecast {
  readonly climb: Climb;
  /** That one more step is passed by the end of the term, and within the next four lessons. */
  readonly chance: number;
  readonly chanceSoon: number;
  readonly soon: number;
}

const SOON = 4;

/** How a pupil goes on at the pace so far. */
export function outlookOf(page: ClassView, pupilId: string): Outlook | null {
  const climbs = climbsOf(page);
  const at = climbs.findIndex((climb) => climb.pupilId === pupilId);
  const found = forecast(climbs, page.steps.length, page.lessons.left)[at];
  if (found === undefined) return null;
  const soon = Math.min(SOON, page.lessons.left);
  return {
    ...found,
    climb: climbs[at]!,
    soon,
    chance: chanceToPass(found.pace, page.lessons.left),
    chanceSoon: chanceToPass(found.pace, soon),
  };
}

export interface RemarkDays {
  readonly remark: string;
  /** Days on which it was noted, in order. */
  readonly days: readonly LocalDate[];
}

/** Each remark with its days, the most frequent first. */
export function remarksOverTime(heard: readonly HeardEvent[], timeZone: string): readonly RemarkDays[] {
  const dayOf = dayIn(timeZone);
  const byRemark = new Map<string, LocalDate[]>();
  for (const event of heard)
    for (const remark of event.remarks) byRemark.set(remark, [...(byRemark.get(remark) ?? []), dayOf(event.heardAt)]);
  return [...byRemark].map(([remark, days]) => ({ remark, days })).toSorted((a, b) => b.days.length - a.days.length);
}

/** What to practise on a step: the hard moves of its tune, and the remedies of what was remarked last. */
export function practiceOf(step: StepDto, noted: readonly string[], remarks: readonly Remark[]): readonly string[] {
  const moves = step.hardMoves.map(
    ({ from, to }) => `${noteWords(from)} and ${noteWords(to)}, back and forth: slowly, then faster`,
  );
  const notes = step.newNotes.map((note) => `the new note ${noteWords(note)}`);
  const remedies = remarks.filter((remark) => noted.includes(remark.id)).map((remark) => remark.remedy);
  return [...notes, ...moves, ...remedies];
}

/** A note to the family, to be changed before it goes out. */
export function familyNote(page: ClassView, pupil: PupilView, practice: readonly string[]): string {
  const standing = pupil.standing!;
  const passed = standing.passedSteps;
  const step = page.steps[standing.stepIndex];
  const first = pupil.name;
  const so =
    passed === 0
      ? `${first} is on the first of ${page.steps.length} steps.`
      : `${first} has passed ${passed} of ${page.steps.length} steps.`;
  const now =
    step === undefined
      ? 'That is all of them: well done!'
      : `The tune now is “${step.title}”, at ${step.tempo} beats a minute.`;
  const home =
    step === undefined || practice.length === 0
      ? []
      : ['', 'Five minutes a day is enough:', ...practice.map((line) => `- ${line}`)];
  return ['Dear family,', '', `${so} ${now}`, ...home, '', `Music, ${page.name}`].join('\n');
}
