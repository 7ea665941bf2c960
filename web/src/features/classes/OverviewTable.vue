<script setup lang="ts">
import type { ClassSummary } from '@escalier/server/api';
import { computed } from 'vue';
import { RouterLink } from 'vue-router';
import { plural, shortDate } from './words.ts';

/** All classes in few lines: the next to be met first. */
const props = defineProps<{ classes: readonly ClassSummary[] }>();
const sorted = computed(() => props.classes.toSorted((a, b) => when(a).localeCompare(when(b))));

function when({ lessons }: ClassSummary): string {
  return lessons.next === null ? '9' : `${lessons.next.date} ${lessons.next.at}`;
}

function passedOf(each: ClassSummary): string {
  const above = each.onStep.slice(each.classStep + 1).reduce((sum, count) => sum + count, 0);
  return `${above} of ${each.pupils}`;
}
</script>

<template>
  <div class="card-paper scroll">
    <table>
      <thead>
        <tr>
          <th scope="col">Class</th>
          <th scope="col">Next lesson</th>
          <th scope="col">On step</th>
          <th scope="col">Passed it</th>
          <th scope="col">Nearly</th>
          <th scope="col">Stuck</th>
          <th scope="col">Not heard for longest</th>
          <th scope="col">Lessons had</th>
          <th scope="col">Left</th>
          <th scope="col">Lost</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="each in sorted" :key="each.id">
          <th scope="row">
            <RouterLink :to="{ name: 'class', params: { classId: each.id } }">{{ each.name }}</RouterLink>
          </th>
          <td>
            {{ each.lessons.next === null ? 'none' : `${shortDate(each.lessons.next.date)}, ${each.lessons.next.at}` }}
          </td>
          <td>{{ each.classStep === each.belts.length ? 'all passed' : each.classStep + 1 }}</td>
          <td>{{ each.classStep === each.belts.length ? '' : passedOf(each) }}</td>
          <td>{{ each.nearly }}</td>
          <td>{{ each.stuck }}</td>
          <td>
            <RouterLink
              v-if="each.waits !== null"
              :to="{ name: 'hear', params: { classId: each.id, pupilId: each.waits.id } }"
              >{{ each.waits.name }}, {{ plural(each.waits.lessons, 'lesson', 'lessons') }}</RouterLink
            >
            <template v-else>nobody</template>
          </td>
          <td>{{ each.lessons.had }} of {{ each.lessons.total }}</td>
          <td>{{ each.lessons.left }}</td>
          <td>{{ each.lessons.lost }}</td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.scroll {
  overflow-x: auto;
}

table {
  width: 100%;
}

th,
td {
  padding: 8px 14px 8px 0;
  border-bottom: 1px solid var(--line);
  text-align: left;
  white-space: nowrap;
}

thead th {
  border-bottom: 2px solid var(--ink);
  font-size: 14px;
}

a {
  color: var(--ink);
}
</style>
