<script setup lang="ts">
import type { InstrumentLine, LendingClass } from '@escalier/contract/instruments';
import { instrument, type InstrumentId } from '@escalier/core/instruments';
import { computed, reactive, ref, watch } from 'vue';
import { mergeChanges } from '../../ui/merge.ts';
import { moment, shortDate } from '../../ui/dates.ts';
import SaveBar from '../../ui/SaveBar.vue';
import SelectField from '../../ui/SelectField.vue';
import TextField from '../../ui/TextField.vue';
import { useSave } from '../../ui/use-save.ts';
import { instrumentDraft, type Instruments } from './use-instruments.ts';
import { className } from './words.ts';
import { t } from './messages.ts';

/** One instrument: who has it, its state, its cleaning. */
const props = defineProps<{ line: InstrumentLine; classes: readonly LendingClass[]; store: Instruments }>();
const emit = defineEmits<{ gone: [] }>();
const { busy, fields, reason, save } = useSave();

const draft = reactive({ ...instrumentDraft(props.line) });
watch(
  () => props.line,
  (line, before) => {
    const [was, now] = [instrumentDraft(before), instrumentDraft(line)];
    Object.assign(draft, line.id === before.id ? mergeChanges(was, { ...draft }, now).merged : now);
  },
);
const CONDITIONS = (['good', 'worn', 'broken', 'lost'] as const).map((value) => ({ value, text: value }));
const OWNERS = [
  { value: 'school', text: t('instrument-form.the-schools') },
  { value: 'pupil', text: t('instrument-form.a-pupils-own') },
] as const;
const pupilId = ref('');
const borrowers = computed(() => [
  { value: '', text: t('instrument-form.lend-to-2') },
  ...props.classes.map((each) => ({
    label: each.name,
    options: each.pupils.map((pupil) => ({ value: pupil.id, text: pupil.name })),
  })),
]);
const removing = ref(false);
const kind = computed(() => instrument(props.line.kind as InstrumentId));

async function lend(): Promise<void> {
  if (await save(() => props.store.lend(props.line.id, pupilId.value))) pupilId.value = '';
}

async function remove(): Promise<void> {
  if (await save(() => props.store.remove(props.line.id))) emit('gone');
}
</script>

<template>
  <section class="card-paper stack">
    <h2>{{ t('instrument-form.number-number-short-name', { number: line.number, shortName: kind.shortName }) }}</h2>
    <ul class="plain">
      <li v-for="loan in line.loans" :key="loan.id" class="line">
        <span class="grow"
          ><strong>{{ loan.pupil }}</strong
          >{{
            t('instrument-form.class-name-since-date', {
              className: className(classes, loan.classId),
              date: shortDate(loan.lentOn),
            })
          }}</span
        >
        <BButton
          size="sm"
          :aria-label="
            t('instrument-form.take-number-number-back-from-pupil', { number: line.number, pupil: loan.pupil })
          "
          @click="save(() => store.takeBack(loan.id))"
          >{{ t('instrument-form.take-back') }}</BButton
        >
      </li>
    </ul>
    <BForm class="line" @submit.prevent="lend">
      <BFormSelect
        v-model="pupilId"
        class="auto"
        required
        :options="borrowers"
        :aria-label="t('instrument-form.lend-to')"
      />
      <BButton type="submit">{{ t('instrument-form.lend') }}</BButton>
    </BForm>
    <BForm class="stack" novalidate @submit.prevent="save(() => store.change(line.id, { ...draft }))">
      <div class="field-grid">
        <TextField
          v-model="draft.number"
          :label="t('instrument-form.number')"
          type="number"
          :min="1"
          :error="fields.number"
        />
        <SelectField v-model="draft.condition" :label="t('instrument-form.condition')" :options="CONDITIONS" />
        <SelectField v-model="draft.owner" :label="t('instrument-form.belongs-to')" :options="OWNERS" />
      </div>
      <TextField v-model="draft.note" :label="t('instrument-form.note')" :error="fields.note" />
      <SaveBar :busy="busy" :error="reason">
        <BButton @click="save(() => store.cleaned([line.id]))">{{ t('instrument-form.cleaned-now') }}</BButton>
        <BButton v-if="line.loans.length === 0" variant="outline-danger" @click="removing = true">{{
          t('instrument-form.delete')
        }}</BButton>
      </SaveBar>
      <p class="soft">
        {{
          line.cleanedAt === null
            ? t('instrument-form.not-cleaned-yet')
            : t('instrument-form.cleaned-moment', { moment: moment(line.cleanedAt.replace(' ', 'T')) })
        }}
      </p>
    </BForm>
    <BModal
      v-model="removing"
      :title="t('instrument-form.delete-number-number', { number: line.number })"
      :ok-title="t('instrument-form.delete')"
      ok-variant="danger"
      :cancel-title="t('instrument-form.keep-it')"
      @ok="remove"
    >
      {{ t('instrument-form.only-for-an-instrument-entered-by') }}
    </BModal>
  </section>
</template>
