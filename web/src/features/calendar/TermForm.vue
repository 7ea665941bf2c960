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
import { t } from './messages.ts';

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
  { value: 'A', text: t('term-form.an-a-week') },
  { value: 'B', text: t('term-form.a-b-week') },
] as const;
const EMPTY_WEEKS = [
  { value: true, text: 'counts' },
  { value: false, text: t('term-form.does-not-count') },
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
      <TextField v-model="draft.name" :label="t('term-form.name')" :error="fields.name" />
      <TextField v-model="draft.startsOn" :label="t('term-form.first-day')" :error="fields.startsOn" type="date" />
      <TextField v-model="draft.endsOn" :label="t('term-form.last-day')" :error="fields.endsOn" type="date" />
    </div>
    <div class="line days">
      <div class="stack grow">
        <fieldset class="stack-close">
          <legend>{{ t('term-form.days-off') }}</legend>
          <div v-for="(off, index) in draft.daysOff" :key="index" class="line">
            <BFormInput
              v-model="off.from"
              class="auto"
              type="date"
              :aria-label="t('term-form.first-day-off-index', { index: index + 1 })"
            />
            <span>{{ t('term-form.to') }}</span>
            <BFormInput
              v-model="off.to"
              class="auto"
              type="date"
              :aria-label="t('term-form.last-day-off-index', { index: index + 1 })"
            />
            <BFormInput
              v-model="off.reason"
              class="grow reason"
              :placeholder="t('term-form.reason')"
              :aria-label="t('term-form.reason-of-day-off-index', { index: index + 1 })"
            />
            <BButton
              variant="link"
              :aria-label="t('term-form.remove-day-off-index', { index: index + 1 })"
              @click="draft.daysOff.splice(index, 1)"
            >
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
            {{ t('term-form.none-yet-add-holidays-and-single') }}
          </p>
        </fieldset>
        <div class="line">
          <BButton size="sm" @click="add">{{ t('term-form.add-a-day-off') }}</BButton>
        </div>
        <HolidayImport v-if="termId !== null" :term-id="termId" :there="draft.daysOff" @take="take" />
        <HowComputed :label="t('term-form.alternating-weeks-and-day-cycles')" :starts-open="isRotating">
          <div class="field-grid">
            <SelectField
              v-model="draft.rotation.firstWeek"
              :label="t('term-form.the-term-begins-with')"
              :options="FIRST_WEEKS"
            />
            <SelectField
              v-model="draft.rotation.emptyWeeksCount"
              :label="t('term-form.a-week-without-school')"
              :hint="t('term-form.counts-the-letters-carry-on-as')"
              :options="EMPTY_WEEKS"
            />
            <TextField
              v-model="draft.rotation.cycleDays"
              :label="t('term-form.school-days-in-a-cycle')"
              :hint="t('term-form.0-if-classes-meet-by-weekday')"
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
    <SaveBar :busy="busy" :error="error" :label="t('term-form.save-term')" />
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
