<script setup lang="ts">
import { useEventListener } from '@vueuse/core';
import { computed, watch } from 'vue';
import { RouterView, useRoute } from 'vue-router';
import { useSession } from './features/schools/index.ts';
import { useClasses } from './features/classes/index.ts';
import { useOutbox } from './offline/index.ts';
import AppRail from './ui/AppRail.vue';

const session = useSession();
const route = useRoute();
const outbox = useOutbox();
const classes = useClasses();

watch(
  () => session.me?.email,
  (email) => {
    if (email !== undefined) return outbox.open(email, session.me?.sealKey ?? '');
    // A moment later the page is loaded anew; until then nothing of the classes is seen.
    classes.forget();
  },
  { immediate: true },
);
useEventListener(window, 'online', () => void outbox.flush());
useEventListener(document, 'visibilitychange', () => {
  if (!document.hidden) void outbox.flush();
});

const withRail = computed(() => session.me !== null && route.name !== 'sign-in' && route.query.big === undefined);
</script>

<template>
  <a class="skip" href="#content">To the content</a>
  <div class="frame" :class="{ 'with-rail': withRail }">
    <AppRail v-if="withRail" />
    <main id="content" tabindex="-1">
      <RouterView />
    </main>
  </div>
</template>

<style scoped lang="scss">
.skip {
  position: absolute;
  left: -999px;
  z-index: 10;
  padding: 8px 14px;
  background: var(--card);
}

.skip:focus {
  left: 8px;
  top: 8px;
}

.frame {
  min-height: 100vh;
}

.with-rail {
  display: grid;
  grid-template-columns: 84px minmax(0, 1fr);
}

@media print {
  .with-rail {
    display: block;
  }
}

main {
  min-height: 100vh;
  outline: none;
}
</style>
