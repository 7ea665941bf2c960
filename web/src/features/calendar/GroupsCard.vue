<script setup lang="ts">
import type { ClassCalendar } from '@escalier/contract/terms';
import { lessonsBefore, type LocalDate } from '@escalier/core/calendar';
import { computed, ref } from 'vue';
import { shortDate } from '../../ui/dates.ts';
import { plural } from '../../ui/plural.ts';
import TextField from '../../ui/TextField.vue';

/** Parallel groups beside each other: how many lessons each has been taught and has left, and who falls behind. */
const props = defineProps<{ calendar: ClassCalendar; today: LocalDate }>();
const until = ref<LocalDate | ''>('');
const before = computed(() =>
  until.value === '' ? [] : lessonsBefore(props.calendar.lessons, props.today, until.value),
);
const most = computed(() => Math.max(1, ...props.calendar.groups.map((group) => group.total)));
const behind = computed(() => props.calendar.groups.filter((group) => group.behind > 0 || group.behindAtEnd > 0));
const FIELDS = [
  { key: 'name', label: 'Class', isRowHeader: true },
  { key: 'had', label: 'Taught' },
  { key: 'left', label: 'Left' },
  { key: 'picture', label: 'Taught and left' },
];
</script>

<template>
  <section class="card-paper stack">
    <h2>Parallel groups</h2>
    <p v-if="calendar.groups.length < 2" class="soft">No other class of this grade in this term.</p>
    <template v-else>
      <BTable small :items="calendar.groups" :fields="FIELDS">
        <template #cell(left)="{ item }"
          >{{ item.left }}<template v-if="item.leftAtHome > 0"> ({{ item.leftAtHome }} at home)</template></template
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
        <template v-if="group.behind > 0 && group.behindSince !== null">
          is {{ plural(group.behind, 'lesson', 'lessons') }} behind, since {{ shortDate(group.behindSince) }}</template
        ><template v-if="group.behind > 0 && group.behindAtEnd > 0">;</template>
        <template v-if="group.behindAtEnd > 0"> has {{ group.behindAtEnd }} fewer by the end of the term</template>.
      </p>
      <p v-if="behind.length === 0">They are level.</p>
    </template>
    <TextField v-model="until" label="Lessons before a date, such as a concert" type="date" />
    <p v-if="until !== ''" role="status">
      <strong>{{ plural(before.length, 'lesson', 'lessons') }}</strong> from today on<template v-if="before.length > 0"
        >, the last on {{ shortDate(before.at(-1)!.date) }}</template
      >.
    </p>
    <p v-if="calendar.lost.length > 0" class="soft">
      Days off cost this class {{ plural(calendar.lost.length, 'lesson', 'lessons') }}:
      {{ calendar.lost.map((lost) => `${shortDate(lost.date)} (${lost.reason})`).join(', ') }}.
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
