<script setup lang="ts">
import HowComputed from '../../ui/HowComputed.vue';
import { QUEUE_RULE, type ClassView, type PupilView } from '../classes/index.ts';

/** Who comes after that, each with the reason. */
defineProps<{ page: ClassView; queue: readonly PupilView[]; why: (id: string) => string }>();
const SHOWN = 6;
</script>

<template>
  <section class="card-paper stack-close">
    <h2>Next</h2>
    <ol class="plain">
      <li v-for="each in queue.slice(0, SHOWN)" :key="each.id">
        <RouterLink :to="{ name: 'hear', params: { classId: page.id, pupilId: each.id } }" replace>{{
          each.name
        }}</RouterLink>
        <span class="soft"> step {{ (each.standing?.stepIndex ?? 0) + 1 }}, {{ why(each.id) }}</span>
      </li>
    </ol>
    <HowComputed label="Why this order?">
      {{ QUEUE_RULE }} {{ page.pace.perLesson }} fit into a lesson’s {{ page.style.hearing.minutes }} minutes, so nobody
      waits more than {{ page.pace.within }} lessons.
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
