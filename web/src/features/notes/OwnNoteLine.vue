<script setup lang="ts">
import type { NoteOnStairs } from '@escalier/contract/notes';
import { reactive, ref, watch } from 'vue';
import TextField from '../../ui/TextField.vue';
import { useSave } from '../../ui/use-save.ts';
import { t } from './messages.ts';

/** What the class's teacher says about a note: a reason, a hint, a word for the picture; and where its book has it. */
type Own = NonNullable<NoteOnStairs['own']>;
const props = defineProps<{ own: Own | null; book: string; big: boolean; save: (own: Own) => Promise<void> }>();
const editing = ref(false);
const draft = reactive({ hint: '', bookPage: '' });
watch(
  () => props.own,
  (own) => Object.assign(draft, { hint: own?.hint ?? '', bookPage: own?.bookPage ?? '' }),
  { immediate: true },
);
const { busy, error, save: saving } = useSave();

async function submit(): Promise<void> {
  const next = { hint: draft.hint.trim(), bookPage: draft.bookPage.trim(), version: props.own?.version ?? 0 };
  if (await saving(() => props.save(next))) editing.value = false;
}
</script>

<template>
  <BForm v-if="editing" class="card-paper w-100 d-flex gap-3 flex-wrap align-items-center" @submit.prevent="submit">
    <TextField
      v-model="draft.hint"
      class="grow"
      :label="t('own-note-line.your-own-words')"
      :hint="t('own-note-line.why-it-is-low-what-it')"
    />
    <TextField
      v-model="draft.bookPage"
      :label="book === '' ? t('own-note-line.page-in-your-book') : t('own-note-line.page-in-book', { book })"
    />
    <BButton type="submit" variant="primary" :disabled="busy">{{ t('own-note-line.save') }}</BButton>
    <BButton @click="editing = false">{{ t('own-note-line.cancel') }}</BButton>
    <BAlert v-if="error !== null" variant="danger" :model-value="true">{{ error }}</BAlert>
  </BForm>
  <p
    v-else-if="(own !== null && (own.hint !== '' || own.bookPage !== '')) || !big"
    :class="{ 'w-100 large': own !== null && own.hint !== '' }"
    class="mb-0"
  >
    <template v-if="own !== null && own.hint !== ''">“{{ own.hint }}” </template>
    <span v-if="own !== null && own.bookPage !== ''" class="soft"
      >{{ book === '' ? t('own-note-line.book') : book }}, {{ own.bookPage }}
    </span>
    <BButton v-if="!big" size="sm" @click="editing = true">{{
      own === null || own.hint === '' ? t('own-note-line.add-your-own-words') : t('own-note-line.change')
    }}</BButton>
  </p>
</template>
