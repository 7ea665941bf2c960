<script setup lang="ts">
import { writeRoster } from '@escalier/core/formats';
import { findInstrument } from '@escalier/core/instruments';
import type { Standing } from '@escalier/core/records';
import type { PupilRecord } from '@escalier/server/api';
import { computed, ref, watch } from 'vue';
import { saveFile } from '../../ui/save-file.ts';
import LoadState from '../../ui/LoadState.vue';
import { ClassTabs, longDate, plural, shortDate, useClasses } from '../classes/index.ts';
import { useSession } from '../schools/index.ts';
import PupilForm from './PupilForm.vue';
import RosterImport from './RosterImport.vue';
import { usePupils } from './use-pupils.ts';

const props = defineProps<{ classId: string }>();
const classes = useClasses();
const session = useSession();
const { pupils, error, load, add, change, move, erase, setAbsent } = usePupils(() => props.classId);

watch(
  () => props.classId,
  async (id) => {
    pupils.value = null;
    await Promise.all([load(), classes.open(id), classes.loadList()]);
    importing.value = (pupils.value as readonly PupilRecord[] | null)?.length === 0;
  },
  { immediate: true },
);

const page = computed(() => (classes.page?.id === props.classId ? classes.page : null));
const steps = computed(() => page.value?.steps.map((step) => step.title) ?? []);
const openId = ref<string | null>(null);
const importing = ref(false);
const open = computed(() => pupils.value?.find((pupil) => pupil.id === openId.value) ?? null);
const here = computed(() => pupils.value?.filter((pupil) => pupil.leftOn === null) ?? []);
const left = computed(() => pupils.value?.filter((pupil) => pupil.leftOn !== null) ?? []);
const away = computed(() => here.value.filter((pupil) => pupil.absences.includes(page.value?.today ?? '')));
const standings = computed(() => new Map(page.value?.pupils.map((pupil) => [pupil.id, pupil.standing])));
const others = computed(() =>
  (classes.list ?? []).filter((each) => each.id !== props.classId && each.instrumentId === page.value?.instrumentId),
);

function facts(pupil: PupilRecord): string {
  const late = page.value !== null && pupil.joinedOn > page.value.term.startsOn;
  const standing = standings.value.get(pupil.id) ?? null;
  return [
    pupil.leftOn === null ? '' : `left ${shortDate(pupil.leftOn)}`,
    standing === null ? '' : stepWords(standing, steps.value.length),
    pupil.startStep > 1 || late ? `joined ${shortDate(pupil.joinedOn)}, step ${pupil.startStep}` : '',
    pupil.playsInstead === null ? '' : (findInstrument(pupil.playsInstead)?.shortName ?? ''),
    pupil.handMark,
    pupil.absences.length === 0 ? '' : `away ${pupil.absences.length}×`,
    pupil.mayRecord ? 'may be recorded' : '',
    pupil.note === '' ? '' : 'has a note',
  ]
    .filter((fact) => fact !== '')
    .join(' · ');
}

function stepWords({ stepIndex, state }: Standing, count: number): string {
  if (stepIndex === count) return 'all steps passed';
  return `on step ${stepIndex + 1}${state === 'working' ? '' : `, ${state === 'nearly' ? 'nearly passed' : state}`}`;
}

function writeFile(): void {
  const passed = new Map(page.value?.pupils.map((pupil) => [pupil.id, pupil.standing?.passedSteps ?? 0]));
  const rows = (pupils.value ?? []).map((pupil) => ({ ...pupil, steps: passed.get(pupil.id) ?? 0 }));
  saveFile(`${page.value?.name ?? 'Class'}.csv`, 'text/csv;charset=utf-8', writeRoster(rows));
}

async function addPupils(all: Parameters<typeof add>[0]): Promise<void> {
  await add(all);
  await classes.open(props.classId);
}
</script>

