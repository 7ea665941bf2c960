<script setup lang="ts">
import { computed } from 'vue';
import { RouterLink, useRoute } from 'vue-router';
import { DESKS } from './desks.ts';
import { useSession } from './session.ts';

/** Head of every page of the school's room: the school, and its desks beside each other. */
defineProps<{ lead: string }>();
const session = useSession();
const route = useRoute();
const desks = computed(() => DESKS.filter((desk) => desk.for.includes(session.me?.role ?? 'assistant')));
const here = computed(() => DESKS.find((desk) => desk.name === route.name)?.label ?? 'School');
</script>

<template>
  <header class="no-print">
    <div class="title">
      <h1>{{ here }}</h1>
      <p class="soft">{{ session.me?.school }}</p>
    </div>
    <nav aria-label="The school’s desks">
      <RouterLink
        v-for="desk in desks"
        :key="desk.name"
        :to="{ name: desk.name }"
        :class="{ here: desk.name === route.name }"
        :aria-current="desk.name === route.name ? 'page' : undefined"
        >{{ desk.label }}</RouterLink
      >
    </nav>
    <p class="lead">{{ lead }}</p>
  </header>
</template>

<style scoped lang="scss">
header {
  display: grid;
  gap: 4px;
}

.title {
  display: flex;
  gap: 14px;
  align-items: baseline;
}

nav {
  display: flex;
  flex-wrap: wrap;
  gap: 0 4px;
  margin-top: 4px;
  border-bottom: 3px solid var(--ink);
}

nav a {
  display: grid;
  place-items: center;
  min-height: 44px;
  padding: 0 16px;
  border-radius: 10px 10px 0 0;
  color: var(--ink);
  font-weight: 650;
  text-decoration: none;
}

nav a:hover {
  background: var(--stone);
}

nav a.here {
  background: var(--ink);
  color: #fff;
}

.lead {
  max-width: 76ch;
  margin-top: 8px;
  font-size: 1rem;
}
</style>
