<script setup lang="ts">
import { chartOf, findInstrument, instrument, rangeOf, type Fingering } from '@escalier/core/instruments';
import { parsePitch, pitchName } from '@escalier/core/music';
import { computed, ref, shallowRef, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import ChoiceBar from '../../ui/ChoiceBar.vue';
import SwitchBar from '../../ui/SwitchBar.vue';
import ChartGrid from './ChartGrid.vue';
import CompareTable from './CompareTable.vue';
import { chosenNotes, DESK_INSTRUMENTS, DESK_VIEWS, firstNotes, noteLabel, otherBore, type DeskView } from './desk.ts';
import HeatMap from './HeatMap.vue';
import MoveCard from './MoveCard.vue';

/** The fingering desk: the chart of an instrument, the move between two notes, and all moves of a set. */
const route = useRoute();
const router = useRouter();

const on = computed(
  () =>
    findInstrument(typeof route.query.on === 'string' ? route.query.on : '') ?? instrument('soprano-recorder-baroque'),
);
const other = computed(() => otherBore(on.value));
const views = computed(() => DESK_VIEWS.filter((each) => each.value !== 'compare' || other.value !== null));
const view = computed({
  get: (): DeskView => views.value.find((each) => each.value === route.query.view)?.value ?? 'chart',
  set: (next) => void router.replace({ query: { ...route.query, view: next } }),
});

function choose(event: Event): void {
  void router.replace({ query: { ...route.query, on: (event.target as HTMLSelectElement).value } });
}

/** Rows of the chart itself: a deep proxy would not be found in it. */
const picked = shallowRef<readonly Fingering[]>([]);
const chosen = ref<ReadonlySet<string>>(new Set());
watch(
  on,
  (now) => {
    picked.value = [];
    const asked = typeof route.query.notes === 'string' ? route.query.notes.split(',') : [];
    const known = asked.filter((name) => parsePitch(name) !== null);
    chosen.value = new Set(known.length > 1 ? chosenNotes(now, known).map(pitchName) : firstNotes(now));
  },
  { immediate: true },
);

/** The first press is where the move starts, the second where it goes; a third begins anew. */
function pick(fingering: Fingering): void {
  picked.value = picked.value.length === 1 ? [picked.value[0]!, fingering] : [fingering];
}

const offered = computed(() =>
  chartOf(on.value).map(({ spellings }) => ({ id: pitchName(spellings[0]!), label: noteLabel(spellings[0]!) })),
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
        <h1>Fingerings</h1>
        <p class="soft">
          {{ on.name }}: {{ range }}, sounds
          {{ on.soundsAbove === 12 ? 'an octave above what is written' : 'as written' }}
        </p>
      </div>
      <label class="no-print">
        <span class="visually-hidden">Instrument</span>
        <select class="form-select" :value="on.id" @change="choose">
          <option v-for="each in DESK_INSTRUMENTS" :key="each.id" :value="each.id">{{ each.name }}</option>
        </select>
      </label>
      <ChoiceBar v-model="view" class="no-print" label="What to see" :choices="views" />
      <BButton class="no-print" variant="outline-dark" @click="printChart">Print</BButton>
    </header>
    <SwitchBar v-if="view === 'moves'" v-model="chosen" class="no-print" label="Notes of the map" :choices="offered" />
    <div class="desk" :class="{ wide: view === 'compare' }">
      <section class="card-paper main" :aria-label="DESK_VIEWS.find((each) => each.value === view)?.label">
        <ChartGrid v-if="view === 'chart'" :on="on" :picked="picked" @pick="pick" />
        <HeatMap v-else-if="view === 'moves'" :on="on" :notes="notes" @pick="(from, to) => (picked = [from, to])" />
        <CompareTable v-else-if="other !== null" :on="on" :other="other" />
        <p class="soft source">{{ on.source }} Makers differ: what came with the instrument comes first.</p>
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
          <h2>The move between two notes</h2>
          <p v-if="view === 'chart'">
            {{
              picked.length === 1
                ? `From ${noteLabel(picked[0]!.pitch)}: press the note it goes to.`
                : 'Press two fingerings.'
            }}
          </p>
          <p v-else>Press a number of the map.</p>
          <p class="soft">You see which fingers land and which lift, how it is said, and what it costs.</p>
        </section>
      </aside>
    </div>
  </div>
</template>

<style scoped lang="scss">
.desk {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 330px;
  gap: 12px;
  align-items: start;
}

.desk.wide {
  grid-template-columns: 1fr;
}

aside {
  position: sticky;
  top: 12px;
}

.source {
  margin-top: 12px;
}

@media (max-width: 900px) {
  .desk {
    grid-template-columns: 1fr;
  }

  aside {
    position: static;
  }
}

@media print {
  .desk {
    display: block;
  }

  .main {
    border: 0;
    padding: 0;
    background: none;
  }
}
</style>
