<script setup lang="ts">
import type { SchoolCaution } from '@escalier/contract/schools';
import { COVER_TEST, LOCAL_RULES, postureChecks, type Holding, type Posture } from '@escalier/core/practice';
import { computed, ref } from 'vue';
import { CautionEditor } from '../schools/index.ts';
import type { NoteLesson } from './lesson.ts';
import PipePicture from './PipePicture.vue';
import type { PipeView } from './pipe-shape.ts';
import { t } from './messages.ts';

/** Hands, posture and cautions, before anybody plays. */
const props = defineProps<{
  lesson: NoteLesson;
  posture: Posture;
  holding: Holding;
  /** What to bring; empty for nothing. */
  bring: string;
  view: PipeView;
  cautions: readonly SchoolCaution[];
  big: boolean;
  saveCautions: (cautions: readonly SchoolCaution[]) => Promise<void>;
}>();

const checks = computed(() => postureChecks(props.lesson.on.family, props.posture, props.holding));
const shown = computed(() => props.cautions.filter((each) => each.shown && each.places.includes('lesson')));
/** The lowest note has all fingers on. */
const allClosed = computed(() => props.lesson.on.fingerings[0]!);
const editing = ref(false);
</script>

<template>
  <div class="before">
    <section class="card-paper picture" :aria-label="t('before-stage.which-hand-is-on-top')">
      <h2>{{ t('before-stage.left-hand-on-top') }}</h2>
      <PipePicture
        :on="lesson.on"
        :fingering="allClosed"
        :view="view"
        :label="t('before-stage.left-hand-on-top-with-hand', { handMark: posture.handMark })"
        :hand-mark="posture.handMark"
      />
    </section>
    <section class="card-paper">
      <h2>{{ t('before-stage.hands-and-posture') }}</h2>
      <ol>
        <li v-for="check in checks" :key="check">{{ check }}</li>
      </ol>
      <p class="test">{{ COVER_TEST }}</p>
      <p v-if="bring !== ''">{{ t('before-stage.bring-bring', { bring }) }}</p>
    </section>
    <section class="card-paper cautions" aria-labelledby="cautions">
      <h2 id="cautions">{{ t('before-stage.take-care') }}</h2>
      <ul v-if="!editing">
        <li v-for="caution in shown" :key="caution.id">{{ caution.text }}</li>
        <li v-if="shown.length === 0" class="soft">{{ t('before-stage.your-school-shows-none-here') }}</li>
      </ul>
      <CautionEditor v-else :cautions="cautions" :save-cautions="saveCautions" @done="editing = false" />
      <p class="local">{{ LOCAL_RULES }}</p>
      <BButton v-if="!big && !editing" @click="editing = true"> {{ t('before-stage.edit-the-cautions') }} </BButton>
    </section>
  </div>
</template>

<style scoped lang="scss">
.before {
  display: grid;
  grid-template-columns: minmax(0, 0.85fr) minmax(0, 1.15fr) minmax(0, 1fr);
  gap: 12px;
  align-items: stretch;
  min-height: 0;
}

.picture {
  display: grid;
  grid-template-rows: auto minmax(0, 1fr);
  min-height: 0;
}

h2 {
  margin-bottom: 10px;
}

ol,
ul {
  display: grid;
  gap: 12px;
  margin: 0;
  padding-left: 1.5em;
}

li {
  font-size: var(--text-large);
  line-height: 1.3;
}

ol li::marker {
  font-family: var(--heading);
  font-weight: 700;
}

.test {
  margin-top: 14px;
  padding: 10px 14px;
  border: 2px dashed var(--line-strong);
  border-radius: var(--radius);
  font-weight: 700;
}

.cautions {
  border-left: 6px solid var(--brick);
}

.local {
  margin: 14px 0 10px;
  font-weight: 700;
}

@media (max-width: 900px) {
  .cautions {
    grid-column: 1 / -1;
  }

  .before {
    grid-template-columns: 1fr 1fr;
  }
}

@media (max-width: 600px) {
  .before {
    grid-template-columns: minmax(0, 1fr);
  }

  .picture {
    height: 440px;
  }
}
</style>
