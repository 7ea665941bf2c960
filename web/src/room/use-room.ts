import type { RoomFacts } from '@escalier/contract/practice-rooms';
import { FIRST_DAY, type HomeProgress, type NoteCard } from '@escalier/core/home';
import { findInstrument } from '@escalier/core/instruments';
import { useLocalStorage } from '@vueuse/core';
import { computed, ref } from 'vue';
import { noteWordsIn } from '../ui/note-words.ts';
import { PlainError } from '../refusals/index.ts';
import { keepEnglish } from '../english.ts';
import { askFacts, RoomError, tokenFor, Unreached } from './room-api.ts';

/** What stays on this device and goes nowhere: the way in, what the room last knew, how far its pupil is. */
const asJson = { serializer: { read: (text: string) => JSON.parse(text) as never, write: JSON.stringify } };
const token = useLocalStorage<string | null>('room.token', null, asJson);
const facts = useLocalStorage<RoomFacts | null>('room.facts', null, { ...asJson, shallow: true });
const progress = useLocalStorage<Record<string, HomeProgress>>('room.progress', {});
const loved = useLocalStorage<readonly string[]>('room.loved', []);
/** Whose all of that is: another pupil's slip on this device begins anew. */
const whose = useLocalStorage('room.whose', '');
const days = useLocalStorage<readonly string[]>('room.days', []);
/** The family's switch: the microphone is not asked for before it is on. */
const listens = useLocalStorage('room.listens', false);
const cards = useLocalStorage<readonly NoteCard[]>('room.cards', []);
const error = ref<string | null>(null);
const isOffline = ref(false);

const MOST_DAYS = 60;

/** @param hash of the address. @returns whether the secret of a slip stood in it. */
export function takeTokenFrom(hash: string): boolean {
  const found = /^#([\w-]{20,60})$/.exec(hash)?.[1];
  if (found === undefined) return false;
  if (found !== token.value) [token.value, facts.value] = [found, null];
  return true;
}

/** Nothing of the room stays on the device. */
function leave(): void {
  close();
  forgetPupil('');
}

/** What the school knows goes; how far the pupil is stays for the next slip. */
function close(): void {
  [token.value, facts.value] = [null, null];
}

function forgetPupil(next: string): void {
  [progress.value, loved.value, days.value, cards.value, whose.value] = [{}, [], [], [], next];
  listens.value = false;
}

/** Asks the school what is new; without a network the room goes on with what it has. */
async function refresh(): Promise<void> {
  if (token.value === null) return;
  try {
    const found = await askFacts(token.value);
    if (found.whose !== whose.value) forgetPupil(found.whose);
    facts.value = found;
    if (keepEnglish(found.english)) location.reload();
    isOffline.value = false;
    error.value = null;
  } catch (problem) {
    if (!(problem instanceof PlainError)) throw problem;
    isOffline.value = problem instanceof Unreached;
    if (problem instanceof RoomError && problem.isClosed) close();
    if (!isOffline.value || facts.value === null) error.value = problem.message;
  }
}

async function enter(words: string): Promise<void> {
  try {
    token.value = await tokenFor(words);
    await refresh();
  } catch (problem) {
    if (!(problem instanceof PlainError)) throw problem;
    error.value = problem.message;
  }
}

/** The local day, `2026-11-27`. */
export function today(): string {
  const now = new Date();
  return new Date(now.getTime() - now.getTimezoneOffset() * 60_000).toISOString().slice(0, 10);
}

function practised(): void {
  if (!days.value.includes(today())) days.value = [...days.value, today()].slice(-MOST_DAYS);
}

/** The room of one pupil: facts of the school, and what this device remembers. */
export function useRoom() {
  const own = computed(() => facts.value?.tunes[facts.value.now] ?? null);
  const door = computed(() =>
    token.value === null || facts.value === null ? null : { token: token.value, whose: facts.value.whose },
  );
  const on = computed(() => findInstrument(facts.value?.instrumentId ?? ''));
  return {
    token,
    door,
    facts,
    error,
    isOffline,
    loved,
    days,
    cards,
    listens,
    own,
    on,
    refresh,
    enter,
    leave,
    practised,
    /** A note as the class names it. */
    nameOf: (note: string): string => noteWordsIn(note, facts.value?.style.naming ?? 'letters', on.value),
    progressOf: (tuneId: string): HomeProgress => progress.value[tuneId] ?? FIRST_DAY,
    setProgress: (tuneId: string, next: HomeProgress) => (progress.value = { ...progress.value, [tuneId]: next }),
    love: (tuneId: string) =>
      (loved.value = loved.value.includes(tuneId)
        ? loved.value.filter((id) => id !== tuneId)
        : [...loved.value, tuneId]),
  };
}
