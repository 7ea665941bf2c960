import { t } from './messages.ts';

/** How pupils are heard: one by one, a few together, or from recordings outside the lesson. */
export type HearingWay =
  { readonly kind: 'alone' } | { readonly kind: 'group'; readonly size: number } | { readonly kind: 'recording' };

/** All times in seconds, but for the minutes of a lesson. */
export interface CapacityRequest {
  /** One playing of the tune, its count-in included. */
  readonly tuneSeconds: number;
  /** Until the next pupil or group is ready. */
  readonly changeoverSeconds: number;
  /** What is said to each pupil. */
  readonly talkSeconds: number;
  readonly way: HearingWay;
  /** Minutes of a lesson that are given to hearing; with recordings, minutes of an evening. */
  readonly minutes: number;
  readonly pupils: number;
}

export interface Capacity {
  /** For one pupil, or one group. */
  readonly secondsPerTurn: number;
  readonly pupilsPerLesson: number;
  /** Until all pupils are heard once; null when not even one turn fits. */
  readonly lessons: number | null;
  /** The sums in words, a line each. */
  readonly sums: readonly string[];
}

export const USUAL_CHANGEOVER = 15;
export const USUAL_TALK = 20;
/** What of a turn is not the tune. */
export const USUAL_PAUSE = USUAL_CHANGEOVER + USUAL_TALK;

/** How many pupils can be heard in the minutes of a lesson, and in how many lessons all of them. */
export function capacity(request: CapacityRequest): Capacity {
  const { way, minutes, pupils } = request;
  const size = way.kind === 'group' ? Math.max(1, Math.floor(way.size)) : 1;
  const tune = Math.round(request.tuneSeconds);
  const talk = request.talkSeconds * size;
  const changeover = way.kind === 'recording' ? 0 : request.changeoverSeconds;
  const secondsPerTurn = tune + changeover + talk;
  const turns = Math.floor((minutes * 60) / secondsPerTurn);
  const pupilsPerLesson = Math.min(pupils, turns * size);
  const lessons = turns === 0 ? null : Math.ceil(pupils / (turns * size));
  const who =
    way.kind === 'group'
      ? t('capacity.a-group-of-size', { size })
      : way.kind === 'recording'
        ? t('capacity.a-recording')
        : t('capacity.one-pupil');
  const when = way.kind === 'recording' ? t('capacity.an-evening') : t('capacity.a-lesson');
  const talks =
    size === 1
      ? t('capacity.talk-talk-seconds-s', { talkSeconds: request.talkSeconds })
      : t('capacity.talk-size-talk-seconds-s', { size, talkSeconds: request.talkSeconds });
  return {
    secondsPerTurn,
    pupilsPerLesson,
    lessons,
    sums: [
      t('capacity.who-tune-tune-s-value-talks', {
        who,
        tune,
        change: changeover > 0 ? t('capacity.change-changeover-s', { changeover }) : '',
        talks,
        secondsPerTurn,
      }),
      t('capacity.when-minutes-min-minutes2-s-seconds', {
        n: turns,
        when,
        minutes,
        seconds: minutes * 60,
        secondsPerTurn,
        perGroup: size > 1 ? ` × ${size}` : '',
        pupils: turns * size,
      }),
      ...(lessons === null
        ? []
        : [
            t('capacity.all-pupils-pupils-turns-lessons-count', {
              pupils,
              turns: turns * size,
              lessons,
              countWord: countWord(way, lessons),
            }),
          ]),
    ],
  };
}

function countWord(way: HearingWay, count: number): string {
  if (way.kind === 'recording') return count === 1 ? 'evening' : 'evenings';
  return count === 1 ? 'lesson' : 'lessons';
}
