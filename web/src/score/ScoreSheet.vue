<script setup lang="ts">
import type { Naming } from '@escalier/core/instruments';
import { useElementSize } from '@vueuse/core';
import { nextTick, ref, useTemplateRef, watch } from 'vue';
import { tuneWorker } from '../workers/index.ts';
import { placeRings, type Ring, type ScoreMark } from './marks.ts';

/** An engraved tune with a teacher's pencil marks over it. */
const props = defineProps<{
  abc: string;
  title: string;
  instrumentId: string;
  naming: Naming | null;
  marks: readonly ScoreMark[];
}>();

const svg = ref<string | null>(null);
const fault = ref<string | null>(null);
const rings = ref<readonly Ring[]>([]);
const host = useTemplateRef<HTMLElement>('host');
const { width, height } = useElementSize(host);
let asked = 0;

watch(
  () => [props.abc, props.instrumentId, props.naming] as const,
  async ([abc, instrumentId, naming]) => {
    const mine = ++asked;
    const result = await tuneWorker().engrave({ abc, instrumentId, naming });
    if (mine !== asked) return;
    fault.value = result.ok ? null : (result.fault[0]?.message ?? 'The tune could not be read.');
    if (result.ok) svg.value = result.value.svg;
  },
  { immediate: true },
);

watch([svg, width, height, () => props.marks], async () => {
  await nextTick();
  if (host.value !== null) rings.value = placeRings(host.value, props.marks);
});
</script>

<template>
  <div class="sheet">
    <p v-if="fault !== null" role="alert">{{ fault }}</p>
    <p v-else-if="svg === null" class="soft" role="status">Engraving “{{ title }}” …</p>
    <div v-else class="layers">
      <!-- The markup is Verovio's own output for a tune that the core has read. -->
      <!-- eslint-disable-next-line vue/no-v-html -->
      <div ref="host" class="engraving" role="img" :aria-label="`The tune ${title} on a staff`" v-html="svg" />
      <svg class="pencil" aria-hidden="true">
        <ellipse v-for="ring in rings" :key="ring.id" :cx="ring.x" :cy="ring.y" :rx="ring.rx" :ry="ring.ry" />
      </svg>
    </div>
  </div>
</template>

<style scoped lang="scss">
.layers {
  position: relative;
}

.pencil {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
  pointer-events: none;
}

.pencil ellipse {
  fill: none;
  stroke: var(--spruce);
  stroke-width: 2.5;
}

.engraving :deep(svg) {
  display: block;
  width: 100%;
  height: auto;
  color: var(--ink);
}

// Verovio's own rules, which its style element would bring.
.engraving :deep(.page-margin) {
  font-family: var(--reading);
}

.engraving :deep(path) {
  stroke: currentcolor;
}

.engraving :deep(.ending),
.engraving :deep(.fing),
.engraving :deep(.tempo) {
  font-weight: bold;
}

.engraving :deep(.dir),
.engraving :deep(.dynam) {
  font-style: italic;
}

.engraving :deep(.verse text) {
  font-family: var(--reading);
  font-weight: 600;
}
</style>
