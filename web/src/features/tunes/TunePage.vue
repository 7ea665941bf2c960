<script setup lang="ts">
import { findInstrument, instrument, INSTRUMENT_IDS, nameNote, type Naming } from '@escalier/core/instruments';
import type { Counting } from '@escalier/core/music';
import type { NoteUse } from '@escalier/core/reading';
import { computed, ref, shallowRef, watch } from 'vue';
import { RouterLink } from 'vue-router';
import { ScoreSheet, type ScoreMark } from '../../score/index.ts';
import { usePlayer } from '../../sound/index.ts';
import BeltBand from '../../ui/BeltBand.vue';
import ChoiceBar from '../../ui/ChoiceBar.vue';
import LoadState from '../../ui/LoadState.vue';
import SwitchBar from '../../ui/SwitchBar.vue';
import { noteWords } from '../classes/index.ts';
import { FingeringChart } from '../notes/index.ts';
import BreathCard from './BreathCard.vue';
import ExportButtons from './ExportButtons.vue';
import { barIdsOf, breathPlaces, LAYERS, marksOf, noteIdAt, type LayerId } from './layers.ts';
import LadderCard from './LadderCard.vue';
import RiseCard from './RiseCard.vue';
import SideCards from './SideCards.vue';
import TransportBar from './TransportBar.vue';
import { useTune, type TuneAddress } from './use-tune.ts';
import { readableMoves } from './words.ts';
import type { WayIn } from '../../workers/index.ts';

/** A tune as a class meets it: by the step of a staircase, or from the library. */
const props = defineProps<{ classId: string | null; position?: number; tuneId?: string }>();

const address = computed((): TuneAddress =>
  props.position !== undefined && props.classId !== null
    ? { classId: props.classId, position: props.position }
    : { classId: props.classId, tuneId: props.tuneId ?? '' },
);
const instrumentId = ref<string>('soprano-recorder-baroque');
const INSTRUMENT_NAMES = INSTRUMENT_IDS.map((id) => ({ id, name: instrument(id).shortName }));
const { page, info, ways, error, load, keepBreaths } = useTune(address, instrumentId);
/** In place of the tune on the sheet and in the sound. */
const way = shallowRef<WayIn | null>(null);
watch(page, () => (way.value = null));
const player = usePlayer(
  computed(() => way.value?.playback ?? info.value?.playback ?? null),
  computed(() => on.value?.family ?? 'recorder'),
);

watch(way, () => player.stop());

type Shown = Naming | 'words' | 'none';
const shown = ref<Shown>('letters');
watch(page, (now, before) => {
  if (now !== null && now.schoolClass !== null && before === null) shown.value = now.schoolClass.style.naming;
});
const choices = computed((): readonly { value: Shown; label: string }[] => [
  { value: 'letters', label: 'Letters' },
  { value: 'german-letters', label: 'H and B' },
  { value: 'fixed-do', label: 'Fixed do' },
  { value: 'movable-do', label: 'Movable do' },
  { value: 'degrees', label: 'Degrees' },
  { value: 'finger-count', label: 'Fingers' },
  ...(info.value?.hasWords === true ? [{ value: 'words' as const, label: 'Words' }] : []),
  { value: 'none', label: 'None' },
]);
const naming = computed((): Naming | null => (shown.value === 'none' || shown.value === 'words' ? null : shown.value));
const counting = ref<Counting | ''>('');
const COUNTING_WORDS: readonly { value: Counting; label: string }[] = [
  { value: 'numbers', label: 'Count 1 & 2 &' },
  { value: 'ta', label: 'Count ta ti-ti' },
  { value: 'beat-function', label: 'Count du de' },
  { value: 'beat-position', label: 'Count ta di' },
];
const layers = ref<ReadonlySet<LayerId>>(new Set<LayerId>(['new', 'hard', 'breaths']));
const pointed = ref<readonly number[]>([]);
const editing = ref(false);

