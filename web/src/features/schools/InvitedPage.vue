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
import { t } from './messages.ts';

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
  if (done) await session.goTo({ name: 'classes' }, router);
}
</script>

<template>
  <LoadState v-if="invited === null" :error="error" :what="t('invited-page.the-invitation')" @again="load" />
  <DoorForm
    v-else
    :title="
      isRenewal
        ? t('invited-page.choose-a-new-password')
        : t('invited-page.welcome-to-school', { school: invited.school })
    "
    :lead="
      isRenewal
        ? t('invited-page.for-email-at-school', { email: invited.email ?? '', school: invited.school })
        : t('invited-page.youre-invited-as-label-you-can', {
            label: ROLE_WORDS[invited.role].label,
            may: ROLE_WORDS[invited.role].may,
          })
    "
    :busy="busy"
    :error="refused"
    :label="isRenewal ? t('invited-page.save-password') : t('invited-page.create-my-account')"
    @submit="accept"
  >
    <template v-if="!isRenewal">
      <TextField v-model="draft.name" :label="t('invited-page.your-name')" :error="fields.name" autocomplete="name" />
      <TextField
        v-model="draft.email"
        :label="t('invited-page.your-e-mail')"
        :error="fields.email"
        type="email"
        autocomplete="username"
      />
    </template>
    <NewPasswordField v-model="draft.password" :label="t('invited-page.password')" :error="fields.password" />
  </DoorForm>
</template>
