<script setup lang="ts">
import type { RoomOfClass, RoomTask } from '@escalier/contract/practice-rooms';
import { computed, ref, watch } from 'vue';
import SaveBar from '../../ui/SaveBar.vue';
import SelectField from '../../ui/SelectField.vue';
import TextField from '../../ui/TextField.vue';
import { t } from './messages.ts';

/** One thing for the week: a tune, or some bars of it, and a sentence. */
const props = defineProps<{
  tunes: RoomOfClass['tunes'];
  task: RoomTask | null;
  busy: boolean;
  fields: Readonly<Record<string, string>>;
}>();
const emit = defineEmits<{ keep: [task: RoomTask | null] }>();
const tuneId = ref('');
const from = ref<number | null>(null);
const to = ref<number | null>(null);
const tempo = ref<number | null>(null);
const words = ref('');
watch(
  () => props.task,
  (task) => {
    tuneId.value = task?.tuneId ?? props.tunes[0]?.id ?? '';
    [from.value, to.value] = [task?.bars?.[0] ?? null, task?.bars?.[1] ?? null];
    [tempo.value, words.value] = [task?.tempo ?? null, task?.words ?? ''];
  },
  { immediate: true },
);
const options = computed(() => props.tunes.map(({ id, title }) => ({ value: id, text: title })));
const bars = computed((): readonly [number, number] | null =>
  from.value === null || from.value === 0
    ? null
    : [from.value, to.value === null || to.value === 0 ? from.value : to.value],
);
const keep = () =>
  emit('keep', {
    tuneId: tuneId.value,
    bars: bars.value,
    tempo: tempo.value === 0 ? null : tempo.value,
    words: words.value,
  });
</script>

<template>
  <BForm class="stack" @submit.prevent="keep">
    <SelectField v-model="tuneId" :label="t('task-form.tune')" :options="options" :error="fields['task.tuneId']" />
    <div class="field-grid">
      <TextField
        v-model="from"
        type="number"
        :label="t('task-form.from-bar')"
        :hint="t('task-form.empty-all-of-it')"
        :error="fields['task.bars']"
      />
      <TextField v-model="to" type="number" :label="t('task-form.to-bar')" />
      <TextField
        v-model="tempo"
        type="number"
        :label="t('task-form.beats-a-minute')"
        :hint="t('task-form.empty-each-pupils-own')"
        :error="fields['task.tempo']"
      />
    </div>
    <TextField v-model="words" :label="t('task-form.in-your-words')" :error="fields['task.words']" />
    <SaveBar :busy="busy" :error="null" />
    <div v-if="task !== null">
      <BButton variant="link" @click="emit('keep', null)">{{ t('task-form.clear') }}</BButton>
    </div>
  </BForm>
</template>
