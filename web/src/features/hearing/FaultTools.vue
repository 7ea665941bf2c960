<script setup lang="ts">
import type { Extent, Fault } from '@escalier/core/records';
import { barRange } from '@escalier/core/words';
import { computed } from 'vue';
import type { TuneInfo } from '../../workers/index.ts';
import { useRemarks } from '../schools/index.ts';
import { linesOf, sameBars } from './extent.ts';
import { t } from './messages.ts';

/** What of the tune is heard, and where it went wrong: for who does not press on the sheet, and to take it back. */
const props = defineProps<{ info: TuneInfo; faults: readonly Fault[] }>();
const emit = defineEmits<{ mark: [barIndex: number]; unmark: [fault: Fault] }>();
/** Null for all of it. */
const extent = defineModel<Extent | null>('extent', { required: true });
const remarks = useRemarks();

const bars = computed(() => [
  { value: null, text: t('fault-tools.mark-a-bar') },
  ...props.info.barNumbers.map((number, value) => ({ value, text: barWords(number) })),
]);
/** All of it, each line, or what was drawn on the sheet. */
const parts = computed((): readonly { readonly value: Extent | null; readonly text: string }[] => {
  const lines = linesOf(props.info);
  const drawn = extent.value;
  return [
    { value: null, text: t('fault-tools.all-of-it') },
    ...lines.map((line, index) => ({
      value: line,
      text: t('fault-tools.line-index-bars', { index: index + 1, bars: barRange(line.bars) }),
    })),
    ...(drawn === null || lines.some((line) => sameBars(line, drawn))
      ? []
      : [{ value: drawn, text: barRange(drawn.bars) }]),
  ];
});
/** Which of those: slow or not, it is the same. */
const part = computed({
  get: () =>
    Math.max(
      0,
      parts.value.findIndex(({ value }) => value !== null && extent.value !== null && sameBars(value, extent.value)),
    ),
  set: (index) => (extent.value = parts.value[index]?.value ?? null),
});

function setSlowly(slowly: boolean): void {
  if (extent.value !== null) extent.value = { ...extent.value, slowly };
}

function barWords(number: number): string {
  return number === 0 ? t('bar.pickup') : t('bar.one', { bar: number });
}

function placeWords({ bar, remark }: Fault): string {
  return remark === undefined ? barWords(bar) : `${barWords(bar)}: ${remarks.wordsOf(remark).toLowerCase()}`;
}
</script>

<template>
  <div class="d-flex flex-wrap gap-2 align-items-center">
    <BFormSelect
      v-model="part"
      class="auto"
      :options="parts.map(({ text }, value) => ({ value, text }))"
      :aria-label="t('fault-tools.what-is-heard')"
    />
    <BFormCheckbox
      v-if="extent !== null"
      :model-value="extent.slowly"
      @update:model-value="setSlowly(Boolean($event))"
      >{{ t('fault-tools.slowly') }}</BFormCheckbox
    >
    <BFormSelect
      class="auto"
      :model-value="null"
      :options="bars"
      :aria-label="t('fault-tools.mark-a-bar')"
      @update:model-value="$event !== null && emit('mark', Number($event))"
    />
    <BButton
      v-for="(fault, index) in faults"
      :key="index"
      size="sm"
      :aria-label="t('fault-tools.remove-place', { place: placeWords(fault) })"
      @click="emit('unmark', fault)"
      >{{ placeWords(fault) }} ×</BButton
    >
  </div>
  <p v-if="faults.length === 0" class="soft mb-0">
    {{ t('fault-tools.press-the-bar-or-note-where') }}
  </p>
</template>
