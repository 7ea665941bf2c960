<script setup lang="ts">
import type { ClassSettings } from '@escalier/contract/classes';
import type { PointsRule } from '@escalier/core/records';
import ChoiceField from '../../ui/ChoiceField.vue';
import TextField from '../../ui/TextField.vue';
import { t } from './messages.ts';

/** How much of a lesson goes to hearing, and what a pass counts for. */
const props = defineProps<{ fields: Readonly<Record<string, string>> }>();
const style = defineModel<ClassSettings['style']>({ required: true });
type Style = ClassSettings['style'];

const POINTS_CHOICES = [
  {
    value: 'none',
    label: t('hearing-fields.passes-do-not-count'),
    speaksFor: t('hearing-fields.a-belt-is-its-own-reward'),
  },
  {
    value: 'bonus',
    label: t('hearing-fields.a-bonus-for-each-step'),
    speaksFor: t('hearing-fields.slow-progress-costs-nothing-every-step'),
  },
  {
    value: 'share',
    label: t('hearing-fields.a-share-of-the-points'),
    speaksFor: t('hearing-fields.all-the-steps-planned-for-the'),
  },
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
      { key: 'perStep', label: t('hearing-fields.points-per-step') },
      { key: 'most', label: t('hearing-fields.at-most') },
    ],
    share: [
      { key: 'outOf', label: t('hearing-fields.points-for-all-steps') },
      { key: 'steps', label: t('hearing-fields.steps-planned') },
    ],
  };

function numberAt(key: string): number {
  const value = new Map<string, unknown>(Object.entries(style.value.points)).get(key);
  return typeof value === 'number' ? value : 0;
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
    <h2>{{ t('hearing-fields.hearing') }}</h2>
    <div class="field-grid">
      <TextField
        type="number"
        :model-value="style.hearing.minutes"
        :label="t('hearing-fields.hearing-minutes-in-each-lesson')"
        :hint="t('hearing-fields.with-each-tunes-length-this-gives')"
        :error="errorOf('hearing.minutes')"
        @update:model-value="setHearing({ minutes: Number($event) })"
      />
      <TextField
        type="number"
        :model-value="style.hearing.within"
        :label="t('hearing-fields.hear-everyone-every-lessons')"
        :hint="t('hearing-fields.anyone-about-to-go-over-this')"
        :error="errorOf('hearing.within')"
        @update:model-value="setHearing({ within: Number($event) })"
      />
      <ChoiceField
        :label="t('hearing-fields.points-towards-your-marks')"
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
    <BFormCheckbox
      :model-value="style.hearing.afterPlaying"
      @update:model-value="setHearing({ afterPlaying: Boolean($event) })"
      >{{ t('hearing-fields.only-after-playing') }}</BFormCheckbox
    >
  </section>
</template>
