<script setup lang="ts">
import { chartOf, findInstrument, instrument, rangeOf, type Fingering } from '@escalier/core/instruments';
import { parsePitch, pitchName } from '@escalier/core/music';
import { computed, ref, shallowRef, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import ChartGrid from './ChartGrid.vue';
import CompareTable from './CompareTable.vue';
import {
  chosenNotes,
  INSTRUMENT_OPTIONS,
  CHART_VIEWS,
  firstNotes,
  noteLabel,
  otherBore,
  type ChartView,
} from './chart.ts';
import HeatMap from './HeatMap.vue';
import MoveCard from './MoveCard.vue';
import { t } from './messages.ts';

/** The fingerings: the chart of an instrument, the move between two notes, and all moves of a set. */
const route = useRoute();
const router = useRouter();

const on = computed(
  () =>
    findInstrument(typeof route.query.on === 'string' ? route.query.on : '') ?? instrument('soprano-recorder-baroque'),
);
const other = computed(() => otherBore(on.value));
const views = computed(() => CHART_VIEWS.filter((each) => each.value !== 'compare' || other.value !== null));
const view = computed({
  get: (): ChartView => views.value.find((each) => each.value === route.query.view)?.value ?? 'chart',
  set: (next) => void router.replace({ query: { ...route.query, view: next } }),
});

const instrumentId = computed({
  get: () => on.value.id,
  set: (next) => void router.replace({ query: { ...route.query, on: next } }),
});

/** Rows of the chart itself: a deep proxy would not be found in it. */
const picked = shallowRef<readonly Fingering[]>([]);
const chosen = ref<string[]>([]);
watch(
  on,
  (now) => {
    picked.value = [];
    const asked = typeof route.query.notes === 'string' ? route.query.notes.split(',') : [];
    const known = asked.filter((name) => parsePitch(name) !== null);
    chosen.value = known.length > 1 ? chosenNotes(now, known).map(pitchName) : [...firstNotes(now)];
  },
  { immediate: true },
);

/** The first press is where the move starts, the second where it goes; a third begins anew. */
function pick(fingering: Fingering): void {
  picked.value = picked.value.length === 1 ? [picked.value[0]!, fingering] : [fingering];
}

const offered = computed(() =>
  chartOf(on.value).map(({ spellings }) => ({ value: pitchName(spellings[0]!), text: noteLabel(spellings[0]!) })),
);
const notes = computed(() => chosenNotes(on.value, chosen.value));
const range = computed(() => rangeOf(on.value).map(noteLabel).join(' to '));

function printChart(): void {
  window.print();
}
</script>

<template>
  <div class="page-grid">
    <header class="page-head">
      <div>
        <h1>{{ t('fingerings-page.fingerings') }}</h1>
        <p class="soft">
          {{
            t('fingerings-page.name-range-sounds-value', {
              name: on.name,
              range,
              octave:
                on.soundsAbove === 12
                  ? t('fingerings-page.an-octave-above-what-is-written')
                  : t('fingerings-page.as-written'),
            })
          }}
        </p>
      </div>
      <BFormSelect
        v-model="instrumentId"
        class="auto no-print"
        :options="INSTRUMENT_OPTIONS"
        :aria-label="t('fingerings-page.instrument')"
      />
      <BFormRadioGroup
        v-model="view"
        class="no-print"
        buttons
        :options="views"
        :aria-label="t('fingerings-page.view')"
      />
      <BButton class="no-print" @click="printChart">{{ t('fingerings-page.print') }}</BButton>
    </header>
    <BFormCheckboxGroup
      v-if="view === 'moves'"
      v-model="chosen"
      class="no-print"
      buttons
      :options="offered"
      :aria-label="t('fingerings-page.notes-of-the-map')"
    />
    <div class="columns" :class="view === 'compare' ? 'columns-1' : 'columns-side'">
      <section class="card-paper main" :aria-label="CHART_VIEWS.find((each) => each.value === view)?.text">
        <ChartGrid v-if="view === 'chart'" :on="on" :picked="picked" @pick="pick" />
        <HeatMap v-else-if="view === 'moves'" :on="on" :notes="notes" @pick="(from, to) => (picked = [from, to])" />
        <CompareTable v-else-if="other !== null" :on="on" :other="other" />
        <p class="soft source">{{ t('fingerings-page.source-makers-differ-go-by-the', { source: on.source }) }}</p>
      </section>
      <aside v-if="view !== 'compare'" class="no-print">
        <MoveCard
          v-if="picked.length === 2"
          :on="on"
          :from="picked[0]!"
          :to="picked[1]!"
          @turn="picked = [picked[1]!, picked[0]!]"
        />
        <section v-else class="card-paper">
          <h2>{{ t('fingerings-page.the-move-between-two-notes') }}</h2>
          <p v-if="view === 'chart'">
            {{
              picked.length === 1
                ? t('fingerings-page.from-note-label-press-the-note', { noteLabel: noteLabel(picked[0]!.pitch) })
                : t('fingerings-page.choose-two-fingerings')
            }}
          </p>
          <p v-else>{{ t('fingerings-page.press-a-number-on-the-map') }}</p>
          <p class="soft">{{ t('fingerings-page.see-which-fingers-land-and-lift') }}</p>
        </section>
      </aside>
    </div>
  </div>
</template>

<style scoped lang="scss">
@media (min-width: 901px) {
  aside {
    position: sticky;
    top: 12px;
  }
}

@media print {
  .main {
    padding: 0;
    border: 0;
    background: none;
  }
}
</style>
