<script setup lang="ts">
import { instrument, type InstrumentId } from '@escalier/core/instruments';
import type { InstrumentLine, LendingClass } from '@escalier/server/api';
import { computed, reactive, ref, watch } from 'vue';
import FormField from '../../ui/FormField.vue';
import { mergeChanges } from '../../ui/merge.ts';
import SaveBar from '../../ui/SaveBar.vue';
import TextField from '../../ui/TextField.vue';
import { useSave } from '../../ui/use-save.ts';
import { shortDate } from '../classes/index.ts';
import { instrumentDraft, type Desk } from './use-desk.ts';
import { className } from './words.ts';

/** One instrument: who has it, its state, its cleaning. */
const props = defineProps<{ line: InstrumentLine; classes: readonly LendingClass[]; store: Desk }>();
const emit = defineEmits<{ gone: [] }>();
const { busy, stored, fields, reason, save } = useSave();

const draft = reactive({ ...instrumentDraft(props.line) });
watch(
  () => props.line,
  (line, before) => {
    const [was, now] = [instrumentDraft(before), instrumentDraft(line)];
    Object.assign(draft, line.id === before.id ? mergeChanges(was, { ...draft }, now).merged : now);
  },
);
const pupilId = ref('');
const kind = computed(() => instrument(props.line.kind as InstrumentId));

async function lend(): Promise<void> {
  if (await save(() => props.store.lend(props.line.id, pupilId.value))) pupilId.value = '';
}

async function remove(): Promise<void> {
  if (await save(() => props.store.remove(props.line.id))) emit('gone');
}
</script>

<template>
  <section class="card-paper">
    <h2>Number {{ line.number }}, {{ kind.shortName }}</h2>
    <ul>
      <li v-for="loan in line.loans" :key="loan.id">
        <span
          ><strong>{{ loan.pupil }}</strong
          >, {{ className(classes, loan.classId) }}, since {{ shortDate(loan.lentOn) }}</span
        >
        <BButton
          size="sm"
          variant="outline-dark"
          :aria-label="`Take number ${line.number} back from ${loan.pupil}`"
          @click="save(() => store.takeBack(loan.id))"
          >Take back</BButton
        >
      </li>
    </ul>
    <form class="line" @submit.prevent="lend">
      <label class="visually-hidden" for="lend-to">Lend to</label>
      <select id="lend-to" v-model="pupilId" class="form-select auto" required>
        <option value="">Lend to …</option>
        <optgroup v-for="each in classes" :key="each.id" :label="each.name">
          <option v-for="pupil in each.pupils" :key="pupil.id" :value="pupil.id">{{ pupil.name }}</option>
        </optgroup>
      </select>
      <BButton size="sm" variant="outline-dark" type="submit">Lend</BButton>
    </form>
    <form class="fields" novalidate @submit.prevent="save(() => store.change(line.id, { ...draft }))">
      <div class="grid">
        <TextField v-model.number="draft.number" label="Number" type="number" :min="1" :error="fields.number" />
        <FormField v-slot="{ id }" label="State">
          <select :id="id" v-model="draft.condition" class="form-select">
            <option value="good">good</option>
            <option value="worn">worn</option>
            <option value="broken">broken</option>
            <option value="lost">lost</option>
          </select>
        </FormField>
        <FormField v-slot="{ id }" label="Whose">
          <select :id="id" v-model="draft.owner" class="form-select">
            <option value="school">the school’s</option>
            <option value="pupil">a pupil’s own</option>
          </select>
        </FormField>
      </div>
      <TextField v-model="draft.note" label="Note" :error="fields.note" />
      <div class="line">
        <SaveBar :busy="busy" :stored="stored" :fault="reason" />
        <BButton variant="outline-dark" @click="save(() => store.cleaned([line.id]))">Cleaned now</BButton>
        <BButton v-if="line.loans.length === 0" variant="link" @click="remove">Entered by mistake</BButton>
      </div>
      <p class="soft">
        {{
          line.cleanedAt === null
            ? 'No cleaning noted yet.'
            : `Cleaned ${shortDate(line.cleanedAt.slice(0, 10))}, ${line.cleanedAt.slice(11)}.`
        }}
      </p>
    </form>
  </section>
</template>

<style scoped>
section,
.fields {
  display: grid;
  gap: 10px;
}

ul {
  margin: 0;
  padding: 0;
  list-style: none;
}

li {
  display: flex;
  justify-content: space-between;
  gap: 10px;
  align-items: center;
  min-height: 44px;
}

.line {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}

.auto {
  width: auto;
  max-width: 220px;
}

.grid {
  display: grid;
  grid-template-columns: 1fr 1fr 1.3fr;
  gap: 10px;
}
</style>
