<script setup lang="ts">
import { reactive } from 'vue';
import { useRouter } from 'vue-router';
import { api, ask } from '../../api.ts';
import TextField from '../../ui/TextField.vue';
import { useSave } from '../../ui/use-save.ts';
import DoorForm from './DoorForm.vue';
import NewPasswordField from './NewPasswordField.vue';
import { useSession } from './session.ts';
import { LOCAL_ZONE } from './zones.ts';

const router = useRouter();
const session = useSession();
const { busy, error, fields, save } = useSave(null);

/** The time zone is the browser's; it can be changed in the settings of the school. */
const draft = reactive({ code: '', school: '', timeZone: LOCAL_ZONE, name: '', email: '', password: '' });

async function setUp(): Promise<void> {
  const done = await save(async () => {
    await ask(api['first-run'].$post({ json: { ...draft } }));
    await session.enter();
  });
  if (done) await router.push({ name: 'start' });
}
</script>

<template>
  <DoorForm
    title="Set up your school"
    lead="There is no school here yet. You will be its owner: you invite the others, and only you can export or erase data."
    :busy="busy"
    :error="error"
    label="Set up the school"
    @submit="setUp"
  >
    <TextField
      v-model="draft.code"
      label="Setup code"
      hint="Shown in the terminal where Escalier was started."
      :error="fields.code"
      autocomplete="off"
    />
    <TextField v-model="draft.school" label="Name of the school" :error="fields.school" />
    <TextField v-model="draft.name" label="Your name" :error="fields.name" autocomplete="name" />
    <TextField v-model="draft.email" label="Your e-mail" :error="fields.email" type="email" autocomplete="username" />
    <NewPasswordField v-model="draft.password" label="Password" :error="fields.password" />
  </DoorForm>
</template>
