<script setup lang="ts">
import { useEventListener } from '@vueuse/core';
import { computed, defineAsyncComponent, ref, watch } from 'vue';
import { RouterView, useRoute } from 'vue-router';
import { useRemarks, useSession } from './features/schools/index.ts';
import { useClasses } from './features/classes/index.ts';
import { useOutbox } from './offline/index.ts';
import { COMPONENT_DEFAULTS } from './ui/component-defaults.ts';
import { isTyping } from './ui/keys.ts';
import { useMishaps } from './ui/mishaps.ts';
import AppRail from './AppRail.vue';
import { t } from './messages.ts';

const session = useSession();
const route = useRoute();
const outbox = useOutbox();
const classes = useClasses();
const remarks = useRemarks();

watch(
  () => session.me?.email,
  (email) => {
    if (email !== undefined) return outbox.open(email, session.sealKey ?? '');
    // The page reloads a moment later; until then nothing of the classes is seen.
    classes.forget();
    remarks.forget();
  },
  { immediate: true },
);
useEventListener(window, 'online', () => void outbox.flush());
useEventListener(document, 'visibilitychange', () => {
  if (!document.hidden) void outbox.flush();
});

const withRail = computed(
  () => session.me !== null && route.meta.open !== true && route.meta.bare !== true && route.query.big === undefined,
);

const CommandPalette = defineAsyncComponent(() => import('./CommandPalette.vue'));
const KeysHelp = defineAsyncComponent(() => import('./KeysHelp.vue'));
const finding = ref(false);
const helping = ref(false);
const { last: mishap } = useMishaps();
useEventListener(document, 'keydown', (event) => {
  if (session.me === null) return;
  if (event.key.toLowerCase() === 'k' && (event.ctrlKey || event.metaKey)) {
    event.preventDefault();
    finding.value = true;
  } else if (event.key === '?' && !isTyping(event)) helping.value = true;
});
</script>

<template>
  <BApp :defaults="COMPONENT_DEFAULTS" no-modals no-popovers>
    <a class="skip" href="#content">{{ t('app.skip-to-the-content') }}</a>
    <div :class="{ 'with-rail': withRail }">
      <AppRail v-if="withRail" @find="finding = true" @help="helping = true" />
      <main id="content" tabindex="-1">
        <RouterView />
      </main>
    </div>
    <BAlert
      v-if="mishap !== null"
      class="mishap no-print"
      variant="danger"
      dismissible
      :model-value="true"
      @update:model-value="mishap = null"
      >{{ mishap }}</BAlert
    >
    <CommandPalette v-if="finding" @done="finding = false" />
    <KeysHelp v-if="helping" @done="helping = false" />
  </BApp>
</template>

<style scoped lang="scss">
.mishap {
  position: fixed;
  left: 50%;
  bottom: 16px;
  z-index: 1095;
  max-width: min(94vw, 620px);
  translate: -50% 0;
}

main {
  min-width: 0;
  min-height: 100vh;
  outline: none;
}

.with-rail {
  display: grid;
  grid-template-columns: 88px minmax(0, 1fr);
}

@media (max-width: 600px) {
  .with-rail {
    grid-template-columns: minmax(0, 1fr);
    padding-bottom: 66px;
  }
}

@media print {
  .with-rail {
    display: block;
  }
}
</style>
