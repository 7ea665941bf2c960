<script setup lang="ts">
import { useTemplateRef, watch } from 'vue';
import type { RouteLocationRaw } from 'vue-router';
import { afterPaint } from './after-paint.ts';

/** Pages beside each other as tabs; on a narrow screen the one that is open is scrolled into sight. */
export interface PageTab {
  readonly name: string;
  readonly label: string;
  readonly to: RouteLocationRaw;
}

const props = defineProps<{ tabs: readonly PageTab[]; here: string; label: string; pills?: boolean }>();
const box = useTemplateRef<HTMLElement>('box');

watch(
  () => props.here,
  () => afterPaint(() => box.value?.querySelector('.active')?.scrollIntoView?.({ inline: 'center', block: 'nearest' })),
  { immediate: true, flush: 'post' },
);
</script>

<template>
  <nav ref="box" :aria-label="label">
    <BNav :tabs="pills !== true" :pills="pills === true">
      <BNavItem
        v-for="tab in tabs"
        :key="tab.name"
        :to="tab.to"
        :active="tab.name === here"
        :link-attrs="{ 'aria-current': tab.name === here ? 'page' : undefined }"
        >{{ tab.label }}</BNavItem
      >
    </BNav>
  </nav>
</template>
