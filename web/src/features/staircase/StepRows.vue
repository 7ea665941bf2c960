<script setup lang="ts">
import type { Finding, StepNews } from '@escalier/core/staircase';
import IconDown from '~icons/bi/chevron-down';
import IconGrip from '~icons/bi/grip-vertical';
import IconProblem from '~icons/bi/exclamation-triangle-fill';
import IconUp from '~icons/bi/chevron-up';
import { useTemplateRef } from 'vue';
import { useSortableList } from '../../ui/use-sortable-list.ts';
import BeltBand from '../../ui/BeltBand.vue';
import type { DraftStep } from './draft.ts';
import type { Said } from './words.ts';
import { counted } from '../../ui/count-messages.ts';
import { t } from './messages.ts';

/** The steps below each other: dragged or moved by keys, and chosen to be changed. */
const props = defineProps<{
  steps: readonly DraftStep[];
  news: readonly StepNews[];
  findings: readonly Finding[];
  chosen: number;
  said: Said;
}>();
const emit = defineEmits<{
  choose: [index: number];
  move: [from: number, to: number];
  widen: [index: number, by: number];
}>();

const list = useTemplateRef<HTMLElement>('list');
const { moveBy } = useSortableList(list, (from, to) => emit('move', from, to));

function worst(index: number): Finding['weight'] | null {
  const here = props.findings.filter((finding) => finding.step === index + 1);
  if (here.length === 0) return null;
  return here.some((finding) => finding.weight === 'problem') ? 'problem' : 'hint';
}
</script>

<template>
  <ol ref="list" class="plain step-rows" :aria-label="t('step-rows.steps')">
    <li v-for="(step, index) in steps" :key="step.key" class="step-row" :class="{ chosen: index === chosen }">
      <BButton
        class="grip"
        variant="link"
        :aria-label="t('step-rows.move-step-index-drag-or-use', { index: index + 1 })"
        @keydown.up.prevent="moveBy(index, -1, steps.length)"
        @keydown.down.prevent="moveBy(index, 1, steps.length)"
        ><IconGrip aria-hidden="true"
      /></BButton>
      <BButton
        class="open-step text-start"
        variant="link"
        :aria-current="index === chosen ? 'step' : undefined"
        @click="emit('choose', index)"
      >
        <span class="belt-chip"><BeltBand :belt-id="step.belt" decorative /></span>
        <strong>{{ index + 1 }} {{ step.tunes[0]!.title }}</strong>
        <span v-if="step.tunes.length > 1" class="soft small">+ {{ step.tunes.length - 1 }}</span>
        <span class="soft small brings">{{ news[index] === undefined ? '' : said.news(news[index]!) }}</span>
      </BButton>
      <BBadge v-if="worst(index) === 'problem'" variant="danger" class="fs-6"
        ><IconProblem aria-hidden="true" /> {{ t('step-rows.look') }}</BBadge
      >
      <BBadge v-else-if="worst(index) === 'hint'" variant="warning" class="fs-6">{{ t('step-rows.hint') }}</BBadge>
      <span class="rise small">{{ news[index] === undefined ? '' : `↑ ${news[index]!.rise.total}` }}</span>
      <span
        class="tread d-flex align-items-center"
        role="group"
        :aria-label="t('step-rows.lessons-of-step-index', { index: index + 1 })"
      >
        <BButton
          :aria-label="t('step-rows.one-lesson-less-for-step-index', { index: index + 1 })"
          @click="emit('widen', index, -1)"
          ><IconDown aria-hidden="true"
        /></BButton>
        <span class="count">{{ counted('lessons', { n: step.lessons }) }}</span>
        <BButton
          :aria-label="t('step-rows.one-lesson-more-for-step-index', { index: index + 1 })"
          @click="emit('widen', index, 1)"
          ><IconUp aria-hidden="true"
        /></BButton>
      </span>
    </li>
  </ol>
</template>

<style scoped lang="scss">
.step-row {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 48px;
  border-bottom: 1px solid var(--line);
}

.chosen {
  background: var(--spruce-soft);
  box-shadow: inset 5px 0 0 var(--spruce);
}

.grip {
  cursor: grab;
}

.open-step {
  display: flex;
  justify-content: flex-start;
  text-decoration: none;
  flex: 1;
  flex-wrap: wrap;
  gap: 0 10px;
  align-items: center;
  min-width: 0;
  color: var(--ink);
}

.count {
  min-width: 5.2em;
  text-align: center;
}
</style>
