<script setup lang="ts">
/** A sentence that Escalier worked out; opens to show how. */
defineProps<{ label?: string }>();
</script>

<template>
  <details class="how">
    <summary>{{ label ?? 'How this is worked out' }}</summary>
    <div class="how-body"><slot /></div>
  </details>
</template>

<style scoped>
summary {
  display: inline-block;
  min-height: 24px;
  padding: 2px 0;
  color: var(--ink-soft);
  font-size: 13px;
  text-decoration: underline dotted;
  cursor: pointer;
}

.how-body {
  margin-top: 4px;
  padding-left: 10px;
  border-left: 3px solid var(--line);
  font-size: 14px;
}
</style>
