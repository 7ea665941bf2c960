<script setup lang="ts">
import { USUAL_CHANGEOVER, USUAL_TALK } from '@escalier/core/calendar';
import { fitInto } from '@escalier/core/records';
import type { ClassPage } from '@escalier/server/api';
import { computed, ref } from 'vue';
import { RouterLink } from 'vue-router';
import HowComputed from '../../ui/HowComputed.vue';

const props = defineProps<{ page: ClassPage }>();
const SHOWN = 6;

const queue = computed(() =>
  props.page.hearingOrder.flatMap((id) => props.page.pupils.find((pupil) => pupil.id === id) ?? []),
);
const minutes = ref(10);
/** One turn of each: the tune of the step, the change and the talk. */
const turns = computed(() =>
  queue.value.map(
    (pupil) => (props.page.steps[pupil.standing?.stepIndex ?? 0]?.tuneSeconds ?? 0) + USUAL_CHANGEOVER + USUAL_TALK,
  ),
);
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
          :class="pupil.standing?.state"
          :to="{ name: 'hear', params: { classId: page.id, pupilId: pupil.id } }"
        >
          {{ pupil.name }}<span v-if="pupil.standing?.state === 'nearly'" class="mark">nearly</span>
        </RouterLink>
      </li>
      <li v-if="queue.length > SHOWN" class="soft more">and {{ queue.length - SHOWN }} more</li>
    </ul>
    <p v-if="queue.length > 0" class="fits">
      <label for="minutes">In</label>
      <select id="minutes" v-model="minutes" class="form-select form-select-sm auto">
        <option v-for="each in [5, 10, 15, 20, 30]" :key="each" :value="each">{{ each }} minutes</option>
      </select>
      <span
        ><strong>{{ fits === queue.length ? `all ${fits}` : `the first ${fits}` }}</strong> can be heard</span
      >
    </p>
    <p v-if="away.length > 0" class="soft">Away today: {{ away.map((pupil) => pupil.name).join(', ') }}.</p>
    <HowComputed label="How the order comes about">
      Those who nearly passed come first, then those who have waited longest since they were heard; who was never heard
      waits longest of all. Who is away today is left out. A turn is the tune of the pupil’s step,
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

.pupil.nearly {
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
