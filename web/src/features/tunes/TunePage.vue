<script setup lang="ts">
import { usualLengths } from '@escalier/core/words';
import { findInstrument, instrument, INSTRUMENT_IDS, nameNote } from '@escalier/core/instruments';
import { placeOfId } from '@escalier/core/formats';
import { USUAL_TEACHING } from '@escalier/core/practice';
import type { NoteUse } from '@escalier/core/reading';
import { computed, ref, shallowRef, watch } from 'vue';
import { ScoreSheet, type ScoreMark } from '../../score/index.ts';
import { usePlayer } from '../../sound/index.ts';
import BeltBand from '../../ui/BeltBand.vue';
import LoadState from '../../ui/LoadState.vue';
import { noteWords, withNoteNames } from '../../ui/note-words.ts';
import { ClassHead } from '../classes/index.ts';
import { TakeCare, useSession } from '../schools/index.ts';
import { FingeringChart } from '../notes/index.ts';
import { TuneFor } from '../staircase/index.ts';
import BreathCard from './BreathCard.vue';
import ExportButtons from './ExportButtons.vue';
import BookCard from './BookCard.vue';
import ChunkBar from './ChunkBar.vue';
import { barIdsOf, breathPlaces, marksOf, noteIdAt, type LayerId } from './layers.ts';
import { useRows } from './rows.ts';
import { useBacking } from './use-backing.ts';
import { usePractice } from './use-practice.ts';
import LadderCard from './LadderCard.vue';
import RiseCard from './RiseCard.vue';
import SideCards from './SideCards.vue';
import TransportBar from './TransportBar.vue';
import TuneRemoval from './TuneRemoval.vue';
import TuneSwitches from './TuneSwitches.vue';
import { useTune, type TuneAddress } from './use-tune.ts';
import type { WayIn } from '../../workers/index.ts';
import { t } from './messages.ts';

/** A tune as a class meets it: by the step of a staircase, or from the library. */
const props = defineProps<{ classId: string | null; position?: number; tuneId?: string }>();

const address = computed((): TuneAddress =>
  props.position !== undefined && props.classId !== null
    ? { classId: props.classId, position: props.position }
    : { classId: props.classId, tuneId: props.tuneId ?? '' },
);
const instrumentId = ref<string>('soprano-recorder-baroque');
const session = useSession();
const INSTRUMENTS = INSTRUMENT_IDS.map((value) => ({ value: String(value), text: instrument(value).shortName }));
const { page, info, ways, error, load, keepBreaths, keepOwn, breathsAtTempo, breatheAt } = useTune(
  address,
  instrumentId,
);
const { backing, feel } = useBacking(
  info,
  computed(() => page.value?.schoolClass?.instrumentId ?? instrumentId.value),
);
/** In place of the tune on the sheet and in the sound. */
const way = shallowRef<WayIn | null>(null);
watch(page, () => (way.value = null));
const player = usePlayer(
  computed(() => way.value?.playback ?? info.value?.playback ?? null),
  computed(() => on.value?.family ?? 'recorder'),
  computed(() => way.value?.turns ?? null),
  computed(() => teaching.value.repeats),
  computed(() => (way.value === null ? backing.value : null)),
);

watch(way, () => player.stop());

const teaching = computed(() => page.value?.schoolClass?.style.teaching ?? USUAL_TEACHING);
const layers = ref<LayerId[]>(['new', 'hard', 'breaths']);
const { rows, shownRows, counting, colours, sayings, naming } = useRows(page, info, layers);
/** Where B is si the class says so. */
const isWithSi = computed(() => page.value?.schoolClass?.style.naming === 'fixed-do-si');
const wayOptions = computed(() => [
  { value: null, text: t('tune-page.the-tune-itself') },
  ...ways.value.map((each) => ({ value: each, text: `${each.label}: ${withNoteNames(each.about)}` })),
]);

function editBreaths(on: boolean): void {
  editing.value = on;
  if (!layers.value.includes('breaths')) layers.value = [...layers.value, 'breaths'];
}
const pointed = ref<readonly number[]>([]);
const editing = ref(false);

