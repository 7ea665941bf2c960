<script setup lang="ts">
import type { PupilRecord, Trace } from '@escalier/contract/pupils';
import { INSTRUMENT_IDS, instrument } from '@escalier/core/instruments';
import { computed, reactive, ref, watch } from 'vue';
import { mergeChanges } from '../../ui/merge.ts';
import { shortDate } from '../../ui/dates.ts';
import FormField from '../../ui/FormField.vue';
import SelectField from '../../ui/SelectField.vue';
import TextField from '../../ui/TextField.vue';
import SaveBar from '../../ui/SaveBar.vue';
import { useSave } from '../../ui/use-save.ts';
import { TakeCare } from '../schools/index.ts';
import ConsentWithdrawn from './ConsentWithdrawn.vue';
import EraseCard from './EraseCard.vue';
import { t } from './messages.ts';

/** What the teachers keep of one pupil. */
const props = defineProps<{
  pupil: PupilRecord;
  steps: readonly string[];
  classMark: string;
  today: string;
  /** Parallel classes on the same stairs. */
  others: readonly { readonly id: string; readonly name: string }[];
  mayErase: boolean;
  change: (pupil: PupilRecord) => Promise<void>;
  move: (id: string, toClass: string) => Promise<void>;
  erase: (id: string, clean: readonly Pick<Trace, 'place' | 'key'>[]) => Promise<void>;
  setAbsent: (id: string, date: string, absent: boolean) => Promise<void>;
}>();
const emit = defineEmits<{ gone: [] }>();
const { busy, error, fields, save } = useSave();
const aside = useSave();

const draft = reactive<Omit<PupilRecord, 'leftOn'> & { leftOn: PupilRecord['leftOn'] | '' }>({ ...props.pupil });
watch(
  () => props.pupil,
  (pupil, before) =>
    Object.assign(draft, pupil.id === before.id ? mergeChanges(before, { ...draft }, pupil).merged : pupil),
);
const startOptions = computed(() =>
  props.steps.map((title, index) => ({ value: index + 1, text: `${index + 1} ${title}` })),
);
const INSTRUMENTS = [
  { value: null, text: t('pupil-form.the-classs-instrument') },
  ...INSTRUMENT_IDS.map((value) => ({ value, text: instrument(value).name })),
];
const BREATHS = [
  { value: null, text: t('pupil-form.as-in-the-class') },
  ...[2, 3, 4, 5, 6, 7, 8, 10, 12].map((value) => ({ value, text: t('pupil-form.value-seconds', { seconds: value }) })),
];
const SIZES = [
  { value: 'small', text: t('pupil-form.small-print') },
  { value: 'medium', text: t('pupil-form.normal-print') },
  { value: 'big', text: t('pupil-form.big-print') },
] as const;
const classOptions = computed(() => [
  { value: '', text: t('pupil-form.choose-a-class') },
  ...props.others.map(({ id, name }) => ({ value: id, text: name })),
]);
const toClass = ref('');
const absentOn = ref(props.today);

async function submit(): Promise<void> {
  await save(() => props.change({ ...draft, leftOn: draft.leftOn === '' ? null : draft.leftOn }));
}

async function moveAway(): Promise<void> {
  if (await aside.save(() => props.move(props.pupil.id, toClass.value))) emit('gone');
}
</script>

