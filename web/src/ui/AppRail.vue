<script setup lang="ts">
import { RouterLink, useRoute } from 'vue-router';
import { useSession } from '../features/schools/index.ts';
import { useMute } from '../sound/index.ts';
import IconFingers from '~icons/bi/ui-radios-grid';
import IconMuted from '~icons/bi/volume-mute';
import IconSound from '~icons/bi/volume-up';
import IconTunes from '~icons/bi/music-note-beamed';
import IconSchool from '~icons/bi/house-door';
import IconSignOut from '~icons/bi/box-arrow-right';
import SaveState from '../offline/SaveState.vue';
import StairIcon from './StairIcon.vue';

const session = useSession();
const muted = useMute();
const route = useRoute();
</script>

<template>
  <nav class="rail no-print" aria-label="Rooms">
    <p class="brand">Escalier</p>
    <RouterLink class="room" :class="{ here: route.path.startsWith('/classes') }" to="/classes">
      <StairIcon aria-hidden="true" />
      Classes
    </RouterLink>
    <RouterLink class="room" :class="{ here: route.path.startsWith('/fingerings') }" to="/fingerings">
      <IconFingers aria-hidden="true" />
      Fingerings
    </RouterLink>
    <RouterLink class="room" :class="{ here: route.path.startsWith('/tunes') }" to="/tunes">
      <IconTunes aria-hidden="true" />
      Tunes
    </RouterLink>
    <RouterLink
      class="room"
      :class="{ here: route.path.startsWith('/school') }"
      :to="{ name: session.mayTeach ? 'terms' : 'account' }"
    >
      <IconSchool aria-hidden="true" />
      School
    </RouterLink>
    <SaveState class="save" />
    <button class="room mute" type="button" :aria-pressed="muted" @click="muted = !muted">
      <IconMuted v-if="muted" aria-hidden="true" />
      <IconSound v-else aria-hidden="true" />
      {{ muted ? 'Sound is off' : 'Sound is on' }}
    </button>
    <button class="room leave" type="button" :title="`Signed in as ${session.me?.name ?? ''}`" @click="session.signOut">
      <IconSignOut aria-hidden="true" />
      Sign out
    </button>
  </nav>
</template>

<style scoped lang="scss">
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
  color: var(--paper);
}

.brand {
  font-family: var(--heading);
  font-weight: 700;
  text-align: center;
  margin-bottom: 10px;
}

.room {
  display: flex;
  flex-direction: column;
  align-items: center;
  gap: 4px;
  padding: 9px 2px;
  border: 0;
  border-radius: 10px;
  background: none;
  color: #dcd9cd;
  font-size: 13px;
  text-decoration: none;
}

.room svg {
  width: 22px;
  height: 22px;
}

.room:hover,
.room.here {
  background: #34504b;
  color: #fff;
}

.room:focus-visible {
  outline-color: #e3b866;
}

.save {
  margin-top: auto;
}
</style>
