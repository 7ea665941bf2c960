<script setup lang="ts">
import type { Pin, TuneProfile } from '@escalier/core/staircase';
import { pinWords } from '@escalier/core/words';
import { computed, ref } from 'vue';
import SelectField from '../../ui/SelectField.vue';
import TextField from '../../ui/TextField.vue';

/** Wishes: a tune at a step, by a step, or never. */
const props = defineProps<{ tunes: readonly TuneProfile[]; steps: number }>();
const pins = defineModel<readonly Pin[]>({ required: true });

const byTitle = computed(() => props.tunes.toSorted((a, b) => a.title.localeCompare(b.title)));
const choices = computed(() => byTitle.value.map(({ id, title }) => ({ value: id, text: title })));
const tune = ref(byTitle.value[0]?.id ?? '');
const KINDS = [
  { value: 'at', text: 'at step' },
  { value: 'by', text: 'by step' },
  { value: 'never', text: 'never' },
] as const;
const kind = ref<'at' | 'by' | 'never'>('at');
const step = ref(3);
const titleOf = (id: string): string => props.tunes.find((each) => each.id === id)?.title ?? id;

function add(): void {
  const wish: Pin =
    kind.value === 'never'
      ? { kind: 'never', tune: tune.value }
      : { kind: kind.value, tune: tune.value, step: step.value };
  pins.value = [...pins.value, wish];
}
</script>

<template>
  <section class="stack-close" aria-label="Wishes">
    <strong>Wishes: a tune at a step, by a step, or never</strong>
    <div class="line">
      <SelectField v-model="tune" label="Tune" :options="choices" />
      <SelectField v-model="kind" label="When" :options="KINDS" />
      <TextField v-if="kind !== 'never'" v-model="step" label="Step" type="number" :min="1" :max="steps" />
      <BButton @click="add">Add this wish</BButton>
    </div>
    <ul class="plain">
      <li v-for="(pin, index) in pins" :key="index" class="d-flex gap-2 align-items-center">
        {{ pinWords(pin, titleOf) }}
        <BButton size="sm" :aria-label="`Take back: ${pinWords(pin, titleOf)}`" @click="pins = pins.toSpliced(index, 1)"
          >Take back</BButton
        >
      </li>
    </ul>
  </section>
</template>
