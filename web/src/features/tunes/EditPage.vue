<script setup lang="ts">
import { TuneDto } from '@escalier/contract/tunes';
import type { Notice, PartOffer } from '@escalier/core/formats';
import { refDebounced } from '@vueuse/core';
import { computed, onMounted, ref, shallowRef, watch } from 'vue';
import { useRouter } from 'vue-router';
import { api, ApiError, ask } from '../../api.ts';
import { ScoreSheet } from '../../score/index.ts';
import { tuneWorker } from '../../workers/index.ts';
import { saveMerged } from '../../ui/merge.ts';
import SelectField from '../../ui/SelectField.vue';
import AbcEditor from './AbcEditor.vue';
import EntryPad from './EntryPad.vue';
import TuneDrop from './TuneDrop.vue';
import { useEntry } from './use-entry.ts';
import { t } from './messages.ts';

/** Adds a tune by keys, file, drop or paste, or changes one: typed note by note, or as text; saved only when asked. */
const props = defineProps<{ tuneId: string | null }>();
const router = useRouter();

const text = ref('');
const soon = refDebounced(text, 250);
const notices = shallowRef<readonly Notice[]>([]);
const found = shallowRef<readonly Notice[]>([]);
const isOk = ref(true);
const refused = ref<{ readonly message: string; readonly sameAs: string | null } | null>(null);
const busy = ref(false);
/** The tune as it was read; null for a new one. */
const base = shallowRef<TuneDto | null>(null);
const bytes = shallowRef<Uint8Array | null>(null);
const parts = shallowRef<readonly PartOffer[]>([]);
const taken = ref<readonly number[] | null>(null);
/** Titles of the tunes of the file, and which of them is read. */
const tunes = shallowRef<readonly string[]>([]);
const which = ref(0);
const title = computed(() => /^T:\s*(.*)$/m.exec(text.value)?.[1] ?? t('edit-page.the-tune'));

/** Note by note, or as ABC for whoever wants it. */
const MODES = [
  { value: 'keys', text: t('edit-page.note-by-note') },
  { value: 'text', text: t('edit-page.as-text') },
] as const;
const mode = ref<'keys' | 'text'>('keys');
const pad = useEntry((abc) => (text.value = abc));
/** Whether what is there can be typed by keys. */
const isEntry = ref(true);

/** Shows a text in the editor that can hold all of it. */
async function openText(abc: string): Promise<void> {
  text.value = abc;
  const found = await tuneWorker().entryFrom(abc);
  isEntry.value = found !== null;
  if (found === null) mode.value = 'text';
  else pad.open(found);
}

watch(mode, async (now) => {
  if (now === 'keys' && text.value !== '') await openText(text.value);
});

onMounted(async () => {
  if (props.tuneId === null) return;
  try {
    base.value = await ask(api.tunes[':id'].$get({ param: { id: props.tuneId } }), TuneDto);
    await openText(base.value.abc);
  } catch (problem) {
    if (!(problem instanceof ApiError)) throw problem;
    refused.value = { message: problem.message, sameAs: null };
  }
});

// At the change itself, not when it is looked at: by then an answer to it may stand here.
watch(text, () => (refused.value = null));

watch(
  soon,
  async (abc) => {
    if (abc === '') {
      [isOk.value, notices.value] = [false, []];
      return;
    }
    const checked = await tuneWorker().check(abc);
    if (abc !== soon.value) return;
    isOk.value = checked.ok;
    notices.value = checked.notices;
  },
  { immediate: true },
);

/** A text is one field: who was second is asked, and has theirs to look at. */
async function change(id: string, abc: string): Promise<TuneDto> {
  const param = { id };
  const before = base.value ?? { abc: '', version: 0 };
  const put = (json: { abc: string; version: number }) => ask(api.tunes[':id'].$put({ param, json }), TuneDto);
  const again = async () => (base.value = await ask(api.tunes[':id'].$get({ param }), TuneDto));
  return saveMerged({ before, mine: { abc, version: before.version }, put, again });
}

async function read(file: Uint8Array, take: readonly number[] | null, tune = 0): Promise<void> {
  refused.value = null;
  const result = await tuneWorker().importFile(file, take, tune);
  if (!result.ok) {
    refused.value = {
      message: result.error
        .slice(0, 4)
        .map((error) => error.message)
        .join(' '),
      sameAs: null,
    };
    return;
  }
  bytes.value = file;
  taken.value = take;
  tunes.value = result.value.tunes;
  which.value = tune;
  parts.value = result.value.parts;
  found.value = result.value.leftOut;
  await openText(result.value.abc);
}

const partOptions = computed(() => [
  { value: '', text: t('edit-page.as-escalier-suggests') },
  ...parts.value.map((part) => ({
    value: String(part.index),
    text: t('edit-page.name-n-notes', { name: part.name, n: part.notes }),
  })),
]);

function choosePart(chosen: string): void {
  if (bytes.value !== null) void read(bytes.value, chosen === '' ? null : chosen.split(',').map(Number), which.value);
}

