<script setup lang="ts">
import { Invited } from '@escalier/contract/people';
import { computed, onMounted, reactive, shallowRef } from 'vue';
import { useRouter } from 'vue-router';
import { api, ask } from '../../api.ts';
import TextField from '../../ui/TextField.vue';
import LoadState from '../../ui/LoadState.vue';
import { useLoad } from '../../ui/use-load.ts';
import { useSave } from '../../ui/use-save.ts';
import DoorForm from './DoorForm.vue';
import NewPasswordField from './NewPasswordField.vue';
import { ROLE_WORDS } from './role-words.ts';
import { useSession } from './session.ts';

const props = defineProps<{ token: string }>();
const router = useRouter();
const session = useSession();
const { busy, error: refused, fields, save } = useSave(null);

const invited = shallowRef<Invited | null>(null);
const draft = reactive({ name: '', email: '', password: '' });
const { error, load } = useLoad(async () => {
  invited.value = await ask(api.invitations[':token'].$get({ param: { token: props.token } }), Invited);
  Object.assign(draft, { name: invited.value.name, email: invited.value.email ?? '' });
});
onMounted(load);
const isRenewal = computed(() => (invited.value?.email ?? null) !== null);

async function accept(): Promise<void> {
  const done = await save(async () => {
    await ask(api.invitations[':token'].$post({ param: { token: props.token }, json: { ...draft } }));
    await session.enter();
  });
  if (done) await router.push({ name: 'classes' });
}
</script>

<template>
  <LoadState v-if="invited === null" :error="error" what="the invitation" @again="load" />
  <DoorForm
    v-else
    :title="isRenewal ? 'Choose a new password' : `Welcome to ${invited.school}`"
    :lead="
      isRenewal
        ? `For ${invited.email ?? ''} at ${invited.school}.`
        : `You are invited as ${ROLE_WORDS[invited.role].label}. You can ${ROLE_WORDS[invited.role].may}`
    "
    :busy="busy"
    :error="refused"
    :label="isRenewal ? 'Save password' : 'Create my account'"
    @submit="accept"
  >
    <template v-if="!isRenewal">
      <TextField v-model="draft.name" label="Your name" :error="fields.name" autocomplete="name" />
      <TextField v-model="draft.email" label="Your e-mail" :error="fields.email" type="email" autocomplete="username" />
    </template>
    <NewPasswordField v-model="draft.password" label="Password" :error="fields.password" />
  </DoorForm>
</template>
