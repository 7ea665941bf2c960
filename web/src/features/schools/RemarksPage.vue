<script setup lang="ts">
import { FAULTS } from '@escalier/core/records';
import { v7 as newId } from 'uuid';
import { onMounted, ref } from 'vue';
import IconRemove from '~icons/bi/x-lg';
import SaveBar from '../../ui/SaveBar.vue';
import { useSave } from '../../ui/use-save.ts';
import { useFaults } from './faults.ts';
import SchoolHead from './SchoolHead.vue';

/** The short remarks that are tapped at hearing, with the remedy of each. */
const faults = useFaults();
const draft = ref<{ id: string; words: string; remedy: string }[]>([]);
const { busy, stored, fault, fields, save } = useSave();

function show(): void {
  draft.value = faults.all.map((each) => ({ ...each }));
}

onMounted(async () => {
  await faults.load();
  show();
});

function add(): void {
  draft.value.push({ id: newId(), words: '', remedy: '' });
}

function usual(): void {
  const own = draft.value.filter((each) => FAULTS.every((usual) => usual.id !== each.id));
  draft.value = [...FAULTS.map((each) => ({ ...each })), ...own];
}

async function store(): Promise<void> {
  const kept = draft.value.filter((each) => each.words.trim() !== '' || each.remedy.trim() !== '');
  draft.value = kept;
  if (await save(() => faults.keep(kept))) show();
}

function faultOf(index: number): string | undefined {
  return Object.entries(fields.value).find(([name]) => name.startsWith(`faults.${index}.`))?.[1];
}
</script>

<template>
  <div class="page-grid">
    <SchoolHead lead="What is tapped at hearing: few words, and what to try first. Records keep what was tapped." />
    <form class="card-paper" novalidate @submit.prevent="store">
      <fieldset v-for="(each, index) in draft" :key="each.id">
        <legend class="visually-hidden">Remark {{ index + 1 }}</legend>
        <input v-model="each.words" class="form-control" maxlength="24" :aria-label="`Words of remark ${index + 1}`" />
        <input
          v-model="each.remedy"
          class="form-control"
          maxlength="160"
          :aria-label="`Remedy of remark ${index + 1}`"
        />
        <button class="remove" type="button" :aria-label="`Remove remark ${index + 1}`" @click="draft.splice(index, 1)">
          <IconRemove aria-hidden="true" />
        </button>
        <p v-if="faultOf(index) !== undefined" class="fault" role="alert">{{ faultOf(index) }}</p>
      </fieldset>
      <div class="buttons">
        <BButton variant="outline-dark" @click="add">Add your own</BButton>
        <BButton variant="outline-dark" @click="usual">The usual ones again</BButton>
      </div>
      <SaveBar :busy="busy" :stored="stored" :fault="fault" label="Keep for the school" />
    </form>
  </div>
</template>

<style scoped>
form {
  display: grid;
  gap: 8px;
}

fieldset {
  display: grid;
  grid-template-columns: minmax(130px, 200px) minmax(0, 1fr) 44px;
  gap: 6px 10px;
  align-items: center;
}

.fault {
  grid-column: 1 / -1;
}

.buttons {
  display: flex;
  gap: 8px;
  margin-top: 8px;
}
</style>
