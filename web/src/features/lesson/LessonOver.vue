<script setup lang="ts">
import { isTaught, taughtBlocks, type LessonRun } from '@escalier/core/lesson';
import { blockTitle, type LessonSpeech } from '@escalier/core/words';
import { computed } from 'vue';
import HowComputed from '../../ui/HowComputed.vue';
import type { Happening } from './store.ts';
import { partsTaught } from './words.ts';
import { t } from './messages.ts';

/** The end of a lesson: what was reached, as the clock suggests, for the teacher to put right. */
const props = defineProps<{ run: LessonRun; speech: LessonSpeech; classId: string; isRehearsal: boolean }>();
const emit = defineEmits<{ note: [happening: Happening] }>();
const blocks = computed(() => props.run.plan?.blocks ?? []);
const taught = computed(() => taughtBlocks(props.run).length);
const minutesOf = (id: string): number => Math.round((props.run.spent[id] ?? 0) / 60);
</script>

<template>
  <h2 class="title">
    {{ isRehearsal ? t('lesson-over.the-rehearsal-is-over') : t('lesson-over.the-lesson-is-over') }}
  </h2>
  <p>
    {{ t('words.parts-taught', { parts: partsTaught(run) }) }}
    <template v-if="taught === 0">{{ t('lesson-over.nothing-taught-stays-planned') }}</template>
    <template v-else-if="taught < blocks.length">{{ t('lesson-over.the-rest-comes-next-time') }}</template>
  </p>
  <fieldset class="stack-close">
    <legend>{{ t('lesson-over.what-was-taught') }}</legend>
    <BFormCheckbox
      v-for="block in blocks"
      :key="block.id"
      :model-value="isTaught(run, block)"
      @update:model-value="(on) => emit('note', { kind: 'reached', block: block.id, reached: on === true })"
      >{{
        t('lesson-over.title-minutes-of-planned', {
          title: blockTitle(block, speech),
          minutes: minutesOf(block.id),
          planned: block.minutes,
        })
      }}</BFormCheckbox
    >
  </fieldset>
  <HowComputed>{{ t('lesson-over.a-part-is-ticked-when') }}</HowComputed>
  <div class="line">
    <BButton role="link" variant="primary" :to="{ name: isRehearsal ? 'today' : 'class', params: { classId } }">{{
      isRehearsal ? t('lesson-over.back-to-today') : t('lesson-over.go-to-stairs')
    }}</BButton>
    <BButton @click="emit('note', { kind: 'reopened' })"
      >{{ t('lesson-over.reopen') }} <span class="key" aria-hidden="true">←</span></BButton
    >
  </div>
</template>

<style scoped lang="scss">
.title {
  font-size: var(--headline);
}
</style>
