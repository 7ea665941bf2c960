<script setup lang="ts">
import type { SchoolCaution } from '@escalier/server/api';
import { ref } from 'vue';
import { v7 as newId } from 'uuid';
import { ApiError } from '../../api.ts';

/** Which cautions the school shows, and in which words. */
const props = defineProps<{
  cautions: readonly SchoolCaution[];
  keep: (cautions: readonly SchoolCaution[]) => Promise<void>;
}>();
const emit = defineEmits<{ done: [] }>();

const draft = ref(props.cautions.map((each) => ({ ...each })));
const fault = ref<string | null>(null);

function addOwn(): void {
  draft.value.push({ id: newId(), text: '', places: ['lesson'], shown: true });
}

async function store(): Promise<void> {
  fault.value = null;
  try {
    await props.keep(draft.value.filter((each) => each.text.trim() !== ''));
    emit('done');
  } catch (problem) {
    if (!(problem instanceof ApiError)) throw problem;
    fault.value = `Not stored. ${problem.message}`;
  }
}
</script>

<template>
  <form @submit.prevent="store">
    <div v-for="(caution, index) in draft" :key="caution.id" class="row-of">
      <input
        :id="`shown-${caution.id}`"
        v-model="caution.shown"
        class="form-check-input"
        type="checkbox"
        :aria-label="`Show caution ${index + 1}`"
      />
      <textarea
        v-model="caution.text"
        class="form-control"
        rows="2"
        maxlength="300"
        :aria-label="`Caution ${index + 1}`"
      />
    </div>
    <p v-if="fault !== null" role="alert">{{ fault }}</p>
    <div class="buttons">
      <BButton size="sm" variant="outline-dark" @click="addOwn">Add your own</BButton>
      <BButton size="sm" variant="primary" type="submit">Keep for the school</BButton>
      <BButton size="sm" variant="outline-dark" @click="emit('done')">Leave as it was</BButton>
    </div>
  </form>
</template>

<style scoped>
form {
  display: grid;
  gap: 8px;
}

.row-of {
  display: flex;
  gap: 10px;
  align-items: start;
}

.buttons {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
</style>
