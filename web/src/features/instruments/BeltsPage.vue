<script setup lang="ts">
import { belt, isBeltId } from '@escalier/core/staircase';
import type { BeltDesk, BeltStock, ClassBelts, EarnedBelt } from '@escalier/server/api';
import { computed, onMounted, ref, shallowRef } from 'vue';
import { api, ApiError, ask } from '../../api.ts';
import BeltBand from '../../ui/BeltBand.vue';
import HowComputed from '../../ui/HowComputed.vue';
import LoadState from '../../ui/LoadState.vue';
import { mergeChanges } from '../../ui/merge.ts';
import SaveBar from '../../ui/SaveBar.vue';
import { useLoad } from '../../ui/use-load.ts';
import { useSave } from '../../ui/use-save.ts';
import { SchoolHead } from '../schools/index.ts';
import { beltNeeds, stockWords, waitingBelts } from './belt-needs.ts';
import HandOutCard from './HandOutCard.vue';

const desk = shallowRef<BeltDesk | null>(null);
const stock = ref<{ -readonly [Key in keyof BeltStock]: BeltStock[Key] }[]>([]);
const { busy, stored, fault, fields, save } = useSave();
const { error, load } = useLoad(async () => show(await ask(api.belts.$get())));
onMounted(load);

function show(next: BeltDesk): void {
  desk.value = next;
  stock.value = next.stock.map((each) => ({ ...each }));
}

const earned = shallowRef<readonly ClassBelts[]>([]);
const { load: loadEarned } = useLoad(async () => {
  earned.value = await ask(api.belts.earned.$get());
});
onMounted(loadEarned);
const { reason: giveFault, save: saveGiven } = useSave();
async function give(belts: readonly EarnedBelt[], given: boolean): Promise<void> {
  const json = { belts: belts.map(({ pupilId, stepId }) => ({ pupilId, stepId })), given };
  await saveGiven(async () => (earned.value = await ask(api.belts.given.$put({ json }))));
  // Also after a refusal: the list shows what the school has.
  await Promise.all([load(), loadEarned()]);
}

const needs = computed(() =>
  desk.value === null ? [] : beltNeeds(desk.value.classes, stock.value, waitingBelts(earned.value)),
);

async function store(): Promise<void> {
  await save(async () => {
    const put = (all: readonly BeltStock[]) => {
      const was = new Map(desk.value!.stock.map((each) => [each.belt, JSON.stringify(each)]));
      const changed = all.filter((each) => JSON.stringify(each) !== was.get(each.belt));
      const belts = changed.flatMap((each) => (isBeltId(each.belt) ? [{ ...each, belt: each.belt }] : []));
      return ask(api.belts.$put({ json: { belts } }));
    };
    try {
      show(await put(stock.value));
    } catch (problem) {
      if (!(problem instanceof ApiError) || problem.code !== 'changed') throw problem;
      await rebase();
      show(await put(stock.value));
    }
  });
}

/** Belts that were handed out meanwhile stay counted: what was typed here goes on top of it. */
async function rebase(): Promise<void> {
  const [before, theirs] = [desk.value!.stock, await ask(api.belts.$get())];
  desk.value = theirs;
  stock.value = theirs.stock.map((now, index) => mergeChanges(before[index]!, stock.value[index]!, now).merged);
}

function stockOf(id: string) {
  return stock.value.find((each) => each.belt === id)!;
}
</script>

<template>
  <LoadState v-if="desk === null" :error="error" what="the belts" @again="load" />
  <div v-else class="page-grid">
    <SchoolHead
      lead="Passes so far, and those still to come at the pace of each pupil until the end of the term: so many belts to have ready."
    />
    <HandOutCard :earned="earned" :stock="desk.stock" :fault="giveFault" @give="give" />
    <form class="card-paper no-print" novalidate @submit.prevent="store">
      <p v-if="needs.length === 0" class="soft">No class climbs any stairs yet.</p>
      <table v-else>
        <thead>
          <tr>
            <th scope="col">Belt</th>
            <th scope="col" class="figure">Passed</th>
            <th scope="col" class="figure">To come</th>
            <th scope="col">In stock</th>
            <th scope="col">What is missing</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="need in needs" :key="need.belt">
            <th scope="row">
              <BeltBand :belt-id="need.belt" decorative class="band" />
              {{ isBeltId(need.belt) ? belt(need.belt).name : need.belt }}
            </th>
            <td class="figure">{{ need.passed }}</td>
            <td class="figure">
              {{ need.likely }}<template v-if="need.atMost > need.likely"> to {{ need.atMost }}</template>
            </td>
            <td>
              <span class="stock">
                <input
                  v-model.number="stockOf(need.belt).onHand"
                  class="form-control short"
                  type="number"
                  min="0"
                  :aria-label="`${need.belt}: in stock`"
                />
                <select v-model="stockOf(need.belt).way" class="form-select auto" :aria-label="`${need.belt}: made of`">
                  <option value="pieces">ready pieces</option>
                  <option value="cord">cm of cord</option>
                </select>
              </span>
              <span v-if="stockOf(need.belt).way === 'cord'" class="stock">
                <input
                  v-model.number="stockOf(need.belt).cmEach"
                  class="form-control short"
                  type="number"
                  min="0"
                  :aria-label="`${need.belt}: centimetres for a child`"
                />
                cm each, +
                <input
                  v-model.number="stockOf(need.belt).reservePercent"
                  class="form-control short"
                  type="number"
                  min="0"
                  :aria-label="`${need.belt}: reserve in percent`"
                />
                %
              </span>
            </td>
            <td>
              <strong :class="{ missing: need.missing > 0 }">{{ stockWords(need) }}</strong>
              <HowComputed>
                <p v-for="line in need.sums" :key="line">{{ line }}</p>
              </HowComputed>
            </td>
          </tr>
        </tbody>
      </table>
      <p v-if="Object.keys(fields).length > 0" class="missing" role="alert">{{ Object.values(fields)[0] }}</p>
      <SaveBar v-if="needs.length > 0" :busy="busy" :stored="stored" :fault="fault" label="Store what is in stock" />
    </form>
  </div>
</template>

<style scoped>
form {
  display: grid;
  gap: 12px;
}

table {
  width: 100%;
}

th,
td {
  padding: 8px 12px 8px 0;
  border-bottom: 1px solid var(--line);
  text-align: left;
  vertical-align: top;
}

tbody th {
  min-width: 84px;
}

.band {
  width: 110px;
  height: 16px;
  margin-bottom: 2px;
}

.figure {
  font-size: 1.15rem;
  text-align: right;
  padding-right: 24px;
  white-space: nowrap;
}

thead .figure {
  font-size: inherit;
}

.stock {
  display: flex;
  gap: 6px;
  align-items: center;
  margin-bottom: 6px;
  white-space: nowrap;
}

.short {
  display: inline-block;
  width: 92px;
}

.missing {
  color: var(--brick);
}

@media (max-width: 900px) {
  .figure {
    padding-right: 12px;
  }

  .band {
    width: 70px;
  }

  .short {
    width: 76px;
  }
}
</style>