const on = computed(() => findInstrument(page.value?.schoolClass?.instrumentId ?? instrumentId.value));
const marks = computed((): readonly ScoreMark[] => {
  if (info.value === null) return [];
  const now = player.now.value;
  const sounding: readonly ScoreMark[] = now === null ? [] : [{ kind: 'now', id: now }];
  if (way.value !== null) return sounding;
  return [
    ...marksOf(info.value, layers.value, page.value?.breaths ?? null),
    ...barIdsOf(info.value, pointed.value).map((id): ScoreMark => ({ kind: 'point', id })),
    ...sounding,
  ];
});
const breathIds = computed(() =>
  info.value === null ? [] : breathPlaces(info.value, page.value?.breaths ?? null).map(noteIdAt),
);
const presses = computed(() => {
  if (!editing.value || info.value === null || way.value !== null) return [];
  const { pitches, barNumbers } = info.value;
  return Object.entries(pitches)
    .filter(([id]) => id.startsWith('n0-'))
    .map(([id, name]) => ({
      id,
      label: `Breath after ${noteWords(name)}, bar ${barNumbers[Number(id.split('-')[1])] ?? ''}`,
      on: breathIds.value.includes(id),
    }));
});
const newNames = computed(() => new Set(info.value?.reading.notes.new.map((use) => use.name)));

async function toggleBreath(id: string): Promise<void> {
  if (page.value === null || info.value === null) return;
  const [barIndex, eventIndex] = id.split('-').slice(1).map(Number);
  const kept = breathPlaces(info.value, page.value.breaths).map(({ barIndex: bar, eventIndex: event }) => ({
    barIndex: bar,
    eventIndex: event,
  }));
  const without = kept.filter((place) => noteIdAt(place) !== id);
  await keepBreaths(
    page.value.breathSeconds,
    without.length < kept.length ? without : [...kept, { barIndex: barIndex!, eventIndex: eventIndex! }],
  );
}

function loopBars(bars: readonly [number, number]): void {
  if (info.value === null) return;
  player.loop([info.value.barNumbers.indexOf(bars[0]), info.value.barNumbers.lastIndexOf(bars[1])]);
  void player.start();
}

/** The chart shows the fingers already, so it is named by letters there too. */
function label(use: NoteUse): string {
  if (naming.value === null || naming.value === 'letters' || naming.value === 'finger-count')
    return noteWords(use.name);
  return on.value === null || info.value === null ? '' : nameNote(use.pitch, naming.value, info.value.key, on.value);
}
</script>

