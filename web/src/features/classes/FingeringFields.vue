<script setup lang="ts">
import {
  chartOf,
  findInstrument,
  formatHoles,
  kindOfInstrument,
  type ChosenFingerings,
} from '@escalier/core/instruments';
import { pitchName } from '@escalier/core/music';
import { computed } from 'vue';
import { noteWords } from '../../ui/note-words.ts';
import SelectField from '../../ui/SelectField.vue';
import { t } from './messages.ts';

/** Which fingering a class plays where the chart has several; charts, moves and costs follow. */
const props = defineProps<{ instrumentId: string }>();
const chosen = defineModel<ChosenFingerings>({ required: true });
const on = computed(() => findInstrument(kindOfInstrument(props.instrumentId)));
const rows = computed(() => {
  const instrument = on.value;
  if (instrument === null) return [];
  return chartOf(instrument)
    .filter(({ fingerings }) => fingerings.length > 1)
    .map(({ spellings, fingerings }) => ({
      name: pitchName(spellings[0]!),
      label: spellings.map((each) => noteWords(pitchName(each))).join(' or '),
      options: fingerings.map(({ holes, remark }, value) => ({
        value,
        text: `${formatHoles(instrument.family, holes)}${remark === '' ? '' : `, ${remark}`}`,
      })),
    }));
});

function set(name: string, place: number): void {
  const { [name]: _before, ...others } = chosen.value;
  chosen.value = place === 0 ? others : { ...others, [name]: place };
}
</script>

<template>
  <BAccordionItem :title="t('fingering-fields.notes-with-alternative-fingerings')">
    <p v-if="rows.length === 0" class="soft">{{ t('fingering-fields.this-instruments-chart-has-one-fingering') }}</p>
    <div v-else class="field-grid">
      <SelectField
        v-for="row in rows"
        :key="row.name"
        :label="row.label"
        :model-value="chosen[row.name] ?? 0"
        :options="row.options"
        @update:model-value="set(row.name, Number($event))"
      />
    </div>
  </BAccordionItem>
</template>
