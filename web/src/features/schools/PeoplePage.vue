<script setup lang="ts">
import type { NewLink, People, PersonLine } from '@escalier/server/api';
import { computed, onMounted, ref, shallowRef } from 'vue';
import { api, ask } from '../../api.ts';
import { shortMoment } from '../../ui/days.ts';
import LoadState from '../../ui/LoadState.vue';
import { useLoad } from '../../ui/use-load.ts';
import { useSave } from '../../ui/use-save.ts';
import InviteForm from './InviteForm.vue';
import PersonForm from './PersonForm.vue';
import { ROLE_WORDS } from './role-words.ts';
import SchoolForm from './SchoolForm.vue';
import SchoolHead from './SchoolHead.vue';
import { useSession } from './session.ts';

const session = useSession();
const zone = computed(() => session.me?.timeZone ?? 'UTC');
const people = shallowRef<People | null>(null);
const { error, load } = useLoad(async () => {
  people.value = await ask(api.people.$get());
});
onMounted(load);

const { fault, save } = useSave();
const openId = ref<string | null>(null);
const open = computed(() => people.value?.people.find((person) => person.id === openId.value) ?? null);
const link = ref<{ readonly name: string; readonly address: string } | null>(null);

function classNames(ids: readonly string[]): string {
  const names = (people.value?.classes ?? []).filter((each) => ids.includes(each.id)).map((each) => each.name);
  return names.length === 0 ? 'no class' : names.join(', ');
}

function facts(person: PersonLine): string {
  if (person.closed) return 'account closed';
  const classes = person.role === 'owner' ? 'all classes' : classNames(person.classIds);
  return `${ROLE_WORDS[person.role].label}, ${classes}`;
}

function showLink(name: string, made: NewLink): void {
  link.value = { name, address: `${window.location.origin}/invitation/${made.token}` };
}

async function passwordLink(person: PersonLine): Promise<void> {
  await save(async () => {
    showLink(person.name, await ask(api.people[':id']['password-link'].$post({ param: { id: person.id } })));
  });
  await load();
}

async function withdraw(id: string): Promise<void> {
  await save(() => ask(api.people.invitations[':id'].$delete({ param: { id } })));
  await load();
}

async function invited(name: string, made: NewLink): Promise<void> {
  showLink(name, made);
  await load();
}
</script>

<template>
  <LoadState v-if="people === null" :error="error" what="the people" @again="load" />
  <div v-else class="page-grid">
    <SchoolHead lead="Who works with Escalier at this school, and what each may do." />
    <div v-if="link !== null" class="card-paper link" role="status">
      <p>
        <strong>Give this link to {{ link.name }}.</strong> It works once, within a week, and is shown only now.
      </p>
      <input class="form-control" readonly :value="link.address" :aria-label="`Link for ${link.name}`" />
    </div>
    <p v-if="fault !== null" class="fault" role="alert">{{ fault }}</p>
    <div class="columns">
      <section class="card-paper">
        <h2>{{ people.people.length }} people</h2>
        <ul class="pick-list">
          <li v-for="person in people.people" :key="person.id">
            <button
              type="button"
              :class="{ on: person.id === openId }"
              :aria-pressed="person.id === openId"
              @click="openId = person.id"
            >
              <strong>{{ person.name }}</strong>
              <span>{{ facts(person) }}</span>
              <span class="seen">{{
                person.seenAt === null ? 'not signed in' : `seen ${shortMoment(person.seenAt, zone)}`
              }}</span>
            </button>
          </li>
        </ul>
        <template v-if="people.invitations.length > 0">
          <h2>Open links</h2>
          <ul class="links">
            <li v-for="each in people.invitations" :key="each.id" class="invitation">
              <span>
                <strong>{{ each.name }}</strong>
                {{ each.forAccount ? 'new password' : ROLE_WORDS[each.role].label }}, until
                {{ shortMoment(each.expiresAt, zone) }}
              </span>
              <BButton
                size="sm"
                variant="outline-dark"
                :aria-label="`Withdraw the link of ${each.name}`"
                @click="withdraw(each.id)"
                >Withdraw</BButton
              >
            </li>
          </ul>
        </template>
      </section>
      <div class="side">
        <PersonForm
          v-if="open !== null"
          :key="open.id"
          :person="open"
          :classes="people.classes"
          @stored="load"
          @password-link="passwordLink(open)"
        />
        <InviteForm :classes="people.classes" @invited="invited" />
        <SchoolForm />
      </div>
    </div>
  </div>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
  align-items: start;
}

.side {
  display: grid;
  gap: 12px;
}

.pick-list {
  margin: 6px 0 14px;
}

.pick-list > li > button {
  display: grid;
  grid-template-columns: 9em 1fr auto;
  gap: 12px;
  align-items: center;
}

.seen {
  font-size: 14px;
}

.links {
  padding: 0;
  list-style: none;
}

.invitation {
  display: flex;
  gap: 12px;
  align-items: center;
  justify-content: space-between;
  min-height: 48px;
  padding: 0 8px;
  border-bottom: 1px solid var(--line);
}

.link {
  display: grid;
  gap: 8px;
  border-left: 5px solid var(--brass);
}

@media (max-width: 900px) {
  .columns {
    grid-template-columns: 1fr;
  }
}
</style>
