<script setup lang="ts">
import type { RouteLocationRaw } from 'vue-router';
import BeltBand from '../../ui/BeltBand.vue';
import type { Peg } from './pegs.ts';
import type { StairStep } from './stair-step.ts';
import { t } from './messages.ts';

/** The stairs on a phone: the highest step first, each with its belt and its pupils. */
defineProps<{
  steps: readonly StairStep[];
  pegs: readonly (readonly Peg[])[];
  hear: (pupilId: string) => RouteLocationRaw;
}>();
</script>

<template>
  <ol class="plain stack steps" reversed>
    <li v-if="(pegs[steps.length]?.length ?? 0) > 0">
      <strong>{{ t('stair-list.all-steps-passed') }}</strong>
      <div class="line pegs">
        <span v-for="peg in pegs[steps.length]" :key="peg.id" class="peg finished" role="img" :aria-label="peg.words">{{
          peg.label
        }}</span>
      </div>
    </li>
    <li v-for="step in steps.toReversed()" :key="step.id">
      <BeltBand :belt-id="step.belt" />
      <RouterLink v-if="step.to !== undefined" class="title" :to="step.to"
        >{{ step.position }} {{ step.title }}</RouterLink
      >
      <strong v-else class="title">{{ step.position }} {{ step.title }}</strong>
      <span v-for="thing in step.things.slice(0, 3)" :key="thing" class="chip small">{{ thing }}</span>
      <div class="line pegs">
        <RouterLink
          v-for="peg in pegs[step.position - 1]"
          :key="peg.id"
          class="peg"
          :class="peg.state"
          :to="hear(peg.id)"
          :aria-label="peg.words"
          >{{ peg.label }}</RouterLink
        >
      </div>
    </li>
  </ol>
</template>

<style scoped>
.title {
  display: inline-block;
  min-height: 44px;
  padding: 10px 8px 0 0;
  color: var(--ink);
  font-weight: 700;
}

.chip {
  margin-right: 4px;
}

.pegs {
  gap: 4px;
}

.pegs .peg {
  width: 44px;
  height: 44px;
}
</style>
