import { answered, isFingering, nextCard, noteCards } from '@escalier/core/home';
import { primaryFingering, type HoleState } from '@escalier/core/instruments';
import { pitch } from '@escalier/core/music';
import { seeded } from '@escalier/core/practice';
import { computed, ref, shallowRef } from 'vue';
import { useSeenTimer } from '../ui/use-seen-timer.ts';
import { useRoom } from './use-room.ts';

export const ROUND_SECONDS = 60;
export type RoundKind = 'cover' | 'name';
const CHOICES = 4;

/** One minute of notes: cover the holes of a note, or name what is covered. What was missed comes again soon. */
export function useRounds() {
  const { facts, cards, on } = useRoom();
  const notes = computed(() => {
    const known = facts.value?.notes ?? [];
    return known.filter((note) => on.value !== null && primaryFingering(on.value, pitch(note)) !== null);
  });
  const kind = ref<RoundKind>('cover');
  const left = ref(0);
  const right = ref(0);
  const asked = ref<string | null>(null);
  const covered = shallowRef<readonly HoleState[]>([]);
  /** The right answer after a wrong one, until it was seen. */
  const shown = ref<string | null>(null);
  let turn = 0;
  let since = 0;
  let random = seeded(1);

  const clock = useSeenTimer(
    () => {
      left.value -= 1;
      if (left.value <= 0) {
        clock.stop();
        asked.value = null;
      }
    },
    1000,
    false,
  );

  function start(wanted: RoundKind): void {
    if (notes.value.length === 0) return;
    kind.value = wanted;
    random = seeded(Date.now());
    [turn, right.value, left.value] = [0, 0, ROUND_SECONDS];
    cards.value = noteCards(notes.value, cards.value);
    ask();
    clock.start();
  }

  function ask(): void {
    asked.value = nextCard(cards.value, turn, asked.value, random).note;
    covered.value = on.value!.holes.map(() => 'open');
    shown.value = null;
    since = Date.now();
  }

  /** Open, closed, and half where the hole can be half covered. */
  function touch(hole: number): void {
    const { finger, double } = on.value!.holes[hole]!;
    const order: readonly HoleState[] = finger === 'thumb' || double ? ['open', 'closed', 'half'] : ['open', 'closed'];
    covered.value = covered.value.map((state, at) =>
      at === hole ? order[(order.indexOf(state) + 1) % order.length]! : state,
    );
  }

  function answer(isRight: boolean): void {
    const note = asked.value;
    if (note === null) return;
    cards.value = answered(cards.value, turn, { note, isRight, seconds: (Date.now() - since) / 1000 });
    turn += 1;
    if (isRight) {
      right.value += 1;
      ask();
    } else shown.value = note;
  }

  /** Other notes to choose from, the right one among them, from low to high. */
  const choices = computed(() => {
    const note = asked.value;
    if (note === null) return [];
    const at = notes.value.indexOf(note);
    const from = Math.max(0, Math.min(at - 1, notes.value.length - CHOICES));
    return notes.value.slice(from, from + CHOICES);
  });

  return {
    on,
    notes,
    kind,
    left,
    right,
    asked,
    covered,
    shown,
    choices,
    start,
    touch,
    next: ask,
    check: () => answer(asked.value !== null && isFingering(on.value!, asked.value, covered.value)),
    name: (note: string) => answer(note === asked.value),
  };
}