const tuneOptions = computed(() =>
  tunes.value.map((name, index) => ({ value: String(index), text: `${index + 1}. ${name}` })),
);

function chooseTune(chosen: string): void {
  if (bytes.value !== null) void read(bytes.value, null, Number(chosen));
}

const MOST_NOTICES = 12;
/** Of the text what does not add up, and of a file what was left out; while notes are typed the last bar is never full. */
const shownNotices = computed(() => {
  const ofText = mode.value === 'text' && text.value !== '' ? notices.value : [];
  return [...ofText, ...found.value].slice(0, MOST_NOTICES);
});

async function submit(): Promise<void> {
  busy.value = true;
  refused.value = null;
  try {
    const json = { abc: text.value };
    const kept = await (props.tuneId === null
      ? ask(api.tunes.$post({ json }), TuneDto)
      : change(props.tuneId, text.value));
    await router.push({ name: 'tune', params: { tuneId: kept.id } });
  } catch (problem) {
    if (!(problem instanceof ApiError)) throw problem;
    const { sameTune: sameAs, fields, message } = problem;
    refused.value = { message: sameAs === null ? (fields.abc ?? message) : message, sameAs };
  } finally {
    busy.value = false;
  }
}
</script>

<template>
  <div class="page-grid">
    <header class="page-head">
      <div>
        <h1>{{ tuneId === null ? t('edit-page.add-a-tune') : t('edit-page.edit-the-tune') }}</h1>
        <p class="soft">{{ t('edit-page.nothing-is-saved-until-you-press') }}</p>
      </div>
      <BButton role="link" :to="tuneId === null ? { name: 'tunes' } : { name: 'tune', params: { tuneId } }">{{
        t('edit-page.cancel')
      }}</BButton>
      <BButton variant="primary" :disabled="text === '' || (!isOk && soon === text) || busy" @click="submit">{{
        tuneId === null ? t('edit-page.add-to-the-library') : t('edit-page.save')
      }}</BButton>
    </header>
    <BAlert v-if="refused !== null" variant="danger" :model-value="true">
      {{ refused.message }}
      <RouterLink v-if="refused.sameAs !== null" :to="{ name: 'tune', params: { tuneId: refused.sameAs } }">{{
        t('edit-page.open')
      }}</RouterLink>
    </BAlert>
    <div :class="mode === 'text' ? 'columns' : 'stack'">
      <section class="stack" :aria-label="t('edit-page.the-notes')">
        <SelectField
          v-if="tunes.length > 1"
          :label="t('edit-page.which-of-the-tunes-count-tunes', { tunesCount: tunes.length })"
          :model-value="String(which)"
          :options="tuneOptions"
          @update:model-value="chooseTune"
        />
        <SelectField
          v-if="parts.length > 1"
          :label="t('edit-page.part-to-use')"
          :model-value="taken?.join(',') ?? ''"
          :options="partOptions"
          @update:model-value="choosePart"
        />
        <BFormRadioGroup v-model="mode" buttons :options="MODES" :aria-label="t('edit-page.how-to-write-it')" />
        <p v-if="!isEntry" class="soft">
          {{ t('edit-page.this-tune-has-marks-that-only') }}
        </p>
        <EntryPad v-if="mode === 'keys'" :pad="pad" :abc="text" />
        <AbcEditor v-else v-model="text" :notices="notices" :is-error="!isOk && text !== ''" />
        <TuneDrop
          v-if="tuneId === null"
          @file="read($event, null)"
          @refuse="refused = { message: $event, sameAs: null }"
        />
      </section>
      <section
        v-if="shownNotices.length > 0 || mode === 'text'"
        class="card-paper stack-close"
        :aria-label="t('edit-page.the-preview')"
      >
        <h2>
          {{
            isOk
              ? t('edit-page.preview')
              : text === ''
                ? t('edit-page.nothing-yet')
                : t('edit-page.this-doesnt-add-up-yet')
          }}
        </h2>
        <BAlert v-if="shownNotices.length > 0" :variant="isOk ? 'warning' : 'danger'" :model-value="true" is-status>
          <ul class="bullets" aria-live="polite">
            <li v-for="notice in shownNotices" :key="`${notice.bar}${notice.message}`">
              <strong v-if="notice.bar !== null && !notice.message.includes('ar ')"
                >{{ t('edit-page.bar-bar', { bar: notice.bar }) }}{{ ' ' }} </strong
              >{{ notice.message }}
              <span v-if="notice.at !== undefined" class="soft">{{
                t('edit-page.line-line-column-column', { line: notice.at.line, column: notice.at.column })
              }}</span>
            </li>
          </ul>
        </BAlert>
        <ScoreSheet
          v-if="isOk && mode === 'text'"
          :abc="soon"
          :title="title"
          instrument-id="soprano-recorder-baroque"
          naming="letters"
          :marks="[]"
        />
      </section>
    </div>
  </div>
</template>
