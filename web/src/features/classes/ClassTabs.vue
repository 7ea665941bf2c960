<script setup lang="ts">
import { RouterLink, useRoute } from 'vue-router';

/** Head of the desks of one class, beside its stairs. */
defineProps<{ classId: string | null; name: string }>();
const route = useRoute();

const DESKS = [
  { name: 'class', label: 'Stairs' },
  { name: 'pupils', label: 'Pupils' },
  { name: 'class-settings', label: 'Settings' },
] as const;
</script>

<template>
  <header class="page-head">
    <h1>{{ name }}</h1>
    <nav v-if="classId !== null" :aria-label="`Desks of ${name}`">
      <RouterLink
        v-for="desk in DESKS"
        :key="desk.name"
        :to="{ name: desk.name, params: { classId } }"
        :class="{ here: route.name === desk.name }"
        :aria-current="route.name === desk.name ? 'page' : undefined"
        >{{ desk.label }}</RouterLink
      >
    </nav>
  </header>
</template>

<style scoped>
h1 {
  flex: 1;
}

nav {
  display: flex;
  gap: 4px;
}

nav a {
  display: grid;
  place-items: center;
  min-height: 44px;
  padding: 0 14px;
  border-bottom: 3px solid transparent;
  color: var(--ink);
  font-weight: 650;
  text-decoration: none;
}

nav a:hover {
  background: var(--stone);
}

nav a.here {
  border-color: var(--ink);
}
</style>
