<script setup lang="ts">
import type { TermDto } from '@escalier/contract/terms';
import type { DaysOff, Term } from '@escalier/core/calendar';
import { computed, reactive, watch } from 'vue';
import IconRemove from '~icons/bi/x-lg';
import HowComputed from '../../ui/HowComputed.vue';
import { mergeChanges } from '../../ui/merge.ts';
import SaveBar from '../../ui/SaveBar.vue';
import SelectField from '../../ui/SelectField.vue';
import TextField from '../../ui/TextField.vue';
import { errorsAt, useSave } from '../../ui/use-save.ts';
import HolidayImport from './HolidayImport.vue';
import TermPicture from './TermPicture.vue';
import type { DayDraft, TermDraft } from './use-terms.ts';

/** One term: its dates, its days off, how weeks and days are counted. */
const props = defineProps<{
  term: TermDto | TermDraft;
  today: string;
  saveTerm: (draft: TermDraft) => Promise<unknown>;
}>();
const { busy, error, fields, save } = useSave();

interface Draft {
  name: string;
  startsOn: DayDraft;
  endsOn: DayDraft;
  daysOff: { from: DayDraft; to: DayDraft; reason: string }[];
  rotation: { firstWeek: 'A' | 'B'; emptyWeeksCount: boolean; cycleDays: number };
}

const FIRST_WEEKS = [
  { value: 'A', text: 'an A week' },
  { value: 'B', text: 'a B week' },
] as const;
const EMPTY_WEEKS = [
  { value: true, text: 'counts' },
  { value: false, text: 'does not count' },
] as const;

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
const isRotating = draft.rotation.cycleDays > 0 || draft.rotation.firstWeek === 'B';

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

/** Null as long as a day is missing. */
const drawn = computed((): Term | null => {
  const isWhole =
    draft.startsOn !== '' && draft.endsOn > draft.startsOn && draft.daysOff.every((off) => off.from !== '');
  return isWhole ? (filled.value as Term) : null;
});

async function submit(): Promise<void> {
  await save(() => props.saveTerm(filled.value));
}
</script>

<template>
  <BForm class="card-paper stack" novalidate @submit.prevent="submit">
    <div class="field-grid">
      <TextField v-model="draft.name" label="Name" :error="fields.name" />
      <TextField v-model="draft.startsOn" label="First day" :error="fields.startsOn" type="date" />
      <TextField v-model="draft.endsOn" label="Last day" :error="fields.endsOn" type="date" />
    </div>
    <div class="line days">
      <div class="stack grow">
        <fieldset class="stack-close">
          <legend>Days off</legend>
          <div v-for="(off, index) in draft.daysOff" :key="index" class="line">
            <BFormInput v-model="off.from" class="auto" type="date" :aria-label="`First day off ${index + 1}`" />
            <span>to</span>
            <BFormInput v-model="off.to" class="auto" type="date" :aria-label="`Last day off ${index + 1}`" />
            <BFormInput
              v-model="off.reason"
              class="grow reason"
              placeholder="What for?"
              :aria-label="`Reason of day off ${index + 1}`"
            />
            <BButton variant="link" :aria-label="`Remove day off ${index + 1}`" @click="draft.daysOff.splice(index, 1)">
              <IconRemove aria-hidden="true" />
            </BButton>
            <BAlert
              v-for="problem in errorsAt(fields, `daysOff.${index}`)"
              :key="problem"
              variant="danger"
              :model-value="true"
              >{{ problem }}</BAlert
            >
          </div>
          <p v-if="draft.daysOff.length === 0" class="soft">
            None yet. Add holidays, and single days lost to trips or repairs.
          </p>
        </fieldset>
        <div class="line">
          <BButton size="sm" @click="add">Add a day off</BButton>
        </div>
        <HolidayImport v-if="termId !== null" :term-id="termId" :there="draft.daysOff" @take="take" />
        <HowComputed label="Alternating weeks and day cycles" :starts-open="isRotating">
          <div class="field-grid">
            <SelectField v-model="draft.rotation.firstWeek" label="The term begins with" :options="FIRST_WEEKS" />
            <SelectField
              v-model="draft.rotation.emptyWeeksCount"
              label="A week without school"
              hint="Counts: the letters run on as on the wall calendar. Does not count: B follows A after a holiday week."
              :options="EMPTY_WEEKS"
            />
            <TextField
              v-model="draft.rotation.cycleDays"
              label="School days in a cycle"
              hint="0 if classes meet by weekday."
              :error="fields['rotation.cycleDays']"
              type="number"
              :min="0"
              :max="20"
            />
          </div>
        </HowComputed>
      </div>
      <TermPicture v-if="drawn !== null" :term="drawn" :today="today" />
    </div>
    <SaveBar :busy="busy" :error="error" label="Save the term" />
  </BForm>
</template>

<style scoped>
.days {
  align-items: start;
  gap: 28px;
}

.days > .grow {
  min-width: min(100%, 400px);
}

.reason {
  min-width: 130px;
}
</style>
