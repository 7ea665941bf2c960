import type { RecordingDto } from '@escalier/contract/recordings';
import { writeWav } from '@escalier/core/listening';
import { computed, onScopeDispose, ref, shallowRef, type Ref } from 'vue';
import { api, ApiError, ask } from '../../api.ts';
import { atRate, useTake } from '../../sound/index.ts';
import { useNotices } from '../../ui/use-notices.ts';
import { t } from './messages.ts';

/** Seconds of the longest. */
const LONGEST = 60;
/** Samples a second: enough for speech, and a minute is small. */
const RATE = 16_000;

/** What the teacher says to the pupil about a recording: spoken, heard once more, kept with it. Call it in `setup`. */
export function useAnswer(
  recording: Ref<RecordingDto | null>,
  change: (id: string, changed: Partial<RecordingDto>) => void,
  stale: () => void,
) {
  const take = useTake(LONGEST, () => void stop());
  const notices = useNotices();
  const busy = ref(false);
  const isPlaying = ref(false);
  const spoken = computed(() => recording.value?.spokenSeconds ?? null);
  const audio = new Audio();
  for (const [event, plays] of [
    ['play', true],
    ['pause', false],
    ['ended', false],
  ] as const)
    audio.addEventListener(event, () => (isPlaying.value = plays));
  onScopeDispose(() => audio.pause());
  let answered: RecordingDto | null = null;
  /** Spoken, and not at the school yet, because somebody else has answered meanwhile. */
  const unsent = shallowRef<{ readonly id: string; readonly body: BodyInit; readonly long: number } | null>(null);

  async function start(): Promise<void> {
    audio.pause();
    answered = recording.value;
    unsent.value = null;
    await take.start();
  }

  async function stop(): Promise<void> {
    const spoke = take.finish();
    if (spoke === null || answered === null) return;
    const { id, answerVersion } = answered;
    const long = spoke.samples.length / spoke.rate;
    const body = writeWav(await atRate(spoke.samples, spoke.rate, RATE), RATE);
    await send({ id, body, long }, answerVersion);
  }

  async function send(take: NonNullable<typeof unsent.value>, version: number): Promise<void> {
    const { id, body, long } = take;
    await attempt(async () => {
      unsent.value = take;
      const query = new URLSearchParams({ seconds: Math.min(LONGEST, long).toFixed(1), version: String(version) });
      await ask(
        fetch(`${addressOf(id)}?${query.toString()}`, {
          method: 'PUT',
          body,
          headers: { 'content-type': 'application/octet-stream' },
        }),
      );
      unsent.value = null;
      change(id, { spokenSeconds: long, answerVersion: version + 1 });
    });
  }

  /** Sends again what did not get there, in place of what is there now. */
  async function sendAgain(): Promise<void> {
    if (unsent.value !== null) await send(unsent.value, recording.value?.answerVersion ?? 0);
  }

  async function erase(): Promise<void> {
    const { id, answerVersion: version } = recording.value!;
    audio.pause();
    await attempt(async () => {
      await ask(api.recordings[':id'].answer.$delete({ param: { id }, query: { version: String(version) } }));
      change(id, { spokenSeconds: null, answerVersion: version + 1 });
    });
  }

  async function attempt(work: () => Promise<void>): Promise<void> {
    busy.value = true;
    try {
      await work();
    } catch (problem) {
      notices.fail(problem instanceof ApiError ? problem.message : t('use-answer.your-answer-wasnt-sent'));
      if (problem instanceof ApiError && problem.code === 'changed') stale();
    } finally {
      busy.value = false;
    }
  }

  async function toggle(): Promise<void> {
    if (isPlaying.value) return audio.pause();
    // Not what was kept of an earlier one.
    audio.src = `${addressOf(recording.value!.id)}?now=${Date.now()}`;
    await audio.play().catch(() => undefined);
  }

  return {
    spoken,
    seconds: take.seconds,
    busy,
    isPlaying,
    isOn: take.isOn,
    error: take.error,
    start,
    stop,
    isUnsent: computed(() => unsent.value !== null && !busy.value),
    sendAgain,
    erase,
    toggle,
  };
}

const addressOf = (id: string): string => `/api/recordings/${id}/answer`;
