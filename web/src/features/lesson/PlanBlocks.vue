<script setup lang="ts">
import { BLOCK_KINDS, type BlockKind, type HearingReach, type LessonPlan } from '@escalier/core/lesson';
import {
  BLOCK_NAMES,
  blockLines,
  blockTitle,
  blockWhyWords,
  hearingReachWords,
  otherWayWords,
  type LessonSpeech,
} from '@escalier/core/words';
import IconGrip from '~icons/bi/grip-vertical';
import IconLess from '~icons/bi/dash-lg';
import IconLocked from '~icons/bi/lock-fill';
import IconMore from '~icons/bi/plus-lg';
import IconMenu from '~icons/bi/three-dots';
import IconOpen from '~icons/bi/unlock';
import { computed, ref, useTemplateRef } from 'vue';
import { useSortableList } from '../../ui/use-sortable-list.ts';
import { t } from './messages.ts';

/** The parts of a lesson: dragged, lengthened, locked, swapped and left out; each says why it is there. */
const props = defineProps<{
  plan: LessonPlan;
  speech: LessonSpeech;
  fixed: boolean;
  /** Whom the hearing reaches; null where nobody is heard. */
  reach: HearingReach | null;
}>();
const emit = defineEmits<{
  move: [from: number, to: number];
  minutes: [id: string, minutes: number];
  lock: [id: string, locked: boolean];
  swap: [id: string, kind: BlockKind];
  leave: [id: string];
}>();

const rows = computed(() => {
  let from = 0;
  return props.plan.blocks.map((block) => {
    const start = from;
    from += block.minutes;
    return { block, start, title: blockTitle(block, props.speech), lines: blockLines(block, props.speech) };
  });
});

/** How else everybody can be heard. */
const waysOpen = ref(false);
const list = useTemplateRef<HTMLElement>('list');
const { moveBy } = useSortableList(list, (from, to) => emit('move', from, to));
</script>

<template>
  <ol ref="list" class="plain">
    <li v-for="({ block, start, title, lines }, index) in rows" :key="block.id" class="part">
      <BButton
        v-if="!fixed"
        class="grip no-print"
        variant="link"
        :aria-label="t('plan-blocks.move-title-drag-or-use-the', { title })"
        @keydown.up.prevent="moveBy(index, -1, rows.length)"
        @keydown.down.prevent="moveBy(index, 1, rows.length)"
        ><IconGrip aria-hidden="true"
      /></BButton>
      <span class="start soft">{{ start }}′</span>
      <div class="grow">
        <p>
          <strong>{{ title }}</strong> <span class="soft">{{ blockWhyWords(block) }}</span>
        </p>
        <p class="small soft">{{ lines.join(' ') }}</p>
        <template v-if="block.kind === 'hearing' && reach !== null && reach.ways.length > 0">
          <BButton
            class="how-toggle text-start"
            variant="link"
            :aria-expanded="waysOpen"
            @click="waysOpen = !waysOpen"
            >{{ hearingReachWords(reach) }}</BButton
          >
          <ul v-if="waysOpen" class="small">
            <li v-for="way in reach.ways" :key="way.way">
              {{ otherWayWords(way) }}
              <span v-for="sum in way.sums" :key="sum" class="d-block soft">{{ sum }}</span>
            </li>
          </ul>
        </template>
      </div>
      <span v-if="fixed" class="text-nowrap">{{ t('plan-blocks.minutes-min', { minutes: block.minutes }) }}</span>
      <span
        v-else
        class="d-flex align-items-center minutes"
        role="group"
        :aria-label="t('plan-blocks.minutes-of-title', { title })"
      >
        <BButton
          :disabled="block.minutes <= 1"
          :aria-label="t('plan-blocks.a-minute-less-for-title', { title })"
          @click="$emit('minutes', block.id, block.minutes - 1)"
          ><IconLess aria-hidden="true"
        /></BButton>
        <span class="count text-center">{{ t('plan-blocks.minutes-min', { minutes: block.minutes }) }}</span>
        <BButton
          :aria-label="t('plan-blocks.a-minute-more-for-title', { title })"
          @click="$emit('minutes', block.id, block.minutes + 1)"
          ><IconMore aria-hidden="true"
        /></BButton>
        <BButton
          variant="link"
          :pressed="block.locked"
          :aria-label="t('plan-blocks.lock-the-minutes-of-title', { title })"
          @click="$emit('lock', block.id, !block.locked)"
          ><IconLocked v-if="block.locked" aria-hidden="true" /><IconOpen v-else aria-hidden="true"
        /></BButton>
        <BDropdown no-caret variant="link" teleport-to="body" :toggle-text="t('plan-blocks.more-for-title', { title })">
          <template #button-content
            ><IconMenu aria-hidden="true" /><span class="visually-hidden">{{
              t('plan-blocks.more-for-title', { title })
            }}</span></template
          >
          <BDropdownItem @click="$emit('leave', block.id)">{{ t('plan-blocks.leave-it-out') }}</BDropdownItem>
          <BDropdownDivider />
          <BDropdownHeader>{{ t('plan-blocks.instead') }}</BDropdownHeader>
          <BDropdownItem
            v-for="kind in BLOCK_KINDS.filter((each) => each !== block.kind)"
            :key="kind"
            @click="$emit('swap', block.id, kind)"
            >{{ BLOCK_NAMES[kind] }}</BDropdownItem
          >
        </BDropdown>
      </span>
    </li>
  </ol>
</template>

<style scoped lang="scss">
.part {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 56px;
  padding: 6px 0;
  border-bottom: 1px solid var(--line);
}

.grip {
  padding-inline: 4px;
  cursor: grab;
}

.start {
  min-width: 2.4em;
  text-align: right;
}

.count {
  min-width: 4.2em;
}

@media (max-width: 700px) {
  .part {
    flex-wrap: wrap;
  }

  .minutes {
    flex-basis: 100%;
    justify-content: flex-end;
  }
}
</style>
