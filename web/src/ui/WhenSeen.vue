<script setup lang="ts">
import { useIntersectionObserver } from '@vueuse/core';
import { ref, useTemplateRef } from 'vue';

/** What takes long to draw: drawn when it comes on the screen, and kept from then on. */
const host = useTemplateRef<HTMLElement>('host');
const seen = ref(false);
const { isSupported, stop } = useIntersectionObserver(host, ([entry]) => {
  if (entry?.isIntersecting !== true) return;
  seen.value = true;
  stop();
});
</script>

<template>
  <div ref="host" class="when-seen"><slot v-if="seen || !isSupported" /></div>
</template>

<style scoped>
.when-seen {
  min-height: 1px;
}
</style>
