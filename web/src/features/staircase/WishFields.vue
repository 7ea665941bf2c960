<script setup lang="ts">
import type { TuneProfile } from '@escalier/core/staircase';
import HowComputed from '../../ui/HowComputed.vue';
import SelectField from '../../ui/SelectField.vue';
import TextField from '../../ui/TextField.vue';
import { INSTRUMENTS, OWN_ORDER, type WishForm } from './use-wishes.ts';
import WishList from './WishList.vue';
import { t } from './messages.ts';

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
const noNote = (wrong: string | null): string | undefined =>
  wrong === null ? undefined : t('wish-fields.wrong-is-not-a-note', { wrong });
</script>

<template>
  <div class="field-grid">
    <SelectField
      v-model="instrumentId"
      :label="t('wish-fields.instrument')"
      :options="INSTRUMENTS"
      :disabled="forClass !== null"
    />
    <SelectField v-model="orderId" :label="t('wish-fields.2-order-of-notes')" :options="orders" />
    <TextField
      v-if="orderId === OWN_ORDER"
      v-model="orderTyped"
      :label="t('wish-fields.your-order')"
      :hint="t('wish-fields.for-example-b-a-g-e')"
      :error="noNote(ownOrder.wrong)"
    />
    <TextField v-model="lessons" :label="t('wish-fields.3-number-of-lessons')" type="number" :min="2" :max="400" />
    <TextField v-if="forClass !== null" v-model="lastDay" :label="t('wish-fields.or-the-last-day')" type="date" />
  </div>
  <BAlert v-if="forClass?.lessons.length === 0" variant="warning" :model-value="true">
    {{ t('wish-fields.name-has-no-lessons-left-in', { name: forClass.name }) }}
  </BAlert>
  <HowComputed :label="t('wish-fields.more-number-of-steps-notes-the')">
    <div class="stack">
      <div class="field-grid">
        <TextField
          v-model="steps"
          :label="t('wish-fields.steps')"
          type="number"
          :min="1"
          :max="40"
          :hint="t('wish-fields.usually-three-lessons-a-step')"
        />
        <TextField
          v-model="knownTyped"
          :label="t('wish-fields.notes-the-class-already-knows')"
          :hint="t('wish-fields.for-example-b-a-g-empty')"
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
