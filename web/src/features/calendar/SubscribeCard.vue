<script setup lang="ts">
import { computed } from 'vue';
import { api, ask } from '../../api.ts';
import { useSave } from '../../ui/use-save.ts';

/** The lessons for a calendar program: once as a file, or by an address that stays up to date. */
const props = defineProps<{ classId: string; token: string | null }>();
const emit = defineEmits<{ changed: [token: string | null] }>();
const { busy, fault, save } = useSave();

const address = computed(() =>
  props.token === null ? null : `${window.location.origin}/api/calendars/${props.token}`,
);

async function open(on: boolean): Promise<void> {
  await save(async () => {
    const answer = await ask(api.calendar[':id'].link.$put({ param: { id: props.classId }, json: { on } }));
    emit('changed', answer.token);
  });
}
</script>

<template>
  <section class="card-paper">
    <h2>In your calendar</h2>
    <p><a :href="`/api/calendar/${classId}/lessons.ics`">Lessons as a file (.ics)</a></p>
    <template v-if="address !== null">
      <p>Subscribe to this address; who has it sees dates and times, no names of pupils.</p>
      <input class="form-control" readonly :value="address" aria-label="Address to subscribe to" />
      <div class="buttons">
        <BButton size="sm" variant="outline-dark" :disabled="busy" @click="open(true)">A new address</BButton>
        <BButton size="sm" variant="outline-dark" :disabled="busy" @click="open(false)">Close the address</BButton>
      </div>
    </template>
    <BButton v-else size="sm" variant="outline-dark" :disabled="busy" @click="open(true)"
      >Open an address to subscribe to</BButton
    >
    <p v-if="fault !== null" role="alert">{{ fault }}</p>
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: 8px;
  align-content: start;
  justify-items: start;
}

.buttons {
  display: flex;
  gap: 8px;
}
</style>
