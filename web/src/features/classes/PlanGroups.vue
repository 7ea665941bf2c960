<script setup lang="ts">
import type { ClassCalendar } from '@escalier/contract/terms';
import { computed } from 'vue';
import { shortDate } from '../../ui/dates.ts';
import type { ClassView } from './project.ts';
import { waysLevel, type UnitPlan } from '@escalier/core/classes';
import { wayWords } from './unit-words.ts';
import { counted } from '../../ui/count-messages.ts';
import { t } from './messages.ts';

/** How this class stands beside the parallel ones, and what would bring it level by when. */
const props = defineProps<{ page: ClassView; plan: UnitPlan; calendar: ClassCalendar }>();
const own = computed(() => props.calendar.groups.find((group) => group.id === props.page.id) ?? null);
const behind = computed(() => Math.max(own.value?.behind ?? 0, own.value?.behindAtEnd ?? 0));
const ways = computed(() => waysLevel(props.page, props.plan, behind.value));
</script>

<template>
  <section v-if="calendar.groups.length > 1 && own !== null" class="card-paper stack-close no-print">
    <template v-if="behind === 0">
      <h2>{{ t('plan-groups.no-parallel-class-is-ahead') }}</h2>
      <p>{{ t('plan-groups.their-dates-for-the-same-lessons') }}</p>
    </template>
    <template v-else>
      <h2>{{ t('plan-groups.lessons-behind-a-parallel-class', { lessons: counted('lessons', { n: behind }) }) }}</h2>
      <p>
        {{ t('plan-groups.behind-today-behind-at-end-by', { behind: own.behind, behindAtEnd: own.behindAtEnd })
        }}<template v-if="own.behindSince !== null">{{
          t('plan-groups.since-date', { date: shortDate(own.behindSince) })
        }}</template
        >{{ t('plan-groups.to-catch-up') }}
      </p>
      <ul class="plain ruled">
        <li v-for="{ way, by } in ways" :key="`${way.kind}${way.step}`" class="d-flex gap-3 align-items-center">
          <span class="grow">{{ wayWords(way, page.steps) }}</span>
          <strong>{{ by === null ? t('plan-groups.after-the-term') : shortDate(by) }}</strong>
        </li>
      </ul>
      <p v-if="ways.length === 0">{{ t('plan-groups.no-single-change-saves-that-many') }}</p>
    </template>
  </section>
</template>
