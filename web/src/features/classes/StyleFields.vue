<script setup lang="ts">
import type { ClassSettings } from '@escalier/contract/classes';
import {
  COUNTING_CHOICES,
  ladder,
  LENGTH_CHOICES,
  MOST_RUNGS,
  MOUTH_CHOICES,
  NAMING_CHOICES,
  PASS_CHOICES,
  REST_CHOICES,
  RUNGS,
  type RungId,
} from '@escalier/core/practice';
import ChoiceField from '../../ui/ChoiceField.vue';
import FormField from '../../ui/FormField.vue';
import TextField from '../../ui/TextField.vue';
import { t } from './messages.ts';

/** How a class is taught, where teachers differ. */
const props = defineProps<{ fields: Readonly<Record<string, string>> }>();
const style = defineModel<ClassSettings['style']>({ required: true });
type Style = ClassSettings['style'];

function set(more: Partial<Style>): void {
  style.value = { ...style.value, ...more };
}

function setPosture(more: Partial<Style['posture']>): void {
  set({ posture: { ...style.value.posture, ...more } });
}

/** Names before clapping, or after it: each class has its own order. */
function raiseRung(index: number): void {
  const order = [...style.value.ladder];
  [order[index - 1], order[index]] = [order[index]!, order[index - 1]!];
  set({ ladder: order });
}

const errorOf = (name: string): string | undefined => props.fields[`style.${name}`];
</script>

<template>
  <section class="card-paper stack">
    <h2>{{ t('style-fields.how-this-class-is-taught') }}</h2>
    <div class="field-grid">
      <ChoiceField
        :label="t('style-fields.note-names')"
        :choices="NAMING_CHOICES"
        :model-value="style.naming"
        @update:model-value="set({ naming: $event })"
      />
      <ChoiceField
        :label="t('style-fields.counting-aloud')"
        :choices="COUNTING_CHOICES"
        :model-value="style.counting"
        @update:model-value="set({ counting: $event })"
      />
      <ChoiceField
        :label="t('style-fields.note-values')"
        :choices="LENGTH_CHOICES"
        :model-value="style.lengthWords"
        @update:model-value="set({ lengthWords: $event })"
      />
      <ChoiceField
        :label="t('style-fields.at-the-mouthpiece')"
        :choices="MOUTH_CHOICES"
        :model-value="style.posture.mouth"
        @update:model-value="setPosture({ mouth: $event })"
      />
      <ChoiceField
        :label="t('style-fields.resting-position')"
        :choices="REST_CHOICES"
        :model-value="style.posture.restsAt"
        @update:model-value="setPosture({ restsAt: $event })"
      />
      <TextField
        :model-value="style.posture.handMark"
        :label="t('style-fields.left-hand-marker')"
        :hint="t('style-fields.a-dot-sticker-or-bracelet-named')"
        :error="errorOf('posture.handMark')"
        @update:model-value="setPosture({ handMark: String($event) })"
      />
      <ChoiceField
        :label="t('style-fields.what-counts-as-a-pass')"
        :choices="PASS_CHOICES"
        :model-value="style.passRule"
        @update:model-value="set({ passRule: $event })"
      />
      <TextField
        :model-value="style.goOnShare"
        :label="t('style-fields.move-on-when-this-share-has')"
        :hint="t('style-fields.lower-keeps-the-class-moving-higher')"
        :error="errorOf('goOnShare')"
        type="number"
        :min="1"
        :max="100"
        @update:model-value="set({ goOnShare: Number($event) })"
      />
    </div>
    <FormField
      group
      :label="t('style-fields.practice-ladder')"
      :hint="t('style-fields.three-to-most-rungs-rungs-in', { mostRungs: MOST_RUNGS })"
      :error="errorOf('ladder')"
    >
      <BFormCheckboxGroup
        :model-value="[...style.ladder]"
        :options="RUNGS.map(({ id, words }) => ({ value: id, text: words }))"
        :aria-label="t('style-fields.practice-ladder')"
        @update:model-value="set({ ladder: $event as RungId[] })"
      />
      <ol class="plain d-flex flex-wrap gap-2 mt-2" :aria-label="t('style-fields.order-of-the-rungs')">
        <li v-for="(rung, index) in ladder(style.ladder)" :key="rung.id">
          <BButton
            size="sm"
            :disabled="index === 0"
            :aria-label="t('style-fields.move-words-up', { words: rung.words })"
            @click="raiseRung(index)"
            ><template v-if="index > 0">← </template>{{ index + 1 }} {{ rung.words }}</BButton
          >
        </li>
      </ol>
    </FormField>
  </section>
</template>
