<script setup lang="ts">
import { ref } from 'vue';
import { t } from './messages.ts';

/** Opens to show how a figure came about, or what is seldom needed. */
const props = defineProps<{ label?: string; startsOpen?: boolean }>();
const open = ref(props.startsOpen);
</script>

<template>
  <div>
    <BButton class="how-toggle" variant="link" :aria-expanded="open" @click="open = !open">{{
      label ?? t('how-computed.how-is-this-worked-out')
    }}</BButton>
    <BCollapse v-model="open">
      <div v-if="open" class="how-body small"><slot /></div>
    </BCollapse>
  </div>
</template>

<style scoped>
.how-body {
  padding-left: 10px;
  border-left: 3px solid var(--line);
}
</style>
