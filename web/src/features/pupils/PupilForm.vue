<script setup lang="ts">
import { INSTRUMENT_IDS, instrument } from '@escalier/core/instruments';
import type { PupilRecord } from '@escalier/server/api';
import { reactive, ref, watch } from 'vue';
import FormField from '../../ui/FormField.vue';
import { mergeChanges } from '../../ui/merge.ts';
import TextField from '../../ui/TextField.vue';
import SaveBar from '../../ui/SaveBar.vue';
import { useSave } from '../../ui/use-save.ts';
import { shortDate } from '../classes/index.ts';
import { TakeCare } from '../schools/index.ts';

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
  erase: (id: string) => Promise<void>;
  setAbsent: (id: string, date: string, absent: boolean) => Promise<void>;
}>();
const emit = defineEmits<{ gone: [] }>();
const { busy, stored, fault, fields, save } = useSave();
const aside = useSave();

const draft = reactive({ ...props.pupil });
watch(
  () => props.pupil,
  (pupil, before) =>
    Object.assign(draft, pupil.id === before.id ? mergeChanges(before, { ...draft }, pupil).merged : pupil),
);
const toClass = ref('');
const absentOn = ref(props.today);
const erasing = ref(false);

async function store(): Promise<void> {
  await save(() => props.change({ ...draft, leftOn: draft.leftOn === '' ? null : draft.leftOn }));
}

async function moveAway(): Promise<void> {
  if (await aside.save(() => props.move(props.pupil.id, toClass.value))) emit('gone');
}

async function eraseNow(): Promise<void> {
  if (await aside.save(() => props.erase(props.pupil.id))) emit('gone');
}
</script>

<template>
  <div class="pupil">
    <form class="card-paper" novalidate @submit.prevent="store">
      <h2>{{ pupil.name }}</h2>
      <div class="grid">
        <TextField v-model="draft.name" label="Shown name" :error="fields.name" />
        <FormField v-slot="{ id, describedby }" label="Starts at" :error="fields.startStep">
          <select :id="id" v-model="draft.startStep" class="form-select" :aria-describedby="describedby">
            <option v-for="(title, index) in steps" :key="index" :value="index + 1">{{ index + 1 }} {{ title }}</option>
          </select>
        </FormField>
        <TextField v-model="draft.joinedOn" label="Joined on" :error="fields.joinedOn" type="date" />
        <TextField
          v-model="draft.leftOn"
          label="Left on"
          hint="The records stay; a date can be taken away again."
          :error="fields.leftOn"
          type="date"
        />
        <TextField
          v-model="draft.handMark"
          label="Mark of the left hand"
          :hint="`Empty: as the class, ${classMark}.`"
          :error="fields.handMark"
        />
        <FormField v-slot="{ id }" label="Plays">
          <select :id="id" v-model="draft.playsInstead" class="form-select">
            <option :value="null">as the class</option>
            <option v-for="each in INSTRUMENT_IDS" :key="each" :value="each">
              {{ instrument(each).name }} instead
            </option>
          </select>
        </FormField>
      </div>
      <FormField
        v-slot="{ id, describedby }"
        label="Note"
        hint="For the teachers of the class only; it is in no sheet and on no projector."
        :error="fields.note"
      >
        <textarea
          :id="id"
          v-model="draft.note"
          class="form-control"
          rows="2"
          maxlength="500"
          :aria-describedby="describedby"
        />
      </FormField>
      <label class="check">
        <input v-model="draft.mayRecord" class="form-check-input" type="checkbox" />
        <span
          >The family and the school agree to recordings.
          <span class="soft">Without it nothing of this child can be kept as sound.</span></span
        >
      </label>
      <SaveBar :busy="busy" :stored="stored" :fault="fault" />
    </form>
    <section class="card-paper more">
      <h2>Away</h2>
      <form class="line" @submit.prevent="aside.save(() => setAbsent(pupil.id, absentOn, true))">
        <label for="absent">Day</label>
        <input id="absent" v-model="absentOn" class="form-control auto" type="date" required />
        <BButton size="sm" variant="outline-dark" type="submit">Was away</BButton>
      </form>
      <ul v-if="pupil.absences.length > 0" class="days">
        <li v-for="date in pupil.absences" :key="date">
          {{ shortDate(date) }}
          <BButton
            size="sm"
            variant="link"
            :aria-label="`${pupil.name} was not away on ${shortDate(date)}`"
            @click="aside.save(() => setAbsent(pupil.id, date, false))"
            >was there</BButton
          >
        </li>
      </ul>
      <p v-else class="soft">Never noted as away.</p>
      <p v-for="moved in pupil.moves" :key="moved.on + moved.to">
        {{ shortDate(moved.on) }}: moved from {{ moved.from }} to {{ moved.to }}.
      </p>
      <template v-if="others.length > 0 && pupil.leftOn === null">
        <h2>To a parallel group</h2>
        <form class="line" @submit.prevent="moveAway">
          <label class="visually-hidden" for="to-class">Class</label>
          <select id="to-class" v-model="toClass" class="form-select auto" required>
            <option value="">Choose a class</option>
            <option v-for="each in others" :key="each.id" :value="each.id">{{ each.name }}</option>
          </select>
          <BButton size="sm" variant="outline-dark" type="submit">Move</BButton>
        </form>
        <p class="soft">The records go along, and the move is noted.</p>
      </template>
      <template v-if="mayErase">
        <h2>Erase the personal data</h2>
        <p v-if="!erasing" class="soft">
          Name, note, mark and absences go for good; the figures of the class stay.
          <BButton size="sm" variant="outline-danger" @click="erasing = true">Erase {{ pupil.name }} …</BButton>
        </p>
        <div v-else role="alertdialog" :aria-label="`Erase ${pupil.name}`" class="erase">
          <p><strong>This cannot be taken back.</strong> Records of {{ pupil.name }} stay without a name.</p>
          <div class="line">
            <BButton size="sm" variant="danger" @click="eraseNow">Erase for good</BButton>
            <BButton size="sm" variant="outline-dark" @click="erasing = false">Keep</BButton>
          </div>
        </div>
      </template>
      <p v-if="aside.reason.value !== null" class="fault" role="alert">{{ aside.reason.value }}</p>
    </section>
    <TakeCare place="recordings" />
  </div>
</template>

<style scoped>
.pupil,
form,
.more {
  display: grid;
  gap: 12px;
  align-content: start;
}

.more {
  gap: 6px;
}

.grid {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px 16px;
}

.check {
  display: flex;
  gap: 10px;
  align-items: start;
  min-height: 44px;
}

.line {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px;
}

.days {
  display: flex;
  flex-wrap: wrap;
  gap: 0 18px;
  margin: 0;
  padding: 0;
  list-style: none;
}

.erase {
  padding-left: 12px;
  border-left: 4px solid var(--brick);
}
</style>
