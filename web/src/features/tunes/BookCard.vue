<script setup lang="ts">
import { ref, watch } from 'vue';
import TextField from '../../ui/TextField.vue';
import { t } from './messages.ts';

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
    <h2>{{ t('book-card.book-and-bag') }}</h2>
    <BForm class="d-flex gap-2 align-items-center flex-wrap" @submit.prevent="emit('save', draft.trim())">
      <TextField
        v-model="draft"
        :label="book === '' ? t('book-card.page-in-your-book') : t('book-card.page-in-book', { book })"
        maxlength="40"
      />
      <BButton type="submit" size="sm" :disabled="draft.trim() === page">{{ t('book-card.save') }}</BButton>
    </BForm>
    <p v-if="bring !== ''" class="mb-0">{{ t('book-card.bring-bring', { bring }) }}</p>
  </section>
</template>
