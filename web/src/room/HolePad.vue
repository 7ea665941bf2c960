<script setup lang="ts">
import type { HoleState, Instrument } from '@escalier/core/instruments';
import { t } from './messages.ts';

/** The holes as they lie under the fingers, to be covered by touch: the thumb beside the others. */
defineProps<{ on: Instrument; holes: readonly HoleState[]; fixed?: boolean }>();
defineEmits<{ touch: [hole: number] }>();

const STATES: Readonly<Record<HoleState, string>> = {
  open: 'open',
  half: t('hole-pad.half-covered'),
  closed: 'covered',
};
</script>

<template>
  <ol class="pipe" :aria-label="on.shortName">
    <li
      v-for="(hole, index) in on.holes"
      :key="hole.name"
      :class="[hole.finger, hole.hand, { first: hole.hand !== on.holes[index - 1]?.hand }]"
    >
      <span
        v-if="fixed"
        class="hole"
        :class="holes[index]"
        role="img"
        :aria-label="`${hole.hand} ${hole.finger}: ${STATES[holes[index]!]}`"
      />
      <button
        v-else
        type="button"
        class="hole"
        :class="holes[index]"
        :aria-label="`${hole.hand} ${hole.finger}: ${STATES[holes[index]!]}`"
        @click="$emit('touch', index)"
      />
    </li>
  </ol>
</template>

<style scoped lang="scss">
.pipe {
  position: relative;
  display: grid;
  gap: 6px;
  width: 200px;
  margin: 0;
  padding: 12px 0;
  list-style: none;
  justify-items: center;
}

.pipe::before {
  position: absolute;
  inset: 0 60px;
  border: 2px solid var(--ink);
  border-radius: 18px;
  background: var(--brass-soft);
  content: '';
}

li {
  position: relative;
}

.thumb {
  justify-self: start;
}

.right.first {
  margin-top: 14px;
}

.hole {
  display: block;
  width: 46px;
  height: 46px;
  padding: 0;
  border: 3px solid var(--ink);
  border-radius: 50%;
  background: var(--card);
}

.hole.closed {
  background: var(--ink);
}

.hole.half {
  background: linear-gradient(90deg, var(--ink) 50%, var(--card) 50%);
}
</style>
