import { PLAIN_NOTE, PLAIN_REST, type Metre, type Pitch, type Tune, type TuneEvent } from '../music/index.ts';
import { plainValue, shortTune, type RhythmCard } from '../practice/index.ts';
import type { HandoutRequest } from './request.ts';
import type { Picture, SheetMusic } from './sheet.ts';
import { t } from './messages.ts';

export const FOUR_FOUR: Metre = { count: 4, unit: 4 };

/** Notes of one length on a staff, in bars of four. */
export function notesTune(pitches: readonly Pitch[], perBar = 4): Tune {
  const value = plainValue(perBar === 1 ? 'whole' : 'quarter');
  const metre = perBar === 1 ? FOUR_FOUR : { count: perBar, unit: 4 };
  const bars: TuneEvent[][] = [];
  for (let at = 0; at < pitches.length; at += perBar)
    bars.push(pitches.slice(at, at + perBar).map((pitch) => ({ ...PLAIN_NOTE, pitch, value })));
  return shortTune({ title: t('music.notes'), metre, bars, barsOnLine: perBar === 1 ? bars.length : 4 });
}

/** Rhythms as they are clapped, each a bar. */
export function rhythmTune(cards: readonly RhythmCard[], metre: Metre, pitch: Pitch, barsOnLine = cards.length): Tune {
  const bars = cards.map((card) =>
    card.map(({ kind, value }): TuneEvent =>
      kind === 'rest' ? { ...PLAIN_REST, value } : { ...PLAIN_NOTE, pitch, value },
    ),
  );
  return shortTune({ title: t('music.rhythm'), metre, bars, barsOnLine });
}

/** Music with nothing on it but the notes. */
export function plainMusic(
  { on, size, counting, sayings }: Pick<HandoutRequest, 'on' | 'size' | 'counting' | 'sayings'>,
  tune: Tune,
  more: Partial<SheetMusic> = {},
): SheetMusic {
  return {
    tune,
    on,
    size,
    rows: [],
    counting,
    sayings,
    fingerings: false,
    chords: false,
    breaths: [],
    shades: [],
    letters: [],
    bracket: null,
    metre: true,
    barlines: true,
    rhythmOnly: false,
    covered: [],
    ...more,
  };
}

/** In a box of its own there is room: one size larger than on a sheet. */
const LARGER = { small: 'medium', medium: 'big', big: 'big' } as const;

/** Music in a box, as large as the box lets it be. */
export function boxedMusic(request: HandoutRequest, tune: Tune, more: Partial<SheetMusic> = {}): Picture {
  return { kind: 'music', music: plainMusic(request, tune, { size: LARGER[request.size], ...more }) };
}

/** One note on a staff. */
export function notePicture(request: HandoutRequest, pitch: Pitch): Picture {
  return boxedMusic(request, notesTune([pitch], 1), { metre: false, barlines: false });
}

/** A middle note for rhythms. */
export const RHYTHM_PITCH: Pitch = { letter: 'B', alter: 0, octave: 4 };

export function rhythmPicture(
  request: HandoutRequest,
  cards: readonly RhythmCard[],
  metre: Metre,
  more: Partial<SheetMusic> = {},
): Picture {
  return boxedMusic(request, rhythmTune(cards, metre, RHYTHM_PITCH), { rhythmOnly: true, metre: false, ...more });
}
