<script setup lang="ts">
import { ref, watch } from 'vue';
import FormField from './FormField.vue';

/** Picks files: the same file can be picked again, as it may have been mended meanwhile. */
defineProps<{ label: string; accept: string; multiple?: boolean; disabled?: boolean; hint?: string }>();
const emit = defineEmits<{ pick: [files: readonly File[]] }>();
const picked = ref<File | readonly File[] | null>(null);
watch(picked, (files) => {
  if (files === null) return;
  const all = Array.isArray(files) ? (files as readonly File[]) : [files as File];
  picked.value = null;
  if (all.length > 0) emit('pick', all);
});
</script>

<template>
  <FormField v-slot="{ id, describedby }" :label="label" :hint="hint">
    <BFormFile
      :id="id"
      v-model="picked"
      plain
      :accept="accept"
      :multiple="multiple"
      :disabled="disabled"
      :aria-describedby="describedby"
    />
  </FormField>
</template>
