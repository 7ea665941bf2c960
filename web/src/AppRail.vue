<script setup lang="ts">
import IconFingers from '~icons/bi/ui-radios-grid';
import IconMore from '~icons/bi/three-dots';
import IconSchool from '~icons/bi/house-door';
import IconStaircases from '~icons/bi/bar-chart-steps';
import IconTunes from '~icons/bi/music-note-beamed';
import { computed } from 'vue';
import { useRoute } from 'vue-router';
import { useSession } from './features/schools/index.ts';
import SaveState from './offline/SaveState.vue';
import { useMute } from './sound/index.ts';
import StairIcon from './ui/StairIcon.vue';
import { t } from './messages.ts';

/** The rooms of Escalier: a rail at the left, a bar at the bottom on a phone. */
defineEmits<{ find: []; help: [] }>();
const session = useSession();
const muted = useMute();
const route = useRoute();

const rooms = computed(() => [
  { to: '/classes', label: t('app-rail.classes'), icon: StairIcon },
  { to: '/tunes', label: t('app-rail.library'), icon: IconTunes },
  { to: '/fingerings', label: t('app-rail.fingerings'), icon: IconFingers },
  ...(session.mayTeach
    ? [
        { to: '/staircases', label: t('app-rail.staircases'), icon: IconStaircases },
        { to: '/school', label: t('app-rail.school'), icon: IconSchool },
      ]
    : []),
]);
</script>

<template>
  <nav class="rail no-print" :aria-label="t('app-rail.rooms')">
    <p class="brand">{{ t('app-rail.escalier') }}</p>
    <RouterLink
      v-for="room in rooms"
      :key="room.to"
      class="room"
      :class="{ here: route.path.startsWith(room.to) }"
      :to="room.to"
      :aria-current="route.path.startsWith(room.to) ? 'page' : undefined"
    >
      <component :is="room.icon" aria-hidden="true" />
      {{ room.label }}
    </RouterLink>
    <SaveState class="save" />
    <BDropdown class="more" no-caret toggle-class="room" variant="dark" teleport-to="body">
      <template #button-content><IconMore aria-hidden="true" />{{ t('app-rail.more') }}</template>
      <BDropdownText>{{ session.me?.name }}</BDropdownText>
      <BDropdownItem @click="$emit('find')"
        >{{ t('app-rail.find') }} <span class="key" aria-hidden="true">{{ t('app-rail.ctrl-k') }}</span></BDropdownItem
      >
      <BDropdownItem @click="$emit('help')"
        >{{ t('app-rail.keys') }} <span class="key" aria-hidden="true">?</span></BDropdownItem
      >
      <BDropdownItem @click="muted = !muted">{{
        muted ? t('app-rail.turn-sound-on') : t('app-rail.turn-sound-off')
      }}</BDropdownItem>
      <BDropdownItem :to="{ name: 'account' }">{{ t('app-rail.my-account') }}</BDropdownItem>
      <BDropdownItem @click="session.signOut">{{ t('app-rail.sign-out') }}</BDropdownItem>
    </BDropdown>
  </nav>
</template>

<style lang="scss">
.rail {
  position: sticky;
  top: 0;
  z-index: 5;
  height: 100vh;
  display: flex;
  flex-direction: column;
  gap: 6px;
  padding: 14px 6px;
  background: var(--ink);
  color: var(--white);
}

.rail .brand {
  margin-bottom: 10px;
  font-family: var(--heading);
  font-weight: 700;
  text-align: center;
}

.rail .room {
  display: flex;
  flex-direction: column;
  gap: 4px;
  align-items: center;
  width: 100%;
  min-height: 56px;
  padding: 8px 2px;
  border: 0;
  border-radius: var(--radius);
  background: none;
  color: var(--on-dark);
  font-size: var(--text-small);
  font-weight: 400;
  line-height: 1.15;
  text-align: center;
  text-decoration: none;
}

.rail .room svg {
  width: 22px;
  height: 22px;
}

.rail .room:hover,
.rail .room.here {
  background: var(--dark-hover);
  color: var(--white);
}

.rail .room:focus-visible {
  outline: var(--focus-dark);
}

.rail .save {
  margin-top: auto;
}

@media (max-width: 600px) {
  .rail {
    position: fixed;
    inset: auto 0 0;
    flex-direction: row;
    gap: 0;
    height: 64px;
    padding: 4px;
  }

  .rail > * {
    flex: 1 1 0;
    min-width: 0;
  }

  .rail .brand {
    display: none;
  }

  .rail .save {
    margin-top: 0;
  }
}
</style>
