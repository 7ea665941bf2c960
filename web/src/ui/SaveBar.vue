<script setup lang="ts">
/** The button that stores a form, and what came of it. */
defineProps<{ busy: boolean; stored: boolean; fault: string | null; label?: string }>();
</script>

<template>
  <div class="bar">
    <BButton variant="primary" type="submit" :disabled="busy">{{ label ?? 'Store' }}</BButton>
    <p v-if="fault !== null" class="fault" role="alert">{{ fault }}</p>
    <p v-else-if="stored" role="status">Stored.</p>
  </div>
</template>

<style scoped>
.bar {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 14px;
}
</style>
