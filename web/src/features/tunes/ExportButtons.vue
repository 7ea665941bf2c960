<script setup lang="ts">
import type { FileEnding } from '@escalier/core/formats';
import { writeWav } from '@escalier/core/listening';
import { ref } from 'vue';
import { render, scheduleOf, type Voices } from '../../sound/index.ts';
import { saveFile } from '../../ui/save-file.ts';
import { tuneWorker, type PlayedBacking, type Playback } from '../../workers/index.ts';
import { t } from './messages.ts';

/** The tune as a file in an open format. */
const props = defineProps<{
  abc: string;
  title: string;
  instrumentId: string;
  playback: Playback;
  perMinute: number;
  /** What of it is in a sound file. */
  voices: Voices;
  /** Plays along in MIDI and in the sound file; null for the melody alone. */
  backing: PlayedBacking | null;
}>();

type Ending = FileEnding | 'svg' | 'wav';
const FORMATS: readonly { readonly ending: Ending; readonly label: string; readonly type: string }[] = [
  { ending: 'abc', label: 'ABC', type: 'text/vnd.abc' },
  { ending: 'musicxml', label: 'MusicXML', type: 'application/vnd.recordare.musicxml+xml' },
  { ending: 'mid', label: 'MIDI', type: 'audio/midi' },
  { ending: 'svg', label: 'SVG', type: 'image/svg+xml' },
  { ending: 'wav', label: t('export-buttons.sound'), type: 'audio/wav' },
];
const error = ref<string | null>(null);
const busy = ref<Ending | null>(null);

async function contentOf(ending: Ending): Promise<BlobPart | null> {
  const source = { abc: props.abc, instrumentId: props.instrumentId };
  if (ending === 'wav') {
    const { perMinute, backing } = props;
    const schedule = scheduleOf(props.playback, { bars: null, perMinute, countIn: true, backing });
    const { samples, rate } = await render(schedule, props.voices);
    return writeWav(samples, rate);
  }
  const made =
    ending === 'svg'
      ? await tuneWorker().engrave({ ...source, rows: null, counting: null, roomBelow: false })
      : await tuneWorker().exportTune(source, ending, props.backing?.feel ?? null);
  if (!made.ok) {
    error.value = made.error[0]?.message ?? t('export-buttons.the-file-couldnt-be-made');
    return null;
  }
  return 'svg' in made.value ? made.value.svg : new Uint8Array(made.value);
}

async function save(ending: Ending, type: string): Promise<void> {
  error.value = null;
  busy.value = ending;
  try {
    const content = await contentOf(ending);
    if (content === null) return;
    saveFile(`${props.title.replace(/[^\p{L}\p{N} '-]/gu, '').trim() || 'tune'}.${ending}`, type, content);
  } finally {
    busy.value = null;
  }
}
</script>

<template>
  <div class="line" role="group" :aria-label="t('export-buttons.save-as')">
    <span class="soft">{{ t('export-buttons.save-as') }}</span>
    <BButton
      v-for="format in FORMATS"
      :key="format.ending"
      size="sm"
      :disabled="busy !== null"
      @click="save(format.ending, format.type)"
      ><BSpinner v-if="busy === format.ending" small aria-hidden="true" />{{ format.label }}</BButton
    >
    <BAlert v-if="error !== null" variant="danger" :model-value="true">{{ error }}</BAlert>
  </div>
</template>
