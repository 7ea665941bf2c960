<script setup lang="ts">
import IconPlay from '~icons/bi/play-fill';
import IconStop from '~icons/bi/stop-fill';
import { t } from './messages.ts';

/** Plays and stops: round, as on every player. */
defineProps<{ playing: boolean }>();
defineEmits<{ toggle: [] }>();
</script>

<template>
  <button
    class="play"
    type="button"
    :aria-label="playing ? t('play-button.stop') : t('play-button.play')"
    @click="$emit('toggle')"
  >
    <IconStop v-if="playing" aria-hidden="true" /><IconPlay v-else aria-hidden="true" />
  </button>
</template>

<style scoped lang="scss">
.play {
  display: grid;
  place-items: center;
  width: 46px;
  height: 46px;
  border: 0;
  border-radius: var(--round);
  background: var(--spruce);
  color: var(--white);
}

.play svg {
  width: 26px;
  height: 26px;
}
</style>
