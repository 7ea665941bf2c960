<script setup lang="ts">
import type { ClassCalendar } from '@escalier/server/api';
import { lessonsBefore } from '@escalier/core/calendar';
import { computed, ref } from 'vue';
import { shortDate } from '../classes/index.ts';

/** Parallel groups beside each other: how many lessons each has had, has left, and who falls behind. */
const props = defineProps<{ calendar: ClassCalendar; today: string }>();
const until = ref('');
const before = computed(() => lessonsBefore(props.calendar.lessons, props.today, until.value));
const most = computed(() => Math.max(1, ...props.calendar.groups.map((group) => group.total)));
const behind = computed(() => props.calendar.groups.filter((group) => group.behind > 0 || group.behindAtEnd > 0));
</script>

<template>
  <section class="card-paper">
    <h2>Parallel groups</h2>
    <p v-if="calendar.groups.length < 2" class="soft">No other class of this grade in this term.</p>
    <template v-else>
      <table>
        <thead>
          <tr>
            <th scope="col">Class</th>
            <th scope="col">Had</th>
            <th scope="col">Left</th>
            <th scope="col"><span class="visually-hidden">Picture</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="group in calendar.groups" :key="group.id">
            <th scope="row">{{ group.name }}</th>
            <td>{{ group.had }}</td>
            <td>
              {{ group.left }}<template v-if="group.leftAtHome > 0"> ({{ group.leftAtHome }} at home)</template>
            </td>
            <td class="picture" aria-hidden="true">
              <span class="had" :style="{ width: `${(100 * group.had) / most}%` }" />
              <span class="left" :style="{ width: `${(100 * group.left) / most}%` }" />
            </td>
          </tr>
        </tbody>
      </table>
      <p v-for="group in behind" :key="group.id">
        <strong>{{ group.name }}</strong>
        <template v-if="group.behind > 0 && group.behindSince !== null">
          is {{ group.behind }} {{ group.behind === 1 ? 'lesson' : 'lessons' }} behind, since
          {{ shortDate(group.behindSince) }}</template
        ><template v-if="group.behind > 0 && group.behindAtEnd > 0">;</template>
        <template v-if="group.behindAtEnd > 0"> has {{ group.behindAtEnd }} fewer by the end of the term</template>.
      </p>
      <p v-if="behind.length === 0">They are level.</p>
    </template>
    <div class="until">
      <label for="until">Lessons before a day, such as a concert</label>
      <input id="until" v-model="until" class="form-control" type="date" />
      <p v-if="until !== ''" role="status">
        <strong>{{ before.length }}</strong> {{ before.length === 1 ? 'lesson' : 'lessons' }} from today on<template
          v-if="before.length > 0"
          >, the last on {{ shortDate(before.at(-1)!.date) }}</template
        >.
      </p>
    </div>
    <p v-if="calendar.lost.length > 0" class="soft">
      Days off cost this class {{ calendar.lost.length }} {{ calendar.lost.length === 1 ? 'lesson' : 'lessons' }}:
      {{ calendar.lost.map((lost) => `${shortDate(lost.date)} (${lost.reason})`).join(', ') }}.
    </p>
  </section>
</template>

<style scoped>
.until {
  display: grid;
  gap: 4px;
  justify-items: start;
  margin: 8px 0;
}

.until input {
  width: auto;
}

table {
  width: 100%;
  margin: 6px 0;
}

th,
td {
  padding: 4px 10px 4px 0;
  text-align: left;
}

.picture {
  display: flex;
  width: 100%;
  min-width: 120px;
}

.picture span {
  height: 16px;
}

.had {
  background: var(--ink);
}

.left {
  border: 2px solid var(--ink);
  background: var(--stone);
}
</style>
