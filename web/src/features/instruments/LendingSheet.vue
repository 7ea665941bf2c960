<script setup lang="ts">
import type { InstrumentDesk } from '@escalier/server/api';
import { computed } from 'vue';
import { className } from './words.ts';

/** The printed list: who has which number, with room to sign for its return. */
const props = defineProps<{ desk: InstrumentDesk; classId: string }>();
const rows = computed(() =>
  props.desk.instruments
    .flatMap((each) => each.loans.map((loan) => ({ number: each.number, condition: each.condition, ...loan })))
    .filter((row) => props.classId === '' || row.classId === props.classId)
    .toSorted((a, b) => a.pupil.localeCompare(b.pupil)),
);
</script>

<template>
  <section class="sheet">
    <h1>Instruments{{ classId === '' ? '' : `, ${className(desk.classes, classId)}` }}</h1>
    <table>
      <thead>
        <tr>
          <th scope="col">Pupil</th>
          <th v-if="classId === ''" scope="col">Class</th>
          <th scope="col">Number</th>
          <th scope="col">State</th>
          <th scope="col">Given back</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in rows" :key="row.id">
          <td>{{ row.pupil }}</td>
          <td v-if="classId === ''">{{ className(desk.classes, row.classId) }}</td>
          <td>{{ row.number }}</td>
          <td>{{ row.condition }}</td>
          <td />
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
.sheet {
  display: none;
}

table {
  width: 100%;
  border-collapse: collapse;
}

th,
td {
  padding: 5px 10px;
  border: 1px solid #888;
  text-align: left;
}

th:last-child {
  width: 35%;
}

@media print {
  .sheet {
    display: block;
  }
}
</style>
