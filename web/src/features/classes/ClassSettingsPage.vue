<script setup lang="ts">
import { findInstrument } from '@escalier/core/instruments';
import { computed, watch } from 'vue';
import { useRouter } from 'vue-router';
import LoadState from '../../ui/LoadState.vue';
import SaveBar from '../../ui/SaveBar.vue';
import SelectField from '../../ui/SelectField.vue';
import TextField from '../../ui/TextField.vue';
import { useSave } from '../../ui/use-save.ts';
import { CapacityCard, GroupsCard, MeetingEditor, SubscribeCard, TermPicture } from '../calendar/index.ts';
import ClassHead from './ClassHead.vue';
import { useClasses } from './store.ts';
import BringsFields from './BringsFields.vue';
import FingeringFields from './FingeringFields.vue';
import HearingFields from './HearingFields.vue';
import StyleFields from './StyleFields.vue';
import TeachingFields from './TeachingFields.vue';
import { useClassSettings, type ClassDraft } from './use-class-settings.ts';
import { t } from './messages.ts';

const props = defineProps<{ classId: string | null }>();
const router = useRouter();
const classes = useClasses();
const { draft, terms, staircases, calendar, error, load, saveClass } = useClassSettings(() => props.classId);
const { busy, error: refused, fields, save } = useSave();

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
    .filter((each) => each.grade !== '' && each.grade === page.value?.grade && each.id !== props.classId)
    .map(({ id, name, pupils, lessons }) => ({ id, name, pupils, left: lessons.left })),
);
const stairs = computed(() => staircases.value.find((each) => each.id === draft.value?.staircaseId) ?? null);
const named = (all: readonly { readonly id: string; readonly name: string }[]) =>
  all.map(({ id, name }) => ({ value: id, text: name }));

function set(more: Partial<ClassDraft>): void {
  draft.value = { ...draft.value!, ...more };
}

async function submit(): Promise<void> {
  let id = props.classId;
  const done = await save(async () => {
    id = await saveClass();
  });
  if (!done || id === null) return;
  if (props.classId === null) await router.push({ name: 'pupils', params: { classId: id } });
  else await classes.open(id);
}
</script>

<template>
  <LoadState v-if="draft === null" :error="error" :what="t('class-settings-page.the-settings')" @again="load" />
  <div v-else-if="classId === null && terms.length === 0" class="page-grid stack-start">
    <h1>{{ t('class-settings-page.add-a-class') }}</h1>
    <p>{{ t('class-settings-page.a-class-needs-a-term-escalier') }}</p>
    <BButton role="link" variant="primary" :to="{ name: 'start' }">{{
      t('class-settings-page.set-up-your-first-class')
    }}</BButton>
  </div>
  <div v-else class="page-grid">
    <ClassHead v-if="classId !== null" :class-id="classId" />
    <h1 v-else>{{ t('class-settings-page.add-a-class') }}</h1>
    <BForm class="stack" novalidate @submit.prevent="submit">
      <section class="card-paper stack">
        <h2>{{ t('class-settings-page.class-and-lessons') }}</h2>
        <div class="field-grid">
          <TextField
            :model-value="draft.name"
            :label="t('class-settings-page.name')"
            :error="fields.name"
            @update:model-value="set({ name: String($event) })"
          />
          <TextField
            :model-value="draft.grade"
            :label="t('class-settings-page.year-group-optional')"
            :hint="t('class-settings-page.classes-in-the-same-year-group')"
            :error="fields.grade"
            @update:model-value="set({ grade: String($event) })"
          />
          <SelectField
            :model-value="draft.termId"
            :label="t('class-settings-page.term')"
            :options="named(terms)"
            :error="fields.termId"
            @update:model-value="set({ termId: $event })"
          />
          <SelectField
            :model-value="draft.staircaseId"
            :label="t('class-settings-page.stairs')"
            :options="named(staircases)"
            :hint="
              classId === null
                ? t('class-settings-page.name-the-stairs-set-the-instrument', {
                    name: findInstrument(stairs?.instrumentId ?? '')?.name ?? '',
                  })
                : t('class-settings-page.fixed-once-pupils-have-results-you')
            "
            :error="fields.staircaseId"
            @update:model-value="set({ staircaseId: $event })"
          />
        </div>
        <p v-if="classId !== null">
          <RouterLink :to="{ name: 'make-staircase', query: { class: classId } }">{{
            t('class-settings-page.make-a-staircase-for-this-class')
          }}</RouterLink>
        </p>
        <div class="line meetings">
          <MeetingEditor
            class="grow"
            :model-value="draft.meetings"
            :fields="fields"
            @update:model-value="set({ meetings: [...$event] })"
          />
          <TermPicture v-if="term !== null" :term="term" :meetings="draft.meetings" :today="page?.today" />
        </div>
      </section>
      <StyleFields :model-value="draft.style" :fields="fields" @update:model-value="set({ style: $event })" />
      <TeachingFields
        :model-value="draft.style.teaching"
        :with-si="draft.style.naming === 'fixed-do-si'"
        :fields="fields"
        @update:model-value="set({ style: { ...draft!.style, teaching: $event } })"
      >
        <FingeringFields
          :model-value="draft.style.teaching.fingerings"
          :instrument-id="stairs?.instrumentId ?? ''"
          @update:model-value="
            set({ style: { ...draft!.style, teaching: { ...draft!.style.teaching, fingerings: $event } } })
          "
        />
        <BringsFields
          :model-value="draft.brings"
          :length-words="draft.style.lengthWords"
          :others="(classes.list ?? []).filter((each) => each.id !== classId)"
          @update:model-value="set({ brings: $event })"
        />
      </TeachingFields>
      <HearingFields :model-value="draft.style" :fields="fields" @update:model-value="set({ style: $event })" />
      <div class="sticky-bottom-bar">
        <SaveBar
          :busy="busy"
          :error="refused"
          :label="classId === null ? t('class-settings-page.add-the-class') : t('class-settings-page.save')"
        />
      </div>
    </BForm>
    <div v-if="classId !== null && page !== null && calendar !== null" class="columns columns-3">
      <CapacityCard :page="page" :others="parallel" />
      <GroupsCard :calendar="calendar" :today="page.today" />
      <SubscribeCard :class-id="classId" :token="calendar.token" @changed="load" />
    </div>
  </div>
</template>

<style scoped>
.meetings {
  align-items: start;
}

.meetings > .grow {
  min-width: min(100%, 420px);
}
</style>
