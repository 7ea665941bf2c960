<script setup lang="ts">
import type { Stage } from '../stage.ts';
import PoseFigure from './PoseFigure.vue';

/** How the instrument is held, drawn: all ways side by side, or the one that is called. */
defineProps<{ stage: Stage }>();
</script>

<template>
  <ol class="plain poses" :class="{ one: stage.poses.length === 1 }">
    <li v-for="(each, index) in stage.poses" :key="each.id">
      <PoseFigure :pose="each.id" :label="each.title" />
      <div>
        <strong
          ><span v-if="stage.poses.length > 1" class="key" aria-hidden="true">{{ index + 1 }}</span
          >{{ each.title }}</strong
        >
        <p v-for="word in each.words" :key="word">{{ word }}</p>
      </div>
    </li>
  </ol>
</template>

<style scoped lang="scss">
.poses {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 3cqw;
  min-height: 0;
}

li {
  display: grid;
  grid-template-rows: minmax(0, 1fr) auto;
  min-height: 0;
  text-align: center;
}

strong {
  font-family: var(--heading);
  font-size: 6cqh;
}

.key {
  margin-inline-end: 0.4em;
}

.one {
  grid-template-columns: 1fr;
}

.one li {
  grid-template-columns: 1fr 1fr;
  grid-template-rows: minmax(0, 1fr);
  align-items: center;
  text-align: start;
}

.one strong {
  font-size: 11cqh;
}

.one p {
  font-size: 8cqh;
}
</style>
