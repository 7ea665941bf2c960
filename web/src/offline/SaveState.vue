<script setup lang="ts">
import { computed, ref } from 'vue';
import IconHere from '~icons/bi/device-hdd';
import IconKey from '~icons/bi/key';
import IconSchool from '~icons/bi/check-circle-fill';
import IconTrouble from '~icons/bi/exclamation-triangle-fill';
import { moment } from '../ui/dates.ts';
import { useOutbox, type OutboxState } from './store.ts';
import { counted } from '../ui/count-messages.ts';
import { t } from '../ui/messages.ts';

/** Where the results recorded on this device are: always in sight, and more about it on a press. */
const outbox = useOutbox();
const open = ref(false);
const count = computed(() => outbox.waiting.length);

const WORDS: Readonly<Record<OutboxState, string>> = {
  'at-school': t('save-state.all-saved'),
  sending: t('save-state.sending'),
  here: t('save-state.saved-here'),
  'sign-in': t('save-state.sign-in-to-send'),
  refused: t('save-state.not-accepted'),
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
    <BOffcanvas v-model="open" :title="t('save-state.on-this-device')" teleport-to="body">
      <div v-if="open" class="stack">
        <p v-if="count === 0">{{ t('save-state.every-result-recorded-here-is-saved') }}</p>
        <p v-else>
          {{ t('save-state.results-saved-on-this-device-and', { results: counted('results-are', { n: count }) }) }}
        </p>
        <p v-if="outbox.lastSent === 'signed-out'">{{ t('save-state.your-session-has-ended-sign-in') }}</p>
        <p v-if="outbox.others.length > 0">
          {{
            t('save-state.results-waiting-for-list-to-sign', {
              results: counted('results-are', { n: outbox.others.length }),
              list: [...new Set(outbox.others)].join(', '),
            })
          }}
        </p>
        <BButton v-if="count > 0" variant="primary" @click="outbox.flush()">{{ t('save-state.send-now') }}</BButton>
        <template v-if="outbox.refused.length > 0">
          <h2>{{ t('save-state.not-accepted-by-the-school') }}</h2>
          <ul class="plain ruled">
            <li v-for="kept in outbox.refused" :key="kept.order">
              <p>{{ kept.refused }}</p>
              <p class="soft">
                {{ kept.event.kind === 'heard' ? kept.event.outcome.replace('-', ' ') : 'undo' }},
                {{ moment(kept.event.heardAt) }}
              </p>
              <div class="line">
                <BButton size="sm" @click="outbox.retry(kept.order)">{{ t('save-state.try-again') }}</BButton>
                <BButton size="sm" @click="outbox.forget(kept.order)">{{ t('save-state.dismiss') }}</BButton>
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
