import type { PupilState } from '@escalier/core/records';
import type { ClassView } from './project.ts';
import { stuckWords } from './words.ts';
import { pegLabels } from './peg-labels.ts';
import { counted } from '../../ui/count-messages.ts';
import { t } from './messages.ts';

export interface Peg {
  readonly id: string;
  readonly name: string;
  readonly label: string;
  readonly state: PupilState;
  /** How much of the tune is passed in parts, from 0 to 1. */
  readonly share: number;
  /** For those who cannot see the place and the ring. */
  readonly words: string;
}

const STATE_WORDS: Record<PupilState, string> = {
  working: t('pegs.on-this-step'),
  nearly: t('pegs.nearly-passed'),
  stuck: 'stuck',
  finished: t('pegs.has-passed-every-step'),
};
const STATE_ORDER: readonly PupilState[] = ['stuck', 'nearly', 'working', 'finished'];

/** The pupils of each step, and behind the last step those who have passed all; in trouble first. */
export function pegsOf(page: ClassView): readonly (readonly Peg[])[] {
  const here = page.pupils.flatMap((pupil) => (pupil.standing === null ? [] : [{ pupil, standing: pupil.standing }]));
  const stuck = new Map(page.stuck.map((each) => [each.pupilId, each]));
  const labels = pegLabels(here.map(({ pupil }) => pupil.name));
  const groups = Array.from({ length: page.steps.length + 1 }, (): Peg[] => []);
  for (const [index, { pupil, standing }] of here.entries()) {
    const tries =
      standing.triesOnStep === 0 ? t('pegs.not-heard-on-it-yet') : counted('tries', { n: standing.triesOnStep });
    const why = stuck.get(pupil.id);
    // Who nearly passed is shown so, also when they have waited for long.
    const state = why === undefined || standing.state === 'nearly' ? standing.state : 'stuck';
    const more =
      state === 'finished' ? '' : state === 'stuck' && why !== undefined ? `, ${stuckWords(why)}` : `, ${tries}`;
    const share = standing.steps.find(({ stepId }) => stepId === page.steps[standing.stepIndex]?.id)?.share ?? 0;
    const part = share > 0 && share < 1 ? t('pegs.number-of-the-tune-passed', { number: Math.round(100 * share) }) : '';
    const words = `${pupil.name}: ${STATE_WORDS[state]}${more}${part}`;
    groups[standing.stepIndex]!.push({
      id: pupil.id,
      name: pupil.name,
      label: labels[index]!,
      state,
      share,
      words,
    });
  }
  return groups.map((group) => group.toSorted((a, b) => STATE_ORDER.indexOf(a.state) - STATE_ORDER.indexOf(b.state)));
}
