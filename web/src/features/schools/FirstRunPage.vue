<script setup lang="ts">
import { reactive } from 'vue';
import { useRouter } from 'vue-router';
import { api, ask } from '../../api.ts';
import TextField from '../../ui/TextField.vue';
import { useSave } from '../../ui/use-save.ts';
import DoorForm from './DoorForm.vue';
import NewPasswordField from './NewPasswordField.vue';
import { useSession } from './session.ts';
import ZoneField from './ZoneField.vue';
import { LOCAL_ZONE } from './zones.ts';

const router = useRouter();
const session = useSession();
const { busy, fault, fields, save } = useSave();

const draft = reactive({ code: '', school: '', timeZone: LOCAL_ZONE, name: '', email: '', password: '' });

async function setUp(): Promise<void> {
  const done = await save(async () => {
    await ask(api['first-run'].$post({ json: { ...draft } }));
    await session.enter();
  });
  if (done) await router.push({ name: 'terms' });
}
</script>

<template>
  <DoorForm
    title="Set up your school"
    lead="There is no school here yet. You become its owner: you invite the others, and you alone can export and erase."
    :busy="busy"
    :fault="fault"
    label="Set up the school"
    @submit="setUp"
  >
    <TextField
      v-model="draft.code"
      label="Code"
      hint="Shown in the terminal where Escalier was started."
      :error="fields.code"
      autocomplete="off"
    />
    <TextField v-model="draft.school" label="Name of the school" :error="fields.school" />
    <ZoneField v-model="draft.timeZone" :error="fields.timeZone" />
    <TextField v-model="draft.name" label="Your name" :error="fields.name" autocomplete="name" />
    <TextField v-model="draft.email" label="Your e-mail" :error="fields.email" type="email" autocomplete="username" />
    <NewPasswordField v-model="draft.password" label="A password" :error="fields.password" />
  </DoorForm>
</template>
