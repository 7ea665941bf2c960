<script setup lang="ts">
import { USUAL_CHANGEOVER, USUAL_TALK } from '@escalier/core/calendar';
import { fitInto, queueWords, type QueueReason } from '@escalier/core/records';
import type { ClassPage } from '@escalier/server/api';
import { computed, ref } from 'vue';
import { RouterLink } from 'vue-router';
import HowComputed from '../../ui/HowComputed.vue';
import { turnSeconds } from './project.ts';
import { QUEUE_RULE } from './words.ts';

const props = defineProps<{ page: ClassPage }>();
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
/** One turn of each: the tune of the step, the change and the talk. */
const turns = computed(() => {
  const seconds = turnSeconds(props.page);
  return queue.value.map((pupil) => seconds[pupil.standing?.stepIndex ?? 0] ?? 0);
});
const fits = computed(() => fitInto(turns.value, minutes.value));
const away = computed(() => props.page.pupils.filter((pupil) => pupil.away && pupil.leftOn === null));
</script>

<template>
  <section class="card-paper">
    <h2>To hear next</h2>
    <ul class="queue">
      <li v-for="pupil in queue.slice(0, SHOWN)" :key="pupil.id">
        <RouterLink
          class="pupil"
          :class="pupil.reason"
          :title="pupil.why"
          :to="{ name: 'hear', params: { classId: page.id, pupilId: pupil.id } }"
        >
          {{ pupil.name }}<span v-if="MARKS[pupil.reason] !== undefined" class="mark">{{ MARKS[pupil.reason] }}</span>
        </RouterLink>
      </li>
      <li v-if="queue.length > SHOWN" class="soft more">and {{ queue.length - SHOWN }} more</li>
    </ul>
    <p v-if="queue.length > 0" class="fits">
      <label for="minutes">In</label>
      <select id="minutes" v-model="minutes" class="form-select form-select-sm auto">
        <option
          v-for="each in [...new Set([...MINUTES, page.style.hearing.minutes])].toSorted((a, b) => a - b)"
          :key="each"
          :value="each"
        >
          {{ each }} minutes
        </option>
      </select>
      <span
        ><strong>{{ fits === queue.length ? `all ${fits}` : `the first ${fits}` }}</strong> can be heard</span
      >
    </p>
    <p v-if="away.length > 0" class="soft">Away today: {{ away.map((pupil) => pupil.name).join(', ') }}.</p>
    <HowComputed label="How the order comes about">
      {{ QUEUE_RULE }} {{ page.pace.perLesson }} fit into the {{ page.style.hearing.minutes }} minutes of a lesson, so
      that all are heard within {{ page.pace.within }} lessons. A turn is the tune of the pupil’s step,
      {{ USUAL_CHANGEOVER }} s to change and {{ USUAL_TALK }} s to talk.
    </HowComputed>
  </section>
</template>

<style scoped>
.fits {
  display: flex;
  gap: 8px;
  align-items: center;
}

.queue {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin: 8px 0 4px;
  padding: 0;
  list-style: none;
}

.pupil {
  display: inline-flex;
  align-items: center;
  gap: 6px;
  min-height: 34px;
  padding: 4px 12px;
  border: 1px solid var(--line-strong);
  border-radius: 17px;
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
  font-size: 13px;
}

.more {
  align-self: center;
}

@media (pointer: coarse) {
  .pupil {
    min-height: 44px;
    border-radius: 22px;
  }
}
</style>
