import { instrument } from '../instruments/index.ts';
import { USUAL_SAYINGS } from '../music/index.ts';
import { USUAL_POSTURE } from '../practice/index.ts';
import { madeUpClass } from './made-up-class.ts';
import { USUAL_BREATHING, USUAL_OPTIONS, type HandoutRequest } from './request.ts';

/** A request for a made-up class of soprano recorders, with what is usual for all that is not named. */
export function usualRequest(more: Partial<HandoutRequest> = {}): HandoutRequest {
  return {
    seed: 1,
    on: instrument('soprano-recorder-baroque'),
    notes: [],
    naming: 'letters',
    counting: null,
    sayings: USUAL_SAYINGS,
    lengthWords: 'british',
    elements: new Set<string>(),
    tune: null,
    easier: null,
    breathing: USUAL_BREATHING,
    schoolClass: madeUpClass(),
    size: 'medium',
    count: null,
    options: USUAL_OPTIONS,
    posture: USUAL_POSTURE,
    holding: { rightHand: 'carries', tongue: 'doo' },
    letter: 'new-note',
    words: null,
    ...more,
  };
}
