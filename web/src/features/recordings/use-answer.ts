import type { RecordingDto } from '@escalier/server/api';
import { writeWav } from '@escalier/core/listening';
import { computed, onScopeDispose, ref, type Ref } from 'vue';
import { api, ApiError, ask } from '../../api.ts';
import { atRate, useTake } from '../../sound/index.ts';
import { useNotices } from '../../ui/use-notices.ts';

/** Seconds of the longest. */
const LONGEST = 60;
/** Samples a second: enough for speech, and a minute is small. */
const RATE = 16_000;

/** What the teacher says to the pupil about a recording: spoken, heard once more, kept with it. Call it in `setup`. */
export function useAnswer(
  recording: Ref<RecordingDto | null>,
  change: (id: string, changed: Partial<RecordingDto>) => void,
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
  let of = '';

  async function start(): Promise<void> {
    audio.pause();
    of = recording.value?.id ?? '';
    await take.start();
  }

  async function stop(): Promise<void> {
    const spoke = take.finish();
    if (spoke === null) return;
    const long = spoke.samples.length / spoke.rate;
    await attempt(async () => {
      const body = writeWav(await atRate(spoke.samples, spoke.rate, RATE), RATE);
      await ask(
        fetch(`${addressOf(of)}?seconds=${Math.min(LONGEST, long).toFixed(1)}`, {
          method: 'PUT',
          body,
          headers: { 'content-type': 'application/octet-stream' },
        }),
      );
      change(of, { spokenSeconds: long });
    });
  }

  async function erase(): Promise<void> {
    const id = recording.value!.id;
    audio.pause();
    await attempt(async () => {
      await ask(api.recordings[':id'].answer.$delete({ param: { id } }));
      change(id, { spokenSeconds: null });
    });
  }

  async function attempt(work: () => Promise<void>): Promise<void> {
    busy.value = true;
    try {
      await work();
    } catch (problem) {
      notices.fail(problem instanceof ApiError ? problem.message : 'Your answer did not reach the school.');
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
    erase,
    toggle,
  };
}

const addressOf = (id: string): string => `/api/recordings/${id}/answer`;
