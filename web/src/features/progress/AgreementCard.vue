<script setup lang="ts">
import { agreementOf, hearings, type RecordEvent } from '@escalier/core/records';
import { computed } from 'vue';
import HowComputed from '../../ui/HowComputed.vue';
import { useRemarks } from '../schools/index.ts';
import { t } from './messages.ts';

/** How often what Escalier proposed was what the teacher then decided. */
const props = defineProps<{ events: readonly RecordEvent[] }>();
const remarks = useRemarks();
const agreement = computed(() => agreementOf(hearings(props.events)));
const FIELDS = [
  { key: 'words', label: t('agreement-card.remark'), isRowHeader: true },
  { key: 'proposed', label: t('agreement-card.proposed') },
  { key: 'kept', label: t('agreement-card.you-agreed') },
  { key: 'added', label: t('agreement-card.you-added') },
];
const rows = computed(() => agreement.value.remarks.map((each) => ({ ...each, words: remarks.wordsOf(each.id) })));
</script>

<template>
  <section v-if="agreement.proposed > 0" class="card-paper stack-close">
    <h2>
      {{
        t('agreement-card.escalier-was-right-kept-times-out', {
          kept: agreement.kept,
          proposed: agreement.proposed,
        })
      }}
    </h2>
    <BTable v-if="rows.length > 0" small :items="rows" :fields="FIELDS" />
    <HowComputed>
      {{ t('agreement-card.results-where-escalier-listened-to-a') }}
    </HowComputed>
  </section>
</template>
