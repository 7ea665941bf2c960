<script setup lang="ts">
import { type ChangeLine, changeList } from '@escalier/contract/changes';
import { onMounted, ref, shallowRef } from 'vue';
import { api, ask } from '../../api.ts';
import { changeWords } from '../../refusals/index.ts';
import { moment } from '../../ui/dates.ts';
import FilePick from '../../ui/FilePick.vue';
import LoadState from '../../ui/LoadState.vue';
import { useLoad } from '../../ui/use-load.ts';
import { useSave } from '../../ui/use-save.ts';
import RecordingStorage from './RecordingStorage.vue';
import RoomSwitch from './RoomSwitch.vue';
import SchoolHead from './SchoolHead.vue';
import { useSession } from './session.ts';

import { sendArchive } from './send-archive.ts';
import { counted } from '../../ui/count-messages.ts';
import { t } from './messages.ts';
const PER_PAGE = 500;

const session = useSession();
const changes = shallowRef<readonly ChangeLine[] | null>(null);
const { error, load } = useLoad(async () => {
  changes.value = await ask(api.changes.$get({ query: {} }), changeList);
});
onMounted(load);

const { busy, reason, save } = useSave(null);
const done = ref<string | null>(null);

async function importArchive([file]: readonly File[]): Promise<void> {
  if (file === undefined) return;
  done.value = null;
  await save(async () => {
    const { classes, pupils, records } = await sendArchive(file);
    done.value = t('data-page.added-classes-pupils-and-results', {
      classes: counted('classes', { n: classes }),
      pupils: counted('pupils', { n: pupils }),
      results: counted('results', { n: records }),
    });
    await session.enter();
    await load();
  });
}

async function more(): Promise<void> {
  const before = changes.value?.at(-1)?.id;
  if (before === undefined) return;
  await save(async () => {
    changes.value = [...(changes.value ?? []), ...(await ask(api.changes.$get({ query: { before } }), changeList))];
  });
}
</script>

<template>
  <LoadState v-if="changes === null" :error="error" :what="t('data-page.the-list-of-changes')" @again="load" />
  <div v-else class="page-grid">
    <SchoolHead :lead="t('data-page.results-are-never-changed-only-added')" />
    <div class="columns columns-list">
      <div class="stack">
        <section class="card-paper stack stack-start">
          <h2>{{ t('data-page.export') }}</h2>
          <BButton role="link" variant="primary" href="/api/archive" download>{{
            t('data-page.the-whole-school-json')
          }}</BButton>
          <p class="soft">{{ t('data-page.everything-except-passwords-you-can-import') }}</p>
          <BButton role="link" href="/api/archive/tables.zip" download>{{
            t('data-page.tables-for-a-spreadsheet-csv')
          }}</BButton>
          <BAlert variant="warning" :model-value="true" is-status>{{
            t('data-page.both-contain-childrens-names-store-them')
          }}</BAlert>
        </section>
        <section class="card-paper stack stack-start">
          <h2>{{ t('data-page.import') }}</h2>
          <p>{{ t('data-page.only-into-a-school-without-classes') }}</p>
          <FilePick
            :label="busy ? t('data-page.importing') : t('data-page.choose-an-archive-json')"
            accept="application/json,.json"
            :disabled="busy"
            @pick="importArchive"
          />
          <BAlert v-if="reason !== null" variant="danger" :model-value="true">{{ reason }}</BAlert>
          <BAlert v-if="done !== null" variant="success" :model-value="true" is-status>{{ done }}</BAlert>
        </section>
        <RecordingStorage />
        <RoomSwitch />
        <section class="card-paper stack">
          <h2>{{ t('data-page.nightly-backup') }}</h2>
          <p>
            {{ t('data-page.whoever-looks-after-the-server-runs') }} <code>{{ t('data-page.npm-run-backup') }}</code>{{
              t('data-page.and')
            }}
            <code>{{ t('data-page.npm-run-restore-file') }}</code>
            {{ t('data-page.after-data-loss-the-readme-explains') }}
          </p>
        </section>
      </div>
      <section class="card-paper stack">
        <h2>{{ t('data-page.who-changed-what') }}</h2>
        <p v-if="changes.length === 0" class="soft">{{ t('data-page.nothing-yet') }}</p>
        <ol class="plain ruled">
          <li v-for="change in changes" :key="change.id" class="change">
            <span class="soft">{{ moment(change.at, session.timeZone) }}</span>
            <span>{{ changeWords(change.what) }}</span>
            <span class="soft">{{ change.who }}</span>
          </li>
        </ol>
        <BButton v-if="changes.length >= PER_PAGE" @click="more">{{ t('data-page.show-earlier-changes') }}</BButton>
      </section>
    </div>
  </div>
</template>

<style scoped>
.change {
  display: grid;
  grid-template-columns: 9em minmax(0, 1fr) auto;
  gap: 2px 12px;
  min-height: 0;
}

@media (max-width: 600px) {
  .change {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
