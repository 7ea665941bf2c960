<script setup lang="ts">
import { ref, watch } from 'vue';
import FormField from './FormField.vue';

/** Picks files, or all of a folder: the same file can be picked again, as it may have been mended meanwhile. */
defineProps<{
  label: string;
  accept: string;
  multiple?: boolean;
  directory?: boolean;
  disabled?: boolean;
  hint?: string;
}>();
const emit = defineEmits<{ pick: [files: readonly File[]] }>();
const picked = ref<File | readonly File[] | null>(null);
watch(picked, (files) => {
  if (files === null) return;
  // A folder's files come in a list for each folder in it.
  const all = (Array.isArray(files) ? files.flat(Infinity) : [files]) as readonly File[];
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
      :multiple="multiple || directory"
      :directory="directory"
      :disabled="disabled"
      :aria-describedby="describedby"
    />
  </FormField>
</template>
