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
import { t } from './messages.ts';

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
  if (done) await session.goTo({ name: 'start' }, router);
}
</script>

<template>
  <DoorForm
    :title="t('first-run-page.set-up-your-school')"
    :lead="t('first-run-page.there-is-no-school-here-yet')"
    :busy="busy"
    :error="error"
    :label="t('first-run-page.set-up-the-school')"
    @submit="setUp"
  >
    <TextField
      v-model="draft.code"
      :label="t('first-run-page.setup-code')"
      :hint="t('first-run-page.shown-in-the-terminal-where-escalier')"
      :error="fields.code"
      autocomplete="off"
    />
    <TextField v-model="draft.school" :label="t('first-run-page.school-name')" :error="fields.school" />
    <TextField v-model="draft.name" :label="t('first-run-page.your-name')" :error="fields.name" autocomplete="name" />
    <TextField
      v-model="draft.email"
      :label="t('first-run-page.your-e-mail')"
      :error="fields.email"
      type="email"
      autocomplete="username"
    />
    <NewPasswordField v-model="draft.password" :label="t('first-run-page.password')" :error="fields.password" />
  </DoorForm>
</template>