<template>
  <div class="stack">
    <BForm class="card-paper stack" novalidate @submit.prevent="submit">
      <h2>{{ pupil.name }}</h2>
      <div class="field-grid">
        <TextField v-model="draft.name" :label="t('pupil-form.name-shown')" :error="fields.name" />
        <SelectField
          v-model="draft.startStep"
          :label="t('pupil-form.starts-at-step')"
          :options="startOptions"
          :error="fields.startStep"
        />
        <TextField v-model="draft.joinedOn" :label="t('pupil-form.joined-on')" :error="fields.joinedOn" type="date" />
        <TextField
          v-model="draft.leftOn"
          :label="t('pupil-form.left-on')"
          :hint="t('pupil-form.results-stay-clear-the-date-if')"
          :error="fields.leftOn"
          type="date"
        />
        <TextField
          v-model="draft.handMark"
          :label="t('pupil-form.left-hand-marker')"
          :hint="t('pupil-form.leave-empty-to-use-the-classs', { classMark })"
          :error="fields.handMark"
        />
        <SelectField v-model="draft.playsInstead" :label="t('pupil-form.plays')" :options="INSTRUMENTS" />
        <SelectField v-model="draft.breathSeconds" :label="t('pupil-form.length-of-a-breath')" :options="BREATHS" />
        <SelectField v-model="draft.printSize" :label="t('pupil-form.sheets')" :options="SIZES" />
      </div>
      <FormField
        v-slot="{ id, describedby, state }"
        :label="t('pupil-form.note')"
        :hint="t('pupil-form.only-for-this-classs-teachers-it')"
        :error="fields.note"
      >
        <BFormTextarea
          :id="id"
          v-model="draft.note"
          rows="2"
          maxlength="500"
          :state="state"
          :aria-describedby="describedby"
        />
      </FormField>
      <BFormCheckbox v-model="draft.mayRecord"
        >{{ t('pupil-form.the-family-and-the-school-agree') }}
        <span class="soft">{{ t('pupil-form.without-this-no-recording-of-this') }}</span></BFormCheckbox
      >
      <BFormCheckbox v-model="draft.easierLine">{{ t('pupil-form.plays-the-easier-line-where-a') }}</BFormCheckbox>
      <SaveBar :busy="busy" :error="error" />
    </BForm>
    <section class="card-paper stack-close">
      <h2>{{ t('pupil-form.days-away') }}</h2>
      <BForm class="line" @submit.prevent="aside.save(() => setAbsent(pupil.id, absentOn, true))">
        <BFormInput v-model="absentOn" class="auto" type="date" required :aria-label="t('pupil-form.day')" />
        <BButton type="submit">{{ t('pupil-form.was-away') }}</BButton>
      </BForm>
      <ul v-if="pupil.absences.length > 0" class="plain line">
        <li v-for="date in pupil.absences" :key="date">
          {{ shortDate(date) }}
          <BButton
            variant="link"
            :aria-label="t('pupil-form.name-was-not-away-on-date', { name: pupil.name, date: shortDate(date) })"
            @click="aside.save(() => setAbsent(pupil.id, date, false))"
            >{{ t('pupil-form.was-here') }}</BButton
          >
        </li>
      </ul>
      <p v-else class="soft">{{ t('pupil-form.no-days-away-so-far') }}</p>
      <p v-for="moved in pupil.moves" :key="moved.on + moved.to">
        {{ t('pupil-form.date-moved-from-from-to-to', { date: shortDate(moved.on), from: moved.from, to: moved.to }) }}
      </p>
      <template v-if="others.length > 0 && pupil.leftOn === null">
        <h2>{{ t('pupil-form.move-to-another-class') }}</h2>
        <BForm class="line" @submit.prevent="moveAway">
          <BFormSelect
            v-model="toClass"
            class="auto"
            required
            :options="classOptions"
            :aria-label="t('pupil-form.class')"
          />
          <BButton type="submit">{{ t('pupil-form.move') }}</BButton>
        </BForm>
        <p class="soft">{{ t('pupil-form.results-move-too-and-the-move') }}</p>
      </template>
      <EraseCard v-if="mayErase" :pupil="pupil" :erase="erase" @gone="emit('gone')" />
      <BAlert v-if="aside.reason.value !== null" variant="danger" :model-value="true">{{ aside.reason.value }}</BAlert>
    </section>
    <ConsentWithdrawn :pupil="pupil" />
    <TakeCare place="recordings" />
  </div>
</template>
