<script setup lang="ts">
import IconHand from '~icons/bi/hand-index-thumb';
import { computed } from 'vue';
import { useSeenNow } from '../../../ui/use-seen-timer.ts';
import type { Stage } from '../stage.ts';
import { t } from '../messages.ts';

/** Hands up and quiet: a countdown that makes no sound. */
const props = defineProps<{ stage: Stage }>();
const now = useSeenNow(200);
const left = computed(() =>
  props.stage.quietAt === null ? 0 : Math.max(0, Math.ceil((props.stage.quietAt - now.value) / 1000)),
);
</script>

<template>
  <div class="quiet-scene" role="timer" :aria-label="t('quiet-scene.left-seconds-until-it-is-quiet', { left })">
    <IconHand aria-hidden="true" />
    <p class="count">{{ left === 0 ? t('quiet-scene.thank-you') : left }}</p>
    <div class="steps" aria-hidden="true">
      <span v-for="step in 10" :key="step" :class="{ on: step <= left }" :style="{ height: `${step * 2.4}cqh` }" />
    </div>
  </div>
</template>

<style scoped lang="scss">
.quiet-scene {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 2cqh;
  align-items: center;
  justify-items: center;
}

.quiet-scene svg {
  width: 40cqh;
  height: 40cqh;
  color: var(--spruce);
}

.count {
  font-family: var(--heading);
  font-size: 30cqh;
  font-weight: 700;
  line-height: 1;
}

.steps {
  display: flex;
  grid-column: 1 / -1;
  gap: 1cqw;
  align-items: flex-end;
}

.steps span {
  width: 6cqw;
  border: 3px solid var(--ink);
}

.steps .on {
  background: var(--spruce);
}
</style>
