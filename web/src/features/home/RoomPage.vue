<script setup lang="ts">
import { computed, toRef } from 'vue';
import { longDate } from '../../ui/dates.ts';
import LoadState from '../../ui/LoadState.vue';
import { plural } from '../../ui/plural.ts';
import TextField from '../../ui/TextField.vue';
import { ClassHead } from '../classes/index.ts';
import { TakeCare } from '../schools/index.ts';
import SlipSheet from './SlipSheet.vue';
import TaskForm from './TaskForm.vue';
import { useRoomOfClass } from './use-room-of-class.ts';

/** The practice room of a class: opened, set up for the week, and its slips. */
const props = defineProps<{ classId: string }>();
const { room, slips, chosen, until, error, load, saving, open, setTask, makeSlips, address } = useRoomOfClass(
  toRef(props, 'classId'),
);
const { busy, fields, reason } = saving;
const names = computed(() => new Map(room.value?.pupils.map(({ id, name }) => [id, name])));
const isOpen = computed(() => room.value?.room !== null && room.value!.allowed);
const handIn = computed(() => room.value?.pupils.filter(({ mayHandIn }) => mayHandIn).length ?? 0);
const all = computed({
  get: () => chosen.value.length === room.value?.pupils.length,
  set: (wanted) => (chosen.value = wanted ? (room.value?.pupils.map(({ id }) => id) ?? []) : []),
});

const print = (): void => window.print();
</script>

<template>
  <LoadState v-if="room === null" :error="error" what="the practice room" @again="load" />
  <div v-else class="page-grid">
    <ClassHead :class-id="classId" class="no-print" />
    <section v-if="slips.length > 0" class="card-paper stack-close slip-card">
      <div class="no-print stack-close">
        <h2>{{ plural(slips.length, 'slip', 'slips') }} to print now</h2>
        <p>They are shown this once: Escalier keeps no code and no words, so nobody can read them later.</p>
        <div class="line">
          <BButton variant="primary" @click="print">Print</BButton>
          <BButton @click="slips = []">Done</BButton>
        </div>
      </div>
      <SlipSheet :slips="slips" :names="names" :address="address" :until="longDate(room.room?.until ?? room.endsOn)" />
    </section>
    <div class="columns no-print">
      <div class="stack">
        <section class="card-paper stack-close">
          <h2>{{ isOpen ? `Open until ${longDate(room.room!.until)}` : 'The practice room is closed' }}</h2>
          <p>
            Each pupil gets a slip with a code. At home it opens ten minutes of practice on whatever device there is: no
            account, no name, nothing to buy.
          </p>
          <BAlert v-if="!room.allowed" :model-value="true" variant="warning"
            >The owner of the school allows practice rooms first: School, Data.</BAlert
          >
          <BForm v-else class="stack-close" @submit.prevent="open(until)">
            <TextField
              v-model="until"
              type="date"
              label="Last day"
              hint="Slips open nothing after it."
              :error="fields.until"
            />
            <div class="line">
              <BButton type="submit" variant="primary" :disabled="busy">{{
                isOpen ? 'Change the day' : 'Open it'
              }}</BButton>
              <BButton v-if="isOpen" variant="outline-danger" :disabled="busy" @click="open(null)">Close it</BButton>
            </div>
          </BForm>
          <BAlert :model-value="reason !== null" variant="danger">{{ reason }}</BAlert>
        </section>
        <section v-if="isOpen" class="card-paper stack-close">
          <h2>This week</h2>
          <TaskForm :tunes="room.tunes" :task="room.room!.task" :busy="busy" :fields="fields" @keep="setTask" />
        </section>
        <section class="card-paper stack-close">
          <h2>Without a device</h2>
          <p>The same ten minutes on paper, for the tune of the step.</p>
          <div>
            <BButton :to="{ name: 'handouts', params: { classId }, query: { kind: 'ten-minutes' } }"
              >Print the sheet</BButton
            >
          </div>
        </section>
        <TakeCare place="recordings" />
      </div>
      <section class="card-paper stack-close">
        <h2>Slips</h2>
        <p>
          {{ plural(handIn, 'pupil', 'pupils') }} may hand in recordings: consent is noted under Pupils. What comes in
          is under <RouterLink :to="{ name: 'recordings', params: { classId } }">Recordings</RouterLink>. Whoever has a
          slip may have played it.
        </p>
        <div class="line">
          <BButton variant="primary" :disabled="!isOpen || chosen.length === 0 || busy" @click="makeSlips"
            >Make {{ plural(chosen.length, 'slip', 'slips') }}</BButton
          >
          <BFormCheckbox v-model="all">All</BFormCheckbox>
        </div>
        <p class="soft">A new slip closes the pupil’s old one at once.</p>
        <BFormCheckboxGroup v-model="chosen" class="pupils" aria-label="Pupils">
          <BFormCheckbox v-for="pupil in room.pupils" :key="pupil.id" :value="pupil.id">
            {{ pupil.name }}
            <span class="soft"
              >{{ pupil.pictureName ?? 'no slip yet' }}{{ pupil.mayHandIn ? ' · may hand in' : ''
              }}{{ pupil.handedIn > 0 ? ` · ${plural(pupil.handedIn, 'recording', 'recordings')}` : '' }}</span
            >
          </BFormCheckbox>
        </BFormCheckboxGroup>
      </section>
    </div>
  </div>
</template>

<style scoped>
.pupils {
  display: grid;
  gap: 6px;
}

@media print {
  .slip-card {
    padding: 0;
    border: 0;
    box-shadow: none;
  }
}
</style>
