<script setup lang="ts">
import { belt, isBeltId } from '@escalier/core/staircase';
import type { BeltStock, ClassBelts, EarnedBelt } from '@escalier/server/api';
import { computed, ref } from 'vue';
import BeltBand from '../../ui/BeltBand.vue';
import { plural } from '../../ui/plural.ts';
import { shortDate } from '../classes/index.ts';

/** Who gets which belt: a list to take along, and to tick. */
const props = defineProps<{ earned: readonly ClassBelts[]; stock: readonly BeltStock[]; fault: string | null }>();
defineEmits<{ give: [belts: readonly EarnedBelt[], given: boolean] }>();

const withGiven = ref(false);
const waiting = computed(() => props.earned.flatMap((each) => each.earned).filter((each) => each.givenAt === null));
const lists = computed(() =>
  props.earned
    .map((each) => ({
      ...each,
      shown: each.earned.filter((one) => withGiven.value || one.givenAt === null),
      waiting: each.earned.filter((one) => one.givenAt === null),
    }))
    .filter((each) => each.shown.length > 0),
);

function nameOf(id: string): string {
  return isBeltId(id) ? belt(id).name : id;
}

function left(id: string): string {
  const stock = props.stock.find((each) => each.belt === id);
  if (stock === undefined) return '';
  const pieces = stock.way === 'cord' ? Math.floor(stock.onHand / Math.max(1, stock.cmEach)) : stock.onHand;
  return `${pieces} left`;
}

function printList(): void {
  window.print();
}
</script>

<template>
  <section class="card-paper" aria-label="To hand out">
    <div class="head">
      <h2>
        {{
          waiting.length === 0 ? 'Every belt is handed out' : `${plural(waiting.length, 'belt', 'belts')} to hand out`
        }}
      </h2>
      <label class="no-print"
        ><input v-model="withGiven" class="form-check-input" type="checkbox" /> also those given</label
      >
      <BButton v-if="waiting.length > 0" class="no-print" variant="outline-dark" @click="printList"
        >Print the list</BButton
      >
    </div>
    <p v-if="fault !== null" class="fault" role="alert">{{ fault }}</p>
    <div v-for="list in lists" :key="list.id" class="class">
      <div class="head">
        <h3>{{ list.name }}</h3>
        <BButton
          v-if="list.waiting.length > 1"
          class="no-print"
          size="sm"
          variant="outline-dark"
          @click="$emit('give', list.waiting, true)"
        >
          All {{ list.waiting.length }} given
        </BButton>
      </div>
      <ul>
        <li v-for="each in list.shown" :key="`${each.pupilId} ${each.stepId}`">
          <label>
            <input
              class="form-check-input"
              type="checkbox"
              :checked="each.givenAt !== null"
              @change="$emit('give', [each], each.givenAt === null)"
            />
            <span class="band"><BeltBand :belt-id="each.belt" decorative /></span>
            <span
              ><strong>{{ each.name }}</strong
              >, {{ nameOf(each.belt) }}
              <span class="soft"
                >step {{ each.position }}, {{ shortDate(each.passedAt)
                }}<span class="no-print">, {{ left(each.belt) }}</span></span
              ></span
            >
          </label>
        </li>
      </ul>
    </div>
  </section>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  align-items: center;
}

.head > :first-child {
  flex: 1;
}

.head label {
  display: inline-flex;
  gap: 8px;
  align-items: center;
  min-height: 44px;
}

.class {
  margin-top: 8px;
}

ul {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(330px, 1fr));
  gap: 0 18px;
  margin: 0;
  padding: 0;
  list-style: none;
}

li label {
  display: grid;
  grid-template-columns: 24px 44px 1fr;
  gap: 10px;
  align-items: center;
  min-height: 44px;
  border-bottom: 1px solid var(--line);
}

.band {
  overflow: hidden;
  border-radius: 3px;
}
</style>
