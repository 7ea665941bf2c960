<script setup lang="ts">
import { reactive } from 'vue';
import { api, ask } from '../../api.ts';
import SaveBar from '../../ui/SaveBar.vue';
import TextField from '../../ui/TextField.vue';
import { useSave } from '../../ui/use-save.ts';
import { useSession } from './session.ts';
import ZoneField from './ZoneField.vue';

/** What the school is called, and by which clock it lives. */
const session = useSession();
const { busy, stored, fault, fields, save } = useSave();
const draft = reactive({ name: session.me?.school ?? '', timeZone: session.me?.timeZone ?? 'UTC' });

async function store(): Promise<void> {
  await save(async () => {
    await ask(api.school.$put({ json: { ...draft } }));
    await session.enter();
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
