<script setup lang="ts">
import { calendarLink } from '@escalier/contract/terms';
import { computed } from 'vue';
import { api, ask } from '../../api.ts';
import { useSave } from '../../ui/use-save.ts';

/** The lessons for a calendar program: once as a file, or by an address that stays up to date. */
const props = defineProps<{ classId: string; token: string | null }>();
const emit = defineEmits<{ changed: [token: string | null] }>();
const { busy, error, save } = useSave();

const address = computed(() =>
  props.token === null ? null : `${window.location.origin}/api/calendars/${props.token}`,
);

async function open(on: boolean): Promise<void> {
  await save(async () => {
    const answer = await ask(
      api.calendar[':id'].link.$put({ param: { id: props.classId }, json: { on } }),
      calendarLink,
    );
    emit('changed', answer.token);
  });
}
</script>

<template>
  <section class="card-paper stack stack-start">
    <h2>In your calendar</h2>
    <BButton role="link" size="sm" :href="`/api/calendar/${classId}/lessons.ics`">Download the lessons (.ics)</BButton>
    <template v-if="address !== null">
      <p>Subscribe to this address. Anyone who has it sees dates and times, but no names of pupils.</p>
      <BFormInput readonly :model-value="address" aria-label="Address to subscribe to" />
      <div class="line">
        <BButton size="sm" :disabled="busy" @click="open(true)">Make a new address</BButton>
        <BButton size="sm" :disabled="busy" @click="open(false)">Turn it off</BButton>
      </div>
    </template>
    <BButton v-else size="sm" :disabled="busy" @click="open(true)">Create an address to subscribe to</BButton>
    <BAlert v-if="error !== null" variant="danger" :model-value="true">{{ error }}</BAlert>
  </section>
</template>
