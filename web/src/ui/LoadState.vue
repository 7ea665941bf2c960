<script setup lang="ts">
/** What stands in a page's place while its data comes, or when it does not. */
defineProps<{ error: string | null; what: string }>();
defineEmits<{ again: [] }>();
</script>

<template>
  <div v-if="error !== null" class="state" role="alert">
    <p>
      <strong>{{ error }}</strong>
    </p>
    <p class="soft">Nothing is lost. Check the network, then try again.</p>
    <BButton variant="outline-dark" @click="$emit('again')">Try again</BButton>
  </div>
  <div v-else class="state" role="status">
    <svg class="climb" viewBox="0 0 64 40" aria-hidden="true">
      <path d="M2 38h15V28h15V18h15V8h15" fill="none" stroke="currentColor" stroke-width="3" />
      <circle cx="54" cy="4" r="3.6" />
    </svg>
    <p class="soft">Getting {{ what }} …</p>
  </div>
</template>

<style scoped lang="scss">
.state {
  display: grid;
  justify-items: start;
  gap: 10px;
  padding: 12vh 6vw;
}

.climb {
  width: 96px;
  color: var(--line-strong);
}

.climb circle {
  fill: var(--spruce);
}
</style>
