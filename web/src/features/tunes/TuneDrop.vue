<script setup lang="ts">
import { FILE_ENDINGS, MOST_FILE_BYTES } from '@escalier/core/formats';
import { useDropZone } from '@vueuse/core';
import { useTemplateRef } from 'vue';

/** A file by choice or by drop. */
const emit = defineEmits<{ file: [bytes: Uint8Array]; refuse: [sentence: string] }>();
const zone = useTemplateRef<HTMLElement>('zone');
const { isOverDropZone } = useDropZone(zone, { onDrop: (files) => void take(files?.[0]) });

async function take(file: File | undefined): Promise<void> {
  if (file === undefined) return;
  if (file.size > MOST_FILE_BYTES) {
    emit('refuse', `The file has ${Math.round(file.size / 1e6)} MB: a tune has less than 12 MB.`);
    return;
  }
  emit('file', new Uint8Array(await file.arrayBuffer()));
}

function chosen(event: Event): void {
  const input = event.target as HTMLInputElement;
  void take(input.files?.[0]);
  input.value = '';
}
</script>

<template>
  <div ref="zone" class="drop" :class="{ over: isOverDropZone }">
    <label>
      <strong>Choose a file</strong> or drop it here
      <input
        class="visually-hidden"
        type="file"
        :accept="FILE_ENDINGS.map((ending) => `.${ending}`).join(',')"
        @change="chosen"
      />
    </label>
    <p class="soft">ABC, MusicXML (also compressed) or MIDI. Or paste ABC below.</p>
  </div>
</template>

<style scoped>
.drop {
  padding: 14px 16px;
  border: 2px dashed var(--line-strong);
  border-radius: var(--radius);
  background: var(--card);
}

.drop.over {
  border-color: var(--spruce);
  background: var(--spruce-soft);
}

label {
  display: block;
  min-height: 30px;
  cursor: pointer;
}

label:focus-within {
  outline: 3px solid var(--spruce);
  outline-offset: 4px;
  border-radius: 6px;
}
</style>
