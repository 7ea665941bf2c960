import type { Pitch, Tune, TuneEvent } from '../music/index.ts';
import { t } from './messages.ts';

/** The whole rhythm of a tune on one note, words, breaths and repeats as they are: a way in before the melody. */
export function onOneNote(tune: Tune, pitch: Pitch): Tune {
  const flat = (event: TuneEvent): TuneEvent =>
    event.kind === 'rest' ? event : { ...event, pitch, or: null, slurStarts: 0, slurEnds: 0, chordSymbol: null };
  const [first] = tune.parts;
  const part = { ...first, bars: first.bars.map((events) => events.map(flat)) };
  return { ...tune, title: t('one-note.title-the-rhythm', { title: tune.title }), bars: tune.bars, parts: [part] };
}
