<script setup lang="ts">
import { NewLink, type People, type Role } from '@escalier/contract/people';
import { reactive } from 'vue';
import { api, ask } from '../../api.ts';
import TextField from '../../ui/TextField.vue';
import SaveBar from '../../ui/SaveBar.vue';
import { useSave } from '../../ui/use-save.ts';
import RoleFields from './RoleFields.vue';
import { t } from './messages.ts';

/** Creates the link of an invitation. */
defineProps<{ classes: People['classes'] }>();
const emit = defineEmits<{ invited: [name: string, link: NewLink] }>();
const { busy, error, fields, save } = useSave(null);
const draft = reactive<{ name: string; role: Role; classIds: string[] }>({ name: '', role: 'teacher', classIds: [] });

async function invite(): Promise<void> {
  await save(async () => {
    const made = await ask(api.people.invitations.$post({ json: { ...draft } }), NewLink);
    emit('invited', draft.name, made);
    Object.assign(draft, { name: '', classIds: [] });
  });
}
</script>

<template>
  <BForm class="card-paper stack" novalidate @submit.prevent="invite">
    <h2>{{ t('invite-form.invite-someone') }}</h2>
    <TextField v-model="draft.name" :label="t('invite-form.name')" :error="fields.name" />
    <RoleFields v-model:role="draft.role" v-model:class-ids="draft.classIds" :classes="classes" />
    <SaveBar :busy="busy" :error="error" :label="t('invite-form.create-invitation-link')" />
  </BForm>
</template>
