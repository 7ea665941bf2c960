import { pitchName } from './pitch.ts';
import type { Tune } from './tune.ts';
import { valueLength } from './value.ts';

/** What makes two tunes the same: pitches, lengths and the order of playing, not title, words or layout. */
export function tuneContent(tune: Tune): string {
  const frames = tune.bars.map((bar) => [
    bar.repeatStart ? '|:' : '|',
    bar.timesPlayed > 1 ? `:${bar.timesPlayed}` : '',
    bar.ending?.join(',') ?? '',
    bar.jump ?? '',
  ]);
  const parts = tune.parts.map((part) =>
    part.bars.map((events, index) => {
      const notes = events.map((event) => {
        const { num, den } = valueLength(event.value);
        return `${event.kind === 'note' ? pitchName(event.pitch) + (event.tied ? '-' : '') : 'z'}${num}/${den}`;
      });
      return `${frames[index]!.join('')} ${notes.join(' ')}`;
    }),
  );
  return parts.map((bars) => bars.join(' ')).join(' & ');
}