const on = computed(() => findInstrument(page.value?.schoolClass?.instrumentId ?? instrumentId.value));
const marks = computed((): readonly ScoreMark[] => {
  if (info.value === null) return [];
  const now = player.now.value;
  const sounding: readonly ScoreMark[] = now === null ? [] : [{ kind: 'now', id: now }];
  if (way.value !== null) return sounding;
  return [
    ...marksOf(info.value, layers.value, page.value?.breaths ?? null, breathsAtTempo.value, page.value?.troubles ?? []),
    ...pieceMarks.value,
    ...barIdsOf(info.value, pointed.value).map((id): ScoreMark => ({ kind: 'point', id })),
    ...sounding,
  ];
});
const breathIds = computed(() =>
  info.value === null ? [] : breathPlaces(info.value, page.value?.breaths ?? null, breathsAtTempo.value).map(noteIdAt),
);
const presses = computed(() => {
  if (!editing.value || info.value === null || way.value !== null) return [];
  const { pitches, barNumbers } = info.value;
  return Object.entries(pitches)
    .filter(([id]) => id.startsWith('n0-'))
    .map(([id, name]) => ({
      id,
      label: t('tune-page.breath-after-note-bar-bar-numbers', {
        note: noteWords(name),
        barNumbers: barNumbers[placeOfId(id)?.barIndex ?? 0] ?? '',
      }),
      on: breathIds.value.includes(id),
    }));
});
/** Composer, source and licence, as far as they are known. */
const origin = computed(() => {
  const { composer = '', source = '', licence = '' } = info.value ?? {};
  const from = composer === 'Escalier' ? source : [composer, source].filter((part) => part !== '').join(', ');
  return [from, licence].filter((part) => part !== '').join(' · ');
});
const newNames = computed(() => new Set(info.value?.reading.notes.new.map((use) => use.name)));

async function toggleBreath(id: string): Promise<void> {
  if (page.value === null || info.value === null) return;
  const pressed = placeOfId(id);
  if (pressed === null) return;
  const kept = breathPlaces(info.value, page.value.breaths, breathsAtTempo.value).map(
    ({ barIndex: bar, eventIndex: event }) => ({
      barIndex: bar,
      eventIndex: event,
    }),
  );
  const without = kept.filter((place) => noteIdAt(place) !== id);
  await keepBreaths(page.value.breathSeconds, without.length < kept.length ? without : [...kept, pressed]);
}

const { chunks, pieceMarks, indexOfBar, playFrom, climb, runRung } = usePractice(info, page, player, rows);
watch(player.perMinute, (tempo) => void breatheAt(tempo));

function print(): void {
  window.print();
}

/** As the class names it, also where that is a number of fingers. */
function label(use: NoteUse): string {
  if (naming.value === null || naming.value === 'letters') return noteWords(use.name);
  return on.value === null || info.value === null ? '' : nameNote(use.pitch, naming.value, info.value.key, on.value);
}
</script>

