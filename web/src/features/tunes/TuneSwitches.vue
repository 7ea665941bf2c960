<script setup lang="ts">
import type { Counting } from '@escalier/core/music';
import type { NoteRow } from '@escalier/core/practice';
import { useMediaQuery } from '@vueuse/core';
import { BOffcanvas } from 'bootstrap-vue-next/components/BOffcanvas';
import { ref } from 'vue';
import NoteRows from '../../ui/NoteRows.vue';
import { LAYERS, type LayerId } from './layers.ts';
import { t } from './messages.ts';

/** What the sheet shows: its layers, and what stands under the notes. */
defineProps<{ hasWords: boolean; withSi: boolean }>();
defineEmits<{ print: [] }>();
const layers = defineModel<LayerId[]>('layers', { required: true });
const rows = defineModel<readonly NoteRow[]>('rows', { required: true });
const counting = defineModel<Counting>('counting', { required: true });

const COUNTING_WORDS: readonly { value: Counting; text: string }[] = [
  { value: 'numbers', text: t('tune-switches.count-1-2-2') },
  { value: 'ta', text: t('tune-switches.count-ta-ti-ti') },
  { value: 'beat-function', text: t('tune-switches.count-du-de') },
  { value: 'beat-position', text: t('tune-switches.count-ta-di') },
];
/** On a phone the switches fold away. */
const isPhone = useMediaQuery('(max-width: 600px)');
const switching = ref(false);
const rowsOpen = ref(false);
</script>

<template>
  <BButton v-if="isPhone" class="no-print" @click="switching = true">{{
    t('tune-switches.what-the-sheet-shows')
  }}</BButton>
  <component
    :is="isPhone ? BOffcanvas : 'div'"
    v-model="switching"
    class="no-print"
    :title="t('tune-switches.what-the-sheet-shows')"
    placement="bottom"
    :teleport-to="isPhone ? 'body' : undefined"
  >
    <div class="line">
      <BButton :aria-expanded="rowsOpen" @click="rowsOpen = !rowsOpen">{{
        t('tune-switches.under-the-notes')
      }}</BButton>
      <BFormCheckboxGroup
        v-model="layers"
        buttons
        :options="LAYERS"
        :aria-label="t('tune-switches.layers-on-the-sheet')"
      />
      <BButton v-if="!isPhone" @click="$emit('print')">{{ t('tune-switches.print') }}</BButton>
    </div>
    <div v-if="rowsOpen" class="line mt-2">
      <NoteRows v-model="rows" :has-words="hasWords" :with-si="withSi" />
      <BFormSelect
        v-if="rows.some((row) => row.kind === 'counting')"
        v-model="counting"
        class="auto"
        :options="COUNTING_WORDS"
        :aria-label="t('tune-switches.counting')"
      />
    </div>
  </component>
</template>
