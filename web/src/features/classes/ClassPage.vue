<script setup lang="ts">
import { onKeyStroke } from '@vueuse/core';
import { computed, toRef } from 'vue';
import { useRouter } from 'vue-router';
import AfterPaint from '../../ui/AfterPaint.vue';
import { isTyping } from '../../ui/keys.ts';
import LoadState from '../../ui/LoadState.vue';
import { useSession } from '../schools/index.ts';
import ClassHead from './ClassHead.vue';
import GoOnCard from './GoOnCard.vue';
import HearCard from './HearCard.vue';
import StairPicture from './StairPicture.vue';
import { pegsOf } from './pegs.ts';
import { useClasses } from './store.ts';
import StuckCard from './StuckCard.vue';
import { useLiveClass } from './use-live.ts';
import { newThings, nowLabel } from './words.ts';
import { t } from './messages.ts';

const props = defineProps<{ classId: string }>();
const classes = useClasses();
const session = useSession();
const router = useRouter();
useLiveClass(toRef(props, 'classId'));

const page = computed(() => (classes.page?.id === props.classId ? classes.page : null));
const next = computed(() => {
  const id = page.value?.queue[0]?.pupilId;
  return page.value?.pupils.find((pupil) => pupil.id === id && pupil.standing !== null) ?? null;
});
const hear = (pupilId: string) => ({ name: 'hear', params: { classId: props.classId, pupilId } });
const steps = computed(() =>
  (page.value?.steps ?? []).map((step) => ({
    ...step,
    things: newThings(step, page.value!.style.lengthWords),
    to: { name: 'step', params: { classId: props.classId, position: step.position } },
  })),
);

onKeyStroke(['h', 'H'], (event) => {
  if (isTyping(event) || next.value === null) return;
  void router.push(hear(next.value.id));
});
</script>

<template>
  <LoadState
    v-if="page === null"
    :error="classes.error"
    :what="t('class-page.the-class')"
    @again="classes.open(classId)"
  />
  <div v-else class="page-grid class-page">
    <ClassHead :class-id="classId">
      <BButton
        v-if="session.mayTeach"
        role="link"
        :to="{ name: 'staircase', params: { staircaseId: page.staircaseId }, query: { class: classId } }"
        >{{ t('class-page.change-the-stairs') }}</BButton
      >
      <BButton role="link" :to="{ name: 'note', params: { classId } }">{{
        t('class-page.introduce-the-next-note')
      }}</BButton>
      <BButton v-if="next !== null" role="link" variant="primary" :to="hear(next.id)">
        {{ t('class-page.hear-name-next', { name: next.name }) }} <span class="key" aria-hidden="true">H</span>
      </BButton>
    </ClassHead>
    <section class="card-paper picture" :aria-label="t('class-page.the-stairs-of-name', { name: page.name })">
      <AfterPaint>
        <StairPicture
          :steps="steps"
          :pegs="pegsOf(page)"
          :lessons="{ ...page.lessons, now: nowLabel(page) }"
          :hear="hear"
        />
      </AfterPaint>
    </section>
    <div class="columns columns-3 cards">
      <AfterPaint :turns="2">
        <HearCard :page="page" />
        <StuckCard :page="page" />
        <GoOnCard :page="page" />
      </AfterPaint>
    </div>
  </div>
</template>

<style scoped lang="scss">
.class-page {
  grid-template-rows: auto minmax(370px, 1fr) auto;
}

.picture {
  padding: 0;
  overflow: hidden;
}

.cards {
  grid-template-columns: 1.25fr 1fr 1.1fr;
}

@media (min-width: 901px) {
  .class-page {
    height: 100vh;
    min-height: 740px;
  }
}

@media (max-width: 900px) {
  .class-page {
    grid-template-rows: auto 560px auto;
  }

  .cards {
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  }

  .cards > :first-child {
    grid-column: 1 / -1;
  }
}

@media (max-width: 700px) {
  .class-page {
    grid-template-rows: auto;
  }

  .cards {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
