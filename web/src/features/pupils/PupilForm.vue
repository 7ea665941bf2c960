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
  { value: null, text: 'the class’s instrument' },
  ...INSTRUMENT_IDS.map((value) => ({ value, text: instrument(value).name })),
];
const BREATHS = [
  { value: null, text: 'as in the class' },
  ...[2, 3, 4, 5, 6, 7, 8, 10, 12].map((value) => ({ value, text: `${value} seconds` })),
];
const SIZES = [
  { value: 'small', text: 'Small print' },
  { value: 'medium', text: 'As usual' },
  { value: 'big', text: 'Big print' },
] as const;
const classOptions = computed(() => [
  { value: '', text: 'Choose a class' },
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
        <TextField v-model="draft.name" label="Name shown" :error="fields.name" />
        <SelectField
          v-model="draft.startStep"
          label="Starts at step"
          :options="startOptions"
          :error="fields.startStep"
        />
        <TextField v-model="draft.joinedOn" label="Joined on" :error="fields.joinedOn" type="date" />
        <TextField
          v-model="draft.leftOn"
          label="Left on"
          hint="Results stay. Clear the date if the pupil comes back."
          :error="fields.leftOn"
          type="date"
        />
        <TextField
          v-model="draft.handMark"
          label="Left-hand marker"
          :hint="`Leave empty to use the class’s: ${classMark}.`"
          :error="fields.handMark"
        />
        <SelectField v-model="draft.playsInstead" label="Plays" :options="INSTRUMENTS" />
        <SelectField v-model="draft.breathSeconds" label="One breath lasts" :options="BREATHS" />
        <SelectField v-model="draft.printSize" label="Sheets" :options="SIZES" />
      </div>
      <FormField
        v-slot="{ id, describedby, state }"
        label="Note"
        hint="Only for this class’s teachers. It is never printed or shown on the projector."
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
        >The family and the school agree to recordings.
        <span class="soft">Without this, no sound of this child can be kept.</span></BFormCheckbox
      >
      <BFormCheckbox v-model="draft.easierLine">Plays the easier line where a tune has one.</BFormCheckbox>
      <SaveBar :busy="busy" :error="error" />
    </BForm>
    <section class="card-paper stack-close">
      <h2>Days away</h2>
      <BForm class="line" @submit.prevent="aside.save(() => setAbsent(pupil.id, absentOn, true))">
        <BFormInput v-model="absentOn" class="auto" type="date" required aria-label="Day" />
        <BButton type="submit">Was away</BButton>
      </BForm>
      <ul v-if="pupil.absences.length > 0" class="plain line">
        <li v-for="date in pupil.absences" :key="date">
          {{ shortDate(date) }}
          <BButton
            variant="link"
            :aria-label="`${pupil.name} was not away on ${shortDate(date)}`"
            @click="aside.save(() => setAbsent(pupil.id, date, false))"
            >was here</BButton
          >
        </li>
      </ul>
      <p v-else class="soft">No days away so far.</p>
      <p v-for="moved in pupil.moves" :key="moved.on + moved.to">
        {{ shortDate(moved.on) }}: moved from {{ moved.from }} to {{ moved.to }}.
      </p>
      <template v-if="others.length > 0 && pupil.leftOn === null">
        <h2>Move to another class</h2>
        <BForm class="line" @submit.prevent="moveAway">
          <BFormSelect v-model="toClass" class="auto" required :options="classOptions" aria-label="Class" />
          <BButton type="submit">Move</BButton>
        </BForm>
        <p class="soft">Results move too, and the move is noted.</p>
      </template>
      <EraseCard v-if="mayErase" :pupil="pupil" :erase="erase" @gone="emit('gone')" />
      <BAlert v-if="aside.reason.value !== null" variant="danger" :model-value="true">{{ aside.reason.value }}</BAlert>
    </section>
    <ConsentWithdrawn :pupil="pupil" />
    <TakeCare place="recordings" />
  </div>
</template>
