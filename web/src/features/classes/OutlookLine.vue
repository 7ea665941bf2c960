<script setup lang="ts">
import { computed, ref } from 'vue';
import { shortDate } from '../../ui/dates.ts';
import HowComputed from '../../ui/HowComputed.vue';
import SelectField from '../../ui/SelectField.vue';
import { outlookOf, outlookRequests, timesAsMany, WHAT_IFS, type WhatIf } from './outlook.ts';
import type { ClassView } from './project.ts';
import { useClasses } from './store.ts';
import { useForecasts } from './use-forecasts.ts';
import { t } from './messages.ts';

/** Where the class will likely be at the end, in one sentence, and what would change it. */
const props = defineProps<{ page: ClassView }>();
const classes = useClasses();
const what = ref<WhatIf>('now');
const { forecasts, error } = useForecasts(() => outlookRequests(props.page, classes.events, what.value));
const outlook = computed(() => (forecasts.value === null ? null : outlookOf(props.page, forecasts.value)));
const times = computed(() => timesAsMany(props.page, what.value).toFixed(1));
</script>

<template>
  <p v-if="error !== null" class="soft">{{ error.message }}</p>
  <p v-else-if="forecasts === null" class="soft">{{ t('outlook-line.working-out-where-the-class-will') }}</p>
  <div v-else-if="outlook !== null" class="stack-close">
    <p aria-live="polite">
      <strong>{{ t('outlook-line.likely-of-of', { likely: outlook.likely, of: outlook.of }) }}</strong>
      {{
        t('outlook-line.should-pass-step-step-by-date', {
          step: outlook.step,
          date: shortDate(outlook.by),
          least: outlook.least,
          most: outlook.most,
        })
      }}
    </p>
    <SelectField v-model="what" :label="t('outlook-line.what-if')" :options="WHAT_IFS" />
    <HowComputed>
      {{ t('outlook-line.from-10-000-simulated-terms-based') }}
      <template v-if="what !== 'now'">{{ t('outlook-line.this-hears-times-times-as-many', { times }) }}</template>
      <RouterLink :to="{ name: 'trends', params: { classId: page.id } }">{{ t('outlook-line.see-trends') }}</RouterLink>
    </HowComputed>
  </div>
</template>
