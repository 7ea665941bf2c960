<script setup lang="ts">
import { computed, ref } from 'vue';
import { shortDate } from '../../ui/dates.ts';
import HowComputed from '../../ui/HowComputed.vue';
import SelectField from '../../ui/SelectField.vue';
import { outlookOf, outlookRequests, timesAsMany, WHAT_IFS, type WhatIf } from './outlook.ts';
import type { ClassView } from './project.ts';
import { useClasses } from './store.ts';
import { useForecasts } from './use-forecasts.ts';

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
  <p v-else-if="forecasts === null" class="soft">Working out where the class will be …</p>
  <div v-else-if="outlook !== null" class="stack-close">
    <p aria-live="polite">
      <strong>{{ outlook.likely }} of {{ outlook.of }}</strong> will likely have passed step {{ outlook.step }} by
      {{ shortDate(outlook.by) }}, {{ outlook.least }} to {{ outlook.most }}.
    </p>
    <SelectField v-model="what" label="What if" :options="WHAT_IFS" />
    <HowComputed>
      From 10,000 possible courses of the lessons to come, by how often pupils were heard and passed so far; eight of
      ten end within the range.
      <template v-if="what !== 'now'">Here {{ times }} times as many are heard as now.</template>
      <RouterLink :to="{ name: 'trends', params: { classId: page.id } }">See Trends</RouterLink>
    </HowComputed>
  </div>
</template>
