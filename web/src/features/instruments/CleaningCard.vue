<script setup lang="ts">
import type { InstrumentDesk } from '@escalier/server/api';
import { useSave } from '../../ui/use-save.ts';
import { longDate, plural } from '../classes/index.ts';
import { className, numbersWords } from './words.ts';

/** What another class played last, before each of the next lessons. */
const props = defineProps<{ desk: InstrumentDesk; cleaned: (ids: readonly string[]) => Promise<void> }>();
const { busy, fault, save } = useSave();
type Call = InstrumentDesk['cleaning'][number];

function numbers(call: Call): string {
  return numbersWords(
    props.desk.instruments.filter((each) => call.instrumentIds.includes(each.id)).map((each) => each.number),
  );
}
</script>

<template>
  <section class="card-paper">
    <h2>To clean between classes</h2>
    <p v-if="desk.cleaning.length === 0" class="soft">
      Nothing in the next seven days: no instrument passes from class to class.
    </p>
    <ol>
      <li
        v-for="(call, index) in desk.cleaning.slice(0, 2)"
        :key="`${call.date}${call.at}${call.classId}${call.playedBy}`"
      >
        <p>
          Before <strong>{{ className(desk.classes, call.classId) }}</strong>, {{ longDate(call.date) }}, {{ call.at }}:
          {{ plural(call.instrumentIds.length, 'instrument', 'instruments') }} that
          {{ className(desk.classes, call.playedBy) }} played last.
        </p>
        <p class="soft">{{ call.instrumentIds.length === 1 ? 'Number' : 'Numbers' }} {{ numbers(call) }}</p>
        <BButton
          v-if="index === 0"
          size="sm"
          variant="outline-dark"
          :disabled="busy"
          @click="save(() => cleaned(call.instrumentIds))"
          >Cleaned now</BButton
        >
      </li>
    </ol>
    <p v-if="fault !== null" role="alert">{{ fault }}</p>
  </section>
</template>

<style scoped>
ol {
  margin: 0;
  padding: 0;
  list-style: none;
}

li {
  display: grid;
  gap: 4px;
  justify-items: start;
  padding: 8px 0;
  border-bottom: 1px solid var(--line);
}
</style>
