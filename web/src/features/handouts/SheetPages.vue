<script setup lang="ts">
import { computed, watch } from 'vue';
import { t } from './messages.ts';

/** The pages of a sheet: one to look at, all of them for the printer. */
const props = defineProps<{ pages: readonly string[]; printing: boolean }>();
const shown = defineModel<number>({ required: true });
watch(
  () => props.pages.length,
  (count) => (shown.value = Math.min(shown.value, Math.max(1, count))),
);
const page = computed(() => props.pages[shown.value - 1] ?? '');
</script>

<template>
  <div class="pages">
    <!-- eslint-disable-next-line vue/no-v-html -- drawn by our own press, in which texts are escaped -->
    <div class="paper no-print" v-html="page"></div>
    <BPagination
      v-if="pages.length > 1"
      v-model="shown"
      class="no-print"
      :total-rows="pages.length"
      :per-page="1"
      :limit="7"
      first-number
      last-number
      :aria-label="t('sheet-pages.pages-of-the-sheet')"
    />
    <div v-if="printing" class="print-only" aria-hidden="true">
      <!-- eslint-disable-next-line vue/no-v-html -- as above -->
      <div v-for="(each, index) in pages" :key="index" class="printed" v-html="each"></div>
    </div>
  </div>
</template>

<style scoped lang="scss">
.pages {
  display: grid;
  gap: 12px;
  justify-items: center;
}

.paper {
  width: min(100%, 640px);
  border: 1px solid var(--line);
  background: var(--white);
  box-shadow: 0 4px 16px var(--shadow);
}

.paper :deep(svg),
.printed :deep(svg) {
  display: block;
  width: 100%;
  height: auto;
}

.print-only {
  display: none;
}

@media print {
  .print-only {
    display: block;
  }

  .printed {
    break-after: page;
  }
}
</style>

<style>
@font-face {
  font-family: Leipzig;
  src: url('@escalier/paper/leipzig.ttf') format('truetype');
}
</style>
