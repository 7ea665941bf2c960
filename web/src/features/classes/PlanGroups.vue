<script setup lang="ts">
import type { ClassCalendar } from '@escalier/contract/terms';
import { computed } from 'vue';
import { shortDate } from '../../ui/dates.ts';
import { plural } from '../../ui/plural.ts';
import type { ClassView } from './project.ts';
import { waysLevel, type UnitPlan } from '@escalier/core/classes';
import { wayWords } from './unit-words.ts';

/** How this class stands beside the parallel ones, and what would bring it level by when. */
const props = defineProps<{ page: ClassView; plan: UnitPlan; calendar: ClassCalendar }>();
const own = computed(() => props.calendar.groups.find((group) => group.id === props.page.id) ?? null);
const behind = computed(() => Math.max(own.value?.behind ?? 0, own.value?.behindAtEnd ?? 0));
const ways = computed(() => waysLevel(props.page, props.plan, behind.value));
</script>

<template>
  <section v-if="calendar.groups.length > 1 && own !== null" class="card-paper stack-close no-print">
    <template v-if="behind === 0">
      <h2>No parallel group is ahead</h2>
      <p>Their days for the same lessons stand beside yours.</p>
    </template>
    <template v-else>
      <h2>{{ plural(behind, 'lesson', 'lessons') }} behind a parallel group</h2>
      <p>
        {{ own.behind }} today, {{ own.behindAtEnd }} by the end of the term<template v-if="own.behindSince !== null"
          >, since {{ shortDate(own.behindSince) }}</template
        >. Level again by:
      </p>
      <ul class="plain ruled">
        <li v-for="{ way, by } in ways" :key="`${way.kind}${way.step}`" class="d-flex gap-3 align-items-center">
          <span class="grow">{{ wayWords(way, page.steps) }}</span>
          <strong>{{ by === null ? 'after the term' : shortDate(by) }}</strong>
        </li>
      </ul>
      <p v-if="ways.length === 0">No single change saves that many lessons: combine two of those above.</p>
    </template>
  </section>
</template>
