import type { Block } from '../lesson/index.ts';
import { blockTitle, rungWords, type LessonSpeech } from './lesson.ts';
import { t } from './messages.ts';

/** One part of a lesson for somebody who does not play. */
export interface SubstituteLine {
  readonly title: string;
  readonly minutes: number;
  readonly press: string;
  readonly say: string;
  readonly children: string;
}

const NEXT = t('lesson.press-next');

/** The same lesson in plain words for somebody who does not play: what to press, what to say, what the children do. */
export function substituteLine(block: Block, speech: LessonSpeech): SubstituteLine {
  const tune = speech.tune === '' ? t('lesson.the-tune') : `“${speech.tune}”`;
  const line = (press: string, say: string, children: string): SubstituteLine => ({
    title: blockTitle(block, speech),
    minutes: block.minutes,
    press,
    say,
    children,
  });
  const rungs = block.rungs?.length ?? 0;
  switch (block.kind) {
    case 'settle':
      return line(
        t('lesson.press-start-the-lesson-the-screen'),
        t('lesson.instruments-out-left-hand-on-top'),
        t('lesson.take-their-own-instrument-sit-tall'),
      );
    case 'warm-up':
      return line(
        t('lesson.next-press-space-the-computer-plays', { next: NEXT }),
        t('lesson.listen-first-then-play-it-back'),
        t('lesson.listen-then-play-the-same-four'),
      );
    case 'new-note':
      return line(
        t('lesson.next-the-screen-shows-the-fingering', { next: NEXT }),
        t('lesson.look-at-the-picture-put-your'),
        t('lesson.copy-the-picture-press-check-their'),
      );
    case 'moves':
      return line(
        t('lesson.next-press-space-it-goes-back', { next: NEXT }),
        t('lesson.back-and-forth-all-together-slow'),
        t('lesson.move-their-fingers-with-the-picture'),
      );
    case 'hard-spot':
      return line(
        t('lesson.next-press-space-the-hard-bars', { next: NEXT }),
        t('lesson.just-these-bars-if-it-falls'),
        t('lesson.play-along-with-the-loop-hands'),
      );
    case 'tune':
      return line(
        [
          t('lesson.next-press-space-to-play-tune', { next: NEXT, tune }),
          ...(rungs > 1 ? [t('lesson.press-1-to-rungs-for-another', { rungs })] : []),
        ].join(' '),
        `“${(block.rungs ?? []).map(rungWords).join('. ') || t('lesson.play-along')}.”`,
        t('lesson.follow-the-screen-together'),
      );
    case 'hearing':
      return line(
        t('lesson.dont-record-passes-unless-you-were'),
        t('lesson.practise-silently-fingers-move-names-are'),
        t('lesson.finger-the-tune-at-the-chin'),
      );
    case 'together':
      if (block.notes !== undefined)
        return line(
          t('lesson.next-press-space-the-computer-plays', { next: NEXT }),
          t('lesson.listen-first-then-play-it-back'),
          t('lesson.listen-then-play-the-same'),
        );
      return line(
        t('lesson.next-press-space-tune-with-the', { next: NEXT, tune }),
        t('lesson.all-together-softly-stop-and-breathe'),
        t('lesson.play-together-anyone-who-gets-lost'),
      );
    case 'close':
      return line(
        t('lesson.press-end-the-lesson'),
        t('lesson.what-went-well-today-what-will'),
        t('lesson.dry-their-instruments-and-put-them'),
      );
  }
}
