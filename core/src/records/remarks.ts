import { t } from './messages.ts';

/** What a teacher hears go wrong, in few words, with what to try first. */
export interface Remark {
  readonly id: string;
  readonly words: string;
  readonly remedy: string;
}

export const REMARKS = [
  { id: 'hands', words: t('remarks.hands'), remedy: t('remarks.left-hand-on-top-look-for') },
  { id: 'leak', words: t('remarks.leak'), remedy: t('remarks.flat-pads-thumb-first-look-for') },
  { id: 'breath', words: t('remarks.too-much-breath'), remedy: t('remarks.warm-slow-breath-as-if-misting') },
  { id: 'airy', words: t('remarks.too-little-breath'), remedy: t('remarks.a-little-more-breath-kept-steady') },
  { id: 'tongue', words: t('remarks.tongue'), remedy: t('remarks.start-each-note-with-the-tongue') },
  { id: 'note', words: t('remarks.wrong-note'), remedy: t('remarks.finger-it-silently-and-name-the') },
  { id: 'signature', words: 'Key signature', remedy: t('remarks.before-playing-say-which-notes-the') },
  { id: 'stopped', words: t('remarks.stopped'), remedy: t('remarks.play-just-the-hard-spot-slowly') },
  { id: 'beat', words: t('remarks.beat'), remedy: t('remarks.clap-and-count-then-play-with') },
  { id: 'slow', words: t('remarks.too-slow'), remedy: t('remarks.move-up-the-tempo-ladder-one') },
] as const satisfies readonly Remark[];

export type RemarkId = (typeof REMARKS)[number]['id'];
export const REMARK_IDS = REMARKS.map((remark) => remark.id);
