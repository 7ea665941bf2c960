<script setup lang="ts">
import { StaircaseDto } from '@escalier/contract/staircases';
import { instrument, type InstrumentId } from '@escalier/core/instruments';
import { NOTHING_KNOWN } from '@escalier/core/reading';
import { newsOfSteps } from '@escalier/core/staircase';
import { computed, onMounted, ref, shallowRef } from 'vue';
import { api, ask } from '../../api.ts';
import LoadState from '../../ui/LoadState.vue';
import SelectField from '../../ui/SelectField.vue';
import { useLoad } from '../../ui/use-load.ts';
import { draftOf } from './draft.ts';
import DraftPicture from './DraftPicture.vue';
import { useLibraryProfiles } from './use-library-profiles.ts';
import { t } from './messages.ts';

/** The stairs for the wall: on one A3 sheet, or on two A4 sheets to be put side by side. */
const props = defineProps<{ staircaseId: string }>();
const stairs = shallowRef<StaircaseDto | null>(null);
const library = useLibraryProfiles();
const { error, load } = useLoad(async () => {
  const found = await ask(api.staircases[':id'].$get({ param: { id: props.staircaseId } }), StaircaseDto);
  await library.read(found.instrumentId as InstrumentId);
  stairs.value = found;
});
onMounted(load);

const steps = computed(() => (stairs.value === null ? [] : draftOf(stairs.value).steps));
const news = computed(() => newsOfSteps(library.profilesOf(steps.value), NOTHING_KNOWN));
const PAPERS = [
  { value: 'a3', text: t('poster-page.one-a3-sheet') },
  { value: 'a4', text: t('poster-page.two-a4-sheets-side-by-side') },
] as const;
const paper = ref<'a3' | 'a4'>('a3');
/** The halves of the poster, from the left. */
const sheets = computed(() => (paper.value === 'a3' ? [0] : [0, 1]));
const print = (): void => window.print();
</script>

<template>
  <LoadState v-if="stairs === null" :error="error" :what="t('poster-page.the-poster')" @again="load" />
  <div v-else class="page-grid poster-page">
    <header class="page-head no-print">
      <div>
        <RouterLink :to="{ name: 'staircase', params: { staircaseId } }">{{
          t('poster-page.back-to-the-stairs')
        }}</RouterLink>
        <h1>{{ t('poster-page.poster') }}</h1>
      </div>
      <SelectField v-model="paper" :label="t('poster-page.paper')" :options="PAPERS" />
      <BButton variant="primary" @click="print">{{ t('poster-page.print') }}</BButton>
    </header>
    <div class="scroll-x sheets" role="region" tabindex="0" :aria-label="t('poster-page.the-poster-as-it-is-printed')">
      <div v-for="sheet in sheets" :key="sheet" class="sheet" :class="paper">
        <div class="poster" :class="`half-${sheet}`" :aria-hidden="sheet > 0 ? true : undefined">
          <p class="poster-title">{{ stairs.name }}</p>
          <p class="large">{{ instrument(stairs.instrumentId as InstrumentId).shortName }}</p>
          <DraftPicture :steps="steps" :news="news" :findings="[]" />
        </div>
      </div>
    </div>
  </div>
</template>

<style lang="scss">
@page a3 {
  size: A3 landscape;
  margin: 0;
}

@page a4 {
  size: A4 portrait;
  margin: 0;
}

.poster-page .sheet {
  overflow: hidden;
  width: 420mm;
  height: 296mm;
  border: 1px solid var(--line);
  background: var(--card);
}

// What stands behind the sheets must not ask for another kind of page.
body:has(.poster-page .a3) {
  page: a3;
}

body:has(.poster-page .a4) {
  page: a4;
}

.poster-page .sheet + .sheet {
  break-before: page;
}

.poster-page .sheet.a4 {
  width: 210mm;
}

.poster-page .poster {
  display: grid;
  grid-template-rows: auto auto 1fr;
  width: 420mm;
  height: 296mm;
  padding: 14mm;
}

.poster-page .half-1 {
  margin-left: -210mm;
}

.poster-page .poster-title {
  font-family: var(--heading);
  font-size: var(--poster);
  font-weight: 700;
}

.poster-page .picture {
  height: auto;
  border: 0;
}

// Read from some steps away.
.poster-page .step-title,
.poster-page .chips .chip {
  font-size: var(--title);
}

@media print {
  .poster-page {
    display: block;
    padding: 0;
  }

  .poster-page .sheets {
    overflow: visible;
  }

  .poster-page .sheet {
    border: 0;
  }
}
</style>
