import type { ListeningRule } from '@escalier/core/listening';
import type { ClassView, StepView } from '../classes/index.ts';

/** What a proposal goes by: the class's rule, and what its step asks for besides. */
export function listeningRule({ style }: ClassView, step: Pick<StepView, 'passRule'> | null): ListeningRule {
  const { tempo = null, slips = null, lookFor = [] } = step?.passRule ?? {};
  return { kind: style.passRule, tempo, slips, lookFor };
}
