<script setup lang="ts">
import type { BeltStock, ClassBelts, EarnedBelt } from '@escalier/contract/instruments';
import { belt, isBeltId } from '@escalier/core/staircase';
import { computed, ref } from 'vue';
import BeltBand from '../../ui/BeltBand.vue';
import { plural } from '../../ui/plural.ts';
import { dayOfMoment } from '../../ui/dates.ts';
import { useSession } from '../schools/index.ts';

/** Who gets which belt: a list to take along, and to tick. */
const props = defineProps<{ earned: readonly ClassBelts[]; stock: readonly BeltStock[]; error: string | null }>();
defineEmits<{ give: [belts: readonly EarnedBelt[], given: boolean] }>();

const session = useSession();
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
  <section class="card-paper stack" aria-label="To hand out">
    <div class="line">
      <h2 class="grow">
        {{
          waiting.length === 0
            ? 'Every belt has been handed out'
            : `${plural(waiting.length, 'belt', 'belts')} to hand out`
        }}
      </h2>
      <BFormCheckbox v-model="withGiven" class="no-print">show those given</BFormCheckbox>
      <BButton v-if="waiting.length > 0" class="no-print" @click="printList">Print the list</BButton>
    </div>
    <BAlert v-if="error !== null" variant="danger" :model-value="true">{{ error }}</BAlert>
    <div v-for="list in lists" :key="list.id">
      <div class="line">
        <h3 class="grow">{{ list.name }}</h3>
        <BButton v-if="list.waiting.length > 1" class="no-print" size="sm" @click="$emit('give', list.waiting, true)">
          All {{ list.waiting.length }} given
        </BButton>
      </div>
      <ul class="plain ruled belts">
        <li v-for="each in list.shown" :key="`${each.pupilId} ${each.stepId}`">
          <BFormCheckbox
            :model-value="each.givenAt !== null"
            @update:model-value="$emit('give', [each], $event === true)"
          >
            <span class="belt">
              <span class="belt-chip"><BeltBand :belt-id="each.belt" decorative /></span>
              <span
                ><strong>{{ each.name }}</strong
                >, {{ nameOf(each.belt) }}
                <span class="soft"
                  >step {{ each.position }}, {{ dayOfMoment(each.passedAt, session.timeZone)
                  }}<span class="no-print">, {{ left(each.belt) }}</span></span
                ></span
              >
            </span>
          </BFormCheckbox>
        </li>
      </ul>
    </div>
  </section>
</template>

<style scoped>
.belts {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(100%, 330px), 1fr));
  gap: 0 18px;
}

.belt {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr);
  gap: 10px;
  align-items: center;
}
</style>
