import { alternativesOf, buildStaircase, scoreStaircase, type Alternative, type BuildRequest } from './build.ts';
import { checkRules, type RuleProblem } from './check-rules.ts';
import { findingsOf, type Finding } from './findings.ts';
import { newsOfSteps, type StepNews } from './news.ts';
import type { Objective, StaircaseRules } from './objective.ts';
import type { TuneProfile } from './profile.ts';

/** A step of a plan, and why it stands there. */
export interface PlannedStep {
  readonly tune: string;
  readonly news: StepNews;
  readonly why: StepReasons;
  /** The next tunes in line, best first. */
  readonly alternatives: readonly Alternative[];
}

export interface StepReasons {
  /** For each new note the steps, of the next two, that use it again. */
  readonly again: readonly { readonly note: string; readonly steps: readonly number[] }[];
  /** Its metre and key where they differ from the step before; null at the first. */
  readonly otherMetre: string | null;
  readonly otherKey: string | null;
  /** A wish put it there. */
  readonly isWished: boolean;
  /** By how much the best alternative is worse; null when there is none. */
  readonly worse: number | null;
}

export interface Plan {
  readonly objective: Objective;
  readonly steps: readonly PlannedStep[];
  readonly findings: readonly Finding[];
  readonly problems: readonly RuleProblem[];
  /** Whether every possible staircase was weighed. */
  readonly exact: boolean;
}

export const ALTERNATIVES = 2;

/** The best staircase for what is asked, with its reasons. @yields the share that is done. */
export function* planStaircase(request: BuildRequest): Generator<number, Plan> {
  const { rules, problems } = checkRules(request.tunes, request);
  const built = yield* buildStaircase({ ...request, ...rules });
  return { ...planOf(request.tunes, rules, built.list), problems, exact: built.exact };
}

/** The same of a staircase that somebody else has put together. @throws RangeError for an id that is not in the library. */
export function scorePlan(tunes: readonly TuneProfile[], asked: StaircaseRules, list: readonly string[]): Plan {
  const { rules, problems } = checkRules(tunes, asked);
  const others = problems.filter((problem) => problem.kind !== 'too-few-tunes');
  return { ...planOf(tunes, rules, list), problems: others, exact: false };
}

function planOf(
  tunes: readonly TuneProfile[],
  rules: StaircaseRules,
  list: readonly string[],
): Omit<Plan, 'problems' | 'exact'> {
  const byId = new Map(tunes.map((tune) => [tune.id, tune]));
  const objective = scoreStaircase(tunes, rules)(list);
  const profiles = list.map((id) => byId.get(id)!);
  const news = newsOfSteps(profiles, rules.knows);
  const allowed = tunes.filter((tune) => !rules.pins.some((pin) => pin.kind === 'never' && pin.tune === tune.id));
  const listed = allowed.filter((tune) => !list.includes(tune.id));
  const alternatives = alternativesOf({ tunes: [...profiles, ...listed], ...rules }, list, ALTERNATIVES);
  return {
    objective,
    findings: findingsOf({ steps: profiles, order: rules.order, knows: rules.knows }),
    steps: profiles.map((profile, index): PlannedStep => {
      const before = profiles[index - 1];
      const best = alternatives[index]![0];
      return {
        tune: profile.id,
        news: news[index]!,
        alternatives: alternatives[index]!,
        why: {
          again: news[index]!.notes.map(({ name }) => ({
            note: name,
            steps: [index + 1, index + 2]
              .filter((at) => profiles[at]?.notes.some((note) => note.name === name))
              .map((at) => at + 1),
          })),
          otherMetre: before === undefined || before.metre === profile.metre ? null : profile.metre,
          otherKey: before === undefined || before.key === profile.key ? null : profile.key,
          isWished: rules.pins.some((pin) => pin.kind === 'at' && pin.tune === profile.id),
          worse: best === undefined ? null : Math.round((best.total - objective.total) * 100) / 100,
        },
      };
    }),
  };
}
