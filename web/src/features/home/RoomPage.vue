<script setup lang="ts">
import { computed, toRef } from 'vue';
import { longDate } from '../../ui/dates.ts';
import LoadState from '../../ui/LoadState.vue';
import TextField from '../../ui/TextField.vue';
import { ClassHead } from '../classes/index.ts';
import { TakeCare, useSession } from '../schools/index.ts';
import SlipSheet from './SlipSheet.vue';
import TaskForm from './TaskForm.vue';
import { useRoomOfClass } from './use-room-of-class.ts';
import { counted } from '../../ui/count-messages.ts';
import { t } from './messages.ts';

/** The practice room of a class: opened, set up for the week, and its slips. */
const props = defineProps<{ classId: string }>();
const { room, slips, chosen, until, error, load, saving, open, setTask, makeSlips, address } = useRoomOfClass(
  toRef(props, 'classId'),
);
const { busy, fields, reason } = saving;
const session = useSession();
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
  <LoadState v-if="room === null" :error="error" :what="t('room-page.the-practice-room')" @again="load" />
  <div v-else class="page-grid">
    <ClassHead :class-id="classId" class="no-print" />
    <section v-if="slips.length > 0" class="card-paper stack-close slip-card">
      <div class="no-print stack-close">
        <h2>{{ t('room-page.slips-to-print-now', { slips: counted('slips', { n: slips.length }) }) }}</h2>
        <p>{{ t('room-page.print-now-these-codes-wont-be') }}</p>
        <div class="line">
          <BButton variant="primary" @click="print">{{ t('room-page.print') }}</BButton>
          <BButton @click="slips = []">{{ t('room-page.done') }}</BButton>
        </div>
      </div>
      <SlipSheet :slips="slips" :names="names" :address="address" :until="longDate(room.room?.until ?? room.endsOn)" />
    </section>
    <div class="columns no-print">
      <div class="stack">
        <section class="card-paper stack-close">
          <h2>
            {{
              isOpen
                ? t('room-page.open-until-date', { date: longDate(room.room!.until) })
                : t('room-page.the-practice-room-is-closed')
            }}
          </h2>
          <p>
            {{ t('room-page.each-pupil-gets-a-slip-with') }}
          </p>
          <BAlert v-if="!room.allowed" :model-value="true" variant="warning">
            {{ t('room-page.practice-rooms-are-off') }}
            <RouterLink v-if="session.me?.role === 'owner'" :to="{ name: 'data' }">{{
              t('room-page.turn-them-on')
            }}</RouterLink>
            <template v-else>{{ t('room-page.ask-an-owner') }}</template>
          </BAlert>
          <BForm v-else class="stack-close" @submit.prevent="open(until)">
            <TextField
              v-model="until"
              type="date"
              :label="t('room-page.last-day')"
              :hint="t('room-page.slips-stop-working-after-this-day')"
              :error="fields.until"
            />
            <div class="line">
              <BButton type="submit" variant="primary" :disabled="busy">{{
                isOpen ? t('room-page.change-date') : t('room-page.open')
              }}</BButton>
              <BButton v-if="isOpen" variant="outline-danger" :disabled="busy" @click="open(null)">{{
                t('room-page.close')
              }}</BButton>
            </div>
          </BForm>
          <BAlert :model-value="reason !== null" variant="danger">{{ reason }}</BAlert>
        </section>
        <section v-if="isOpen" class="card-paper stack-close">
          <h2>{{ t('room-page.this-week') }}</h2>
          <TaskForm :tunes="room.tunes" :task="room.room!.task" :busy="busy" :fields="fields" @keep="setTask" />
        </section>
        <section class="card-paper stack-close">
          <h2>{{ t('room-page.without-a-device') }}</h2>
          <p>{{ t('room-page.the-same-ten-minutes-on-paper') }}</p>
          <div>
            <BButton :to="{ name: 'handouts', params: { classId }, query: { kind: 'ten-minutes' } }">{{
              t('room-page.print-the-sheet')
            }}</BButton>
          </div>
        </section>
        <TakeCare place="recordings" />
      </div>
      <section class="card-paper stack-close">
        <h2>{{ t('room-page.slips') }}</h2>
        <p>
          {{ t('room-page.pupils-may-send-recordings-consent-is', { pupils: counted('pupils', { n: handIn }) }) }}
          <RouterLink :to="{ name: 'recordings', params: { classId } }">{{ t('room-page.recordings') }}</RouterLink>{{
            t('room-page.anyone-holding-the-slip-could-have')
          }}
        </p>
        <div class="line">
          <BButton variant="primary" :disabled="!isOpen || chosen.length === 0 || busy" @click="makeSlips">{{
            t('room-page.make-slips', { slips: counted('slips', { n: chosen.length }) })
          }}</BButton>
          <BFormCheckbox v-model="all">{{ t('room-page.all') }}</BFormCheckbox>
        </div>
        <p class="soft">{{ t('room-page.a-new-slip-stops-the-pupils') }}</p>
        <BFormCheckboxGroup v-model="chosen" class="pupils" :aria-label="t('room-page.pupils')">
          <BFormCheckbox v-for="pupil in room.pupils" :key="pupil.id" :value="pupil.id">
            {{ pupil.name }}
            <span class="soft"
              >{{ pupil.pictureName ?? t('room-page.no-slip-yet')
              }}{{ pupil.mayHandIn ? t('room-page.may-send-recordings') : ''
              }}{{ pupil.handedIn > 0 ? ` · ${counted('recordings', { n: pupil.handedIn })}` : '' }}</span
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
