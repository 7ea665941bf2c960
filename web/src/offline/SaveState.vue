<script setup lang="ts">
import { computed, ref } from 'vue';
import IconHere from '~icons/bi/device-hdd';
import IconKey from '~icons/bi/key';
import IconSchool from '~icons/bi/check-circle-fill';
import IconTrouble from '~icons/bi/exclamation-triangle-fill';
import { moment } from '../ui/dates.ts';
import { plural } from '../ui/plural.ts';
import { useOutbox, type OutboxState } from './store.ts';

/** Where the results recorded on this device are: always in sight, and more about it on a press. */
const outbox = useOutbox();
const open = ref(false);
const count = computed(() => outbox.waiting.length);

const WORDS: Readonly<Record<OutboxState, string>> = {
  'at-school': 'All saved',
  sending: 'Sending',
  here: 'Saved here',
  'sign-in': 'Sign in to send',
  refused: 'Not accepted',
};
const words = computed(() => `${WORDS[outbox.state]}${count.value > 0 ? `: ${count.value}` : ''}`);
const ICONS = { 'at-school': IconSchool, sending: IconHere, here: IconHere, 'sign-in': IconKey, refused: IconTrouble };
</script>

<template>
  <div>
    <button class="room" :class="outbox.state" type="button" aria-haspopup="dialog" @click="open = true">
      <component :is="ICONS[outbox.state]" aria-hidden="true" />
      {{ words }}
    </button>
    <span class="visually-hidden" role="status">{{ words }}</span>
    <BOffcanvas v-model="open" title="On this device" teleport-to="body">
      <div v-if="open" class="stack">
        <p v-if="count === 0">Every result recorded here is saved at school.</p>
        <p v-else>
          {{ plural(count, 'result is', 'results are') }} saved on this device and will be sent in order as soon as the
          school can be reached. You can close this page or switch the device off.
        </p>
        <p v-if="outbox.lastSent === 'signed-out'">Your session has ended: sign in again to send them.</p>
        <p v-if="outbox.others.length > 0">
          {{ plural(outbox.others.length, 'result is', 'results are') }} waiting for
          {{ [...new Set(outbox.others)].join(', ') }} to sign in here.
        </p>
        <BButton v-if="count > 0" variant="primary" @click="outbox.flush()">Send now</BButton>
        <template v-if="outbox.refused.length > 0">
          <h2>Not accepted by the school</h2>
          <ul class="plain ruled">
            <li v-for="kept in outbox.refused" :key="kept.order">
              <p>{{ kept.refused }}</p>
              <p class="soft">
                {{ kept.event.kind === 'heard' ? kept.event.outcome.replace('-', ' ') : 'undo' }},
                {{ moment(kept.event.heardAt) }}
              </p>
              <div class="line">
                <BButton size="sm" @click="outbox.retry(kept.order)">Try again</BButton>
                <BButton size="sm" @click="outbox.forget(kept.order)">Dismiss</BButton>
              </div>
            </li>
          </ul>
        </template>
      </div>
    </BOffcanvas>
  </div>
</template>

<style scoped>
.room.here,
.room.sending,
.room.sign-in {
  color: var(--on-dark-brass);
}

.room.refused {
  color: var(--on-dark-brick);
}
</style>
