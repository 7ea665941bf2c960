<script setup lang="ts">
import { type StaircaseChoice, staircaseList } from '@escalier/contract/staircases';
import { instrument, type InstrumentId } from '@escalier/core/instruments';
import { onMounted, shallowRef } from 'vue';
import { api, ask } from '../../api.ts';
import LoadState from '../../ui/LoadState.vue';
import { useLoad } from '../../ui/use-load.ts';
import { t } from './messages.ts';

/** All staircases of the school. */
const staircases = shallowRef<readonly StaircaseChoice[] | null>(null);
const { error, load } = useLoad(async () => {
  staircases.value = await ask(api.staircases.$get(), staircaseList);
});
onMounted(load);

const FIELDS = [
  { key: 'name', label: t('staircases-page.staircase'), isRowHeader: true, sortable: true },
  { key: 'instrument', label: t('staircases-page.instrument') },
  { key: 'steps', label: t('staircases-page.steps'), sortable: true },
  { key: 'classes', label: t('staircases-page.used-by') },
];
</script>

<template>
  <LoadState v-if="staircases === null" :error="error" :what="t('staircases-page.the-staircases')" @again="load" />
  <div v-else class="page-grid">
    <header class="page-head">
      <div>
        <h1>{{ t('staircases-page.staircases') }}</h1>
        <p class="soft">{{ t('staircases-page.a-units-tunes-in-the-order') }}</p>
      </div>
      <BButton role="link" :to="{ name: 'compare-staircases' }">{{ t('staircases-page.compare-two') }}</BButton>
      <BButton role="link" variant="primary" :to="{ name: 'make-staircase' }">{{
        t('staircases-page.make-a-staircase')
      }}</BButton>
    </header>
    <section class="card-paper">
      <BTable :items="staircases" :fields="FIELDS" stacked="md" hover>
        <template #cell(name)="{ item }">
          <RouterLink :to="{ name: 'staircase', params: { staircaseId: item.id } }">{{ item.name }}</RouterLink>
        </template>
        <template #cell(instrument)="{ item }">{{ instrument(item.instrumentId as InstrumentId).shortName }}</template>
        <template #cell(classes)="{ item }">
          <span v-if="item.classes.length === 0" class="soft">{{ t('staircases-page.no-class-yet') }}</span>
          <template v-else>{{ item.classes.join(', ') }}</template>
        </template>
      </BTable>
    </section>
  </div>
</template>