<template>
  <LoadState
    v-if="page === null || info === null || on === null"
    :error="error"
    :what="t('tune-page.the-tune')"
    @again="load"
  />
  <div v-else class="page-grid">
    <ClassHead
      v-if="page.schoolClass !== null && page.step !== null"
      :class-id="page.schoolClass.id"
      :trail="t('tune-page.step-position', { position: page.step.position })"
    />
    <header class="page-head">
      <div>
        <component :is="page.step === null ? 'h1' : 'h2'" class="line tune-title">
          <span v-if="page.step !== null" class="belt-chip"><BeltBand :belt-id="page.step.belt" /></span>
          {{ page.title }}
        </component>
        <p class="soft">
          <template v-if="page.step !== null"
            >{{ t('tune-page.step-position-of-steps', { position: page.step.position, steps: page.steps }) }}{{ ' ' }}
          </template>
          <template v-else-if="page.schoolClass !== null"
            >{{ t('tune-page.for-name', { name: page.schoolClass.name }) }}{{ ' ' }}
          </template>
          {{ on.shortName }} · {{ origin
          }}<template v-if="page.bookPage !== ''">
            · {{ teaching.book === '' ? 'book' : teaching.book }}, {{ page.bookPage }}</template
          >
          <span v-if="teaching.bring !== ''" class="print-only">{{
            t('tune-page.bring-bring', { bring: teaching.bring })
          }}</span>
        </p>
      </div>
      <BFormSelect
        v-if="page.schoolClass === null"
        v-model="instrumentId"
        class="auto no-print"
        :options="INSTRUMENTS"
        :aria-label="t('tune-page.instrument')"
      />
      <nav class="line no-print" :aria-label="t('tune-page.this-tune')">
        <template v-if="page.step !== null">
          <BButton
            v-if="page.step.position > 1"
            role="link"
            :to="{ name: 'step', params: { classId, position: page.step.position - 1 } }"
            >{{ t('tune-page.step-position', { position: page.step.position - 1 }) }}</BButton
          >
          <BButton
            v-if="page.step.position < page.steps"
            role="link"
            :to="{ name: 'step', params: { classId, position: page.step.position + 1 } }"
            >{{ t('tune-page.step-position', { position: page.step.position + 1 }) }}</BButton
          >
          <BButton role="link" variant="primary" :to="{ name: 'hear', params: { classId } }">{{
            t('tune-page.hear-pupils')
          }}</BButton>
        </template>
        <template v-if="session.mayTeach">
          <BButton
            v-if="page.step !== null"
            role="link"
            :to="{
              name: 'handouts',
              params: { classId },
              query: { kind: 'tune-sheet', step: page.step.position, tune: page.tuneId },
            }"
            >{{ t('tune-page.handouts') }}</BButton
          >
          <BButton role="link" :to="{ name: 'edit-tune', params: { tuneId: page.tuneId } }">{{
            t('tune-page.edit')
          }}</BButton>
          <TuneFor v-if="page.schoolClass === null" :tune-id="page.tuneId" :title="page.title" />
          <TuneRemoval v-if="page.step === null" :tune-id="page.tuneId" :title="page.title" @changed="load" />
        </template>
      </nav>
    </header>
    <TuneSwitches
      v-model:layers="layers"
      v-model:rows="rows"
      v-model:counting="counting"
      :has-words="info.hasWords"
      :with-si="isWithSi"
      @print="print"
    />
    <BAlert v-if="error !== null" variant="danger" :model-value="true">{{ error.message }}</BAlert>
    <div class="columns columns-side">
      <div class="stack">
        <TransportBar
          v-model:feel="feel"
          :info="info"
          :player="player"
          :challenge="teaching.challenge"
          :feels="backing?.feels ?? []"
        />
        <ChunkBar
          v-if="way === null"
          class="no-print"
          :chunks="chunks"
          :player="player"
          :bar-numbers="info.barNumbers"
        />
        <section class="card-paper stack sheet" :aria-label="t('tune-page.the-tune-2')">
          <BFormSelect
            v-model="way"
            class="auto way no-print"
            :options="wayOptions"
            :aria-label="t('tune-page.ways-into-the-tune')"
          />
          <ScoreSheet
            :abc="way?.abc ?? info.abc"
            :title="way === null ? page.title : `${page.title}, ${way.label}`"
            :instrument-id="on.id"
            :rows="shownRows"
            :names-aloud="page.schoolClass?.style.naming"
            :lengths="page.schoolClass?.style.lengthWords"
            :counting="counting"
            :sayings="sayings"
            :colours="colours"
            :pickable="way === null && !editing"
            :chords="layers.includes('chords')"
            :marks="marks"
            :presses="presses"
            @press="toggleBreath"
            @pick="playFrom"
            @draw="(first, last) => chunks.add(indexOfBar(first), indexOfBar(last))"
          />
          <p v-if="way?.turns" class="soft no-print mb-0">{{ t('tune-page.each-round-in-silence-first-then') }}</p>
          <p v-if="way === null" class="soft small no-print mb-0">
            {{ t('tune-page.press-a-note-to-play-from') }}
          </p>
          <div
            v-if="!layers.includes('fingerings')"
            class="charts"
            role="group"
            :aria-label="t('tune-page.fingerings-of-this-tune')"
          >
            <FingeringChart
              v-for="use in info.reading.notes.all"
              :key="use.name"
              :on="on"
              :pitch="use.pitch"
              :label="label(use)"
              :is-new="newNames.has(use.name)"
              :colour="colours?.[use.pitch.letter] ?? null"
            />
          </div>
        </section>
        <ExportButtons
          class="no-print"
          :abc="way?.abc ?? info.abc"
          :title="way === null ? page.title : `${page.title}, ${way.label}`"
          :instrument-id="on.id"
          :playback="way?.playback ?? info.playback"
          :per-minute="player.perMinute.value"
          :voices="player.voices()"
          :backing="way === null && player.along.value ? backing : null"
        />
      </div>
      <SideCards
        :info="info"
        :on="on"
        :length-words="page.schoolClass?.style.lengthWords ?? usualLengths()"
        :for-whom="page.schoolClass?.name ?? t('tune-page.a-class-of-beginners')"
        class="no-print"
        :troubles="page.troubles"
        @point="pointed = $event"
        @climb="climb"
      >
        <LadderCard
          v-if="page.schoolClass !== null"
          :info="info"
          :rungs="page.schoolClass.style.ladder"
          :repeats="teaching.repeats"
          @run="runRung"
        />
        <BreathCard
          :info="info"
          :seconds="page.breathSeconds"
          :own="page.breaths"
          :at-tempo="breathsAtTempo"
          :editing="editing"
          @edit="editBreaths"
          @save="keepBreaths"
        />
        <BookCard
          v-if="page.schoolClass !== null"
          :book="teaching.book"
          :page="page.bookPage"
          :bring="teaching.bring"
          @save="(bookPage) => keepOwn({ bookPage })"
        />
        <RiseCard v-if="page.step !== null" :step="page.step" />
        <TakeCare place="lesson" />
      </SideCards>
    </div>
  </div>
</template>

<style scoped lang="scss">
.tune-title {
  font-size: var(--headline);
}

.sheet {
  position: relative;
  padding: 18px 18px 14px;
}

/* In the room that the engraving leaves at its top. */
.way {
  position: absolute;
  top: 10px;
  right: 12px;
  z-index: 1;
  max-width: 60%;
}

.charts {
  display: flex;
  flex-wrap: wrap;
  justify-content: center;
  gap: 4px;
  padding-top: 10px;
  border-top: 1px solid var(--line);
}

@media (max-width: 600px) {
  .way {
    position: static;
    max-width: 100%;
  }
}
</style>
