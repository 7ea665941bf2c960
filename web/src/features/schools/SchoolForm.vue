<script setup lang="ts">
import { reactive } from 'vue';
import { api, ask } from '../../api.ts';
import { saveMerged } from '../../ui/merge.ts';
import SaveBar from '../../ui/SaveBar.vue';
import TextField from '../../ui/TextField.vue';
import { useSave } from '../../ui/use-save.ts';
import { useSession } from './session.ts';
import ZoneField from './ZoneField.vue';

/** What the school is called, and by which clock it lives. */
const session = useSession();
const { busy, stored, fault, fields, save } = useSave();
const current = () => ({
  name: session.me?.school ?? '',
  timeZone: session.me?.timeZone ?? 'UTC',
  version: session.me?.schoolVersion ?? 0,
});
const draft = reactive(current());

async function store(): Promise<void> {
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
  <form class="card-paper" novalidate @submit.prevent="store">
    <h2>The school</h2>
    <TextField v-model="draft.name" label="Name of the school" :error="fields.name" />
    <ZoneField v-model="draft.timeZone" :error="fields.timeZone" />
    <SaveBar :busy="busy" :stored="stored" :fault="fault" />
  </form>
</template>

<style scoped>
form {
  display: grid;
  gap: 12px;
}
</style>
