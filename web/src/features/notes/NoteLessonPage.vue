<script setup lang="ts">
import { pitchName } from '@escalier/core/music';
import { onKeyStroke } from '@vueuse/core';
import { computed, ref, toRef } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { isForPage } from '../../ui/keys.ts';
import LoadState from '../../ui/LoadState.vue';
import { noteWords } from '../../ui/note-words.ts';
import { ClassHead } from '../classes/index.ts';
import BeforeStage from './BeforeStage.vue';
import EchoStage from './EchoStage.vue';
import FingerStage from './FingerStage.vue';
import MovesStage from './MovesStage.vue';
import OwnNoteLine from './OwnNoteLine.vue';
import StaffStage from './StaffStage.vue';
import StageStairs from './StageStairs.vue';
import type { PipeView } from './pipe-shape.ts';
import { isStage, STAGES, type StageId } from './stages.ts';
import { useNoteLesson } from './use-note-lesson.ts';
import { t } from './messages.ts';

/** Introduces one note to a class, from posture to moves; large for the projector when asked. */
const props = defineProps<{ classId: string; note: string | null }>();
const route = useRoute();
const router = useRouter();
const { notes, lesson, error, load, saveCautions, saveOwn } = useNoteLesson(
  toRef(props, 'classId'),
  toRef(props, 'note'),
);

const view = ref<PipeView>('pupil');
const big = computed(() => route.query.big !== undefined);
const stage = computed({
  get: (): StageId => (isStage(route.query.part) ? route.query.part : 'before'),
  set: (part) => void router.replace({ query: { ...route.query, part } }),
});
const style = computed(() => notes.value?.schoolClass.style ?? null);

/** What a note waits for that stands above the step on which the class is. */
const waits = computed(() => {
  const position = lesson.value?.place?.position;
  const now = notes.value?.classStep;
  if (position === undefined || now === undefined || position <= now) return null;
  return t('note-lesson-page.the-class-is-on-step-now', { now });
});

const noteOptions = computed(() =>
  (notes.value?.notes ?? []).map(({ note: name, position }) => ({
    value: name,
    text: t('note-lesson-page.note-step-position-value', {
      note: noteWords(name),
      position,
      next: name === notes.value?.next ? t('note-lesson-page.next') : '',
    }),
  })),
);

function switchBig(): void {
  const { big: isBig, ...query } = route.query;
  void router.replace({ query: isBig === undefined ? { ...query, big: '1' } : query });
}

function go(by: number): void {
  const next = STAGES[STAGES.findIndex((each) => each.id === stage.value) + by];
  if (next !== undefined) stage.value = next.id;
}

onKeyStroke(['ArrowRight', 'ArrowLeft', 'PageDown', 'PageUp', 'b', 'B', '1', '2', '3', '4', '5'], (event) => {
  if (!isForPage(event)) return;
  event.preventDefault();
  const number = STAGES[Number(event.key) - 1];
  if (number !== undefined) stage.value = number.id;
  else if (event.key === 'b' || event.key === 'B') switchBig();
  else go(event.key === 'ArrowRight' || event.key === 'PageDown' ? 1 : -1);
});
</script>

