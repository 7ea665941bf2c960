<script setup lang="ts">
import type { LocalDate } from '@escalier/core/calendar';
import type { Pin, TuneProfile } from '@escalier/core/staircase';
import { pinWords } from '@escalier/core/words';
import { computed, ref } from 'vue';
import SelectField from '../../ui/SelectField.vue';
import TextField from '../../ui/TextField.vue';
import { t } from './messages.ts';

/** Wishes: a tune at a step, by a step or a day, before another one, or never. */
const props = defineProps<{
  tunes: readonly TuneProfile[];
  steps: number;
  /** The step that the class will have come to on a day; null where there is no calendar. */
  stepOn: ((day: LocalDate) => number) | null;
}>();
const pins = defineModel<readonly Pin[]>({ required: true });

const choices = computed(() =>
  props.tunes.map(({ id, title }) => ({ value: id, text: title })).toSorted((a, b) => a.text.localeCompare(b.text)),
);
const tune = ref(choices.value[0]?.value ?? '');
const then = ref(choices.value[1]?.value ?? '');
type Kind = Pin['kind'] | 'by-day';
const kinds = computed((): readonly { value: Kind; text: string }[] => [
  { value: 'at', text: t('wish-list.at-step') },
  { value: 'by', text: t('wish-list.by-step') },
  ...(props.stepOn === null ? [] : [{ value: 'by-day' as const, text: t('wish-list.by-the-day') }]),
  { value: 'before', text: t('wish-list.before-the-tune') },
  { value: 'never', text: 'never' },
]);
const kind = ref<Kind>('at');
const step = ref(3);
const day = ref<LocalDate | ''>('');
const titleOf = (id: string): string => props.tunes.find((each) => each.id === id)?.title ?? id;

/** Null as long as the day is not filled in. */
const wish = computed((): Pin | null => {
  switch (kind.value) {
    case 'never':
      return { kind: 'never', tune: tune.value };
    case 'before':
      return { kind: 'before', tune: tune.value, then: then.value };
    case 'by-day':
      return day.value === '' || props.stepOn === null
        ? null
        : { kind: 'by', tune: tune.value, step: props.stepOn(day.value) };
    case 'at':
    case 'by':
      return { kind: kind.value, tune: tune.value, step: step.value };
  }
});
function add(): void {
  if (wish.value !== null) pins.value = [...pins.value, wish.value];
}
</script>

<template>
  <section class="stack-close" :aria-label="t('wish-list.wishes')">
    <strong>{{ t('wish-list.wishes-for-particular-tunes') }}</strong>
    <div class="line">
      <SelectField v-model="tune" :label="t('wish-list.tune')" :options="choices" />
      <SelectField v-model="kind" :label="t('wish-list.when')" :options="kinds" />
      <TextField
        v-if="kind === 'at' || kind === 'by'"
        v-model="step"
        :label="t('wish-list.step')"
        type="number"
        :min="1"
        :max="steps"
      />
      <TextField v-if="kind === 'by-day'" v-model="day" :label="t('wish-list.day')" type="date" />
      <SelectField v-if="kind === 'before'" v-model="then" :label="t('wish-list.other-tune')" :options="choices" />
      <BButton :disabled="wish === null" @click="add">{{ t('wish-list.add-this-wish') }}</BButton>
    </div>
    <ul class="plain">
      <li v-for="(pin, index) in pins" :key="index" class="d-flex gap-2 align-items-center">
        {{ pinWords(pin, titleOf) }}
        <BButton
          size="sm"
          :aria-label="t('wish-list.take-back-pin', { pin: pinWords(pin, titleOf) })"
          @click="pins = pins.toSpliced(index, 1)"
          >{{ t('wish-list.take-back') }}</BButton
        >
      </li>
    </ul>
  </section>
</template>
