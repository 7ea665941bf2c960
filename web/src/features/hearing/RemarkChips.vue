<script setup lang="ts">
import { computed } from 'vue';
import { useRemarks } from '../schools/index.ts';
import { t } from './messages.ts';

/** What to work on: short words to tick, with the remedy for those that are ticked. */
defineProps<{ small?: boolean }>();
const ticked = defineModel<string[]>({ required: true });
const remarks = useRemarks();
const options = computed(() => remarks.all.map(({ id, words }) => ({ value: id, text: words })));
const remedies = computed(() => remarks.all.filter((remark) => ticked.value.includes(remark.id)));
</script>

<template>
  <BFormGroup :label="t('remark-chips.to-work-on')" class="remarks" :class="{ small }">
    <BFormCheckboxGroup v-model="ticked" buttons :options="options" :aria-label="t('remark-chips.to-work-on')" />
    <ul v-if="!small" class="plain" aria-live="polite">
      <li v-for="remark in remedies" :key="remark.id">
        <strong>{{ remark.words }}:</strong> {{ remark.remedy }}
      </li>
    </ul>
  </BFormGroup>
</template>

<style scoped lang="scss">
.remarks:not(.small) {
  min-height: 150px;
}

.remarks :deep(.btn-group) {
  gap: 8px;
  margin-bottom: 10px;
}

.remarks :deep(.btn) {
  min-height: 44px;
  margin: 0;
  border-radius: var(--round) !important;
  font-weight: 400;
}

.remarks :deep(.btn-check + .btn::before) {
  content: '+';
}

.remarks :deep(.btn-check:checked + .btn::before) {
  content: '✓';
}

.small :deep(.btn-group) {
  gap: 5px;
}
</style>
