<script setup lang="ts">
import type { AccessSlip } from '@escalier/contract/practice-rooms';
import { computed } from 'vue';
import { qrOf } from './qr.ts';
import { t } from './messages.ts';

/** Slips to cut: code, address, three words, and what a family needs to know. */
const props = defineProps<{
  slips: readonly AccessSlip[];
  names: ReadonlyMap<string, string>;
  address: string;
  until: string;
}>();
const drawn = computed(() =>
  props.slips.map((slip) => ({ ...slip, code: qrOf(`${location.origin}/room/#${slip.token}`) })),
);
</script>

<template>
  <ul class="slips">
    <li v-for="slip in drawn" :key="slip.pupilId">
      <p class="for">
        {{ t('slip-sheet.for-name', { name: names.get(slip.pupilId) ?? '' }) }}
        <span>{{ t('slip-sheet.cut-this-line-off') }}</span>
      </p>
      <svg
        :viewBox="`0 0 ${slip.code.size} ${slip.code.size}`"
        role="img"
        :aria-label="t('slip-sheet.code-for-picture-name', { pictureName: slip.pictureName })"
      >
        <rect width="100%" height="100%" class="ground" />
        <path :d="slip.code.path" />
      </svg>
      <div>
        <p class="picture">{{ slip.pictureName }}</p>
        <p>{{ t('slip-sheet.your-practice-room-scan-the-code') }}</p>
        <p class="big">{{ address }}</p>
        <p>{{ t('slip-sheet.and-type') }}</p>
        <p class="big">{{ slip.words }}</p>
        <p class="small">{{ t('slip-sheet.no-account-open-until-until-lost', { until }) }}</p>
      </div>
    </li>
  </ul>
</template>

<style scoped lang="scss">
.slips {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(100%, 340px), 1fr));
  gap: 0;
  margin: 0;
  padding: 0;
  list-style: none;
}

li {
  display: grid;
  grid-template-columns: 120px 1fr;
  gap: 6px 14px;
  align-items: center;
  padding: 12px;
  border: 1px dashed var(--line-strong);
  background: var(--white);
  break-inside: avoid;
}

p {
  margin: 0;
}

.for {
  grid-column: 1 / -1;
  border-bottom: 1px dashed var(--line-strong);
  font-size: 0.875rem;
}

.picture {
  font: 700 1.3rem var(--heading);
}

.big {
  font-weight: 700;
  font-size: 1.1rem;
  overflow-wrap: anywhere;
}

.ground {
  fill: var(--white);
}
</style>
