import { inEnglish, type English } from '@escalier/messages';
import { usualLengths, usualPaper, elementWords } from '@escalier/core/words';
import { longDate, timeOfDay } from '../../ui/dates.ts';
import { t } from './messages.ts';

/** A line as a school would read it: "Hear each pupil in bar 3 … Tuesday 3 February, 9:05 am, A4." */
export const previewOf = (english: English): string =>
  inEnglish(english, () =>
    t('english-preview.line', {
      noteValue: elementWords('note quarter', usualLengths()),
      date: longDate('2026-02-03'),
      time: timeOfDay('09:05'),
      paper: usualPaper() === 'a4' ? 'A4' : 'Letter',
    }),
  );
