<script setup lang="ts">
import { STAGES, type StageId } from './stages.ts';
import { t } from './messages.ts';

/** The way through the lesson as five stairs, each a button. */
const stage = defineModel<StageId>({ required: true });
</script>

<template>
  <nav class="stairs" :aria-label="t('stage-stairs.parts-of-the-lesson')">
    <button
      v-for="(each, index) in STAGES"
      :key="each.id"
      type="button"
      :class="['stair', `rise-${index}`, { on: stage === each.id }]"
      :aria-current="stage === each.id ? 'step' : undefined"
      @click="stage = each.id"
    >
      <span class="number" aria-hidden="true">{{ index + 1 }}</span>
      <span class="label"
        >{{ each.label }}<small> {{ each.about }}</small></span
      >
    </button>
  </nav>
</template>

<style scoped lang="scss">
.stairs {
  display: grid;
  grid-template-columns: repeat(5, minmax(0, 1fr));
  align-items: end;
}

.stair {
  display: flex;
  align-items: center;
  gap: 10px;
  min-height: 48px;
  padding: 6px 12px;
  border: 0;
  border-top: 4px solid var(--ink);
  border-left: 4px solid var(--ink);
  background: var(--stone);
  color: var(--ink);
  text-align: left;
}

@for $index from 0 through 4 {
  .rise-#{$index} {
    padding-bottom: 6px + 7px * $index;
  }
}

.stair.on {
  background: var(--spruce);
  color: var(--white);
}

.number {
  font-family: var(--heading);
  font-size: var(--title);
  font-weight: 700;
}

.label {
  font-weight: 700;
  line-height: 1.15;
}

small {
  display: block;
  font-size: var(--text-small);
  font-weight: 400;
}

.stair:focus-visible {
  outline-offset: -6px;
}

.stair.on:focus-visible {
  outline: var(--focus-dark);
}

@media (max-width: 900px) {
  small {
    display: none;
  }
}

@media (max-width: 600px) {
  .stair {
    padding-inline: 5px;
  }

  .number {
    display: none;
  }

  .label {
    font-size: var(--text-small);
  }
}
</style>
