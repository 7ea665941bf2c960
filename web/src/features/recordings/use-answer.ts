import type { RecordingDto } from '@escalier/server/api';
import { writeWav } from '@escalier/core/listening';
import { computed, onScopeDispose, ref, type Ref } from 'vue';
import { api, ApiError, ask } from '../../api.ts';
import { atRate, joinBlocks, useMicrophone } from '../../sound/index.ts';
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
  const microphone = useMicrophone();
  const notices = useNotices();
  const seconds = ref(0);
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
  let blocks: Float32Array[] = [];
  let rate = 1;
  let of = '';

  async function start(): Promise<void> {
    audio.pause();
    blocks = [];
    seconds.value = 0;
    of = recording.value?.id ?? '';
    await microphone.start(
      (perSecond) => (rate = perSecond),
      (block) => {
        blocks.push(block);
        seconds.value = Math.floor((blocks.length * block.length) / rate);
        if (seconds.value >= LONGEST) void stop();
      },
    );
  }

  async function stop(): Promise<void> {
    if (!microphone.isOn.value) return;
    microphone.stop();
    const samples = joinBlocks(blocks);
    blocks = [];
    const long = samples.length / rate;
    if (long > 0)
      await attempt(async () => {
        const body = writeWav(await atRate(samples, rate, RATE), RATE);
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
    seconds,
    busy,
    isPlaying,
    isOn: microphone.isOn,
    error: microphone.error,
    start,
    stop,
    erase,
    toggle,
  };
}

const addressOf = (id: string): string => `/api/recordings/${id}/answer`;
