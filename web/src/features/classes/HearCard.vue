<script setup lang="ts">
import { USUAL_CHANGEOVER, USUAL_TALK } from '@escalier/core/calendar';
import { turnSeconds } from '@escalier/core/classes';
import { fitInto, type QueueReason } from '@escalier/core/records';
import { computed, ref } from 'vue';
import HowComputed from '../../ui/HowComputed.vue';
import type { ClassView } from './project.ts';
import { QUEUE_RULE, queueWords } from './words.ts';
import { t } from './messages.ts';

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
    .map((value) => ({ value, text: t('hear-card.value-minutes', { minutes: value }) })),
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
    <h2>{{ t('hear-card.hear-next') }}</h2>
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
      <li v-if="queue.length > SHOWN" class="soft more">
        {{ t('hear-card.and-queue-count-more', { queueCount: queue.length - SHOWN }) }}
      </li>
    </ul>
    <p v-if="queue.length > 0" class="line fits">
      <label for="minutes">{{ t('hear-card.in') }}</label>
      <BFormSelect id="minutes" v-model="minutes" class="auto" size="sm" :options="minuteOptions" />
      <span
        >{{ t('hear-card.you-can-hear') }}
        <strong>{{
          fits === queue.length ? t('hear-card.all-fits', { fits }) : t('hear-card.the-first-fits', { fits })
        }}</strong></span
      >
    </p>
    <p v-if="away.length > 0" class="soft">
      {{ t('hear-card.away-today-list', { list: away.map((pupil) => pupil.name).join(', ') }) }}
    </p>
    <HowComputed :label="t('hear-card.why-this-order')">
      {{
        t('hear-card.queue-rule-you-can-hear-per', {
          queueRule: QUEUE_RULE,
          perLesson: page.pace.perLesson,
          minutes: page.style.hearing.minutes,
          within: page.pace.within,
          usualChangeover: USUAL_CHANGEOVER,
          usualTalk: USUAL_TALK,
        })
      }}
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
