<script setup lang="ts">
import {
  BeltList,
  type BeltStock,
  type ClassBelts,
  type EarnedBelt,
  beltsOfClasses,
} from '@escalier/contract/instruments';
import { belt, isBeltId } from '@escalier/core/staircase';
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
import { t } from './messages.ts';

const belts = shallowRef<BeltList | null>(null);
const stock = ref<{ -readonly [Key in keyof BeltStock]: BeltStock[Key] }[]>([]);
const { busy, error: refused, fields, save } = useSave();
const earned = shallowRef<readonly ClassBelts[]>([]);
const { error, load } = useLoad(async () => {
  const [next, all] = await Promise.all([
    ask(api.belts.$get(), BeltList),
    ask(api.belts.earned.$get(), beltsOfClasses),
  ]);
  earned.value = all;
  show(next);
});
onMounted(load);

function show(next: BeltList): void {
  belts.value = next;
  stock.value = next.stock.map((each) => ({ ...each }));
}

const { reason: giveError, save: saveGiven } = useSave(null);
async function give(belts: readonly EarnedBelt[], given: boolean): Promise<void> {
  const json = { belts: belts.map(({ pupilId, stepId }) => ({ pupilId, stepId })), given };
  if (await saveGiven(async () => (earned.value = await ask(api.belts.given.$put({ json }), beltsOfClasses))))
    return rebase();
  // After a refusal the list shows what the school has.
  await load();
}

const needs = computed(() =>
  belts.value === null ? [] : beltNeeds(belts.value.classes, stock.value, waitingBelts(earned.value)),
);

async function submit(): Promise<void> {
  await save(async () => {
    const put = (all: readonly BeltStock[]) => {
      const was = new Map(belts.value!.stock.map((each) => [each.belt, JSON.stringify(each)]));
      const changed = all.filter((each) => JSON.stringify(each) !== was.get(each.belt));
      const sent = changed.flatMap((each) => (isBeltId(each.belt) ? [{ ...each, belt: each.belt }] : []));
      return ask(api.belts.$put({ json: { belts: sent } }), BeltList);
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
  const [before, theirs] = [belts.value!.stock, await ask(api.belts.$get(), BeltList)];
  belts.value = theirs;
  stock.value = theirs.stock.map((now, index) => mergeChanges(before[index]!, stock.value[index]!, now).merged);
}

const FIELDS = [
  { key: 'belt', label: t('belts-page.belt'), isRowHeader: true },
  { key: 'passed', label: t('belts-page.passed'), tdClass: 'figure' },
  { key: 'likely', label: t('belts-page.still-to-come'), tdClass: 'figure' },
  { key: 'stock', label: t('belts-page.in-stock') },
  { key: 'missing', label: t('belts-page.missing') },
];
const WAYS = [
  { value: 'pieces', text: t('belts-page.ready-pieces') },
  { value: 'cord', text: t('belts-page.cm-of-cord') },
] as const;

function stockOf(id: string) {
  return stock.value.find((each) => each.belt === id)!;
}
</script>

<template>
  <LoadState v-if="belts === null" :error="error" :what="t('belts-page.the-belts')" @again="load" />
  <div v-else class="page-grid">
    <SchoolHead :lead="t('belts-page.how-many-belts-to-have-ready')" />
    <HandOutCard :earned="earned" :stock="belts.stock" :error="giveError" @give="give" />
    <BForm class="card-paper stack no-print" novalidate @submit.prevent="submit">
      <p v-if="needs.length === 0" class="soft">{{ t('belts-page.no-class-has-stairs-yet') }}</p>
      <BTable v-else :items="needs" :fields="FIELDS" stacked="md">
        <template #cell(belt)="{ item }">
          <BeltBand :belt-id="item.belt" decorative class="band" />
          {{ isBeltId(item.belt) ? belt(item.belt).name : item.belt }}
        </template>
        <template #cell(likely)="{ item }"
          >{{ item.likely
          }}<template v-if="item.atMost > item.likely"
            >{{ ' ' }}{{ t('belts-page.to-at-most', { atMost: item.atMost }) }}</template
          ></template
        >
        <template #cell(stock)="{ item }">
          <span class="line">
            <BFormInput
              v-model.number="stockOf(item.belt).onHand"
              class="short"
              type="number"
              min="0"
              :aria-label="t('belts-page.belt-in-stock', { belt: item.belt })"
            />
            <BFormSelect
              v-model="stockOf(item.belt).way"
              class="auto"
              :options="WAYS"
              :aria-label="t('belts-page.belt-made-of', { belt: item.belt })"
            />
          </span>
          <span v-if="stockOf(item.belt).way === 'cord'" class="line">
            <BFormInput
              v-model.number="stockOf(item.belt).cmEach"
              class="short"
              type="number"
              min="0"
              :aria-label="t('belts-page.belt-centimetres-per-child', { belt: item.belt })"
            />
            {{ t('belts-page.cm-each') }}
            <BFormInput
              v-model.number="stockOf(item.belt).reservePercent"
              class="short"
              type="number"
              min="0"
              :aria-label="t('belts-page.belt-spare-in-percent', { belt: item.belt })"
            />
            %
          </span>
        </template>
        <template #cell(missing)="{ item }">
          <strong :class="{ missing: item.missing > 0 }">{{ stockWords(item) }}</strong>
          <HowComputed>
            <p v-for="line in item.sums" :key="line">{{ line }}</p>
          </HowComputed>
        </template>
      </BTable>
      <BAlert v-if="Object.keys(fields).length > 0" variant="danger" :model-value="true">{{
        Object.values(fields)[0]
      }}</BAlert>
      <SaveBar v-if="needs.length > 0" :busy="busy" :error="refused" :label="t('belts-page.save-stock')" />
    </BForm>
  </div>
</template>

<style scoped>
.band {
  width: 110px;
  height: 16px;
  margin-bottom: 2px;
}

:deep(.figure) {
  font-size: var(--text-large);
}

.line {
  margin-bottom: 6px;
}

.missing {
  color: var(--brick);
}
</style>
