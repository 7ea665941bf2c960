<script setup lang="ts">
import { computed } from 'vue';
import BeltBand from '../../ui/BeltBand.vue';
import { t } from './messages.ts';

/** The class in one line: small stairs, and how many pupils stand on each. */
const props = defineProps<{ belts: readonly string[]; onStep: readonly number[] }>();

const most = computed(() => Math.max(1, ...props.onStep));
const finished = computed(() => props.onStep[props.belts.length] ?? 0);

function label(step: number): string {
  const count = props.onStep[step] ?? 0;
  return t('class-strip.count-on-step-step', { count, step: step + 1 });
}
</script>

<template>
  <div class="strip">
    <ol class="stairs">
      <li v-for="(belt, step) in belts" :key="step" :style="{ paddingBottom: `${step * 11}px` }">
        <span class="visually-hidden">{{ label(step) }}</span>
        <span class="count fw-bold" aria-hidden="true">{{ onStep[step] || '' }}</span>
        <span class="bar" aria-hidden="true" :style="{ height: `${(46 * (onStep[step] ?? 0)) / most}px` }" />
        <span class="tread"><BeltBand :belt-id="belt" decorative /></span>
      </li>
    </ol>
    <p v-if="finished > 0" class="soft">{{ t('class-strip.finished-on-top', { finished }) }}</p>
  </div>
</template>

<style scoped>
.stairs {
  display: grid;
  grid-auto-flow: column;
  grid-auto-columns: 1fr;
  align-items: end;
  height: 138px;
  margin: 0;
  padding: 0;
  list-style: none;
  border-bottom: 1px solid var(--line);
}

.stairs li {
  display: flex;
  flex-direction: column;
  align-items: center;
  justify-content: end;
  height: 100%;
}

.bar {
  width: 26px;
  background: var(--spruce);
  border-radius: var(--radius-small) var(--radius-small) 0 0;
}

.tread {
  width: 100%;
  border-top: 3px solid var(--ink);
}
</style>
