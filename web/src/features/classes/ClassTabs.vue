<script setup lang="ts">
import { computed } from 'vue';
import { RouterLink, useRoute } from 'vue-router';
import { useSession } from '../schools/index.ts';

/** Head of the desks of one class, beside its stairs. */
defineProps<{ classId: string | null; name: string }>();
const route = useRoute();
const session = useSession();
const DESKS: readonly { readonly name: string; readonly label: string; readonly teaches?: boolean }[] = [
  { name: 'class', label: 'Stairs' },
  { name: 'board', label: 'Board' },
  { name: 'trends', label: 'Trends' },
  { name: 'pupils', label: 'Pupils', teaches: true },
  { name: 'class-settings', label: 'Settings', teaches: true },
];
const desks = computed(() => DESKS.filter((desk) => desk.teaches !== true || session.mayTeach));
</script>

<template>
  <header class="page-head">
    <h1>{{ name }}</h1>
    <nav v-if="classId !== null" :aria-label="`Desks of ${name}`">
      <RouterLink
        v-for="desk in desks"
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
