import { barId, eventId } from '@escalier/core/formats';
import type { Breath } from '@escalier/core/reading';
import type { TroubleSpot } from '@escalier/core/records';
import type { ScoreMark } from '../../score/index.ts';
import type { TuneInfo } from '../../workers/index.ts';
import { t } from './messages.ts';

export const LAYERS = [
  { value: 'new', text: t('layers.new') },
  { value: 'same', text: t('layers.same-bars') },
  { value: 'figures', text: t('layers.figures') },
  { value: 'trouble', text: t('layers.trouble') },
  { value: 'hard', text: t('layers.hard-spots') },
  { value: 'breaths', text: t('layers.breaths') },
  { value: 'fingerings', text: t('layers.fingerings') },
  { value: 'chords', text: t('layers.chords') },
  { value: 'colours', text: t('layers.colours') },
] as const;
export type LayerId = (typeof LAYERS)[number]['value'];

export interface BreathPlace {
  readonly barIndex: number;
  readonly eventIndex: number;
}

/** Ids of the bars with these printed numbers. */
export function barIdsOf(info: TuneInfo, numbers: readonly number[]): readonly string[] {
  return info.barNumbers.flatMap((number, index) => (numbers.includes(number) ? [barId(index)] : []));
}

/** Which of a bar's notes and rests is the last. */
export function lastEventOf({ playback }: TuneInfo, barIndex: number): number {
  const ids = playback.events.filter(({ id }) => id.startsWith(`n0-${barIndex}-`)).map(({ id }) => id);
  return Math.max(0, new Set(ids).size - 1);
}

export function noteIdAt({ barIndex, eventIndex }: BreathPlace): string {
  return eventId(0, barIndex, eventIndex);
}

/** Where the class breathes: its own places, or what Escalier proposes. */
export function breathPlaces(
  info: TuneInfo,
  own: readonly BreathPlace[] | null,
  atTempo: readonly Breath[] | null = null,
): readonly (BreathPlace & { readonly small: boolean })[] {
  const proposed = atTempo ?? info.reading.breaths;
  if (own === null) return proposed.map((breath) => ({ ...breath, small: breath.kind === 'small' }));
  return own.map((place) => {
    const same = proposed.find(
      (breath) => breath.barIndex === place.barIndex && breath.eventIndex === place.eventIndex,
    );
    return { ...place, small: same?.kind !== 'full' };
  });
}

/** The pencil marks of the layers that are switched on. */
export function marksOf(
  info: TuneInfo,
  on: readonly LayerId[],
  own: readonly BreathPlace[] | null,
  atTempo: readonly Breath[] | null = null,
  troubles: readonly TroubleSpot[] = [],
): readonly ScoreMark[] {
  const { figures } = info;
  const { form, hardSpots } = info.reading;
  const bracketEnds = (first: number, last: number): readonly [string, string] => {
    const ids = barIdsOf(
      info,
      Array.from({ length: last - first + 1 }, (_, step) => first + step),
    );
    return [ids[0]!, ids.at(-1)!];
  };
  return [
    ...(on.includes('same')
      ? form.sameBars.flatMap((group, index) =>
          barIdsOf(info, group).map((id): ScoreMark => ({ kind: 'shade', id, group: index })),
        )
      : []),
    ...(on.includes('new') ? info.newNoteIds.map((id): ScoreMark => ({ kind: 'ring', id })) : []),
    ...(on.includes('hard')
      ? hardSpots.map((spot): ScoreMark => {
          const [from, to] = bracketEnds(...spot.bars);
          return { kind: 'bracket', from, to };
        })
      : []),
    ...(on.includes('breaths')
      ? breathPlaces(info, own, atTempo)
          .filter((place) => !info.printedBreathIds.includes(noteIdAt(place)))
          .map((place): ScoreMark => ({ kind: 'comma', id: noteIdAt(place), small: place.small }))
      : []),
    ...(on.includes('figures')
      ? figures.flatMap(({ letter, kind, places }, index) =>
          places.map(({ from, to }): ScoreMark => ({
            kind: 'figure',
            from: noteIdAt(from),
            to: noteIdAt(to),
            letter,
            look: FIGURE_LOOK[kind],
            depth: figures.slice(index + 1).filter((other) => other.kind === kind).length,
          })),
        )
      : []),
    ...(on.includes('trouble')
      ? troubles.map((spot): ScoreMark => ({
          kind: 'fault',
          id: barId(spot.barIndex),
          words: t('layers.pupils-of-of', { pupils: spot.pupils, of: spot.of }),
        }))
      : []),
    ...(on.includes('fingerings')
      ? Object.entries(info.pitches)
          .filter(([id]) => id.startsWith('n0-'))
          .map(([id, pitch]): ScoreMark => ({ kind: 'chart', id, pitch }))
      : []),
  ];
}

const FIGURE_LOOK = { exact: 'circle', shape: 'dots', rhythm: 'line' } as const;

/** Only the brackets over the hard spots. */
export function hardSpotMarks(info: TuneInfo): readonly ScoreMark[] {
  return marksOf(info, ['hard'], null);
}
