<script setup lang="ts">
import { computed, ref } from 'vue';
import IconHere from '~icons/bi/device-hdd';
import IconKey from '~icons/bi/key';
import IconSchool from '~icons/bi/check-circle-fill';
import IconTrouble from '~icons/bi/exclamation-triangle-fill';
import { plural } from '../ui/plural.ts';
import { useOutbox, type OutboxState } from './store.ts';

/** Where what was recorded on this device is: always in sight, and more of it on a press. */
const outbox = useOutbox();
const open = ref(false);
const count = computed(() => outbox.waiting.length);

const WORDS: Readonly<Record<OutboxState, string>> = {
  'at-school': 'All saved at school',
  sending: 'On the way',
  here: 'Saved here',
  'sign-in': 'Sign in to send',
  refused: 'Not taken',
};
const words = computed(() => `${WORDS[outbox.state]}${count.value > 0 ? `: ${count.value}` : ''}`);
const ICONS = { 'at-school': IconSchool, sending: IconHere, here: IconHere, 'sign-in': IconKey, refused: IconTrouble };
</script>

<template>
  <div class="state">
    <button class="room" :class="outbox.state" type="button" :aria-expanded="open" @click="open = !open">
      <component :is="ICONS[outbox.state]" aria-hidden="true" />
      {{ words }}
    </button>
    <span class="visually-hidden" role="status">{{ words }}</span>
    <section v-if="open" class="card-paper more" aria-label="What is on this device">
      <h2>On this device</h2>
      <p v-if="count === 0">Everything that was recorded here is at school.</p>
      <p v-else>
        {{ plural(count, 'record is', 'records are') }} kept on this device and will go to the school in order as soon
        as it is reached. You may close this page or switch the device off.
      </p>
      <p v-if="outbox.lastSent === 'signed-out'">Your session is over: sign in again to send them.</p>
      <p v-if="outbox.others.length > 0">
        {{ plural(outbox.others.length, 'record waits', 'records wait') }} for
        {{ [...new Set(outbox.others)].join(', ') }} to sign in here.
      </p>
      <template v-if="outbox.refused.length > 0">
        <h2>Not taken by the school</h2>
        <ul>
          <li v-for="kept in outbox.refused" :key="kept.order">
            <p>{{ kept.refused }}</p>
            <p class="soft">
              {{ kept.event.kind === 'heard' ? kept.event.outcome.replace('-', ' ') : 'undo' }},
              {{ new Date(kept.event.heardAt).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' }) }}
            </p>
            <BButton size="sm" variant="outline-dark" @click="outbox.retry(kept.order)">Try again</BButton>
            <BButton size="sm" variant="outline-dark" @click="outbox.forget(kept.order)">Put away</BButton>
          </li>
        </ul>
      </template>
      <BButton v-if="count > 0" variant="outline-dark" @click="outbox.flush()">Send now</BButton>
    </section>
  </div>
</template>

<style scoped>
.state {
  position: relative;
}

.room {
  display: flex;
  flex-direction: column;
  align-items: center;
  gap: 4px;
  width: 100%;
  min-height: 56px;
  padding: 9px 2px;
  border: 0;
  border-radius: 10px;
  background: none;
  color: #dcd9cd;
  font-size: 13px;
  line-height: 1.15;
}

.room svg {
  width: 20px;
  height: 20px;
}

.room:hover {
  background: #34504b;
  color: #fff;
}

.room:focus-visible {
  outline-color: #e3b866;
}

.here,
.sending,
.sign-in {
  color: #f3cf8a;
}

.refused {
  color: #ffb3a3;
}

.more {
  position: absolute;
  bottom: 0;
  left: calc(100% + 10px);
  z-index: 20;
  display: grid;
  gap: 8px;
  width: 340px;
  color: var(--ink);
  box-shadow: 0 4px 18px rgb(29 43 42 / 20%);
}

ul {
  display: grid;
  gap: 8px;
  margin: 0;
  padding: 0;
  list-style: none;
}
</style>
