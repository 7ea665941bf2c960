import { classSpots, type ClassSpot } from '@escalier/core/classes';
import { barId, eventId } from '@escalier/core/formats';
import { RUNG_RUNS, tuneTempi } from '@escalier/core/lesson';
import { MOST_ROWS, type NoteRow, type RungId } from '@escalier/core/practice';
import { computed, type Ref } from 'vue';
import type { ScoreMark } from '../../score/index.ts';
import type { usePlayer } from '../../sound/index.ts';
import type { TuneInfo } from '../../workers/index.ts';
import { lastEventOf } from './layers.ts';
import { useChunks } from './use-chunks.ts';
import type { OpenTune } from './use-tune.ts';

/** The ways in which a tune is practised: piece by piece, from any note, at its hard spot, rung by rung. */
export function usePractice(
  info: Ref<TuneInfo | null>,
  page: Ref<OpenTune | null>,
  player: ReturnType<typeof usePlayer>,
  rows: Ref<readonly NoteRow[]>,
) {
  const chunks = useChunks(info, player);
  const pieceMarks = computed((): readonly ScoreMark[] => {
    const piece = chunks.chosen.value;
    if (piece === null || info.value === null) return [];
    const { from, to } = piece;
    return [{ kind: 'bracket', from: barId(from.barIndex), to: barId(to.barIndex), own: true }];
  });

  const indexOfBar = (id: string): number => info.value?.playback.bars.find((bar) => bar.id === id)?.index ?? 0;

  /** From the note that was pressed to the end; from the start of the bar where none was. */
  function playFrom(bar: string, note: string | null): void {
    void player.start(note ?? eventId(0, indexOfBar(bar), 0));
  }

  /** Twice at each tempo, from the slowest on; a place without a ladder is looped. */
  function climb({ bars, foreseen }: ClassSpot): void {
    if (info.value === null) return;
    const first = info.value.barNumbers.indexOf(bars[0]);
    const last = info.value.barNumbers.lastIndexOf(bars[1]);
    if (foreseen === null) {
      player.loop([first, last]);
      void player.start();
      return;
    }
    const span = { from: eventId(0, first, 0), to: eventId(0, last, lastEventOf(info.value, last)) };
    void player.playTurns(
      foreseen.drill.ladder.flatMap((perMinute) =>
        [1, 2].map(() => ({ ...span, perMinute, who: 'together' as const })),
      ),
    );
  }

  /** Plays a rung of the class's ladder: what is heard, how fast, and what stands on the sheet. */
  function runRung(id: RungId): void {
    const [spot] = classSpots(info.value?.reading.hardSpots ?? [], page.value?.troubles ?? []);
    if (id === 'spot' && spot !== undefined) return climb(spot);
    if (id === 'join') return chunks.joinFirst();
    if (info.value === null) return;
    const { who, tempo, melody, backing } = RUNG_RUNS[id];
    if (id === 'clap' && rows.value.every(({ kind }) => kind !== 'counting') && rows.value.length < MOST_ROWS)
      rows.value = [...rows.value, { kind: 'counting', fill: 'full' }];
    player.loop(null);
    player.melody.value = melody;
    player.along.value = backing;
    player.click.value = who !== 'one';
    const tempi = tuneTempi(info.value.reading, false);
    player.setTempo(tempo === 'own' ? tempi.at(-1)! : tempi[0]!);
    void player.start();
  }

  return { chunks, pieceMarks, indexOfBar, playFrom, climb, runRung };
}
