<script setup lang="ts">
import type { Notice, PartOffer } from '@escalier/core/formats';
import type { TuneDto } from '@escalier/server/api';
import { refDebounced } from '@vueuse/core';
import { computed, onMounted, ref, shallowRef, watch } from 'vue';
import { RouterLink, useRouter } from 'vue-router';
import { api, ApiError, ask } from '../../api.ts';
import { ScoreSheet } from '../../score/index.ts';
import { tuneWorker } from '../../workers/index.ts';
import { saveMerged } from '../../ui/merge.ts';
import AbcEditor from './AbcEditor.vue';
import TuneDrop from './TuneDrop.vue';

/** Brings a tune by file, drop or paste, or changes one: text on the left, its engraving on the right, stored only on a word. */
const props = defineProps<{ tuneId: string | null }>();
const router = useRouter();

const START = `X:1
T:A new tune
C:
L:1/4
M:4/4
Q:1/4=84
K:G
G A B2|A B G2|]
`;
const text = ref(START);
const soon = refDebounced(text, 250);
const notices = shallowRef<readonly Notice[]>([]);
const brought = shallowRef<readonly Notice[]>([]);
const isOk = ref(true);
const refused = ref<{ readonly message: string; readonly sameAs: string | null } | null>(null);
const busy = ref(false);
/** The tune as it was read; null for a new one. */
const base = shallowRef<TuneDto | null>(null);
const bytes = shallowRef<Uint8Array | null>(null);
const parts = shallowRef<readonly PartOffer[]>([]);
const taken = ref<readonly number[] | null>(null);
const title = computed(() => /^T:\s*(.*)$/m.exec(text.value)?.[1] ?? 'the tune');

onMounted(async () => {
  if (props.tuneId === null) return;
  try {
    base.value = await ask(api.tunes[':id'].$get({ param: { id: props.tuneId } }));
    text.value = base.value.abc;
  } catch (problem) {
    if (!(problem instanceof ApiError)) throw problem;
    refused.value = { message: problem.message, sameAs: null };
  }
});

watch(
  soon,
  async (abc) => {
    const checked = await tuneWorker().check(abc);
    if (abc !== soon.value) return;
    isOk.value = checked.ok;
    notices.value = checked.notices;
    refused.value = null;
  },
  { immediate: true },
);

/** A text is one field: who was second is asked, and has theirs to look at. */
async function change(id: string, abc: string): Promise<TuneDto> {
  const param = { id };
  const before = base.value ?? { abc: '', version: 0 };
  const put = (json: { abc: string; version: number }) => ask(api.tunes[':id'].$put({ param, json }));
  const again = async () => (base.value = await ask(api.tunes[':id'].$get({ param })));
  return saveMerged({ before, mine: { abc, version: before.version }, put, again });
}

async function bring(file: Uint8Array, take: readonly number[] | null): Promise<void> {
  refused.value = null;
  const result = await tuneWorker().importFile(file, take);
  if (!result.ok) {
    refused.value = {
      message: result.fault
        .slice(0, 4)
        .map((fault) => fault.message)
        .join(' '),
      sameAs: null,
    };
    return;
  }
  bytes.value = file;
  taken.value = take;
  parts.value = result.value.parts;
  brought.value = result.value.leftOut;
  text.value = result.value.abc;
}

function choosePart(event: Event): void {
  const chosen = (event.target as HTMLSelectElement).value;
  if (bytes.value !== null) void bring(bytes.value, chosen === '' ? null : chosen.split(',').map(Number));
}

async function store(): Promise<void> {
  busy.value = true;
  refused.value = null;
  try {
    const json = { abc: text.value };
    const kept = await (props.tuneId === null ? ask(api.tunes.$post({ json })) : change(props.tuneId, text.value));
    await router.push({ name: 'tune', params: { tuneId: kept.id } });
  } catch (problem) {
    if (!(problem instanceof ApiError)) throw problem;
    const isDuplicate = problem.code === 'duplicate';
    refused.value = {
      message: isDuplicate ? problem.message : (problem.fields.abc ?? problem.message),
      sameAs: isDuplicate ? (problem.fields.abc ?? null) : null,
    };
  } finally {
    busy.value = false;
  }
}
</script>

<template>
  <div class="page-grid">
    <header class="page-head">
      <div>
        <h1>{{ tuneId === null ? 'Bring a tune' : 'Edit the tune' }}</h1>
        <p class="soft">Nothing is stored until you say so.</p>
      </div>
      <RouterLink class="btn btn-outline-dark" :to="{ name: 'tunes' }">Leave it</RouterLink>
      <BButton variant="primary" :disabled="!isOk || busy" @click="store">{{
        tuneId === null ? 'Put it into the library' : 'Store the change'
      }}</BButton>
    </header>
    <p v-if="refused !== null" class="refused" role="alert">
      {{ refused.message }}
      <RouterLink v-if="refused.sameAs !== null" :to="{ name: 'tune', params: { tuneId: refused.sameAs } }"
        >Open it</RouterLink
      >
    </p>
    <div class="halves">
      <section aria-label="The text">
        <TuneDrop
          v-if="tuneId === null"
          @file="bring($event, null)"
          @refuse="refused = { message: $event, sameAs: null }"
        />
        <label v-if="parts.length > 1" class="parts">
          Part to take
          <select class="form-select" :value="taken?.join(',') ?? ''" @change="choosePart">
            <option value="">as Escalier would</option>
            <option v-for="part in parts" :key="part.index" :value="part.index">
              {{ part.name }} ({{ part.notes }} notes)
            </option>
          </select>
        </label>
        <AbcEditor v-model="text" :notices="notices" :is-fault="!isOk" />
      </section>
      <section class="card-paper" aria-label="The preview">
        <h2>{{ isOk ? 'This is how it reads' : 'This does not add up yet' }}</h2>
        <ul
          v-if="!isOk || brought.length + notices.length > 0"
          class="notices"
          :class="{ bad: !isOk }"
          aria-live="polite"
        >
          <li v-for="notice in [...notices, ...brought].slice(0, 12)" :key="`${notice.bar}${notice.message}`">
            <strong v-if="notice.bar !== null && !notice.message.includes('ar ')">Bar {{ notice.bar }}: </strong
            >{{ notice.message }}
            <span v-if="notice.at !== undefined" class="soft"
              >line {{ notice.at.line }}, column {{ notice.at.column }}</span
            >
          </li>
        </ul>
        <ScoreSheet
          v-if="isOk"
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

<style scoped lang="scss">
.halves {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1.15fr);
  gap: 14px;
  align-items: start;
}

.halves > section:first-child {
  display: grid;
  gap: 10px;
}

.parts {
  display: flex;
  align-items: center;
  gap: 8px;
}

.parts select {
  width: auto;
}

.refused,
.bad {
  padding: 8px 12px;
  border-left: 4px solid var(--brick);
  background: var(--brick-soft);
}

.notices {
  margin: 8px 0;
  padding-left: 18px;
}

.notices.bad {
  padding-left: 28px;
}

@media (max-width: 900px) {
  .halves {
    grid-template-columns: 1fr;
  }
}
</style>
