<script setup lang="ts">
import { NewLink, People, type PersonLine } from '@escalier/contract/people';
import { computed, onMounted, ref, shallowRef } from 'vue';
import { api, ask } from '../../api.ts';
import { moment } from '../../ui/dates.ts';
import LoadState from '../../ui/LoadState.vue';
import { useLoad } from '../../ui/use-load.ts';
import { useSave } from '../../ui/use-save.ts';
import InviteForm from './InviteForm.vue';
import PersonForm from './PersonForm.vue';
import { ROLE_WORDS } from './role-words.ts';
import SchoolHead from './SchoolHead.vue';
import { useSession } from './session.ts';
import { counted } from '../../ui/count-messages.ts';
import { t } from './messages.ts';

const session = useSession();
const people = shallowRef<People | null>(null);
const { error, load } = useLoad(async () => {
  people.value = await ask(api.people.$get(), People);
});
onMounted(load);

const { error: refused, save } = useSave(null);
const openId = ref<string | null>(null);
const open = computed(() => people.value?.people.find((person) => person.id === openId.value) ?? null);
const link = ref<{ readonly name: string; readonly address: string } | null>(null);

function classNames(ids: readonly string[]): string {
  const names = (people.value?.classes ?? []).filter((each) => ids.includes(each.id)).map((each) => each.name);
  return names.length === 0 ? t('people-page.no-class') : names.join(', ');
}

function facts(person: PersonLine): string {
  if (person.closed) return t('people-page.account-closed');
  const classes = person.role === 'owner' ? t('people-page.all-classes') : classNames(person.classIds);
  return `${ROLE_WORDS[person.role].label}, ${classes}`;
}

function showLink(name: string, made: NewLink): void {
  link.value = { name, address: `${window.location.origin}/invitation/${made.token}` };
}

async function passwordLink(person: PersonLine): Promise<void> {
  await save(async () => {
    showLink(person.name, await ask(api.people[':id']['password-link'].$post({ param: { id: person.id } }), NewLink));
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
  <LoadState v-if="people === null" :error="error" :what="t('people-page.the-people')" @again="load" />
  <div v-else class="page-grid">
    <SchoolHead :lead="t('people-page.who-uses-escalier-at-this-school')" />
    <BAlert v-if="link !== null" variant="warning" :model-value="true" is-status>
      <p>
        <strong>{{ t('people-page.give-this-link-to-name', { name: link.name }) }}</strong>
        {{ t('people-page.works-once-expires-in-a-week') }}
      </p>
      <BFormInput
        readonly
        :model-value="link.address"
        :aria-label="t('people-page.link-for-name', { name: link.name })"
      />
    </BAlert>
    <BAlert v-if="refused !== null" variant="danger" :model-value="true">{{ refused }}</BAlert>
    <div class="columns">
      <section class="card-paper stack">
        <h2>{{ counted('people', { n: people.people.length }) }}</h2>
        <BListGroup flush>
          <BListGroupItem
            v-for="person in people.people"
            :key="person.id"
            class="person"
            button
            :active="person.id === openId"
            :aria-pressed="person.id === openId"
            @click="openId = person.id"
          >
            <strong>{{ person.name }}</strong>
            <span>{{ facts(person) }}</span>
            <span class="small">{{
              person.seenAt === null
                ? t('people-page.never-signed-in')
                : t('people-page.last-seen-moment', { moment: moment(person.seenAt, session.timeZone) })
            }}</span>
          </BListGroupItem>
        </BListGroup>
        <template v-if="people.invitations.length > 0">
          <h2>{{ t('people-page.open-links') }}</h2>
          <ul class="plain ruled">
            <li v-for="each in people.invitations" :key="each.id" class="line">
              <span class="grow">
                <strong>{{ each.name }}</strong>
                {{
                  t('people-page.label-until-moment', {
                    label: each.forAccount ? t('people-page.new-password') : ROLE_WORDS[each.role].label,
                    moment: moment(each.expiresAt, session.timeZone),
                  })
                }}
              </span>
              <BButton
                size="sm"
                :aria-label="t('people-page.withdraw-the-link-of-name', { name: each.name })"
                @click="withdraw(each.id)"
                >{{ t('people-page.withdraw') }}</BButton
              >
            </li>
          </ul>
        </template>
      </section>
      <div class="stack">
        <PersonForm
          v-if="open !== null"
          :key="open.id"
          :person="open"
          :classes="people.classes"
          @saved="load"
          @password-link="passwordLink(open)"
        />
        <InviteForm :classes="people.classes" @invited="invited" />
      </div>
    </div>
  </div>
</template>

<style scoped>
.person {
  display: grid;
  grid-template-columns: minmax(0, 9em) minmax(0, 1fr) auto;
  gap: 2px 12px;
  align-items: center;
}

@media (max-width: 600px) {
  .person {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
