<script setup lang="ts">
import { computed } from 'vue';
import { useRoute } from 'vue-router';
import PageTabs from '../../ui/PageTabs.vue';
import { useSession } from './session.ts';
import { SCHOOL_TABS, SETTINGS_PAGES } from './tabs.ts';

/** The head of every page of the school: its name, and its pages beside each other. */
defineProps<{ lead: string }>();
const session = useSession();
const route = useRoute();
const mine = (tabs: typeof SCHOOL_TABS) =>
  tabs
    .filter((tab) => tab.for.includes(session.me?.role ?? 'assistant'))
    .map((tab) => ({ ...tab, to: { name: tab.name } }));
const tabs = computed(() => mine(SCHOOL_TABS));
const settings = computed(() => mine(SETTINGS_PAGES));
const isSetting = computed(() => SETTINGS_PAGES.some((page) => page.name === route.name));
const here = computed(
  () => [...SETTINGS_PAGES, ...SCHOOL_TABS].find((tab) => tab.name === route.name)?.label ?? route.meta.title,
);
/** The settings have one tab for all their pages. */
const open = computed(() => (isSetting.value ? 'cautions' : String(route.name)));
</script>

<template>
  <header class="stack-close no-print">
    <div class="line">
      <h1>{{ here }}</h1>
      <p class="soft">{{ session.me?.school }}</p>
    </div>
    <PageTabs v-if="tabs.length > 0" :tabs="tabs" :here="open" label="Pages of the school" />
    <PageTabs v-if="isSetting" pills :tabs="settings" :here="String(route.name)" label="Settings of the school" />
    <p class="lead">{{ lead }}</p>
  </header>
</template>

<style scoped>
.lead {
  max-width: 76ch;
  margin-top: 4px;
}
</style>
