<script setup lang="ts">
import { RecordingStorage } from '@escalier/contract/recordings';
import { computed, onMounted, ref } from 'vue';
import { api, ask } from '../../api.ts';
import SaveBar from '../../ui/SaveBar.vue';
import TextField from '../../ui/TextField.vue';
import { useLoad } from '../../ui/use-load.ts';
import { useSave } from '../../ui/use-save.ts';
import { useSession } from './session.ts';
import { counted } from '../../ui/count-messages.ts';
import { t } from './messages.ts';

/** Recordings of children: how many there are, and how long and how much the school keeps. */
const session = useSession();
const isOwner = computed(() => session.me?.role === 'owner');
const stored = ref<{ readonly count: number; readonly bytes: number } | null>(null);
const days = ref(30);
const megabytes = ref(500);
const { error: problem, load } = useLoad(async () => {
  const storage = await ask(api.recordings.storage.$get(), RecordingStorage);
  stored.value = storage;
  days.value = storage.days;
  megabytes.value = storage.megabytes;
});
onMounted(load);
const { busy, error, fields, save } = useSave();
const keep = () =>
  save(async () => {
    await ask(api.recordings.storage.$put({ json: { days: days.value, megabytes: megabytes.value } }));
    await load();
  });
const MEGABYTE = 1024 * 1024;
</script>

<template>
  <section class="card-paper stack">
    <h2>{{ t('recording-storage.recordings') }}</h2>
    <BAlert v-if="problem !== null" variant="danger" :model-value="true">{{ problem.message }}</BAlert>
    <p v-if="stored !== null">
      {{
        t('recording-storage.recordings-of-children-number-mb-each', {
          recordings: counted('recordings', { n: stored.count }),
          number: (stored.bytes / MEGABYTE).toFixed(1),
          days: counted('days', { n: days }),
        })
      }}
    </p>
    <BForm v-if="isOwner" class="stack" @submit.prevent="keep">
      <TextField
        v-model="days"
        type="number"
        :label="t('recording-storage.days-until-a-recording-is-erased')"
        :min="1"
        :max="365"
        :error="fields.days"
      />
      <TextField
        v-model="megabytes"
        type="number"
        :label="t('recording-storage.megabytes-in-total')"
        :min="10"
        :max="20000"
        :error="fields.megabytes"
      />
      <SaveBar :busy="busy" :error="error" />
    </BForm>
  </section>
</template>
