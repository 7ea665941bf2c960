<script setup lang="ts">
import type { ClassCalendar } from '@escalier/contract/terms';
import { lessonsBefore, type LocalDate } from '@escalier/core/calendar';
import { computed, ref } from 'vue';
import { shortDate } from '../../ui/dates.ts';
import TextField from '../../ui/TextField.vue';
import { counted } from '../../ui/count-messages.ts';
import { t } from './messages.ts';

/** Parallel groups beside each other: how many lessons each has been taught and has left, and who falls behind. */
const props = defineProps<{ calendar: ClassCalendar; today: LocalDate }>();
const until = ref<LocalDate | ''>('');
const before = computed(() =>
  until.value === '' ? [] : lessonsBefore(props.calendar.lessons, props.today, until.value),
);
const most = computed(() => Math.max(1, ...props.calendar.groups.map((group) => group.total)));
const behind = computed(() => props.calendar.groups.filter((group) => group.behind > 0 || group.behindAtEnd > 0));
const FIELDS = [
  { key: 'name', label: t('groups-card.class'), isRowHeader: true },
  { key: 'had', label: t('groups-card.taught') },
  { key: 'left', label: t('groups-card.left') },
  { key: 'picture', label: t('groups-card.taught-and-left') },
];
</script>

<template>
  <section class="card-paper stack">
    <h2>{{ t('groups-card.parallel-groups') }}</h2>
    <p v-if="calendar.groups.length < 2" class="soft">{{ t('groups-card.no-other-class-in-this-year') }}</p>
    <template v-else>
      <BTable small :items="calendar.groups" :fields="FIELDS">
        <template #cell(left)="{ item }"
          >{{ item.left
          }}<template v-if="item.leftAtHome > 0"
            >{{ ' ' }}{{ t('groups-card.left-at-home-at-home', { leftAtHome: item.leftAtHome }) }}</template
          ></template
        >
        <template #cell(picture)="{ item }">
          <BProgress class="lessons" :max="most" aria-hidden="true">
            <BProgressBar :value="item.had" variant="dark" />
            <BProgressBar :value="item.left" variant="light" />
          </BProgress>
        </template>
      </BTable>
      <p v-for="group in behind" :key="group.id">
        <strong>{{ group.name }}</strong>
        <template v-if="group.behind > 0 && group.behindSince !== null"
          >{{ ' '
          }}{{
            t('groups-card.is-lessons-behind-since-date', {
              lessons: counted('lessons', { n: group.behind }),
              date: shortDate(group.behindSince),
            })
          }}</template
        ><template v-if="group.behind > 0 && group.behindAtEnd > 0">;</template>
        <template v-if="group.behindAtEnd > 0"
          >{{ ' ' }}{{ t('groups-card.has-behind-at-end-fewer-by', { behindAtEnd: group.behindAtEnd }) }}</template
        >.
      </p>
      <p v-if="behind.length === 0">{{ t('groups-card.they-are-level') }}</p>
    </template>
    <TextField v-model="until" :label="t('groups-card.lessons-before-a-date-a-concert')" type="date" />
    <p v-if="until !== ''" role="status">
      <strong>{{ counted('lessons', { n: before.length }) }}</strong> {{ t('groups-card.from-today')
      }}<template v-if="before.length > 0">{{
        t('groups-card.the-last-on-date', { date: shortDate(before.at(-1)!.date) })
      }}</template
      >.
    </p>
    <p v-if="calendar.lost.length > 0" class="soft">
      {{
        t('groups-card.days-off-cost-this-class-lessons', {
          lessons: counted('lessons', { n: calendar.lost.length }),
          list: calendar.lost.map((lost) => `${shortDate(lost.date)} (${lost.reason})`).join(', '),
        })
      }}
    </p>
  </section>
</template>

<style scoped>
.lessons {
  min-width: 100px;
  height: 16px;
  margin-top: 3px;
}

.lessons :deep(.bg-light) {
  border: 2px solid var(--ink);
  background: var(--stone);
}

.lessons :deep(.bg-dark) {
  background: var(--ink);
}
</style>
