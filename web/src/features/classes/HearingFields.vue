<script setup lang="ts">
import type { ClassSettings } from '@escalier/contract/classes';
import type { PointsRule } from '@escalier/core/records';
import ChoiceField from '../../ui/ChoiceField.vue';
import TextField from '../../ui/TextField.vue';

/** How much of a lesson goes to hearing, and what a pass counts for. */
const props = defineProps<{ fields: Readonly<Record<string, string>> }>();
const style = defineModel<ClassSettings['style']>({ required: true });
type Style = ClassSettings['style'];

const POINTS_CHOICES = [
  { value: 'none', label: 'Passes do not count', speaksFor: 'A belt is its own reward.' },
  { value: 'bonus', label: 'A bonus for each step', speaksFor: 'Going slowly costs nothing; every step earns more.' },
  { value: 'share', label: 'A share of the points', speaksFor: 'All the steps planned for the term earn full points.' },
] as const;

const STARTS: Readonly<Record<PointsRule['kind'], PointsRule>> = {
  none: { kind: 'none' },
  bonus: { kind: 'bonus', perStep: 1, most: 6 },
  share: { kind: 'share', outOf: 20, steps: 6 },
};

const POINT_FIELDS: Readonly<Record<PointsRule['kind'], readonly { readonly key: string; readonly label: string }[]>> =
  {
    none: [],
    bonus: [
      { key: 'perStep', label: 'Points per step' },
      { key: 'most', label: 'At most' },
    ],
    share: [
      { key: 'outOf', label: 'Points for all steps' },
      { key: 'steps', label: 'Steps planned' },
    ],
  };

function numberAt(key: string): number {
  return (style.value.points as unknown as Readonly<Record<string, number>>)[key] ?? 0;
}

function setHearing(more: Partial<Style['hearing']>): void {
  style.value = { ...style.value, hearing: { ...style.value.hearing, ...more } };
}

function setPoints(points: PointsRule): void {
  style.value = { ...style.value, points };
}

const errorOf = (name: string): string | undefined => props.fields[`style.${name}`];
</script>

<template>
  <section class="card-paper stack">
    <h2>Hearing</h2>
    <div class="field-grid">
      <TextField
        type="number"
        :model-value="style.hearing.minutes"
        label="Minutes of each lesson for hearing"
        hint="With the lengths of the tunes, this tells how many pupils fit into a lesson."
        :error="errorOf('hearing.minutes')"
        @update:model-value="setHearing({ minutes: Number($event) })"
      />
      <TextField
        type="number"
        :model-value="style.hearing.within"
        label="Hear everyone within (lessons)"
        hint="Pupils about to miss this come first, even before those who nearly passed."
        :error="errorOf('hearing.within')"
        @update:model-value="setHearing({ within: Number($event) })"
      />
      <ChoiceField
        label="Points towards your marks"
        :choices="POINTS_CHOICES"
        :model-value="style.points.kind"
        @update:model-value="setPoints(STARTS[$event])"
      />
      <TextField
        v-for="{ key, label } in POINT_FIELDS[style.points.kind]"
        :key="key"
        type="number"
        :model-value="numberAt(key)"
        :label="label"
        :error="errorOf(`points.${key}`)"
        @update:model-value="setPoints({ ...style.points, [key]: Number($event) } as PointsRule)"
      />
    </div>
  </section>
</template>
