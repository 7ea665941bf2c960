<script setup lang="ts">
import { lessonsOf, termDays, type LocalDate, type Meeting, type Term, type TermDay } from '@escalier/core/calendar';
import { computed } from 'vue';
import { longDate, shortDate } from '../../ui/dates.ts';
import { WEEKDAYS } from './words.ts';
import { counted } from '../../ui/count-messages.ts';
import { t } from './messages.ts';

/** A term week by week: days off are hatched, lessons of a class are filled, weeks and days carry their letters. */
const props = defineProps<{ term: Term; meetings?: readonly Meeting[] | undefined; today?: string | undefined }>();

const days = computed(() => termDays(props.term));
const lessons = computed(() => new Set(lessonsOf(props.term, props.meetings ?? []).map((lesson) => lesson.date)));
const lastColumn = computed(() =>
  Math.max(5, ...days.value.filter((day) => lessons.value.has(day.date)).map((day) => day.weekday)),
);
const weeks = computed(() => {
  const rows: { monday: LocalDate; week: 'A' | 'B'; days: (TermDay | null)[] }[] = [];
  for (const day of days.value) {
    if (rows.length === 0 || day.weekday === 1)
      rows.push({ monday: day.date, week: day.week, days: Array.from({ length: lastColumn.value }, () => null) });
    if (day.weekday <= lastColumn.value) rows.at(-1)!.days[day.weekday - 1] = day;
  }
  return rows.filter((row) => row.days.some((day) => day !== null));
});
const schoolDays = computed(() => days.value.filter((day) => day.off === null && day.weekday <= 5).length);

function words(day: TermDay): string {
  const about = [day.off?.reason, lessons.value.has(day.date) ? 'lesson' : undefined].filter((each) => each);
  return `${longDate(day.date)}${about.length > 0 ? `: ${about.join(', ')}` : ''}`;
}

function mark(day: TermDay): string {
  return day.cycleDay === null ? '' : String(day.cycleDay);
}
</script>

<template>
  <figure>
    <table>
      <caption class="visually-hidden">
        {{
          t('term-picture.the-term-week-by-week')
        }}
      </caption>
      <thead>
        <tr>
          <th scope="col">
            <span class="visually-hidden">{{ t('term-picture.week-from') }}</span>
          </th>
          <th v-for="name in WEEKDAYS.slice(0, lastColumn)" :key="name" scope="col">{{ name.slice(0, 2) }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in weeks" :key="row.monday">
          <th scope="row">
            {{ shortDate(row.monday) }} <span class="letter">{{ row.week }}</span>
          </th>
          <td v-for="(day, index) in row.days" :key="index">
            <span
              v-if="day !== null"
              class="day"
              :class="{
                off: day.off !== null,
                lesson: lessons.has(day.date) && day.off === null,
                today: day.date === today,
              }"
              ><span class="visually-hidden">{{ words(day) }}</span
              ><span aria-hidden="true">{{ mark(day) }}</span></span
            >
          </td>
        </tr>
      </tbody>
    </table>
    <figcaption class="soft">
      {{ counted('weeks', { n: weeks.length }) }}, {{ counted('school-days', { n: schoolDays })
      }}<template v-if="meetings !== undefined">, {{ counted('lessons', { n: lessons.size }) }}</template
      >.
      <span class="legend"><i class="day off" aria-hidden="true" /> {{ t('term-picture.off') }}</span>
      <span v-if="meetings !== undefined" class="legend"
        ><i class="day lesson" aria-hidden="true" /> {{ t('term-picture.lesson') }}</span
      >
    </figcaption>
  </figure>
</template>

<style scoped lang="scss">
figure {
  width: min-content;
  margin: 0;
}

table {
  border-spacing: 3px;
  border-collapse: separate;
}

th {
  padding-right: 8px;
  font-size: var(--text-small);
  font-weight: 400;
  text-align: left;
  white-space: nowrap;
}

thead th {
  padding: 0;
  text-align: center;
}

.letter {
  display: inline-block;
  min-width: 1.2em;
  color: var(--ink-soft);
  text-align: center;
}

.day {
  display: grid;
  place-items: center;
  width: 34px;
  height: 20px;
  border: 1.5px solid var(--line-strong);
  background: var(--card);
  font-size: var(--text-small);
}

.day.lesson {
  border-color: var(--ink);
  background: var(--ink);
  color: var(--white);
}

.day.off {
  background: repeating-linear-gradient(-52deg, var(--hatch) 0 2px, transparent 2px 6px) var(--stone);
}

.day.today {
  outline: 2px dotted var(--brick);
  outline-offset: 1px;
}

figcaption {
  margin-top: 4px;
}

.legend {
  display: inline-flex;
  align-items: center;
  gap: 5px;
  margin-left: 10px;
}
</style>
