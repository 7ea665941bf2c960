import type { PlaceId } from '@escalier/contract/pupils';
import { t } from './messages.ts';

/** Where in the school's texts a pupil's name may stand, as the teacher knows the place. */
export const PLACE_WORDS: Readonly<Record<PlaceId, string>> = {
  'instrument-note': t('place-words.note-on-an-instrument'),
  'lesson-remark': t('place-words.remark-in-a-lesson'),
  'week-task': t('place-words.task-for-the-week'),
  'pupil-note': t('place-words.note-on-another-pupil'),
  'pupil-mark': t('place-words.another-pupils-marker'),
  'pupil-name': t('place-words.another-pupils-name'),
  change: t('place-words.list-of-changes'),
  'recording-words': t('place-words.answer-to-a-recording'),
  'recording-heard': t('place-words.what-was-heard-in-a-recording'),
  'recording-file': t('place-words.name-of-a-sound-file'),
  'record-reason': t('place-words.reason-for-a-correction'),
  'class-name': t('place-words.name-of-a-class'),
  'class-grade': t('place-words.year-of-a-class'),
  'class-settings': t('place-words.settings-of-a-class'),
  'class-brings': t('place-words.what-a-class-brings-along'),
  'class-day': t('place-words.cancelled-lesson'),
  'class-note': t('place-words.words-for-a-note'),
  'class-note-page': t('place-words.page-in-the-classs-book'),
  'class-tune-page': t('place-words.page-in-the-classs-book'),
  'lesson-template': t('place-words.usual-lesson'),
  'school-caution': t('place-words.caution'),
  'school-remark': t('place-words.remark-of-the-school'),
  'term-name': t('place-words.name-of-a-term'),
  'term-day': t('place-words.day-off'),
  'staircase-name': t('place-words.name-of-a-staircase'),
  'tune-title': t('place-words.title-of-a-tune'),
  'tune-text': t('place-words.text-of-a-tune'),
  invitation: t('place-words.invitation'),
};
