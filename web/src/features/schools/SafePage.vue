<script setup lang="ts">
import type { ChangeLine } from '@escalier/server/api';
import { computed, onMounted, ref, shallowRef, useTemplateRef } from 'vue';
import { api, ask, sendArchive } from '../../api.ts';
import { shortMoment } from '../../ui/days.ts';
import LoadState from '../../ui/LoadState.vue';
import { useLoad } from '../../ui/use-load.ts';
import { useSave } from '../../ui/use-save.ts';
import SchoolHead from './SchoolHead.vue';
import { useSession } from './session.ts';

const session = useSession();
const zone = computed(() => session.me?.timeZone ?? 'UTC');
const changes = shallowRef<readonly ChangeLine[] | null>(null);
const { error, load } = useLoad(async () => {
  changes.value = await ask(api.changes.$get({ query: {} }));
});
onMounted(load);

const { busy, reason, save } = useSave();
const picker = useTemplateRef('picker');
const done = ref<string | null>(null);

async function bringIn(event: Event): Promise<void> {
  const [file] = (event.target as HTMLInputElement).files ?? [];
  if (file === undefined) return;
  done.value = null;
  await save(async () => {
    const imported = await sendArchive(file);
    done.value = `${imported.classes} classes, ${imported.pupils} pupils and ${imported.records} records are here.`;
    await session.enter();
    await load();
  });
  if (picker.value !== null) picker.value.value = '';
}

async function more(): Promise<void> {
  const before = changes.value?.at(-1)?.id;
  if (before === undefined) return;
  await save(async () => {
    changes.value = [...(changes.value ?? []), ...(await ask(api.changes.$get({ query: { before } })))];
  });
}
</script>

<template>
  <LoadState v-if="changes === null" :error="error" what="the list of changes" @again="load" />
  <div v-else class="page-grid">
    <SchoolHead
      lead="Records are never changed, only added to. Take them with you, bring them back, see who changed what."
    />
    <div class="columns">
      <div class="side">
        <section class="card-paper">
          <h2>Take it with you</h2>
          <p>
            <a class="btn btn-primary" href="/api/archive" download>The whole school (JSON)</a>
          </p>
          <p class="soft">Everything but passwords. It can be brought into an empty school again, here or elsewhere.</p>
          <p>
            <a class="btn btn-outline-dark" href="/api/archive/tables.zip" download>Tables for a spreadsheet (CSV)</a>
          </p>
          <p class="soft">
            Both hold children’s names: keep them as your school’s rules say, and delete them after use.
          </p>
        </section>
        <section class="card-paper">
          <h2>Bring an archive in</h2>
          <p>Only into a school without classes. Everybody but you gets a new password by a link from “People”.</p>
          <label class="btn btn-outline-dark">
            {{ busy ? 'Reading …' : 'Choose an archive (JSON)' }}
            <input
              ref="picker"
              class="visually-hidden"
              type="file"
              accept="application/json,.json"
              :disabled="busy"
              @change="bringIn"
            />
          </label>
          <p v-if="reason !== null" class="fault" role="alert">{{ reason }}</p>
          <p v-if="done !== null" role="status">{{ done }}</p>
        </section>
        <section class="card-paper">
          <h2>A copy every night</h2>
          <p>
            Who looks after the server runs <code>npm run backup</code>, and <code>npm run restore -- FILE</code> after
            a loss. The README says how.
          </p>
        </section>
      </div>
      <section class="card-paper">
        <h2>Who changed what</h2>
        <p v-if="changes.length === 0" class="soft">Nothing yet.</p>
        <ol>
          <li v-for="change in changes" :key="change.id">
            <span class="soft">{{ shortMoment(change.at, zone) }}</span>
            <span>{{ change.words }}</span>
            <span class="soft">{{ change.who }}</span>
          </li>
        </ol>
        <BButton v-if="changes.length >= 500" size="sm" variant="outline-dark" @click="more">Earlier ones</BButton>
      </section>
    </div>
  </div>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: 5fr 7fr;
  gap: 12px;
  align-items: start;
}

.side,
.side section {
  display: grid;
  gap: 12px;
  justify-items: start;
}

.side {
  justify-items: stretch;
}

ol {
  margin: 8px 0;
  padding: 0;
  list-style: none;
}

li {
  display: grid;
  grid-template-columns: 9em 1fr auto;
  gap: 12px;
  padding: 6px 0;
  border-bottom: 1px solid var(--line);
}

@media (max-width: 900px) {
  .columns {
    grid-template-columns: 1fr;
  }
}
</style>
