<script setup lang="ts">
import type { DaysOff } from '@escalier/core/calendar';
import type { TermDto } from '@escalier/server/api';
import { computed, reactive, watch } from 'vue';
import IconRemove from '~icons/bi/x-lg';
import FormField from '../../ui/FormField.vue';
import { mergeChanges } from '../../ui/merge.ts';
import TextField from '../../ui/TextField.vue';
import SaveBar from '../../ui/SaveBar.vue';
import { useSave } from '../../ui/use-save.ts';
import HolidayImport from './HolidayImport.vue';
import TermPicture from './TermPicture.vue';
import type { TermDraft } from './use-terms.ts';

/** One term: its days, its days off, how weeks and days are counted. */
const props = defineProps<{
  term: TermDto | TermDraft;
  today: string;
  keep: (draft: TermDraft) => Promise<unknown>;
}>();
const { busy, stored, fault, fields, save } = useSave();

interface Draft {
  name: string;
  startsOn: string;
  endsOn: string;
  daysOff: { from: string; to: string; reason: string }[];
  rotation: { firstWeek: 'A' | 'B'; emptyWeeksCount: boolean; cycleDays: number };
}

const draft = reactive<Draft>(copy(props.term));
watch(
  () => props.term,
  (term, before) => {
    const isSame = 'id' in term && 'id' in before && term.id === before.id;
    const [was, now] = [copy(before), copy(term)];
    Object.assign(draft, isSame ? mergeChanges(was, { ...draft }, now).merged : now);
  },
);
const termId = computed(() => ('id' in props.term ? props.term.id : null));
const isDrawable = computed(
  () => draft.startsOn !== '' && draft.endsOn > draft.startsOn && draft.daysOff.every((off) => off.from !== ''),
);

function copy({ name, startsOn, endsOn, daysOff, rotation }: TermDto | TermDraft): Draft {
  return { name, startsOn, endsOn, daysOff: daysOff.map((off) => ({ ...off })), rotation: { ...rotation } };
}

function add(): void {
  draft.daysOff.push({ from: '', to: '', reason: '' });
}

function take(daysOff: readonly DaysOff[]): void {
  const all = [...draft.daysOff, ...daysOff.map((off) => ({ ...off }))];
  draft.daysOff = all.toSorted((a, b) => a.from.localeCompare(b.from));
}

/** A single day off needs no last day. */
const filled = computed((): TermDraft => ({
  ...draft,
  version: props.term.version,
  daysOff: draft.daysOff.map((off) => ({ ...off, to: off.to === '' ? off.from : off.to })),
}));

async function store(): Promise<void> {
  await save(() => props.keep(filled.value));
}

function faultOf(index: number): string | undefined {
  return Object.entries(fields.value).find(([name]) => name.startsWith(`daysOff.${index}`))?.[1];
}
</script>

<template>
  <form class="card-paper" novalidate @submit.prevent="store">
    <div class="head">
      <TextField v-model="draft.name" label="Name" :error="fields.name" />
      <TextField v-model="draft.startsOn" label="First day" :error="fields.startsOn" type="date" />
      <TextField v-model="draft.endsOn" label="Last day" :error="fields.endsOn" type="date" />
    </div>
    <div class="columns">
      <div class="left">
        <fieldset>
          <legend>Days off</legend>
          <div v-for="(off, index) in draft.daysOff" :key="index" class="off">
            <input v-model="off.from" class="form-control" type="date" :aria-label="`First day off ${index + 1}`" />
            <span>to</span>
            <input v-model="off.to" class="form-control" type="date" :aria-label="`Last day off ${index + 1}`" />
            <input
              v-model="off.reason"
              class="form-control reason"
              placeholder="What for"
              :aria-label="`Reason of day off ${index + 1}`"
            />
            <button
              class="remove"
              type="button"
              :aria-label="`Take day off ${index + 1} away`"
              @click="draft.daysOff.splice(index, 1)"
            >
              <IconRemove aria-hidden="true" />
            </button>
            <p v-if="faultOf(index) !== undefined" class="fault" role="alert">{{ faultOf(index) }}</p>
          </div>
          <p v-if="draft.daysOff.length === 0" class="soft">
            None yet: holidays, and single days lost to trips or repairs.
          </p>
          <div class="buttons">
            <BButton size="sm" variant="outline-dark" @click="add">Add a day off</BButton>
            <HolidayImport v-if="termId !== null" :term-id="termId" :there="draft.daysOff" @take="take" />
          </div>
        </fieldset>
        <details :open="draft.rotation.cycleDays > 0 || draft.rotation.firstWeek === 'B'">
          <summary>Alternating weeks and day cycles</summary>
          <div class="head">
            <FormField v-slot="{ id }" label="The term begins with">
              <select :id="id" v-model="draft.rotation.firstWeek" class="form-select">
                <option value="A">an A week</option>
                <option value="B">a B week</option>
              </select>
            </FormField>
            <FormField
              v-slot="{ id, describedby }"
              label="A week without school"
              hint="Whether B follows A after a holiday week, or the letters go on as on the wall calendar."
            >
              <select
                :id="id"
                v-model="draft.rotation.emptyWeeksCount"
                class="form-select"
                :aria-describedby="describedby"
              >
                <option :value="true">counts</option>
                <option :value="false">does not count</option>
              </select>
            </FormField>
            <TextField
              v-model.number="draft.rotation.cycleDays"
              label="School days in a cycle"
              hint="0 where classes meet by weekdays."
              :error="fields['rotation.cycleDays']"
              type="number"
              :min="0"
              :max="20"
            />
          </div>
        </details>
      </div>

      <TermPicture v-if="isDrawable" :term="filled" :today="today" />
    </div>
    <div class="store">
      <SaveBar :busy="busy" :stored="stored" :fault="fault" label="Store the term" />
    </div>
  </form>
</template>

<style scoped>
form,
.left,
fieldset {
  display: grid;
  gap: 14px;
  align-content: start;
  min-width: 0;
}

fieldset {
  gap: 8px;
}

.head {
  display: grid;
  grid-template-columns: minmax(220px, 2fr) minmax(150px, 1fr) minmax(150px, 1fr);
  gap: 14px;
}

.columns {
  display: grid;
  grid-template-columns: minmax(420px, 1fr) auto;
  gap: 28px;
}

.off {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px;
}

.off input {
  width: 150px;
}

.off .reason {
  flex: 1;
  min-width: 130px;
}

.buttons {
  display: flex;
  flex-wrap: wrap;
  align-items: start;
  gap: 8px;
}

details .head {
  grid-template-columns: repeat(3, minmax(0, 1fr));
}

.store {
  position: sticky;
  bottom: 0;
  padding: 8px 0;
  background: var(--card);
}

summary {
  min-height: 32px;
  font-weight: 650;
  cursor: pointer;
}

@media (max-width: 1000px) {
  .columns,
  .head {
    grid-template-columns: 1fr;
  }
}
</style>
