<script setup lang="ts">
import type { InstrumentDesk, Lending } from '@escalier/server/api';
import { computed, nextTick, ref, shallowRef, watch } from 'vue';
import { useSave } from '../../ui/use-save.ts';
import { plural } from '../classes/index.ts';
import type { Desk } from './use-desk.ts';

/** A whole class in one go: looked at first, then lent. */
const props = defineProps<{ desk: InstrumentDesk; store: Desk }>();
const emit = defineEmits<{ print: [classId: string] }>();
const { busy, reason, save } = useSave();

const classId = ref(props.desk.classes[0]?.id ?? '');
const share = ref(false);
const plan = shallowRef<Lending | null>(null);
watch([classId, share], () => (plan.value = null));
const chosen = computed(() => props.desk.classes.find((each) => each.id === classId.value) ?? null);
const lent = computed(
  () => props.desk.instruments.filter((each) => each.loans.some((loan) => loan.classId === classId.value)).length,
);

async function look(): Promise<void> {
  await save(async () => {
    plan.value = await props.store.lendToClass({ classId: classId.value, share: share.value, dryRun: true });
  });
}

async function lend(): Promise<void> {
  const done = await save(() => props.store.lendToClass({ classId: classId.value, share: share.value, dryRun: false }));
  if (done) plan.value = null;
}

async function print(): Promise<void> {
  emit('print', classId.value);
  await nextTick();
  window.print();
}
</script>

<template>
  <section class="card-paper">
    <h2>Lend to a whole class</h2>
    <p v-if="chosen === null" class="soft">There is no class yet.</p>
    <template v-else>
      <div class="line">
        <label for="lend-class" class="visually-hidden">Class</label>
        <select id="lend-class" v-model="classId" class="form-select auto">
          <option v-for="each in desk.classes" :key="each.id" :value="each.id">{{ each.name }}</option>
        </select>
        <span>{{ lent }} of {{ plural(chosen.pupils.length, 'pupil', 'pupils') }} have one</span>
      </div>
      <label class="line">
        <input v-model="share" class="form-check-input" type="checkbox" />
        <span>Also numbers that another class has: they are cleaned between the classes</span>
      </label>
      <div class="line">
        <BButton size="sm" variant="primary" :disabled="busy" @click="look">Who would get which?</BButton>
        <BButton size="sm" variant="outline-dark" :disabled="lent === 0" @click="print">Print the list</BButton>
        <BButton
          size="sm"
          variant="outline-dark"
          :disabled="busy || lent === 0"
          @click="save(() => store.takeBackFromClass(classId))"
          >Take all back</BButton
        >
      </div>
      <div v-if="plan !== null" class="plan" role="status">
        <p v-if="plan.pairs.length === 0 && plan.without.length === 0">Everybody has one.</p>
        <ul>
          <li v-for="pair in plan.pairs" :key="pair.pupilId">
            <strong>{{ pair.number }}</strong> {{ pair.pupil }}
          </li>
        </ul>
        <p v-if="plan.without.length > 0" class="fault">
          No instrument for {{ plan.without.join(', ') }}: enter more, or share with another class.
        </p>
        <BButton v-if="plan.pairs.length > 0" size="sm" variant="primary" :disabled="busy" @click="lend"
          >Lend {{ plural(plan.pairs.length, 'instrument', 'instruments') }}</BButton
        >
      </div>
    </template>
    <p v-if="reason !== null" class="fault" role="alert">{{ reason }}</p>
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: 8px;
}

.line {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}

label.line {
  flex-wrap: nowrap;
  min-height: 44px;
}

.plan {
  padding: 8px 12px;
  border-left: 4px solid var(--brass);
  background: var(--paper);
}

ul {
  margin: 0 0 8px;
  padding: 0;
  columns: 2;
  list-style: none;
}
</style>
