<script setup lang="ts">
import { ClassKnowledge } from '@escalier/contract/class-pages';
import type { ClassSettings } from '@escalier/contract/classes';
import { type TuneDto, tuneList } from '@escalier/contract/tunes';
import { elementWords, signWords } from '@escalier/core/words';
import { computed, onMounted, ref, shallowRef, watch } from 'vue';
import { api, ApiError, ask } from '../../api.ts';
import { noteWords } from '../../ui/note-words.ts';
import SelectField from '../../ui/SelectField.vue';
import TextField from '../../ui/TextField.vue';
import { notesTyped } from '../../ui/typed-notes.ts';
import { t } from './messages.ts';

/** What a class knows before its unit: new things, echo patterns, library and stairs leave it out. */
type Brings = ClassSettings['brings'];
const props = defineProps<{
  /** Classes from which it can be taken over. */
  others: readonly { readonly id: string; readonly name: string }[];
  lengthWords: ClassSettings['style']['lengthWords'];
}>();
const brings = defineModel<Brings>({ required: true });

const ELEMENTS = [
  'note quarter',
  'note half',
  'note eighth',
  'note whole',
  'note dotted-half',
  'note dotted-quarter',
  'rest quarter',
  'rest half',
  'tie',
];
const SIGNS = [
  'metre 4/4',
  'metre 3/4',
  'metre 2/4',
  'metre 6/8',
  'repeat',
  'slur',
  'staccato',
  'breath',
  'key 1',
  'key 2',
  'key -1',
];
const ticked = computed(() => {
  const optionsOf = (usual: readonly string[], own: readonly string[], words: (id: string) => string) =>
    [...new Set([...usual, ...own])].map((value) => ({ value, text: words(value) }));
  const elements = optionsOf(ELEMENTS, brings.value.elements, (id) => elementWords(id, props.lengthWords));
  const signs = optionsOf(SIGNS, brings.value.signs, signWords);
  return [
    { key: 'elements', label: t('brings-fields.rhythm'), options: elements },
    { key: 'signs', label: t('brings-fields.signs'), options: signs },
  ] as const;
});

function set(more: Partial<Brings>): void {
  brings.value = { ...brings.value, ...more };
}

const typed = ref(brings.value.notes.map(noteWords).join(' '));
const wrong = computed(() => notesTyped(typed.value).wrong);
watch(typed, (text) => {
  const { notes, wrong: bad } = notesTyped(text);
  if (bad === null) set({ notes });
});

const tunes = shallowRef<readonly TuneDto[]>([]);
onMounted(async () => {
  try {
    tunes.value = await ask(api.tunes.$get(), tuneList);
  } catch (problem) {
    if (!(problem instanceof ApiError)) throw problem;
  }
});
const titleOf = (id: string): string => tunes.value.find((tune) => tune.id === id)?.title ?? '';
const tuneOptions = computed(() => [
  { value: '', text: t('brings-fields.add-a-tune-they-can-play') },
  ...tunes.value
    .filter(({ id, archived }) => !archived && !brings.value.tuneIds.includes(id))
    .map(({ id, title }) => ({ value: id, text: title })),
]);

const takenFrom = ref('');
const error = ref<string | null>(null);
const otherOptions = computed(() => [
  { value: '', text: t('brings-fields.choose-a-class') },
  ...props.others.map(({ id, name }) => ({ value: id, text: name })),
]);

/** What the other class knows by now, beside what is here already. */
async function takeOver(): Promise<void> {
  error.value = null;
  try {
    const { known } = await ask(api.classes[':id'].knowledge.$get({ param: { id: takenFrom.value } }), ClassKnowledge);
    const joined = (a: readonly string[], b: readonly string[]): string[] => [...new Set([...a, ...b])];
    const notes = joined(brings.value.notes, known.notes);
    set({
      notes,
      elements: joined(brings.value.elements, known.elements),
      signs: joined(brings.value.signs, known.signs),
      moves: joined(brings.value.moves, known.moves),
    });
    typed.value = notes.map(noteWords).join(' ');
  } catch (problem) {
    if (!(problem instanceof ApiError)) throw problem;
    error.value = problem.message;
  }
}
</script>

<template>
  <BAccordionItem :title="t('brings-fields.what-the-class-already-knows')">
    <div class="stack">
      <p class="soft">
        {{ t('brings-fields.from-last-year-from-singing-from') }}
      </p>
      <div v-if="others.length > 0" class="d-flex gap-2 align-items-center flex-wrap">
        <SelectField v-model="takenFrom" :label="t('brings-fields.copy-from')" :options="otherOptions" />
        <BButton :disabled="takenFrom === ''" @click="takeOver">{{ t('brings-fields.copy') }}</BButton>
      </div>
      <BAlert v-if="error !== null" variant="danger" :model-value="true">{{ error }}</BAlert>
      <TextField
        v-model="typed"
        :label="t('brings-fields.notes')"
        :hint="t('brings-fields.for-example-g-a-b-c')"
        :error="wrong === null ? undefined : t('brings-fields.wrong-is-not-a-note', { wrong })"
      />
      <BFormGroup v-for="{ key, label, options } in ticked" :key="key" :label="label">
        <BFormCheckboxGroup
          :model-value="[...brings[key]]"
          :options="options"
          :aria-label="t('brings-fields.label-the-class-knows', { label })"
          @update:model-value="set({ [key]: $event as string[] })"
        />
      </BFormGroup>
      <BFormGroup :label="t('brings-fields.tunes')">
        <BFormSelect
          :model-value="''"
          :options="tuneOptions"
          :aria-label="t('brings-fields.add-a-tune-they-can-play')"
          @update:model-value="$event !== '' && set({ tuneIds: [...brings.tuneIds, String($event)] })"
        />
        <ul class="plain">
          <li v-for="id in brings.tuneIds" :key="id" class="d-flex gap-2 align-items-center">
            <span class="grow">{{ titleOf(id) }}</span>
            <BButton
              size="sm"
              :aria-label="t('brings-fields.remove-title', { title: titleOf(id) })"
              @click="set({ tuneIds: brings.tuneIds.filter((each) => each !== id) })"
              >×</BButton
            >
          </li>
        </ul>
      </BFormGroup>
    </div>
  </BAccordionItem>
</template>
