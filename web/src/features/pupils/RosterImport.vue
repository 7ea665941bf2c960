<script setup lang="ts">
import {
  checkRoster,
  guessMapping,
  readOneRoster,
  readOneRosterZip,
  readRoster,
  type RosteredClass,
  type RosterField,
  type RosterTable,
} from '@escalier/core/formats';
import { computed, ref, shallowRef, watch } from 'vue';
import FilePick from '../../ui/FilePick.vue';
import SaveBar from '../../ui/SaveBar.vue';
import SelectField from '../../ui/SelectField.vue';
import { useSave } from '../../ui/use-save.ts';
import type { NewPupil } from './use-pupils.ts';
import { counted } from '../../ui/count-messages.ts';
import { t } from './messages.ts';

/** Pupils from a paste or files: what each column is, each row as it would be, then all of them or none. */
const props = defineProps<{
  there: readonly string[];
  steps: readonly string[];
  today: string;
  add: (pupils: readonly NewPupil[]) => Promise<void>;
}>();
const emit = defineEmits<{ done: [count: number] }>();
const { busy, reason, save } = useSave(null);

const FIELD_WORDS: Record<RosterField, string> = {
  name: 'name shown',
  'first-name': t('roster-import.first-name'),
  'last-name': t('roster-import.last-name'),
  'start-step': t('roster-import.start-step'),
  'joined-on': t('roster-import.joined-on'),
  ignore: t('roster-import.leave-out'),
};
const FIELD_OPTIONS = Object.entries(FIELD_WORDS).map(([value, text]) => ({ value: value as RosterField, text }));
const MOST_AT_ONCE = 60;

const text = ref('');
const hasHead = ref<boolean | undefined>(undefined);
const sets = shallowRef<readonly RosteredClass[]>([]);
const set = ref(0);
const trouble = ref<string | null>(null);
const mapping = ref<RosterField[]>([]);

const table = computed<RosterTable | null>(() => {
  const fromSet = sets.value[set.value];
  if (fromSet !== undefined) return fromSet.table;
  if (text.value.trim() === '') return null;
  const read = readRoster(text.value, hasHead.value);
  return read.ok ? read.value : null;
});
const unread = computed(() => {
  if (table.value !== null || text.value.trim() === '') return null;
  const read = readRoster(text.value);
  return read.ok ? null : read.error;
});
watch(table, (next) => {
  mapping.value = next === null ? [] : [...guessMapping(next)];
});
const rows = computed(() =>
  table.value === null
    ? []
    : checkRoster(table.value, mapping.value, {
        there: props.there,
        steps: props.steps.length,
        today: props.today,
      }),
);
const good = computed(() => rows.value.filter((row) => row.problems.length === 0));
const wrong = computed(() => rows.value.filter((row) => row.problems.length > 0));

async function readFiles(files: readonly File[]): Promise<void> {
  trouble.value = null;
  sets.value = [];
  const [only] = files;
  if (files.length === 1 && only !== undefined && !/\.zip$/i.test(only.name)) {
    text.value = await only.text();
    return;
  }
  const read =
    files.length === 1 && only !== undefined
      ? readOneRosterZip(new Uint8Array(await only.arrayBuffer()))
      : readOneRoster(await textsOf(files));
  if (read.ok) {
    sets.value = read.value;
    set.value = 0;
  } else trouble.value = read.error;
}

async function textsOf(files: readonly File[]): Promise<ReadonlyMap<string, string>> {
  const texts = files.map(async (file): Promise<[string, string]> => [file.name.toLowerCase(), await file.text()]);
  return new Map(await Promise.all(texts));
}

async function submit(): Promise<void> {
  const pupils = good.value.slice(0, MOST_AT_ONCE).map((row) => row.pupil);
  if (await save(() => props.add(pupils))) {
    text.value = '';
    sets.value = [];
    emit('done', pupils.length);
  }
}
</script>

<template>
  <section class="card-paper stack">
    <h2>{{ t('roster-import.add-pupils') }}</h2>
    <p>
      {{ t('roster-import.paste-names-one-per-line-or') }}
    </p>
    <BFormTextarea
      v-model="text"
      rows="5"
      :placeholder="'Abena\nBruno\nCleo'"
      spellcheck="false"
      :aria-label="t('roster-import.list-of-pupils')"
      @input="sets = []"
    />
    <FilePick
      :label="t('roster-import.or-read-a-file')"
      :hint="t('roster-import.csv-or-a-one-roster-set')"
      accept=".csv,.txt,.tsv,.zip,text/csv"
      multiple
      @pick="readFiles"
    />
    <BAlert v-if="trouble !== null || unread !== null" variant="danger" :model-value="true">{{
      trouble ?? unread
    }}</BAlert>
    <SelectField
      v-if="sets.length > 0"
      v-model="set"
      :label="t('roster-import.class-in-the-file')"
      :options="sets.map((each, index) => ({ value: index, text: `${each.title} (${each.table.rows.length})` }))"
    />
    <BForm v-if="table !== null" class="stack" @submit.prevent="submit">
      <BFormCheckbox
        v-if="sets.length === 0"
        :model-value="hasHead ?? table.rows.length < text.trim().split('\n').length"
        @update:model-value="hasHead = $event === true"
        >{{ t('roster-import.the-first-line-is-column-names') }}</BFormCheckbox
      >
      <div class="scroll" tabindex="0" role="region" :aria-label="t('roster-import.preview-of-the-list')">
        <BTableSimple small>
          <BThead>
            <BTr>
              <BTh v-for="(column, index) in table.columns" :key="index" scope="col">
                {{ column }}
                <BFormSelect
                  v-model="mapping[index]!"
                  size="sm"
                  :options="FIELD_OPTIONS"
                  :aria-label="t('roster-import.column-is', { column })"
                />
              </BTh>
              <BTh scope="col">{{ t('roster-import.will-be-added-as') }}</BTh>
            </BTr>
          </BThead>
          <BTbody>
            <BTr v-for="(row, index) in rows" :key="row.line" :class="{ wrong: row.problems.length > 0 }">
              <BTd v-for="(cell, at) in table.rows[index]" :key="at">{{ cell }}</BTd>
              <BTd v-if="row.problems.length === 0">
                <strong>{{ row.pupil.name }}</strong><template v-if="row.pupil.startStep > 1">{{
                  t('roster-import.from-step-start-step', { startStep: row.pupil.startStep })
                }}</template>
              </BTd>
              <BTd v-else class="problem">{{
                t('roster-import.line-line-list', { line: row.line, list: row.problems.join(' ') })
              }}</BTd>
            </BTr>
          </BTbody>
        </BTableSimple>
      </div>
      <p v-if="wrong.length > 0">
        {{ t('roster-import.lines-left-out-until-corrected', { lines: counted('lines-are', { n: wrong.length }) }) }}
      </p>
      <p v-if="good.length > MOST_AT_ONCE">
        {{ t('roster-import.you-can-add-most-at-once', { mostAtOnce: MOST_AT_ONCE }) }}
      </p>
      <SaveBar
        :busy="busy"
        :disabled="good.length === 0"
        :error="reason"
        :label="
          t('roster-import.add-pupils-2', { pupils: counted('pupils', { n: Math.min(good.length, MOST_AT_ONCE) }) })
        "
      />
    </BForm>
  </section>
</template>

<style scoped>
.scroll {
  max-height: 340px;
  overflow: auto;
}

.wrong > * {
  border-block: 1px solid var(--brick);
}

.problem {
  color: var(--brick);
  font-weight: 700;
}
</style>
