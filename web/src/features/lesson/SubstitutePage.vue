<script setup lang="ts">
import { computed, toRef } from 'vue';
import { longDate, timeOfDay } from '../../ui/dates.ts';
import LoadState from '../../ui/LoadState.vue';
import { ClassHead } from '../classes/index.ts';
import { TakeCare } from '../schools/index.ts';
import { useSubstituteLines } from './use-substitute-lines.ts';
import { t } from './messages.ts';

/** The same lesson in plain words for somebody who does not play; to print. */
const props = defineProps<{ classId: string }>();
const { page, lesson, lines, lessons } = useSubstituteLines(toRef(props, 'classId'));
const FIELDS = [
  { key: 'when', label: t('substitute-page.minute') },
  { key: 'title', label: t('substitute-page.part'), isRowHeader: true },
  { key: 'press', label: t('substitute-page.you-press') },
  { key: 'say', label: t('substitute-page.you-say') },
  { key: 'children', label: t('substitute-page.the-children') },
];
const rows = computed(() => {
  let from = 0;
  return (lines.value ?? []).map((line) => ({ ...line, when: `${from}–${(from += line.minutes)}` }));
});
const print = (): void => window.print();
</script>

<template>
  <LoadState
    v-if="page === null || lines === null"
    :error="lessons.error"
    :what="t('substitute-page.the-lesson')"
    @again="lessons.open(classId)"
  />
  <div v-else class="page-grid">
    <ClassHead :class-id="classId" :trail="t('substitute-page.for-a-substitute')"
      ><BButton variant="primary" @click="print">{{ t('substitute-page.print') }}</BButton></ClassHead
    >
    <section class="card-paper stack-close">
      <h2>
        {{ page.name
        }}<template v-if="lesson !== null">, {{ longDate(lesson.date) }}, {{ timeOfDay(lesson.at) }}</template>
      </h2>
      <p>
        {{ t('substitute-page.you-dont-need-to-play-open', { name: page.name }) }}
      </p>
      <BTable :items="rows" :fields="FIELDS" stacked="md" />
    </section>
    <TakeCare place="lesson" />
  </div>
</template>
