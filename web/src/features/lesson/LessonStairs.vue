<script setup lang="ts">
import type { Block } from '@escalier/core/lesson';
import { SHORT_BLOCK_NAMES } from '@escalier/core/words';
import { computed } from 'vue';
import { t } from './messages.ts';

/** A lesson as a flight of stairs: a tread for each part, as wide as its minutes; where it is now is filled. */
const props = defineProps<{
  blocks: readonly Block[];
  /** Index of the part that it is at; null before it begins. */
  at: number | null;
  /** Minutes that have gone by; null before it begins. */
  elapsed?: number | null;
}>();
const total = computed(() => props.blocks.reduce((sum, { minutes }) => sum + minutes, 0));
const treads = computed(() =>
  props.blocks.map((block, index) => ({
    block,
    share: block.minutes / total.value,
    rise: (index + 1) / props.blocks.length,
  })),
);
</script>

<template>
  <div
    class="flight"
    role="img"
    :aria-label="t('lesson-stairs.blocks-count-parts-in-total-minutes', { blocksCount: blocks.length, total })"
  >
    <div
      v-for="({ block, share, rise }, index) in treads"
      :key="block.id"
      class="tread"
      :class="{ now: index === at, past: at !== null && index < at }"
      :style="{ flexGrow: share, '--rise': rise }"
    >
      <span class="name">{{ SHORT_BLOCK_NAMES[block.kind] }}</span>
      <strong>{{ block.minutes }}</strong>
    </div>
    <span
      v-if="elapsed !== undefined && elapsed !== null"
      class="clock-line"
      :style="{ left: `${Math.min(100, (100 * elapsed) / total)}%` }"
    />
  </div>
</template>

<style scoped lang="scss">
.flight {
  position: relative;
  display: flex;
  align-items: flex-end;
  height: 104px;
  overflow: hidden;
}

.tread {
  display: flex;
  flex-basis: 0;
  flex-direction: column;
  justify-content: space-between;
  min-width: min(64px, 11%);
  height: calc(38px + 66px * var(--rise));
  padding: 2px 5px;
  overflow: hidden;
  border-top: 4px solid var(--ink);
  border-left: 4px solid var(--ink);
  background: repeating-linear-gradient(135deg, var(--stone) 0 7px, var(--hatch) 7px 9px);
  font-size: var(--text-small);
  line-height: 1.2;
  white-space: nowrap;
}

.name,
strong {
  align-self: start;
  max-width: 100%;
  padding: 0 3px;
  overflow: hidden;
  border-radius: var(--radius-small);
  background: var(--card);
}

.past {
  background: var(--stone);
}

.now {
  background: var(--spruce);
}

.clock-line {
  position: absolute;
  inset-block: 0;
  border-left: 3px dotted var(--brick);
}
</style>
