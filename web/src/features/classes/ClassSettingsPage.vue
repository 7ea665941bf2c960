<script setup lang="ts">
import { findInstrument } from '@escalier/core/instruments';
import { computed, watch } from 'vue';
import { RouterLink, useRouter } from 'vue-router';
import FormField from '../../ui/FormField.vue';
import TextField from '../../ui/TextField.vue';
import LoadState from '../../ui/LoadState.vue';
import SaveBar from '../../ui/SaveBar.vue';
import { useSave } from '../../ui/use-save.ts';
import { CapacityCard, GroupsCard, MeetingEditor, SubscribeCard, TermPicture } from '../calendar/index.ts';
import ClassTabs from './ClassTabs.vue';
import { useClasses } from './store.ts';
import HearingFields from './HearingFields.vue';
import StyleFields from './StyleFields.vue';
import { useClassSettings, type ClassDraft } from './use-class-settings.ts';

const props = defineProps<{ classId: string | null }>();
const router = useRouter();
const classes = useClasses();
const { draft, terms, staircases, calendar, error, load, keep } = useClassSettings(() => props.classId);
const { busy, stored, fault, fields, save } = useSave();

watch(
  () => props.classId,
  async (id) => {
    draft.value = null;
    await Promise.all([load(), ...(id === null ? [] : [classes.open(id), classes.loadList()])]);
  },
  { immediate: true },
);

const page = computed(() => (classes.page?.id === props.classId ? classes.page : null));
const term = computed(() => terms.value.find((each) => each.id === draft.value?.termId) ?? null);
const parallel = computed(() =>
  (classes.list ?? [])
    .filter((each) => each.grade === page.value?.grade && each.id !== props.classId)
    .map(({ id, name, pupils, lessons }) => ({ id, name, pupils, left: lessons.left })),
);
const stairs = computed(() => staircases.value.find((each) => each.id === draft.value?.staircaseId) ?? null);

function set(more: Partial<ClassDraft>): void {
  draft.value = { ...draft.value!, ...more };
}

const valueOf = (event: Event): string => (event.target as HTMLInputElement).value;

async function store(): Promise<void> {
  let id = props.classId;
  const done = await save(async () => {
    id = await keep();
  });
  if (!done || id === null) return;
  if (props.classId === null) await router.push({ name: 'pupils', params: { classId: id } });
  else await classes.open(id);
}
</script>

<template>
  <LoadState v-if="draft === null" :error="error" what="the settings" @again="load" />
  <div v-else-if="classId === null && terms.length === 0" class="page-grid">
    <h1>A new class</h1>
    <p>
      A class belongs to a term, and there is none yet.
      <RouterLink :to="{ name: 'terms' }">Give the school its first term</RouterLink>, then come back.
    </p>
  </div>
  <div v-else class="page-grid">
    <ClassTabs :class-id="classId" :name="classId === null ? 'A new class' : (page?.name ?? draft.name)" />
    <form novalidate @submit.prevent="store">
      <section class="card-paper">
        <h2>Class and lessons</h2>
        <div class="grid">
          <TextField
            :model-value="draft.name"
            label="Name"
            :error="fields.name"
            @update:model-value="set({ name: String($event) })"
          />
          <TextField
            :model-value="draft.grade"
            label="Grade"
            hint="Classes of one grade are compared as parallel groups."
            :error="fields.grade"
            @update:model-value="set({ grade: String($event) })"
          />
          <FormField v-slot="{ id, describedby }" label="Term" :error="fields.termId">
            <select
              :id="id"
              class="form-select"
              :value="draft.termId"
              :aria-describedby="describedby"
              @change="set({ termId: valueOf($event) })"
            >
              <option v-for="each in terms" :key="each.id" :value="each.id">{{ each.name }}</option>
            </select>
          </FormField>
          <FormField
            v-slot="{ id, describedby }"
            label="Stairs"
            :hint="
              classId === null
                ? `${findInstrument(stairs?.instrumentId ?? '')?.name ?? ''}. Instrument and fingering come with the stairs.`
                : 'They stay: the records of the class hang on them.'
            "
            :error="fields.staircaseId"
          >
            <select
              :id="id"
              class="form-select"
              :value="draft.staircaseId"
              :disabled="classId !== null"
              :aria-describedby="describedby"
              @change="set({ staircaseId: valueOf($event) })"
            >
              <option v-for="each in staircases" :key="each.id" :value="each.id">{{ each.name }}</option>
            </select>
          </FormField>
        </div>
        <div class="columns">
          <MeetingEditor
            :model-value="draft.meetings"
            :fields="fields"
            @update:model-value="set({ meetings: [...$event] })"
          />
          <TermPicture v-if="term !== null" :term="term" :meetings="draft.meetings" :today="page?.today" />
        </div>
      </section>
      <StyleFields :model-value="draft.style" :fields="fields" @update:model-value="set({ style: $event })" />
      <HearingFields :model-value="draft.style" :fields="fields" @update:model-value="set({ style: $event })" />
      <div class="store">
        <SaveBar :busy="busy" :stored="stored" :fault="fault" :label="classId === null ? 'Make the class' : 'Store'" />
      </div>
    </form>
    <div v-if="classId !== null && page !== null && calendar !== null" class="cards">
      <CapacityCard :page="page" :others="parallel" />
      <GroupsCard :calendar="calendar" :today="page.today" />
      <SubscribeCard :class-id="classId" :token="calendar.token" @changed="load" />
    </div>
  </div>
</template>

<style scoped>
form,
section {
  display: grid;
  gap: 14px;
  align-content: start;
}

.grid {
  display: grid;
  grid-template-columns: repeat(4, minmax(0, 1fr));
  gap: 14px 18px;
}

.columns {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 24px;
}

.store {
  position: sticky;
  bottom: 0;
  padding: 10px 0;
  background: var(--paper);
}

.cards {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 12px;
}

@media (max-width: 1000px) {
  .grid,
  .columns,
  .cards {
    grid-template-columns: 1fr 1fr;
  }

  .columns > *,
  .cards > :first-child {
    grid-column: 1 / -1;
  }
}
</style>
