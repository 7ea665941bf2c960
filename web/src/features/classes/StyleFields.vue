<script setup lang="ts">
import {
  COUNTING_CHOICES,
  LENGTH_CHOICES,
  MOST_RUNGS,
  MOUTH_CHOICES,
  NAMING_CHOICES,
  PASS_CHOICES,
  REST_CHOICES,
  RUNGS,
  type RungId,
} from '@escalier/core/practice';
import type { ClassSettings } from '@escalier/server/api';
import ChoiceField from '../../ui/ChoiceField.vue';
import TextField from '../../ui/TextField.vue';

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

function toggleRung(id: RungId, on: boolean): void {
  const others = style.value.ladder.filter((rung) => rung !== id);
  set({ ladder: on ? [...others, id] : others });
}

const errorOf = (name: string): string | undefined => props.fields[`style.${name}`];
</script>

<template>
  <section class="card-paper fields">
    <h2>How this class is taught</h2>
    <div class="field-grid">
      <ChoiceField
        label="Note names"
        :choices="NAMING_CHOICES"
        :model-value="style.naming"
        @update:model-value="set({ naming: $event })"
      />
      <ChoiceField
        label="Counting aloud"
        :choices="COUNTING_CHOICES"
        :model-value="style.counting"
        @update:model-value="set({ counting: $event })"
      />
      <ChoiceField
        label="Lengths of notes"
        :choices="LENGTH_CHOICES"
        :model-value="style.lengthWords"
        @update:model-value="set({ lengthWords: $event })"
      />
      <ChoiceField
        label="Mouth"
        :choices="MOUTH_CHOICES"
        :model-value="style.posture.mouth"
        @update:model-value="setPosture({ mouth: $event })"
      />
      <ChoiceField
        label="At rest"
        :choices="REST_CHOICES"
        :model-value="style.posture.restsAt"
        @update:model-value="setPosture({ restsAt: $event })"
      />
      <TextField
        :model-value="style.posture.handMark"
        label="What marks the left hand"
        hint="A dot, a sticker, a bracelet: said in the posture check, shown on the pictures."
        :error="errorOf('posture.handMark')"
        @update:model-value="setPosture({ handMark: String($event) })"
      />
      <ChoiceField
        label="Passing means"
        :choices="PASS_CHOICES"
        :model-value="style.passRule"
        @update:model-value="set({ passRule: $event })"
      />
      <TextField
        :model-value="style.goOnShare"
        label="Go on when so many have passed (%)"
        hint="Lower keeps the class moving; higher keeps it together."
        :error="errorOf('goOnShare')"
        type="number"
        :min="1"
        :max="100"
        @update:model-value="set({ goOnShare: Number($event) })"
      />
    </div>
    <fieldset>
      <legend>Practice ladder</legend>
      <p class="soft">Three to {{ MOST_RUNGS }} rungs, climbed in this order before a tune is played.</p>
      <div class="rungs">
        <label v-for="rung in RUNGS" :key="rung.id">
          <input
            class="form-check-input"
            type="checkbox"
            :checked="style.ladder.includes(rung.id)"
            @change="toggleRung(rung.id, ($event.target as HTMLInputElement).checked)"
          />
          {{ rung.words }}
        </label>
      </div>
      <p v-if="errorOf('ladder') !== undefined" class="fault" role="alert">{{ errorOf('ladder') }}</p>
    </fieldset>
  </section>
</template>

<style scoped>
.rungs {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 22px;
}

.rungs label {
  display: inline-flex;
  align-items: center;
  gap: 8px;
  min-height: 44px;
}

.rungs input {
  width: 22px;
  height: 22px;
  margin: 0;
}
</style>
