<script setup lang="ts">
import { People, type PersonLine, type Role } from '@escalier/contract/people';
import { reactive, watch } from 'vue';
import { api, ask } from '../../api.ts';
import { mergeChanges, saveMerged } from '../../ui/merge.ts';
import SaveBar from '../../ui/SaveBar.vue';
import { useSave } from '../../ui/use-save.ts';
import RoleFields from './RoleFields.vue';
import { t } from './messages.ts';

const props = defineProps<{ person: PersonLine; classes: People['classes'] }>();
const emit = defineEmits<{ saved: []; passwordLink: [] }>();
const { busy, error, fields, save } = useSave();
const draft = reactive<{ role: Role; classIds: string[]; closed: boolean }>(copy(props.person));
watch(
  () => props.person,
  (person, before) => {
    const [was, now] = [copy(before), copy(person)];
    Object.assign(draft, person.id === before.id ? mergeChanges(was, { ...draft }, now).merged : now);
  },
);

function copy({ role, classIds, closed }: PersonLine): { role: Role; classIds: string[]; closed: boolean } {
  return { role, classIds: [...classIds], closed };
}

async function submit(): Promise<void> {
  const { id, version } = props.person;
  const put = (json: typeof mine) => ask(api.people[':id'].$put({ param: { id }, json }));
  const mine = { ...draft, version };
  const again = async () => {
    const { people } = await ask(api.people.$get(), People);
    const person = people.find((each) => each.id === id);
    emit('saved');
    return person === undefined ? undefined : { ...copy(person), version: person.version };
  };
  const before = { ...copy(props.person), version };
  if (await save(() => saveMerged({ before, mine, put, again }))) emit('saved');
}
</script>

<template>
  <BForm class="card-paper stack" novalidate @submit.prevent="submit">
    <div>
      <h2>{{ person.name }}</h2>
      <p class="soft">{{ person.email }}</p>
    </div>
    <RoleFields v-model:role="draft.role" v-model:class-ids="draft.classIds" :classes="classes" :error="fields.role" />
    <BFormCheckbox v-model="draft.closed">{{ t('person-form.account-closed-it-cant-sign-in') }}</BFormCheckbox>
    <SaveBar :busy="busy" :error="error">
      <BButton v-if="!person.closed" @click="emit('passwordLink')">{{
        t('person-form.create-new-password-link')
      }}</BButton>
    </SaveBar>
  </BForm>
</template>
