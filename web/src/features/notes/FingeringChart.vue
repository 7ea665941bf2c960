<script setup lang="ts">
import { chartShape, primaryFingering, type Fingering, type Instrument } from '@escalier/core/instruments';
import type { Pitch } from '@escalier/core/music';
import { computed } from 'vue';
import { t } from './messages.ts';

/** Which holes a note covers. Closed is filled, open is a ring, half is half filled. */
const props = defineProps<{
  on: Instrument;
  pitch: Pitch;
  label: string;
  isNew: boolean;
  /** An alternate; the primary fingering when not given. */
  shown?: Fingering;
  /** Of the name, where the class has colours; null for ink. */
  colour?: string | null;
}>();

const fingering = computed(() => props.shown ?? primaryFingering(props.on, props.pitch));
const shape = computed(() => (fingering.value === null ? null : chartShape(props.on, fingering.value)));
</script>

<template>
  <figure :class="{ new: isNew }">
    <figcaption :style="colour ? { color: colour } : {}">
      {{ label }}<span v-if="isNew" class="badge-new">{{ t('fingering-chart.new') }}</span>
    </figcaption>
    <svg v-if="shape !== null" :viewBox="`0 0 64 ${shape.height}`" role="img" :aria-label="`${label}: ${shape.words}`">
      <rect class="body" x="22" y="4" width="30" :height="shape.height - 8" rx="11" />
      <path class="hand-line" :d="`M18 ${shape.middle}h38`" />
      <template v-for="hole in shape.holes" :key="hole.key">
        <circle :cx="hole.x" :cy="hole.y" :r="hole.r" :class="hole.state" />
        <path
          v-if="hole.state === 'half'"
          class="closed"
          :d="`M${hole.x} ${hole.y - hole.r}a${hole.r} ${hole.r} 0 0 0 0 ${2 * hole.r}z`"
        />
      </template>
    </svg>
    <p v-else class="soft">{{ t('fingering-chart.not-on-this-instrument') }}</p>
    <p v-if="fingering !== null && fingering.remark !== ''" class="remark">{{ fingering.remark }}</p>
  </figure>
</template>

<style scoped lang="scss">
figure {
  display: flex;
  flex-direction: column;
  align-items: center;
  width: 92px;
  margin: 0;
  padding: 6px 4px;
  border: 2px solid transparent;
  border-radius: var(--radius);
}

figure.new {
  border-color: var(--spruce);
  background: var(--spruce-soft);
}

figcaption {
  display: flex;
  align-items: center;
  gap: 6px;
  font-size: var(--text-large);
  font-weight: 700;
}

.badge-new {
  padding: 0 6px;
  border-radius: var(--radius-small);
  background: var(--spruce);
  color: var(--white);
  font-size: var(--text-small);
}

svg {
  width: 58px;
}

.body {
  fill: var(--wood);
  stroke: var(--line-strong);
  stroke-width: 1.5;
}

.hand-line {
  stroke: var(--line-strong);
  stroke-width: 1;
  stroke-dasharray: 2 3;
}

circle {
  fill: var(--card);
  stroke: var(--ink);
  stroke-width: 1.8;
}

.closed {
  fill: var(--ink);
}

.remark {
  color: var(--ink-soft);
  font-size: var(--text-small);
  line-height: 1.2;
  text-align: center;
}
</style>