<template>
  <LoadState v-if="pupils === null || page === null" :error="error ?? classes.error" what="the pupils" @again="load" />
  <div v-else class="page-grid">
    <ClassTabs :class-id="classId" :name="page.name" />
    <div class="columns">
      <section class="card-paper list">
        <div class="head">
          <h2>{{ plural(here.length, 'pupil', 'pupils') }}</h2>
          <BButton
            size="sm"
            variant="outline-dark"
            :aria-expanded="importing"
            @click="((importing = !importing), (openId = null))"
            >Bring pupils</BButton
          >
          <BButton v-if="pupils.length > 0" size="sm" variant="outline-dark" @click="writeFile">As a CSV file</BButton>
        </div>
        <ul class="pick-list">
          <li v-for="pupil in [...here, ...left]" :key="pupil.id">
            <button
              type="button"
              :class="{ on: pupil.id === openId, left: pupil.leftOn !== null }"
              :aria-pressed="pupil.id === openId"
              @click="((openId = pupil.id), (importing = false))"
            >
              <span class="name">{{ pupil.name }}</span>
              <span class="facts">{{ facts(pupil) }}</span>
            </button>
          </li>
        </ul>
        <p v-if="pupils.length === 0" class="soft">Nobody is in this class yet.</p>
      </section>
      <RosterImport
        v-if="importing"
        :there="here.map((pupil) => pupil.name)"
        :steps="steps"
        :today="page.today"
        :add="addPupils"
        @done="importing = false"
      />
      <PupilForm
        v-else-if="open !== null"
        :key="open.id"
        :pupil="open"
        :steps="steps"
        :class-mark="page.style.posture.handMark"
        :today="page.today"
        :others="others"
        :may-erase="session.me?.role === 'owner'"
        :change="change"
        :move="move"
        :erase="erase"
        :set-absent="setAbsent"
        @gone="openId = null"
      />
      <aside v-else class="card-paper side">
        <h2>Away today, {{ longDate(page.today) }}</h2>
        <p class="soft">
          {{ away.length === 0 ? 'Nobody is noted.' : plural(away.length, 'pupil', 'pupils') + '.' }} A tap notes it,
          another takes it back.
        </p>
        <div class="away">
          <button
            v-for="pupil in here"
            :key="pupil.id"
            type="button"
            :aria-pressed="away.includes(pupil)"
            @click="setAbsent(pupil.id, page.today, !away.includes(pupil))"
          >
            {{ pupil.name }}
          </button>
        </div>
        <h2>In this list</h2>
        <p>
          Choose a pupil for the note, the mark of the left hand, days away, the consent to recordings, moving and
          leaving. {{ here.filter((pupil) => pupil.mayRecord).length }} of {{ here.length }} may be recorded.
        </p>
      </aside>
    </div>
  </div>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: minmax(300px, 5fr) 7fr;
  gap: 12px;
  align-items: start;
}

.columns > :last-child {
  position: sticky;
  top: 12px;
  max-height: calc(100vh - 24px);
  overflow: auto;
}

.head {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px;
  margin-bottom: 8px;
}

.head h2 {
  flex: 1;
}

.side {
  display: grid;
  gap: 8px;
}

.away {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(140px, 1fr));
  gap: 6px;
  margin-bottom: 10px;
}

.away button {
  overflow: hidden;
  min-height: 44px;
  padding: 2px 8px;
  border: 1.5px solid var(--line-strong);
  border-radius: 10px;
  background: var(--card);
  color: var(--ink);
  text-overflow: ellipsis;
  white-space: nowrap;
}

.away button[aria-pressed='true'] {
  border-color: var(--ink);
  border-style: dashed;
  background: var(--stone);
  text-decoration: line-through;
}

.pick-list button {
  display: flex;
  gap: 12px;
  align-items: baseline;
}

.name {
  min-width: 8em;
  font-weight: 650;
}

.left .name {
  font-weight: 400;
  text-decoration: line-through;
}

.facts {
  font-size: 14px;
  color: var(--ink-soft);
}

.on .facts {
  color: #fff;
}

@media (max-width: 900px) {
  .columns {
    grid-template-columns: 2fr 3fr;
  }

  .pick-list button {
    flex-wrap: wrap;
    gap: 0 8px;
  }

  .facts {
    width: 100%;
  }
}
</style>
