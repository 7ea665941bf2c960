<script setup lang="ts">
import type { PupilRecord } from '@escalier/contract/pupils';
import { writeRoster } from '@escalier/core/formats';
import { findInstrument } from '@escalier/core/instruments';
import type { Standing } from '@escalier/core/records';
import { computed, ref, watch } from 'vue';
import { saveFile } from '../../ui/save-file.ts';
import LoadState from '../../ui/LoadState.vue';
import { longDate, shortDate } from '../../ui/dates.ts';
import { ClassHead, useClasses } from '../classes/index.ts';
import { useSession } from '../schools/index.ts';
import PupilForm from './PupilForm.vue';
import RosterImport from './RosterImport.vue';
import { usePupils } from './use-pupils.ts';
import { counted } from '../../ui/count-messages.ts';
import { t } from './messages.ts';

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
const away = computed(() => here.value.filter((pupil) => pupil.absences.some((day) => day === page.value?.today)));
const standings = computed(() => new Map(page.value?.pupils.map((pupil) => [pupil.id, pupil.standing])));
const others = computed(() =>
  (classes.list ?? []).filter((each) => each.id !== props.classId && each.instrumentId === page.value?.instrumentId),
);

function facts(pupil: PupilRecord): string {
  const late = page.value !== null && pupil.joinedOn > page.value.term.startsOn;
  const standing = standings.value.get(pupil.id) ?? null;
  return [
    pupil.leftOn === null ? '' : t('pupils-page.left-date', { date: shortDate(pupil.leftOn) }),
    standing === null ? '' : stepWords(standing, steps.value.length),
    pupil.startStep > 1 || late
      ? t('pupils-page.joined-date-step-start-step', { date: shortDate(pupil.joinedOn), startStep: pupil.startStep })
      : '',
    pupil.playsInstead === null ? '' : (findInstrument(pupil.playsInstead)?.shortName ?? ''),
    pupil.handMark,
    pupil.absences.length === 0 ? '' : t('pupils-page.away-absences-count', { absencesCount: pupil.absences.length }),
    pupil.mayRecord ? t('pupils-page.may-be-recorded') : '',
    pupil.note === '' ? '' : t('pupils-page.has-a-note'),
  ]
    .filter((fact) => fact !== '')
    .join(' · ');
}

function stepWords({ stepIndex, state }: Standing, count: number): string {
  if (stepIndex === count) return t('pupils-page.all-steps-passed');
  return t('pupils-page.on-step-step-index-value', {
    stepIndex: stepIndex + 1,
    state: state === 'working' ? '' : `, ${state === 'nearly' ? t('pupils-page.nearly-passed') : state}`,
  });
}

function writeFile(): void {
  const passed = new Map(page.value?.pupils.map((pupil) => [pupil.id, pupil.standing?.passedSteps ?? 0]));
  const rows = (pupils.value ?? []).map((pupil) => ({ ...pupil, steps: passed.get(pupil.id) ?? 0 }));
  saveFile(`${page.value?.name ?? t('pupils-page.class')}.csv`, 'text/csv;charset=utf-8', writeRoster(rows));
}

async function addPupils(all: Parameters<typeof add>[0]): Promise<void> {
  await add(all);
  await classes.open(props.classId);
}
</script>

<template>
  <LoadState
    v-if="pupils === null || page === null"
    :error="error ?? classes.error"
    :what="t('pupils-page.the-pupils')"
    @again="load"
  />
  <div v-else class="page-grid">
    <ClassHead :class-id="classId" />
    <div class="columns columns-list">
      <section class="card-paper stack">
        <div class="line">
          <h2 class="grow">{{ counted('pupils', { n: here.length }) }}</h2>
          <BButton :aria-expanded="importing" @click="((importing = !importing), (openId = null))">{{
            t('pupils-page.add-pupils')
          }}</BButton>
          <BButton v-if="pupils.length > 0" @click="writeFile">{{ t('pupils-page.export-as-csv') }}</BButton>
        </div>
        <BListGroup flush>
          <BListGroupItem
            v-for="pupil in [...here, ...left]"
            :key="pupil.id"
            class="pupil"
            :class="{ left: pupil.leftOn !== null }"
            button
            :active="pupil.id === openId"
            :aria-pressed="pupil.id === openId"
            @click="((openId = pupil.id), (importing = false))"
          >
            <strong class="name">{{ pupil.name }}</strong> <span class="small">{{ facts(pupil) }}</span>
          </BListGroupItem>
        </BListGroup>
        <p v-if="pupils.length === 0" class="soft">
          {{ t('pupils-page.nobody-in-this-class-yet-paste') }}
        </p>
      </section>
      <div class="beside">
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
        <aside v-else class="card-paper stack">
          <h2>{{ t('pupils-page.away-today-date', { date: longDate(page.today) }) }}</h2>
          <p class="soft">
            {{
              t('pupils-page.value-tap-a-name-to-mark', {
                awayNow: away.length === 0 ? t('pupils-page.nobody-yet') : `${counted('pupils', { n: away.length })}.`,
              })
            }}
          </p>
          <div class="away">
            <BButton
              v-for="pupil in here"
              :key="pupil.id"
              :class="{ absent: away.includes(pupil) }"
              :pressed="away.includes(pupil)"
              @click="setAbsent(pupil.id, page.today, !away.includes(pupil))"
            >
              {{ pupil.name }}
            </BButton>
          </div>
          <h2>{{ t('pupils-page.more-about-a-pupil') }}</h2>
          <p>
            {{
              t('pupils-page.choose-a-name-for-notes-the', {
                filterCount: here.filter((pupil) => pupil.mayRecord).length,
                hereCount: here.length,
              })
            }}
          </p>
        </aside>
      </div>
    </div>
  </div>
</template>

<style scoped>
.name {
  display: inline-block;
  min-width: 8em;
}

.left .name {
  font-weight: 400;
  text-decoration: line-through;
}

.away {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(140px, 1fr));
  gap: 6px;
}

.away .btn {
  overflow: hidden;
  font-weight: 400;
}

.away .absent {
  border-style: dashed;
  text-decoration: line-through;
}

@media (min-width: 901px) {
  .beside {
    position: sticky;
    top: 12px;
    max-height: calc(100vh - 24px);
    overflow: auto;
  }
}
</style>
