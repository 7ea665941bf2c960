<script setup lang="ts">
import HowComputed from '../../ui/HowComputed.vue';
import { QUEUE_RULE, type ClassView, type PupilView } from '../classes/index.ts';
import { t } from './messages.ts';

/** Who comes after that, each with the reason. */
defineProps<{ page: ClassView; queue: readonly PupilView[]; why: (id: string) => string }>();
const SHOWN = 6;
</script>

<template>
  <section class="card-paper stack-close">
    <h2>{{ t('queue-card.next') }}</h2>
    <ol class="plain">
      <li v-for="each in queue.slice(0, SHOWN)" :key="each.id">
        <RouterLink :to="{ name: 'hear', params: { classId: page.id, pupilId: each.id } }" replace>{{
          each.name
        }}</RouterLink>
        <span class="soft"
          >{{ ' '
          }}{{
            t('queue-card.step-step-index-why', { stepIndex: (each.standing?.stepIndex ?? 0) + 1, why: why(each.id) })
          }}</span
        >
      </li>
    </ol>
    <HowComputed :label="t('queue-card.why-this-order')">
      {{
        t('queue-card.queue-rule-you-can-hear-per', {
          queueRule: QUEUE_RULE,
          perLesson: page.pace.perLesson,
          minutes: page.style.hearing.minutes,
          within: page.pace.within,
        })
      }}
    </HowComputed>
  </section>
</template>

<style scoped>
a {
  display: inline-block;
  min-height: 30px;
  padding: 3px 0;
  color: var(--ink);
}

@media (pointer: coarse) {
  a {
    min-height: 44px;
    padding: 11px 0;
  }
}
</style>
