<script setup lang="ts">
import type { TuneProfile } from '@escalier/core/staircase';
import HowComputed from '../../ui/HowComputed.vue';
import SelectField from '../../ui/SelectField.vue';
import TextField from '../../ui/TextField.vue';
import { INSTRUMENTS, OWN_ORDER, type WishForm } from './use-wishes.ts';
import WishList from './WishList.vue';

/** The three questions; the number of steps, what the class has, and wishes for single tunes open below. */
const props = defineProps<{ form: WishForm; tunes: readonly TuneProfile[] }>();
const {
  instrumentId,
  orders,
  orderId,
  orderTyped,
  ownOrder,
  knownTyped,
  knows,
  lessons,
  steps,
  pins,
  forClass,
  lastDay,
} = props.form;
const noNote = (wrong: string | null): string | undefined => (wrong === null ? undefined : `“${wrong}” is not a note.`);
</script>

<template>
  <div class="field-grid">
    <SelectField v-model="instrumentId" label="1. Instrument" :options="INSTRUMENTS" :disabled="forClass !== null" />
    <SelectField v-model="orderId" label="2. Order of notes" :options="orders" />
    <TextField
      v-if="orderId === OWN_ORDER"
      v-model="orderTyped"
      label="Your order"
      hint="Such as B A G E D F# C'"
      :error="noNote(ownOrder.wrong)"
    />
    <TextField v-model="lessons" label="3. Lessons there are" type="number" :min="2" :max="400" />
    <TextField v-if="forClass !== null" v-model="lastDay" label="Or the last day" type="date" />
  </div>
  <BAlert v-if="forClass?.lessons.length === 0" variant="warning" :model-value="true">
    {{ forClass.name }} has no lessons left in its term. Give it a new term under Settings, or say above how many
    lessons to plan with.
  </BAlert>
  <HowComputed label="More: number of steps, notes the class has, wishes">
    <div class="stack">
      <div class="field-grid">
        <TextField
          v-model="steps"
          label="Steps"
          type="number"
          :min="1"
          :max="40"
          hint="Three lessons a step, as a rule"
        />
        <TextField
          v-model="knownTyped"
          label="Notes the class has already"
          hint="Such as B A G; empty for beginners"
          :error="noNote(knows.wrong)"
        />
      </div>
      <WishList
        v-if="tunes.length > 0"
        v-model="pins"
        :tunes="tunes"
        :steps="steps"
        :step-on="forClass === null ? null : form.stepOn"
      />
    </div>
  </HowComputed>
</template>
