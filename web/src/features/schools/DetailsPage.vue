<script setup lang="ts">
import { reactive } from 'vue';
import { api, ask } from '../../api.ts';
import { saveMerged } from '../../ui/merge.ts';
import SaveBar from '../../ui/SaveBar.vue';
import TextField from '../../ui/TextField.vue';
import { useSave } from '../../ui/use-save.ts';
import SchoolHead from './SchoolHead.vue';
import { useSession } from './session.ts';
import ZoneField from './ZoneField.vue';

/** What the school is called, and its time zone. */
const session = useSession();
const { busy, error, fields, save } = useSave();
const current = () => ({
  name: session.me?.school ?? '',
  timeZone: session.timeZone,
  version: session.me?.schoolVersion ?? 0,
});
const draft = reactive(current());

async function submit(): Promise<void> {
  await save(async () => {
    const again = async () => {
      await session.enter();
      return current();
    };
    await saveMerged({ before: current(), mine: { ...draft }, put: (json) => ask(api.school.$put({ json })), again });
    await session.enter();
    Object.assign(draft, current());
  });
}
</script>

<template>
  <div class="page-grid">
    <SchoolHead lead="The name on every page and sheet, and the time zone of your lessons." />
    <BForm class="card-paper stack details" novalidate @submit.prevent="submit">
      <TextField v-model="draft.name" label="Name of the school" :error="fields.name" />
      <ZoneField v-model="draft.timeZone" :error="fields.timeZone" />
      <SaveBar :busy="busy" :error="error" />
    </BForm>
  </div>
</template>

<style scoped>
.details {
  max-width: 560px;
}
</style>
