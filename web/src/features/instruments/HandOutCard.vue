<script setup lang="ts">
import type { BeltStock, ClassBelts, EarnedBelt } from '@escalier/contract/instruments';
import { belt, isBeltId } from '@escalier/core/staircase';
import { computed, ref } from 'vue';
import BeltBand from '../../ui/BeltBand.vue';
import { dayOfMoment } from '../../ui/dates.ts';
import { useSession } from '../schools/index.ts';
import { counted } from '../../ui/count-messages.ts';
import { t } from './messages.ts';

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
  return t('hand-out-card.pieces-left', { pieces });
}

function printList(): void {
  window.print();
}
</script>

<template>
  <section class="card-paper stack" :aria-label="t('hand-out-card.to-hand-out')">
    <div class="line">
      <h2 class="grow">
        {{
          waiting.length === 0
            ? t('hand-out-card.all-belts-handed-out')
            : t('hand-out-card.belts-to-hand-out', { belts: counted('belts', { n: waiting.length }) })
        }}
      </h2>
      <BFormCheckbox v-model="withGiven" class="no-print">{{ t('hand-out-card.show-those-given') }}</BFormCheckbox>
      <BButton v-if="waiting.length > 0" class="no-print" @click="printList">{{
        t('hand-out-card.print-the-list')
      }}</BButton>
    </div>
    <BAlert v-if="error !== null" variant="danger" :model-value="true">{{ error }}</BAlert>
    <div v-for="list in lists" :key="list.id">
      <div class="line">
        <h3 class="grow">{{ list.name }}</h3>
        <BButton v-if="list.waiting.length > 1" class="no-print" size="sm" @click="$emit('give', list.waiting, true)">
          {{ t('hand-out-card.all-waiting-count-given', { waitingCount: list.waiting.length }) }}
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
                  >{{
                    t('hand-out-card.step-position-day', {
                      position: each.position,
                      day: dayOfMoment(each.passedAt, session.timeZone),
                    })
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
