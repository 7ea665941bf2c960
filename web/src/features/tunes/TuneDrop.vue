<script setup lang="ts">
import { FILE_ENDINGS, MOST_FILE_BYTES } from '@escalier/core/formats';
import { useDropZone } from '@vueuse/core';
import { useTemplateRef } from 'vue';
import FilePick from '../../ui/FilePick.vue';
import { t } from './messages.ts';

/** A file by choice or by drop. */
const emit = defineEmits<{ file: [bytes: Uint8Array]; refuse: [sentence: string] }>();
const zone = useTemplateRef<HTMLElement>('zone');
const { isOverDropZone } = useDropZone(zone, { onDrop: (files) => void take(files?.[0]) });

async function take(file: File | undefined): Promise<void> {
  if (file === undefined) return;
  if (file.size > MOST_FILE_BYTES) {
    emit('refuse', `The file is ${Math.round(file.size / 1e6)} MB. A tune can be at most 12 MB.`);
    return;
  }
  emit('file', new Uint8Array(await file.arrayBuffer()));
}
</script>

<template>
  <div ref="zone" class="drop" :class="{ over: isOverDropZone }">
    <FilePick
      :label="t('tune-drop.choose-a-file-or-drop-it')"
      :hint="t('tune-drop.abc-music-xml-also-compressed-or')"
      :accept="FILE_ENDINGS.map((ending) => `.${ending}`).join(',')"
      @pick="take($event[0])"
    />
  </div>
</template>

<style scoped>
.drop {
  padding: 14px 16px;
  border: 2px dashed var(--line-strong);
  border-radius: var(--radius-large);
  background: var(--card);
}

.drop.over {
  border-color: var(--spruce);
  background: var(--spruce-soft);
}
</style>
