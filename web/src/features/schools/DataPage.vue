<script setup lang="ts">
import { type ChangeLine, changeList } from '@escalier/contract/changes';
import { onMounted, ref, shallowRef } from 'vue';
import { api, ask } from '../../api.ts';
import { changeWords } from '../../refusals/index.ts';
import { moment } from '../../ui/dates.ts';
import FilePick from '../../ui/FilePick.vue';
import LoadState from '../../ui/LoadState.vue';
import { plural } from '../../ui/plural.ts';
import { useLoad } from '../../ui/use-load.ts';
import { useSave } from '../../ui/use-save.ts';
import RecordingStorage from './RecordingStorage.vue';
import RoomSwitch from './RoomSwitch.vue';
import SchoolHead from './SchoolHead.vue';
import { useSession } from './session.ts';

import { sendArchive } from './send-archive.ts';
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
    done.value = `Added ${plural(classes, 'class', 'classes')}, ${plural(pupils, 'pupil', 'pupils')} and ${plural(records, 'result', 'results')}.`;
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
  <LoadState v-if="changes === null" :error="error" what="the list of changes" @again="load" />
  <div v-else class="page-grid">
    <SchoolHead
      lead="Results are never changed, only added to. Export everything, import it again, see who changed what."
    />
    <div class="columns columns-list">
      <div class="stack">
        <section class="card-paper stack stack-start">
          <h2>Export</h2>
          <BButton role="link" variant="primary" href="/api/archive" download>The whole school (JSON)</BButton>
          <p class="soft">Everything except passwords. You can import it into an empty school, here or elsewhere.</p>
          <BButton role="link" href="/api/archive/tables.zip" download>Tables for a spreadsheet (CSV)</BButton>
          <BAlert variant="warning" :model-value="true" is-status
            >Both contain children’s names. Store them as your school’s rules say, and delete them after use.</BAlert
          >
        </section>
        <section class="card-paper stack stack-start">
          <h2>Import</h2>
          <p>Only into a school without classes. Everyone but you gets a new password by a link from “People”.</p>
          <FilePick
            :label="busy ? 'Importing …' : 'Choose an archive (JSON)'"
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
          <h2>Nightly backup</h2>
          <p>
            Whoever looks after the server runs <code>npm run backup</code>, and
            <code>npm run restore -- FILE</code> after a loss. The README explains how.
          </p>
        </section>
      </div>
      <section class="card-paper stack">
        <h2>Who changed what</h2>
        <p v-if="changes.length === 0" class="soft">Nothing yet.</p>
        <ol class="plain ruled">
          <li v-for="change in changes" :key="change.id" class="change">
            <span class="soft">{{ moment(change.at, session.timeZone) }}</span>
            <span>{{ changeWords(change.what) }}</span>
            <span class="soft">{{ change.who }}</span>
          </li>
        </ol>
        <BButton v-if="changes.length >= PER_PAGE" @click="more">Show earlier changes</BButton>
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
