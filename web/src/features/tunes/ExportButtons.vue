<script setup lang="ts">
import type { FileEnding } from '@escalier/core/formats';
import { ref } from 'vue';
import { tuneWorker } from '../../workers/index.ts';

/** The tune as a file in an open format. */
const props = defineProps<{ abc: string; title: string; instrumentId: string }>();

const FORMATS: readonly { readonly ending: FileEnding | 'svg'; readonly label: string; readonly type: string }[] = [
  { ending: 'abc', label: 'ABC', type: 'text/vnd.abc' },
  { ending: 'musicxml', label: 'MusicXML', type: 'application/vnd.recordare.musicxml+xml' },
  { ending: 'mid', label: 'MIDI', type: 'audio/midi' },
  { ending: 'svg', label: 'SVG', type: 'image/svg+xml' },
];
const fault = ref<string | null>(null);

async function save(ending: FileEnding | 'svg', type: string): Promise<void> {
  const source = { abc: props.abc, instrumentId: props.instrumentId };
  const made =
    ending === 'svg'
      ? await tuneWorker().engrave({ ...source, naming: null, roomBelow: false })
      : await tuneWorker().exportTune(source, ending);
  fault.value = made.ok ? null : (made.fault[0]?.message ?? 'The file could not be made.');
  if (!made.ok) return;
  const content = 'svg' in made.value ? made.value.svg : new Uint8Array(made.value);
  const link = document.createElement('a');
  link.href = URL.createObjectURL(new Blob([content], { type }));
  link.download = `${props.title.replace(/[^\p{L}\p{N} '-]/gu, '').trim() || 'tune'}.${ending}`;
  link.click();
  URL.revokeObjectURL(link.href);
}
</script>

<template>
  <div class="exports" role="group" aria-label="Save as">
    <span class="soft">Save as</span>
    <BButton
      v-for="format in FORMATS"
      :key="format.ending"
      size="sm"
      variant="outline-dark"
      @click="save(format.ending, format.type)"
      >{{ format.label }}</BButton
    >
    <p v-if="fault !== null" role="alert">{{ fault }}</p>
  </div>
</template>

<style scoped>
.exports {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px;
}
</style>
