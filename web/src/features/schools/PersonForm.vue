<script setup lang="ts">
import type { People, PersonLine, Role } from '@escalier/server/api';
import { reactive, watch } from 'vue';
import { api, ask } from '../../api.ts';
import { mergeChanges, saveMerged } from '../../ui/merge.ts';
import SaveBar from '../../ui/SaveBar.vue';
import { useSave } from '../../ui/use-save.ts';
import RoleFields from './RoleFields.vue';

const props = defineProps<{ person: PersonLine; classes: People['classes'] }>();
const emit = defineEmits<{ stored: []; passwordLink: [] }>();
const { busy, stored, fault, fields, save } = useSave();
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

async function store(): Promise<void> {
  const { id, version } = props.person;
  const put = (json: typeof mine) => ask(api.people[':id'].$put({ param: { id }, json }));
  const mine = { ...draft, version };
  const again = async () => {
    const { people } = await ask(api.people.$get());
    const person = people.find((each) => each.id === id);
    emit('stored');
    return person === undefined ? undefined : { ...copy(person), version: person.version };
  };
  const before = { ...copy(props.person), version };
  if (await save(() => saveMerged({ before, mine, put, again }))) emit('stored');
}
</script>

<template>
  <form class="card-paper" novalidate @submit.prevent="store">
    <h2>{{ person.name }}</h2>
    <p class="soft">{{ person.email }}</p>
    <RoleFields v-model:role="draft.role" v-model:class-ids="draft.classIds" :classes="classes" :error="fields.role" />
    <label class="check">
      <input v-model="draft.closed" class="form-check-input" type="checkbox" />
      <span>Account closed: nobody signs in by it, what it recorded stays.</span>
    </label>
    <div class="line">
      <SaveBar :busy="busy" :stored="stored" :fault="fault" />
      <BButton v-if="!person.closed" variant="outline-dark" @click="emit('passwordLink')"
        >Link for a new password</BButton
      >
    </div>
  </form>
</template>

<style scoped>
form {
  display: grid;
  gap: 12px;
}

.check {
  display: flex;
  gap: 10px;
  align-items: center;
  min-height: 44px;
}

.line {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
}
</style>
