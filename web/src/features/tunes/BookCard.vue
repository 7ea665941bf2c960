<script setup lang="ts">
import { ref, watch } from 'vue';
import TextField from '../../ui/TextField.vue';

/** Where the tune stands in the class's own book, and what to bring. */
const props = defineProps<{ book: string; page: string; bring: string }>();
const emit = defineEmits<{ save: [page: string] }>();
const draft = ref(props.page);
watch(
  () => props.page,
  (page) => (draft.value = page),
);
</script>

<template>
  <section class="card-paper stack-close">
    <h2>Book and bag</h2>
    <BForm class="d-flex gap-2 align-items-center flex-wrap" @submit.prevent="emit('save', draft.trim())">
      <TextField v-model="draft" :label="book === '' ? 'Page in your book' : `Page in “${book}”`" maxlength="40" />
      <BButton type="submit" size="sm" :disabled="draft.trim() === page">Save</BButton>
    </BForm>
    <p v-if="bring !== ''" class="mb-0">Bring: {{ bring }}</p>
  </section>
</template>
