import type { ScoreMark } from './marks.ts';
import type { ListenedView } from '../workers/listening.ts';
import { t } from '../ui/messages.ts';

/** What was heard, as marks on the sheet. @param now seconds of the recording that are playing; null while it is still. */
export function heardMarks({ asked, extras, stops }: ListenedView, now: number | null): readonly ScoreMark[] {
  const playing =
    now === null ? undefined : asked.find(({ from, to }) => from !== null && to !== null && now >= from && now < to);
  return [
    ...(playing === undefined ? [] : [{ kind: 'now' as const, id: playing.id }]),
    ...asked.flatMap(({ id, kind, words }): ScoreMark[] =>
      kind === 'right' ? [] : [{ kind: 'heard', id, how: kind, words }],
    ),
    ...stops.map((id): ScoreMark => ({ kind: 'heard', id, how: 'stop', words: '' })),
    ...extras.flatMap(({ at, kind }): ScoreMark[] => {
      const next = asked.find(({ from }) => from !== null && from > at) ?? asked.at(-1);
      if (next === undefined) return [];
      return [{ kind: 'heard', id: next.id, how: 'extra', words: kind === 'squeak' ? t('heard-marks.squeak') : '' }];
    }),
  ];
}

/** When a bar, or the note in it that was pressed, was played; null where it was not. @param bar id of the bar. */
export function playedAt({ asked }: ListenedView, bar: string, note: string | null): number | null {
  const inBar = `n0-${bar.slice(1)}-`;
  const found = asked.find(({ id, from }) => from !== null && (note === null ? id.startsWith(inBar) : id === note));
  return found?.from ?? null;
}
