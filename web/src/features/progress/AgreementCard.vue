<script setup lang="ts">
import { agreementOf, hearings, type RecordEvent } from '@escalier/core/records';
import { computed } from 'vue';
import HowComputed from '../../ui/HowComputed.vue';
import { useRemarks } from '../schools/index.ts';

/** How often what Escalier proposed was what the teacher then decided. */
const props = defineProps<{ events: readonly RecordEvent[] }>();
const remarks = useRemarks();
const agreement = computed(() => agreementOf(hearings(props.events)));
const FIELDS = [
  { key: 'words', label: 'Remark', isRowHeader: true },
  { key: 'proposed', label: 'Proposed' },
  { key: 'kept', label: 'You agreed' },
  { key: 'added', label: 'You added' },
];
const rows = computed(() => agreement.value.remarks.map((each) => ({ ...each, words: remarks.wordsOf(each.id) })));
</script>

<template>
  <section v-if="agreement.proposed > 0" class="card-paper stack-close">
    <h2>Escalier listened: right {{ agreement.kept }} times of {{ agreement.proposed }}</h2>
    <BTable v-if="rows.length > 0" small :items="rows" :fields="FIELDS" />
    <HowComputed>
      Results for which a recording or a live playing was listened to. It was right where you gave the result that was
      proposed. For each remark: how often it was proposed, how often you agreed, and how often you gave it unasked.
    </HowComputed>
  </section>
</template>
