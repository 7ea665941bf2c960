<script setup lang="ts">
import { t } from './messages.ts';
import { belt, isBeltId, type Weave } from '@escalier/core/staircase';
import { computed, useId } from 'vue';

/** A belt wherever it is meant: the woven band of two tones. Stretches to the size of its place. */
const props = defineProps<{ beltId: string; decorative?: boolean }>();

const shown = computed(() => (isBeltId(props.beltId) ? belt(props.beltId) : belt('straw')));
const patternId = useId();

/** One repeat of each weave in a square of 12 units, drawn in the thread's tone over the ground. */
const WEAVE_PATHS: Record<Weave, string> = {
  checks: 'M0 0h6v6H0zM6 6h6v6H6z',
  chevrons: 'M0 9l6-6 6 6v3l-6-6-6 6z',
  bars: 'M2 0h5v12H2z',
  spots: 'M6 3a3 3 0 1 1 0 6 3 3 0 0 1 0-6z',
  crosses: 'M1 3l2-2 3 3 3-3 2 2-3 3 3 3-2 2-3-3-3 3-2-2 3-3z',
  stripe: 'M0 4.5h8v3H0z',
  steps: 'M0 12V8h4V4h4V0h4v4H8v4H4v4z',
  waves: 'M0 6q3-6 6 0t6 0v3q-3 6-6 0t-6 0z',
  rings: 'M6 2a4 4 0 1 1 0 8 4 4 0 0 1 0-8zm0 2.4a1.6 1.6 0 1 0 0 3.2 1.6 1.6 0 0 0 0-3.2z',
  ladder: 'M0 1h12v2H0zM0 9h12v2H0zM4 3h3v6H4z',
  dashes: 'M1 2h6v2H1zM5 8h6v2H5z',
  diamonds: 'M6 1l5 5-5 5-5-5z',
};
</script>

<template>
  <svg
    class="belt"
    width="100%"
    height="12"
    :role="decorative ? undefined : 'img'"
    :aria-label="decorative ? undefined : t('belt-band.name-belt', { name: shown.name })"
    :aria-hidden="decorative ? true : undefined"
  >
    <defs>
      <pattern :id="patternId" width="12" height="12" patternUnits="userSpaceOnUse">
        <rect width="12" height="12" :fill="shown.ground" />
        <path :d="WEAVE_PATHS[shown.weave]" :fill="shown.thread" />
      </pattern>
    </defs>
    <rect width="100%" height="12" :fill="`url(#${patternId})`" />
  </svg>
</template>

<style scoped>
.belt {
  display: block;
}
</style>
