<script setup lang="ts">
import { type StaircaseChoice, StaircaseDto, staircaseList } from '@escalier/contract/staircases';
import type { InstrumentId } from '@escalier/core/instruments';
import { NOTHING_KNOWN } from '@escalier/core/reading';
import { newsOfSteps, type StepNews } from '@escalier/core/staircase';
import { computed, onMounted, shallowRef, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { api, ask } from '../../api.ts';
import LoadState from '../../ui/LoadState.vue';
import { noteWords } from '../../ui/note-words.ts';
import SelectField from '../../ui/SelectField.vue';
import { useLoad } from '../../ui/use-load.ts';
import { draftOf } from './draft.ts';
import DraftPicture from './DraftPicture.vue';
import { useLibraryProfiles } from './use-library-profiles.ts';
import { counted } from '../../ui/count-messages.ts';
import { t } from './messages.ts';

/** Two staircases beside each other: their rise, their notes over time, their lessons. */
const route = useRoute();
const router = useRouter();
const staircases = shallowRef<readonly StaircaseChoice[] | null>(null);
interface Shown {
  readonly stairs: StaircaseDto;
  readonly news: readonly StepNews[];
}
const shown = shallowRef<readonly Shown[]>([]);
const library = useLibraryProfiles();

const asked = computed(() => {
  const all = staircases.value ?? [];
  const given = [route.query.a, route.query.b].map((id) => (typeof id === 'string' ? id : null));
  const first = given[0] ?? all[0]?.id ?? '';
  return [first, given[1] ?? all.find((each) => each.id !== first)?.id ?? first] as const;
});
const { error, load } = useLoad(async () => {
  staircases.value ??= await ask(api.staircases.$get(), staircaseList);
  const both: Shown[] = [];
  for (const id of asked.value) {
    const stairs = await ask(api.staircases[':id'].$get({ param: { id } }), StaircaseDto);
    await library.read(stairs.instrumentId as InstrumentId);
    both.push({ stairs, news: newsOfSteps(library.profilesOf(stairs.steps), NOTHING_KNOWN) });
  }
  shown.value = both;
});
onMounted(load);
watch(() => [route.query.a, route.query.b], load);

const options = computed(() => (staircases.value ?? []).map(({ id, name }) => ({ value: id, text: name })));
const choose = (which: 'a' | 'b', id: string) =>
  router.replace({ query: { a: asked.value[0], b: asked.value[1], [which]: id } });

const FIELDS = [
  { key: 'what', label: '', isRowHeader: true },
  { key: 'a', label: t('compare-page.first') },
  { key: 'b', label: t('compare-page.second') },
];
const rows = computed(() => {
  const [a, b] = shown.value;
  if (a === undefined || b === undefined) return [];
  const row = (what: string, of: (each: Shown) => string) => ({ what, a: of(a), b: of(b) });
  const steps = Array.from({ length: Math.max(a.news.length, b.news.length) }, (_, index) =>
    row(t('compare-page.step-index', { index: index + 1 }), ({ stairs, news }) => {
      const [step, brought] = [stairs.steps[index], news[index]];
      if (step === undefined || brought === undefined) return '';
      const notes = brought.notes.map((note) => noteWords(note.name)).join(' ');
      return `${step.tunes[0]!.title}: ↑ ${brought.rise.total}${notes === '' ? '' : t('compare-page.new-notes', { notes })}, ${counted('lessons', { n: step.lessons })}`;
    }),
  );
  return [
    row(t('compare-page.lessons'), ({ stairs }) => String(stairs.steps.reduce((sum, step) => sum + step.lessons, 0))),
    row(t('compare-page.notes-in-all'), ({ news }) => String(news.reduce((sum, each) => sum + each.notes.length, 0))),
    row(t('compare-page.highest-rise'), ({ news }) => String(Math.max(...news.map((each) => each.rise.total)))),
    ...steps,
  ];
});
</script>

<template>
  <LoadState v-if="shown.length < 2" :error="error" :what="t('compare-page.the-staircases')" @again="load" />
  <div v-else class="page-grid">
    <h1>{{ t('compare-page.compare-staircases') }}</h1>
    <div class="columns">
      <SelectField
        :model-value="asked[0]"
        :label="t('compare-page.first')"
        :options="options"
        @update:model-value="(id) => choose('a', id)"
      />
      <SelectField
        :model-value="asked[1]"
        :label="t('compare-page.second')"
        :options="options"
        @update:model-value="(id) => choose('b', id)"
      />
    </div>
    <DraftPicture
      v-for="each in shown"
      :key="each.stairs.id"
      :steps="draftOf(each.stairs).steps"
      :news="each.news"
      :findings="[]"
    />
    <section class="card-paper">
      <BTable :items="rows" :fields="FIELDS" stacked="md" />
    </section>
  </div>
</template>
