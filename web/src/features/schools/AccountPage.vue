<script setup lang="ts">
import { type SessionLine, sessionList } from '@escalier/contract/people';
import { onMounted, reactive, shallowRef } from 'vue';
import { api, ask } from '../../api.ts';
import { moment } from '../../ui/dates.ts';
import TextField from '../../ui/TextField.vue';
import LoadState from '../../ui/LoadState.vue';
import SaveBar from '../../ui/SaveBar.vue';
import { useLoad } from '../../ui/use-load.ts';
import { useSave } from '../../ui/use-save.ts';
import SchoolHead from './SchoolHead.vue';
import NewPasswordField from './NewPasswordField.vue';
import { deviceWords } from './device-words.ts';
import { useSession } from './session.ts';
import { t } from './messages.ts';

const session = useSession();
const sessions = shallowRef<readonly SessionLine[] | null>(null);
const { error, load } = useLoad(async () => {
  sessions.value = await ask(api.account.sessions.$get(), sessionList);
});
onMounted(load);

const { busy, error: refused, fields, save } = useSave(t('account-page.password-changed'));
const ending = useSave(t('account-page.signed-out-there'));
const draft = reactive({ current: '', next: '' });

async function changePassword(): Promise<void> {
  if (!(await save(() => ask(api.account.password.$put({ json: { ...draft } }))))) return;
  Object.assign(draft, { current: '', next: '' });
  await load();
}

async function end(id: string): Promise<void> {
  await ending.save(() => ask(api.account.sessions[':id'].$delete({ param: { id } })));
  await load();
}
</script>

<template>
  <LoadState v-if="sessions === null" :error="error" :what="t('account-page.your-account')" @again="load" />
  <div v-else class="page-grid">
    <SchoolHead :lead="`${session.me?.name ?? ''}, ${session.me?.email ?? ''}.`" />
    <div class="columns">
      <BForm class="card-paper stack" novalidate @submit.prevent="changePassword">
        <h2>{{ t('account-page.password') }}</h2>
        <TextField
          v-model="draft.current"
          :label="t('account-page.current-password')"
          :error="fields.current"
          type="password"
          autocomplete="current-password"
        />
        <NewPasswordField v-model="draft.next" :label="t('account-page.new-password')" :error="fields.next" />
        <p class="soft">{{ t('account-page.changing-it-signs-you-out-on') }}</p>
        <SaveBar :busy="busy" :error="refused" :label="t('account-page.change-password')" />
      </BForm>
      <section class="card-paper stack-close">
        <h2>{{ t('account-page.signed-in') }}</h2>
        <BAlert v-if="ending.error.value !== null" variant="danger" :model-value="true">{{
          ending.error.value
        }}</BAlert>
        <ul class="plain ruled">
          <li v-for="each in sessions" :key="each.id" class="line">
            <span class="grow">
              <strong>{{ deviceWords(each.device) }}</strong><template v-if="each.here">{{
                t('account-page.this-device')
              }}</template
              ><br />
              <span class="soft">{{
                t('account-page.since-moment-last-seen-moment2', {
                  moment: moment(each.createdAt, session.timeZone),
                  moment2: moment(each.seenAt, session.timeZone),
                })
              }}</span>
            </span>
            <BButton
              v-if="!each.here"
              size="sm"
              :aria-label="t('account-page.sign-out-device', { device: deviceWords(each.device) })"
              @click="end(each.id)"
              >{{ t('account-page.sign-out') }}</BButton
            >
          </li>
        </ul>
      </section>
    </div>
  </div>
</template>
