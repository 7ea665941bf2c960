<script setup lang="ts">
import { computed } from 'vue';
import BeltBand from '../ui/BeltBand.vue';
import { useRoom } from './use-room.ts';
import { t } from './messages.ts';

/** The stairs as far as the pupil sees them, with the peg and the belts. */
const { facts } = useRoom();
const steps = computed(
  () => facts.value?.tunes.map((tune, index) => ({ ...tune, here: index === facts.value!.now })) ?? [],
);
</script>

<template>
  <h2 class="mb-0">{{ t('room-stairs.your-stairs') }}</h2>
  <ol class="stairs" :style="{ '--steps': steps.length }">
    <li
      v-for="(step, index) in steps"
      :key="step.id"
      :style="{ '--up': index + 1 }"
      :aria-current="step.here ? 'step' : undefined"
    >
      <span class="mark" aria-hidden="true">{{ step.here ? '●' : '' }}</span>
      <span class="tread">
        <BeltBand v-if="step.passed" :belt-id="step.belt" />
        <span class="name">{{ step.title }}</span>
        <span class="visually-hidden">{{
          step.passed ? t('room-stairs.passed') : step.here ? t('room-stairs.you-are-here') : t('room-stairs.next')
        }}</span>
      </span>
    </li>
  </ol>
</template>

<style scoped lang="scss">
.stairs {
  display: grid;
  grid-template-columns: repeat(var(--steps), 1fr);
  align-items: end;
  height: 170px;
  margin: 0 0 1rem;
  padding: 0;
  list-style: none;
}

li {
  display: flex;
  flex-direction: column;
  justify-content: flex-end;
}

.tread {
  height: calc(var(--up) * 110px / var(--steps) + 30px);
  padding: 4px;
  overflow: hidden;
  border-top: 4px solid var(--ink);
  border-left: 2px solid var(--ink);
  background: var(--stone);
}

.name {
  font-size: 0.875rem;
  overflow-wrap: anywhere;
}

.mark {
  height: 26px;
  color: var(--brick);
  font-size: 1.6rem;
  line-height: 1;
  text-align: center;
}
</style>
