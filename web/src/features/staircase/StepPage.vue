<script setup lang="ts">
import { instrument, INSTRUMENT_IDS, nameNote, type InstrumentId, type Naming } from '@escalier/core/instruments';
import type { NoteUse } from '@escalier/core/reading';
import { computed, ref, toRef, watch } from 'vue';
import { RouterLink } from 'vue-router';
import { ScoreSheet } from '../../score/index.ts';
import BeltBand from '../../ui/BeltBand.vue';
import ChoiceBar from '../../ui/ChoiceBar.vue';
import LoadState from '../../ui/LoadState.vue';
import { noteWords } from '../classes/index.ts';
import { FingeringChart } from '../notes/index.ts';
import NewCard from './NewCard.vue';
import RiseCard from './RiseCard.vue';
import { useStep } from './use-step.ts';

const props = defineProps<{ classId: string; position: number }>();
const { page, info, error, load } = useStep(toRef(props, 'classId'), toRef(props, 'position'));

type Shown = Naming | 'none';
const shown = ref<Shown>('letters');
watch(page, (now, before) => {
  if (now !== null && before === null) shown.value = now.schoolClass.style.naming;
});
const choices: readonly { value: Shown; label: string }[] = [
  { value: 'letters', label: 'Letters' },
  { value: 'german-letters', label: 'H and B' },
  { value: 'fixed-do', label: 'Fixed do' },
  { value: 'movable-do', label: 'Movable do' },
  { value: 'degrees', label: 'Degrees' },
  { value: 'finger-count', label: 'Finger count' },
  { value: 'none', label: 'None' },
];

const on = computed(() => {
  const id = INSTRUMENT_IDS.find((known): known is InstrumentId => known === page.value?.schoolClass.instrumentId);
  return id === undefined ? null : instrument(id);
});
const reading = computed(() => info.value?.reading ?? null);
const newNames = computed(() => new Set(reading.value?.notes.new.map((use) => use.name)));
const marks = computed(() => info.value?.newNoteIds.map((id) => ({ id, kind: 'ring' as const })) ?? []);

/** The chart shows the fingers already, so it is named by letters there too. */
function label(use: NoteUse): string {
  const naming = shown.value;
  if (naming === 'letters' || naming === 'none' || naming === 'finger-count') return noteWords(use.name);
  return on.value === null || info.value === null ? '' : nameNote(use.pitch, naming, info.value.key, on.value);
}
</script>

<template>
  <LoadState
    v-if="page === null || info === null || on === null || reading === null"
    :error="error"
    what="the step"
    @again="load"
  />
  <div v-else class="page">
    <header>
      <div class="belt"><BeltBand :belt-id="page.step.belt" /></div>
      <h1>{{ page.step.title }}</h1>
      <p class="soft">
        step {{ page.step.position }} of
        <RouterLink :to="{ name: 'class', params: { classId } }">{{ page.schoolClass.name }}</RouterLink> ·
        {{ on.shortName }} · {{ info.composer === 'Escalier' ? info.source : `${info.composer}, ${info.source}` }} ·
        {{ info.licence }}
      </p>
      <nav aria-label="Steps">
        <RouterLink
          v-if="position > 1"
          class="btn btn-outline-dark"
          :to="{ name: 'step', params: { classId, position: position - 1 } }"
        >
          Step {{ position - 1 }}
        </RouterLink>
        <RouterLink
          v-if="position < page.steps"
          class="btn btn-outline-dark"
          :to="{ name: 'step', params: { classId, position: position + 1 } }"
        >
          Step {{ position + 1 }}
        </RouterLink>
        <RouterLink class="btn btn-primary" :to="{ name: 'hear', params: { classId } }">Hear pupils</RouterLink>
      </nav>
    </header>
    <div class="switches">
      <span>Under the notes</span>
      <ChoiceBar v-model="shown" label="Under the notes" :choices="choices" />
    </div>
    <div class="sheet-side">
      <section class="card-paper sheet" aria-label="The tune">
        <ScoreSheet
          :abc="page.abc"
          :title="page.step.title"
          :instrument-id="on.id"
          :naming="shown === 'none' ? null : shown"
          :marks="marks"
        />
        <div class="charts" role="group" aria-label="Fingerings of this tune">
          <FingeringChart
            v-for="use in reading.notes.all"
            :key="use.name"
            :on="on"
            :pitch="use.pitch"
            :label="label(use)"
            :is-new="newNames.has(use.name)"
          />
        </div>
      </section>
      <aside>
        <NewCard
          :reading="reading"
          :on="on"
          :length-words="page.schoolClass.style.lengthWords"
          :class-name="page.schoolClass.name"
        />
        <RiseCard :step="page.step" />
        <section class="card-paper">
          <h2>Passed so far</h2>
          <p>
            {{ page.step.goOn.passed }} of {{ page.step.goOn.of }} ({{ page.step.goOn.share }} %); your rule to go on is
            {{ page.step.goOn.ruleShare }} %.
          </p>
        </section>
        <section class="card-paper caution">
          <h2>Before playing</h2>
          <p>
            No shared mouthpiece without cleaning. Sit or stand still with an instrument in the mouth. Light-headed?
            Stop and breathe.
          </p>
          <p class="soft">Your school’s own rules come first.</p>
        </section>
      </aside>
    </div>
  </div>
</template>

<style scoped lang="scss">
.page {
  display: grid;
  gap: 12px;
  padding: 16px 24px;
}

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
  gap: 6px 12px;
}

.sheet-side {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 310px;
  gap: 14px;
  align-items: start;
}

.sheet {
  display: grid;
  gap: 8px;
  padding: 10px 18px 14px;
}

.charts {
  display: flex;
  flex-wrap: wrap;
  justify-content: center;
  gap: 4px;
  padding-top: 10px;
  border-top: 1px solid var(--line);
}

aside {
  display: grid;
  gap: 12px;
}

.caution {
  border-left: 5px solid var(--brass);
}

@media (max-width: 900px) {
  .sheet-side {
    grid-template-columns: 1fr;
  }

  aside {
    grid-template-columns: 1fr 1fr;
  }
}
</style>
