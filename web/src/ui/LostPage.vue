<script setup lang="ts">
import { RouterLink } from 'vue-router';
</script>

<template>
  <section class="lost">
    <h1>This step leads nowhere</h1>
    <p class="soft">There is no page at this address.</p>
    <RouterLink class="btn btn-primary" to="/classes">To your classes</RouterLink>
  </section>
</template>

<style scoped>
.lost {
  display: grid;
  gap: 12px;
  justify-items: start;
  padding: 15vh 8vw;
}
</style>