<template>
  <LoadState v-if="notes === null" :error="error" :what="t('note-lesson-page.the-notes-of-the-class')" @again="load" />
  <div v-else-if="lesson === null" class="page-grid">
    <ClassHead :class-id="classId" :trail="t('note-lesson-page.no-note')" />
    <h2>{{ t('note-lesson-page.no-note-to-introduce') }}</h2>
    <p>
      {{
        note === null
          ? t('note-lesson-page.the-tunes-on-this-classs-stairs')
          : t('note-lesson-page.note-is-not-a-note-on', { note })
      }}
    </p>
  </div>
  <div v-else class="lesson" :class="{ big }">
    <ClassHead
      v-if="!big"
      :class-id="classId"
      :trail="t('note-lesson-page.the-note-note', { note: noteWords(pitchName(lesson.note)) })"
    />
    <header class="page-head">
      <div>
        <component :is="big ? 'h1' : 'h2'" class="note">{{
          t('note-lesson-page.the-note-note', { note: noteWords(pitchName(lesson.note)) })
        }}</component>
        <p v-if="!big" class="soft">
          <template v-if="lesson.place !== null">
            {{ t('note-lesson-page.step-position', { position: lesson.place.position }) }}
            <RouterLink :to="{ name: 'step', params: { classId, position: lesson.place.position } }">{{
              lesson.place.title
            }}</RouterLink>
          </template>
          <template v-else>{{ t('note-lesson-page.not-on-the-stairs') }}</template>
          ·
          {{
            lesson.known.length === 0
              ? t('note-lesson-page.the-very-first-note')
              : t('note-lesson-page.they-know-list', { list: lesson.known.map(lesson.name).join(' ') })
          }}
          <template v-if="waits !== null"> · {{ waits }}</template>
        </p>
      </div>
      <BButton
        v-if="!big && lesson.place !== null"
        role="link"
        :to="{ name: 'handouts', params: { classId }, query: { kind: 'note-card', step: lesson.place.position } }"
        >{{ t('note-lesson-page.handouts') }}</BButton
      >
      <BFormSelect
        v-if="!big"
        class="auto"
        :model-value="pitchName(lesson.note)"
        :options="noteOptions"
        :aria-label="t('note-lesson-page.which-note')"
        @update:model-value="(chosen) => router.replace({ params: { classId, note: chosen }, query: route.query })"
      />
      <BButton :pressed="big" @click="switchBig">
        {{ big ? t('note-lesson-page.small-again') : t('note-lesson-page.fill-the-screen') }}
        <span class="key" aria-hidden="true">B</span>
      </BButton>
      <OwnNoteLine
        v-if="lesson.place !== null"
        :own="lesson.own"
        :book="style?.teaching.book ?? ''"
        :big="big"
        :save="(own) => saveOwn(pitchName(lesson!.note), own)"
      />
    </header>
    <StageStairs v-model="stage" />
    <div class="content">
      <BeforeStage
        v-if="stage === 'before' && style !== null"
        :lesson="lesson"
        :posture="style.posture"
        :holding="style.teaching"
        :bring="style.teaching.bring"
        :view="view"
        :cautions="notes.cautions"
        :big="big"
        :save-cautions="saveCautions"
      />
      <FingerStage v-else-if="stage === 'fingers'" v-model:view="view" :lesson="lesson" :big="big" />
      <StaffStage v-else-if="stage === 'staff' && style !== null" :lesson="lesson" :naming="style.naming" :big="big" />
      <EchoStage
        v-else-if="stage === 'echo' && style !== null"
        :lesson="lesson"
        :naming="style.naming"
        :length-words="style.lengthWords"
        :usual="style.teaching.echo"
        :big="big"
      />
      <MovesStage
        v-else-if="stage === 'moves' && style !== null"
        :lesson="lesson"
        :view="view"
        :rests-at="style.posture.restsAt"
        :big="big"
      />
    </div>
  </div>
</template>

<style scoped lang="scss">
.lesson {
  display: flex;
  flex-direction: column;
  gap: 12px;
  min-height: 100vh;
  padding: 14px 24px;
}

.lesson.big {
  padding: 10px 20px;
  font-size: var(--text);
}

.content {
  display: grid;
  flex: 1;
  grid-template-columns: minmax(0, 1fr);
  min-height: 0;
}

.note {
  font-size: var(--headline);
}

@media (min-width: 901px) {
  .lesson {
    height: 100vh;
    min-height: 760px;
  }

  .content {
    grid-template-rows: minmax(0, 1fr);
  }
}

@media (max-width: 600px) {
  .lesson {
    padding: 12px;
  }
}
</style>
