import type { StepDto } from '@escalier/contract/class-pages';
import { dayIn, type LocalDate } from '@escalier/core/calendar';
import { forecastRequest } from '@escalier/core/classes';
import {
  hearings,
  type ClassForecast,
  type Fault,
  type ForecastRequest,
  type HeardEvent,
  type RecordEvent,
  type Remark,
} from '@escalier/core/records';
import type { ClassView, PupilView } from '../classes/index.ts';
import { noteWords } from '../../ui/note-words.ts';
import { t } from './messages.ts';

export interface Outlook {
  /** The chance that the step worked on is passed within the next lessons, and by the end of the term. */
  readonly chanceSoon: number;
  readonly chance: number;
  /** How many those next lessons are. */
  readonly soon: number;
  /** Steps that will more likely than not have been passed by the end of the term. */
  readonly likelySteps: number;
  /** Hearings so far, and those passed. */
  readonly heard: number;
  readonly passed: number;
}

const SOON = 4;

/** What is to be forecast for `outlookOf`: the next lessons, and the term. */
export function outlookRequests(page: ClassView, events: readonly RecordEvent[]): readonly (ForecastRequest | null)[] {
  return [SOON, Infinity].map((ahead) =>
    forecastRequest(page, events, { perLesson: page.pace.perLesson, ahead: Math.min(ahead, page.lessons.left) }),
  );
}

/** How a pupil will likely go on, from the courses that the class may take; null for who is through, or not in the class. */
export function outlookOf(
  page: ClassView,
  events: readonly RecordEvent[],
  pupilId: string,
  [next, term]: readonly (ClassForecast | null)[],
): Outlook | null {
  const standing = page.pupils.find((pupil) => pupil.id === pupilId)?.standing;
  if (standing === undefined || standing === null || standing.stepIndex >= page.steps.length) return null;
  const reach = (forecast: ClassForecast | null | undefined): readonly number[] =>
    forecast?.pupils.find((pupil) => pupil.id === pupilId)?.reach.map((step) => step.chance) ?? [];
  const end = reach(term);
  const heard = hearings(events).filter((event) => event.pupilId === pupilId);
  return {
    soon: Math.min(SOON, page.lessons.left),
    chanceSoon: reach(next)[standing.stepIndex] ?? 0,
    chance: end[standing.stepIndex] ?? 0,
    likelySteps: end.filter((chance) => chance >= 0.5).length,
    heard: heard.length,
    passed: heard.filter((event) => event.outcome === 'passed').length,
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
export function practiceOf(
  step: StepDto,
  noted: readonly string[],
  remarks: readonly Remark[],
  faults: readonly Fault[] = [],
): readonly string[] {
  const moves = step.hardMoves.map(({ from, to }) =>
    t('pupil.note-and-note2-back-and-forth', { note: noteWords(from), note2: noteWords(to) }),
  );
  const notes = step.newNotes.map((note) => t('pupil.the-new-note-note', { note: noteWords(note) }));
  const remedies = remarks.filter((remark) => noted.includes(remark.id)).map((remark) => remark.remedy);
  return [...placesOf(faults, remarks), ...notes, ...moves, ...remedies];
}

/** "bar 3 (stopped, wrong note): slowly, a few times": where it went wrong the last time, by bar. */
function placesOf(faults: readonly Fault[], remarks: readonly Remark[]): readonly string[] {
  const bars = [...new Set(faults.map(({ bar }) => bar))].toSorted((a, b) => a - b);
  return bars.map((bar) => {
    const ids = new Set(faults.filter((fault) => fault.bar === bar).map(({ remark }) => remark));
    const words = remarks.filter(({ id }) => ids.has(id)).map((remark) => remark.words.toLowerCase());
    return t('pupil.bar-bar-value-slowly-a-few', { bar, remarks: words.length === 0 ? '' : ` (${words.join(', ')})` });
  });
}

/** A note to the family, to be changed before it goes out. */
export function familyNote(page: ClassView, pupil: PupilView, practice: readonly string[]): string {
  const standing = pupil.standing!;
  const passed = standing.passedSteps;
  const step = page.steps[standing.stepIndex];
  const first = pupil.name;
  const so =
    passed === 0
      ? t('pupil.first-is-on-the-first-of', { first, stepsCount: page.steps.length })
      : t('pupil.first-has-passed-passed-of-steps', { first, passed, stepsCount: page.steps.length });
  const now =
    step === undefined
      ? t('pupil.thats-every-step-well-done')
      : t('pupil.the-tune-now-is-title-at', { title: step.title, tempo: step.tempo });
  const home =
    step === undefined || practice.length === 0
      ? []
      : ['', t('pupil.five-minutes-a-day-is-enough'), ...practice.map((line) => `- ${line}`)];
  return [t('pupil.dear-family'), '', `${so} ${now}`, ...home, '', t('pupil.music-name', { name: page.name })].join(
    '\n',
  );
}
