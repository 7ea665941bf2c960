<script setup lang="ts">
import { nextTick, useTemplateRef, watch } from 'vue';
import type { RouteLocationRaw } from 'vue-router';

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
  async () => {
    await nextTick();
    box.value?.querySelector('.active')?.scrollIntoView?.({ inline: 'center', block: 'nearest' });
  },
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
