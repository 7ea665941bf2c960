<script setup lang="ts">
import { useEventListener } from '@vueuse/core';
import { computed } from 'vue';
import { RouterView, useRoute } from 'vue-router';
import { COMPONENT_DEFAULTS } from '../ui/component-defaults.ts';
import DoorPage from './DoorPage.vue';
import { useHandIns } from './hand-ins.ts';
import { ROOM_PAGES } from './router.ts';
import { useBreak } from './use-break.ts';
import { takeTokenFrom, useRoom } from './use-room.ts';
import { t } from './messages.ts';

const { token, door, facts, error, isOffline, refresh } = useRoom();
const handIns = useHandIns();
const { isDue, rested } = useBreak();
const route = useRoute();
const isIn = (path: string): boolean => (path === '/' ? route.path === path : route.path.startsWith(path));
const isFamilies = computed(() => route.name === 'families');

async function lookIn(): Promise<void> {
  await refresh();
  if (door.value !== null && !isOffline.value) await handIns.flush(door.value);
}
void lookIn();
// Another slip, while the room of one is open.
useEventListener(window, 'hashchange', () => {
  if (!takeTokenFrom(location.hash)) return;
  history.replaceState(null, '', '/room/');
  void lookIn();
});
useEventListener(window, 'online', () => void lookIn());
useEventListener(document, 'visibilitychange', () => {
  if (!document.hidden) void lookIn();
});
</script>

<template>
  <BApp :defaults="COMPONENT_DEFAULTS" no-modals no-popovers no-orchestrators>
    <a class="skip" href="#content">{{ t('room-app.skip-to-the-content') }}</a>
    <header class="head">
      <strong>{{ facts?.pictureName ?? t('room-app.practice-room') }}</strong>
      <span v-if="isOffline" role="status">{{ t('room-app.offline-everything-still-works') }}</span>
    </header>
    <main id="content" class="room" tabindex="-1">
      <DoorPage v-if="token === null && !isFamilies" />
      <RouterView v-else-if="facts !== null || isFamilies" />
      <BAlert v-else-if="error !== null" :model-value="true" variant="warning">
        <p>{{ error }}</p>
        <BButton @click="lookIn">{{ t('room-app.try-again') }}</BButton>
      </BAlert>
      <p v-else role="status"><BSpinner small /> {{ t('room-app.opening-the-room') }}</p>
    </main>
    <div role="status">
      <div v-if="facts !== null && isDue" class="rest">
        <p>
          <strong>{{ t('room-app.ten-minutes-are-up') }}</strong> {{ t('room-app.put-it-down-shake-out-your') }}
        </p>
        <BButton @click="rested">{{ t('room-app.ive-had-a-rest') }}</BButton>
      </div>
    </div>
    <nav v-if="facts !== null" class="foot" :aria-label="t('room-app.rooms')">
      <BNav pills justified>
        <BNavItem v-for="page in ROOM_PAGES" :key="page.name" :to="{ name: page.name }" :active="isIn(page.path)">
          {{ page.label }}
        </BNavItem>
      </BNav>
    </nav>
  </BApp>
</template>

<style scoped lang="scss">
.head {
  display: flex;
  justify-content: space-between;
  gap: 1rem;
  padding: 0.7rem 1rem;
  background: var(--ink);
  color: var(--white);
  font-family: var(--heading);
}

.room {
  max-width: 860px;
  margin: 0 auto;
  padding: 1rem 1rem 6rem;
}

// Over what is being done, and in nobody's way: it can be played on under it.
.rest {
  display: flex;
  gap: 0.8rem;
  align-items: center;
  position: fixed;
  inset: auto 0.6rem 76px;
  max-width: 640px;
  margin: 0 auto;
  padding: 0.7rem 1rem;
  border: 2px solid var(--ink);
  border-radius: 14px;
  background: var(--card);
}

.rest p {
  flex: 1;
  margin: 0;
}

.rest .btn {
  min-height: 44px;
}

.foot {
  position: fixed;
  inset: auto 0 0;
  padding: 6px;
  border-top: 2px solid var(--ink);
  background: var(--card);
}

.foot :deep(.nav) {
  flex-wrap: nowrap;
}

.foot :deep(.nav-link) {
  min-height: 44px;
  padding: 10px 4px;
}
</style>