<template>
  <LoadState v-if="page === null || info === null || on === null" :error="error" what="the tune" @again="load" />
  <div v-else class="page-grid">
    <header>
      <div v-if="page.step !== null" class="belt"><BeltBand :belt-id="page.step.belt" /></div>
      <h1>{{ page.title }}</h1>
      <p class="soft">
        <template v-if="page.step !== null && page.schoolClass !== null">
          step {{ page.step.position }} of
          <RouterLink :to="{ name: 'class', params: { classId: page.schoolClass.id } }">{{
            page.schoolClass.name
          }}</RouterLink>
          ·
        </template>
        <template v-else-if="page.schoolClass !== null">for {{ page.schoolClass.name }} · </template>
        {{ on.shortName }} ·
        {{
          info.composer === 'Escalier'
            ? info.source
            : [info.composer, info.source].filter((part) => part !== '').join(', ')
        }}
        <template v-if="info.licence !== ''"> · {{ info.licence }}</template>
      </p>
      <select
        v-if="page.schoolClass === null"
        v-model="instrumentId"
        class="form-select counting"
        aria-label="Instrument"
      >
        <option v-for="each in INSTRUMENT_NAMES" :key="each.id" :value="each.id">{{ each.name }}</option>
      </select>
      <nav aria-label="This tune">
        <template v-if="page.step !== null">
          <RouterLink
            v-if="page.step.position > 1"
            class="btn btn-outline-dark"
            :to="{ name: 'step', params: { classId, position: page.step.position - 1 } }"
          >
            Step {{ page.step.position - 1 }}
          </RouterLink>
          <RouterLink
            v-if="page.step.position < page.steps"
            class="btn btn-outline-dark"
            :to="{ name: 'step', params: { classId, position: page.step.position + 1 } }"
          >
            Step {{ page.step.position + 1 }}
          </RouterLink>
          <RouterLink class="btn btn-primary" :to="{ name: 'hear', params: { classId } }">Hear pupils</RouterLink>
        </template>
        <RouterLink class="btn btn-outline-dark" :to="{ name: 'edit-tune', params: { tuneId: page.tuneId } }"
          >Edit</RouterLink
        >
      </nav>
    </header>
    <div class="switches">
      <ChoiceBar v-model="shown" label="Under the notes" :choices="choices" />
      <select v-model="counting" class="form-select counting" aria-label="Counting">
        <option value="">No counting</option>
        <option v-for="each in COUNTING_WORDS" :key="each.value" :value="each.value">{{ each.label }}</option>
      </select>
      <SwitchBar v-model="layers" label="Layers on the sheet" :choices="LAYERS" />
    </div>
    <p v-if="error !== null" role="alert">{{ error }}</p>
    <div class="sheet-side">
      <div class="main">
        <section class="card-paper sheet" aria-label="The tune">
          <select v-model="way" class="form-select way" aria-label="Way into the tune">
            <option :value="null">The tune itself</option>
            <option v-for="each in ways" :key="each.label" :value="each">
              {{ each.label }}: {{ readableMoves(each.about) }}
            </option>
          </select>
          <ScoreSheet
            :abc="way?.abc ?? page.abc"
            :title="way === null ? page.title : `${page.title}, ${way.label}`"
            :instrument-id="on.id"
            :naming="naming"
            :no-words="shown === 'none'"
            :counting="counting === '' ? null : counting"
            :marks="marks"
            :presses="presses"
            @press="toggleBreath"
          />
          <div v-if="!layers.has('fingerings')" class="charts" role="group" aria-label="Fingerings of this tune">
            <FingeringChart
              v-for="use in info.reading.notes.all"
              :key="use.name"
              :on="on"
              :pitch="use.pitch"
              :label="label(use)"
              :is-new="newNames.has(use.name)"
            />
          </div>
        </section>
        <TransportBar :info="info" :player="player" />
        <ExportButtons
          :abc="way?.abc ?? page.abc"
          :title="way === null ? page.title : `${page.title}, ${way.label}`"
          :instrument-id="on.id"
          :playback="way?.playback ?? info.playback"
          :per-minute="player.perMinute.value"
          :voices="player.voices()"
        />
      </div>
      <SideCards
        :info="info"
        :on="on"
        :length-words="page.schoolClass?.style.lengthWords ?? 'british'"
        :for-whom="page.schoolClass?.name ?? 'a class that knows nothing yet'"
        @point="pointed = $event"
        @loop="loopBars"
      >
        <LadderCard v-if="page.schoolClass !== null" :info="info" :rungs="page.schoolClass.style.ladder" />
        <BreathCard
          :info="info"
          :seconds="page.breathSeconds"
          :own="page.breaths"
          :editing="editing"
          @edit="((editing = $event), (layers = new Set([...layers, 'breaths'])))"
          @keep="keepBreaths"
        />
        <RiseCard v-if="page.step !== null" :step="page.step" />
        <section class="card-paper caution">
          <h2>Before playing</h2>
          <p>
            No shared mouthpiece without cleaning. Sit or stand still with an instrument in the mouth. Light-headed?
            Stop and breathe.
          </p>
          <p class="soft">Your school’s own rules come first.</p>
        </section>
      </SideCards>
    </div>
  </div>
</template>

<style scoped lang="scss">
header {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 4px 18px;
}

.belt {
  width: 54px;
  align-self: center;
  overflow: hidden;
  border-radius: 3px;
}

header > p {
  flex: 1 1 300px;
}

header nav {
  display: flex;
  gap: 8px;
}

.switches {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 12px;
}

/* In the room that the engraving leaves at its top. */
.way {
  position: absolute;
  top: 10px;
  right: 12px;
  z-index: 1;
  width: auto;
  max-width: 60%;
}

.counting {
  width: auto;
  min-height: 41px;
}

.sheet-side {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 318px;
  gap: 14px;
  align-items: start;
}

.main {
  display: grid;
  gap: 12px;
}

.sheet {
  position: relative;
  display: grid;
  gap: 8px;
  padding: 18px 18px 14px;
}

.charts {
  display: flex;
  flex-wrap: wrap;
  justify-content: center;
  gap: 4px;
  padding-top: 10px;
  border-top: 1px solid var(--line);
}

.caution {
  border-left: 5px solid var(--brass);
}

@media (max-width: 900px) {
  .sheet-side {
    grid-template-columns: 1fr;
  }
}
</style>
