<script setup lang="ts">
import type { SessionLine } from '@escalier/server/api';
import { computed, onMounted, reactive, shallowRef } from 'vue';
import { api, ask } from '../../api.ts';
import { shortMoment } from '../../ui/days.ts';
import TextField from '../../ui/TextField.vue';
import LoadState from '../../ui/LoadState.vue';
import SaveBar from '../../ui/SaveBar.vue';
import { useLoad } from '../../ui/use-load.ts';
import { useSave } from '../../ui/use-save.ts';
import SchoolHead from './SchoolHead.vue';
import NewPasswordField from './NewPasswordField.vue';
import { deviceWords } from './device-words.ts';
import { useSession } from './session.ts';

const session = useSession();
const zone = computed(() => session.me?.timeZone ?? 'UTC');
const sessions = shallowRef<readonly SessionLine[] | null>(null);
const { error, load } = useLoad(async () => {
  sessions.value = await ask(api.account.sessions.$get());
});
onMounted(load);

const { busy, stored, fault, fields, save } = useSave();
const draft = reactive({ current: '', next: '' });

async function changePassword(): Promise<void> {
  if (!(await save(() => ask(api.account.password.$put({ json: { ...draft } }))))) return;
  Object.assign(draft, { current: '', next: '' });
  await load();
}

async function end(id: string): Promise<void> {
  await save(() => ask(api.account.sessions[':id'].$delete({ param: { id } })));
  await load();
}
</script>

<template>
  <LoadState v-if="sessions === null" :error="error" what="your account" @again="load" />
  <div v-else class="page-grid">
    <SchoolHead :lead="`${session.me?.name ?? ''}, ${session.me?.email ?? ''}.`" />
    <div class="columns">
      <form class="card-paper" novalidate @submit.prevent="changePassword">
        <h2>Password</h2>
        <TextField
          v-model="draft.current"
          label="Your password now"
          :error="fields.current"
          type="password"
          autocomplete="current-password"
        />
        <NewPasswordField v-model="draft.next" label="The new one" :error="fields.next" />
        <p class="soft">All other devices are signed out by it.</p>
        <SaveBar :busy="busy" :stored="stored" :fault="fault" label="Change the password" />
      </form>
      <section class="card-paper">
        <h2>Signed in</h2>
        <ul>
          <li v-for="each in sessions" :key="each.id">
            <span>
              <strong>{{ deviceWords(each.device) }}</strong><template v-if="each.here">, this device</template><br />
              <span class="soft"
                >since {{ shortMoment(each.createdAt, zone) }}, last seen {{ shortMoment(each.seenAt, zone) }}</span
              >
            </span>
            <BButton
              v-if="!each.here"
              size="sm"
              variant="outline-dark"
              :aria-label="`Sign out ${deviceWords(each.device)}`"
              @click="end(each.id)"
              >Sign out</BButton
            >
          </li>
        </ul>
      </section>
    </div>
  </div>
</template>

<style scoped>
form {
  display: grid;
  gap: 12px;
  align-content: start;
}

.columns {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
}

ul {
  margin: 8px 0 0;
  padding: 0;
  list-style: none;
}

li {
  display: flex;
  gap: 12px;
  align-items: center;
  justify-content: space-between;
  min-height: 56px;
  border-bottom: 1px solid var(--line);
}

@media (max-width: 900px) {
  .columns {
    grid-template-columns: 1fr;
  }
}
</style>
