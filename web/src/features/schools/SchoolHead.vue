<script setup lang="ts">
import { computed } from 'vue';
import { useRoute } from 'vue-router';
import PageTabs from '../../ui/PageTabs.vue';
import { useSession } from './session.ts';
import { schoolPages } from './tabs.ts';
import { t } from './messages.ts';

/** The head of every page of the school: its name, and its pages beside each other. */
defineProps<{ lead: string }>();
const session = useSession();
const route = useRoute();
const pages = computed(() => schoolPages(session.me?.role ?? 'assistant'));
const linked = (name: string, label: string) => ({ name, label, to: { name } });
const tabs = computed(() => pages.value.tabs.map(({ name, label }) => linked(name, label)));
const settings = computed(() => pages.value.settings.map(({ name, label }) => linked(name, label)));
const isSetting = computed(() => settings.value.some((page) => page.name === route.name));
const here = computed(
  () => [...settings.value, ...tabs.value].find((tab) => tab.name === route.name)?.label ?? route.meta.title,
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
    <PageTabs v-if="tabs.length > 0" :tabs="tabs" :here="open" :label="t('school-head.pages-of-the-school')" />
    <PageTabs
      v-if="isSetting"
      pills
      :tabs="settings"
      :here="String(route.name)"
      :label="t('school-head.settings-of-the-school')"
    />
    <p class="lead">{{ lead }}</p>
  </header>
</template>

<style scoped>
.lead {
  max-width: 76ch;
  margin-top: 4px;
}
</style>
