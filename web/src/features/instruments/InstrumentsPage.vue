<script setup lang="ts">
import { instrument, INSTRUMENT_IDS, type InstrumentId } from '@escalier/core/instruments';
import { computed, onMounted, reactive, ref } from 'vue';
import FormField from '../../ui/FormField.vue';
import LoadState from '../../ui/LoadState.vue';
import SaveBar from '../../ui/SaveBar.vue';
import TextField from '../../ui/TextField.vue';
import { useSave } from '../../ui/use-save.ts';
import { SchoolHead, TakeCare } from '../schools/index.ts';
import CleaningCard from './CleaningCard.vue';
import InstrumentForm from './InstrumentForm.vue';
import LendCard from './LendCard.vue';
import LendingSheet from './LendingSheet.vue';
import { useDesk } from './use-desk.ts';
import { className } from './words.ts';

const store = useDesk();
const { desk } = store;
onMounted(store.load);

const openId = ref<string | null>(null);
const open = computed(() => desk.value?.instruments.find((each) => each.id === openId.value) ?? null);
const classId = ref('');
const listed = computed(() =>
  (desk.value?.instruments ?? []).filter(
    (each) => classId.value === '' || each.loans.some((loan) => loan.classId === classId.value),
  ),
);
const sets = computed(() =>
  INSTRUMENT_IDS.map((kind) => ({ kind, lines: listed.value.filter((each) => each.kind === kind) })).filter(
    (set) => set.lines.length > 0,
  ),
);
const usable = computed(() => desk.value?.instruments.filter((each) => each.condition !== 'lost').length ?? 0);

const { busy, stored, fault, fields, save } = useSave();
const draft = reactive<{ kind: InstrumentId; from: number; count: number; owner: 'school' | 'pupil' }>({
  kind: 'soprano-recorder-baroque',
  from: 1,
  count: 30,
  owner: 'school',
});

async function add(): Promise<void> {
  await save(() => store.add({ ...draft }));
}
</script>

<template>
  <LoadState v-if="desk === null" :error="store.error.value" what="the instruments" @again="store.load" />
  <div v-else class="page-grid">
    <SchoolHead lead="Who has which number, in what state it is, and what has to be cleaned before the next class." />
    <div class="columns no-print">
      <section class="card-paper">
        <div class="head">
          <h2>{{ desk.instruments.length }} instruments, {{ usable }} to be had</h2>
          <label>
            Show
            <select v-model="classId" class="form-select auto">
              <option value="">all</option>
              <option v-for="each in desk.classes" :key="each.id" :value="each.id">{{ each.name }}</option>
            </select>
          </label>
        </div>
        <template v-for="set in sets" :key="set.kind">
          <h3>{{ instrument(set.kind).name }}</h3>
          <ul>
            <li v-for="each in set.lines" :key="each.id">
              <button
                type="button"
                :class="{ on: each.id === openId, off: each.condition === 'broken' || each.condition === 'lost' }"
                :aria-pressed="each.id === openId"
                @click="openId = each.id"
              >
                <span class="number">{{ each.number }}</span>
                <span class="who">
                  <span v-for="loan in each.loans" :key="loan.id" class="loan">
                    {{ loan.pupil }} <span class="soft">{{ className(desk.classes, loan.classId) }}</span>
                  </span>
                  <span v-if="each.loans.length === 0" class="soft">{{
                    each.owner === 'pupil' ? 'a pupil’s own' : 'free'
                  }}</span>
                  <span v-if="each.condition !== 'good'" class="state">{{ each.condition }}</span>
                </span>
              </button>
            </li>
          </ul>
        </template>
        <p v-if="listed.length === 0" class="soft">
          {{ desk.instruments.length === 0 ? 'None yet: enter a set below by its numbers.' : 'This class has none.' }}
        </p>
        <form novalidate @submit.prevent="add">
          <h2>Enter a set</h2>
          <div class="grid">
            <FormField v-slot="{ id }" label="Kind">
              <select :id="id" v-model="draft.kind" class="form-select">
                <option v-for="each in INSTRUMENT_IDS" :key="each" :value="each">{{ instrument(each).name }}</option>
              </select>
            </FormField>
            <TextField
              v-model.number="draft.from"
              label="From number"
              type="number"
              :min="1"
              :error="fields.number ?? fields.from"
            />
            <TextField
              v-model.number="draft.count"
              label="How many"
              type="number"
              :min="1"
              :max="100"
              :error="fields.count"
            />
            <FormField v-slot="{ id }" label="Whose">
              <select :id="id" v-model="draft.owner" class="form-select">
                <option value="school">the school’s</option>
                <option value="pupil">the pupils’ own</option>
              </select>
            </FormField>
          </div>
          <SaveBar :busy="busy" :stored="stored" :fault="fault" label="Enter them" />
        </form>
      </section>
      <div class="side">
        <InstrumentForm
          v-if="open !== null"
          :key="open.id"
          :line="open"
          :classes="desk.classes"
          :store="store"
          @gone="openId = null"
        />
        <LendCard :desk="desk" :store="store" @print="classId = $event" />
        <CleaningCard :desk="desk" :cleaned="store.cleaned" />
        <TakeCare place="instruments" />
      </div>
    </div>
    <LendingSheet :desk="desk" :class-id="classId" />
  </div>
</template>

<style scoped lang="scss">
.columns {
  display: grid;
  grid-template-columns: minmax(0, 7fr) minmax(340px, 5fr);
  gap: 12px;
  align-items: start;
}

.side {
  display: grid;
  gap: 12px;
}

.head,
.head label {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
}

.head h2 {
  flex: 1;
}

h3 {
  margin-top: 10px;
  font-size: 1rem;
}

ul {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(176px, 1fr));
  gap: 6px;
  margin: 6px 0 16px;
  padding: 0;
  list-style: none;
}

li button {
  display: grid;
  grid-template-columns: 2.2em 1fr;
  gap: 0 8px;
  align-items: center;
  width: 100%;
  min-height: 52px;
  padding: 4px 8px;
  border: 1.5px solid var(--line-strong);
  border-radius: 8px;
  background: var(--card);
  color: var(--ink);
  text-align: left;
}

li button.on {
  border-color: var(--ink);
  box-shadow: inset 0 0 0 1.5px var(--ink);
}

li button.off {
  border-style: dashed;
  background: var(--stone);
}

.number {
  font-family: var(--heading);
  font-size: 1.25rem;
  font-weight: 700;
  text-align: right;
}

.who {
  min-width: 0;
  font-size: 14px;
  line-height: 1.2;
}

.loan {
  display: block;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.loan .soft {
  font-size: 13px;
}

.state {
  display: block;
  color: var(--brick);
  font-size: 13px;
  font-weight: 650;
}

form {
  display: grid;
  gap: 10px;
}

.grid {
  display: grid;
  grid-template-columns: 2fr 1fr 1fr 1fr;
  gap: 12px;
}

@media (max-width: 1000px) {
  .columns {
    grid-template-columns: 1fr;
  }

  .grid {
    grid-template-columns: 1fr 1fr;
  }
}
</style>
