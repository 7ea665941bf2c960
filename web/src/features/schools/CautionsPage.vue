<script setup lang="ts">
import { CAUTION_PLACES, LOCAL_RULES, USUAL_CAUTIONS, type CautionPlace } from '@escalier/core/practice';
import type { SchoolCaution } from '@escalier/server/api';
import { onMounted, ref, shallowRef } from 'vue';
import { v7 as newId } from 'uuid';
import { api, ask } from '../../api.ts';
import LoadState from '../../ui/LoadState.vue';
import { saveMerged } from '../../ui/merge.ts';
import SaveBar from '../../ui/SaveBar.vue';
import { useLoad } from '../../ui/use-load.ts';
import { useSave } from '../../ui/use-save.ts';
import SchoolHead from './SchoolHead.vue';

const PLACE_WORDS: Record<CautionPlace, string> = {
  lesson: 'in lessons',
  hearing: 'at hearing',
  instruments: 'at instruments',
  recordings: 'at recordings',
};

const loaded = shallowRef<readonly SchoolCaution[] | null>(null);
const draft = ref<{ id: string; text: string; places: CautionPlace[]; shown: boolean }[]>([]);
const { busy, stored, fault, fields, save } = useSave();
let version = 0;
const { error, load } = useLoad(async () => show(await ask(api.school.cautions.$get())));
onMounted(load);

function show({ cautions, version: read }: { cautions: readonly SchoolCaution[]; version: number }): void {
  version = read;
  loaded.value = cautions;
  draft.value = editable(cautions);
}

function editable(cautions: readonly SchoolCaution[]) {
  return cautions.map((each) => ({ ...each, places: [...each.places] }));
}

function addOwn(): void {
  draft.value.push({ id: newId(), text: '', places: ['lesson'], shown: true });
}

function usual(): void {
  const own = draft.value.filter((each) => USUAL_CAUTIONS.every((usual) => usual.id !== each.id));
  draft.value = [...USUAL_CAUTIONS.map((each) => ({ ...each, places: [...each.places], shown: true })), ...own];
}

async function store(): Promise<void> {
  await save(async () => {
    const cautions = draft.value.filter((each) => each.text.trim() !== '');
    const again = async () => {
      const theirs = await ask(api.school.cautions.$get());
      loaded.value = theirs.cautions;
      version = theirs.version;
      return { cautions: editable(theirs.cautions), version };
    };
    const before = { cautions: editable(loaded.value ?? []), version };
    const put = (json: typeof before) => ask(api.school.cautions.$put({ json }));
    show(await saveMerged({ before, mine: { cautions, version }, put, again }));
  });
}

function faultOf(index: number): string | undefined {
  return Object.entries(fields.value).find(([name]) => name.startsWith(`cautions.${index}.`))?.[1];
}
</script>

<template>
  <LoadState v-if="loaded === null" :error="error" what="the cautions" @again="load" />
  <div v-else class="page-grid">
    <SchoolHead
      :lead="`${LOCAL_RULES} What is usual stands here as a beginning: reword it, put it away, add your own.`"
    />
    <form class="card-paper" novalidate @submit.prevent="store">
      <fieldset v-for="(caution, index) in draft" :key="caution.id">
        <legend class="visually-hidden">Caution {{ index + 1 }}</legend>
        <label class="shown">
          <input v-model="caution.shown" class="form-check-input" type="checkbox" />
          shown
        </label>
        <textarea
          v-model="caution.text"
          class="form-control"
          rows="2"
          maxlength="300"
          :aria-label="`Caution ${index + 1}`"
        />
        <div class="places">
          <label v-for="place in CAUTION_PLACES" :key="place">
            <input v-model="caution.places" class="form-check-input" type="checkbox" :value="place" />
            {{ PLACE_WORDS[place] }}
          </label>
        </div>
        <p v-if="faultOf(index) !== undefined" class="fault" role="alert">{{ faultOf(index) }}</p>
      </fieldset>
      <div class="buttons">
        <BButton variant="outline-dark" @click="addOwn">Add your own</BButton>
        <BButton variant="outline-dark" @click="usual">The usual ones again</BButton>
      </div>
      <SaveBar :busy="busy" :stored="stored" :fault="fault" label="Keep for the school" />
    </form>
  </div>
</template>

<style scoped>
form {
  display: grid;
  gap: 14px;
}

fieldset {
  display: grid;
  grid-template-columns: 90px minmax(0, 1fr) 300px;
  gap: 6px 14px;
  align-items: center;
  padding-bottom: 12px;
  border-bottom: 1px solid var(--line);
}

label {
  display: inline-flex;
  gap: 8px;
  align-items: center;
  min-height: 32px;
}

.places {
  display: grid;
  grid-template-columns: 1fr 1fr;
}

.buttons {
  display: flex;
  gap: 8px;
}

.fault {
  grid-column: 2;
  color: var(--brick);
  font-weight: 650;
}

@media (max-width: 900px) {
  fieldset {
    grid-template-columns: 90px 1fr;
  }

  .places {
    grid-column: 2;
  }

  label {
    min-height: 44px;
  }
}
</style>
