<script setup lang="ts">
import { USUAL_CHANGEOVER, USUAL_TALK } from '@escalier/core/calendar';
import { turnSeconds } from '@escalier/core/classes';
import { fitInto, type QueueReason } from '@escalier/core/records';
import { computed, ref } from 'vue';
import HowComputed from '../../ui/HowComputed.vue';
import type { ClassView } from './project.ts';
import { QUEUE_RULE, queueWords } from './words.ts';

const props = defineProps<{ page: ClassView }>();
const SHOWN = 6;
const MARKS: Partial<Record<QueueReason, string>> = { due: 'due', ready: 'nearly', today: 'heard' };

const queue = computed(() =>
  props.page.queue.flatMap((place) => {
    const pupil = props.page.pupils.find((each) => each.id === place.pupilId);
    return pupil === undefined ? [] : [{ ...pupil, why: queueWords(place), reason: place.reason }];
  }),
);
const minutes = ref(props.page.style.hearing.minutes);
const MINUTES = [5, 8, 10, 15, 20, 30];
const minuteOptions = computed(() =>
  [...new Set([...MINUTES, props.page.style.hearing.minutes])]
    .toSorted((a, b) => a - b)
    .map((value) => ({ value, text: `${value} minutes` })),
);
/** One turn of each: the tune of the step, the change and the talk. */
const turns = computed(() => {
  const seconds = turnSeconds(props.page.steps);
  return queue.value.map((pupil) => seconds[pupil.standing?.stepIndex ?? 0] ?? 0);
});
const fits = computed(() => fitInto(turns.value, minutes.value));
const away = computed(() => props.page.pupils.filter((pupil) => pupil.away && pupil.leftOn === null));
</script>

<template>
  <section class="card-paper stack-close">
    <h2>To hear next</h2>
    <ul class="plain line queue gap-2">
      <li v-for="pupil in queue.slice(0, SHOWN)" :key="pupil.id">
        <RouterLink
          class="pupil"
          :class="pupil.reason"
          :to="{ name: 'hear', params: { classId: page.id, pupilId: pupil.id } }"
        >
          {{ pupil.name }}<span v-if="MARKS[pupil.reason] !== undefined" class="mark">{{ MARKS[pupil.reason] }}</span>
        </RouterLink>
      </li>
      <li v-if="queue.length > SHOWN" class="soft more">and {{ queue.length - SHOWN }} more</li>
    </ul>
    <p v-if="queue.length > 0" class="line fits">
      <label for="minutes">In</label>
      <BFormSelect id="minutes" v-model="minutes" class="auto" size="sm" :options="minuteOptions" />
      <span
        >you can hear <strong>{{ fits === queue.length ? `all ${fits}` : `the first ${fits}` }}</strong></span
      >
    </p>
    <p v-if="away.length > 0" class="soft">Away today: {{ away.map((pupil) => pupil.name).join(', ') }}.</p>
    <HowComputed label="Why this order?">
      {{ QUEUE_RULE }} {{ page.pace.perLesson }} fit into {{ page.style.hearing.minutes }} minutes of a lesson, so
      everyone is heard within {{ page.pace.within }} lessons. A turn is the pupil’s tune, {{ USUAL_CHANGEOVER }} s to
      change over and {{ USUAL_TALK }} s to talk.
      <ul class="bullets">
        <li v-for="pupil in queue.slice(0, SHOWN)" :key="pupil.id">{{ pupil.name }}: {{ pupil.why }}</li>
      </ul>
    </HowComputed>
  </section>
</template>

<style scoped>
.pupil {
  display: inline-flex;
  align-items: center;
  gap: 6px;
  min-height: 34px;
  padding: 4px 12px;
  border: 1px solid var(--line-strong);
  border-radius: var(--round);
  color: var(--ink);
  text-decoration: none;
}

.pupil:hover {
  border-color: var(--ink);
}

.pupil.ready,
.pupil.due {
  border-color: var(--brass);
  background: var(--brass-soft);
}

.mark {
  color: var(--brass-deep);
  font-size: var(--text-small);
}

.more {
  align-self: center;
}

@media (pointer: coarse) {
  .pupil {
    min-height: 44px;
    border-radius: var(--round);
  }
}
</style>
