<script setup lang="ts">
import BeltBand from '../../../ui/BeltBand.vue';
import type { Stage } from '../stage.ts';
import FingerScene from './FingerScene.vue';
import QuietScene from './QuietScene.vue';
import SheetScene from './SheetScene.vue';
import WordsScene from './WordsScene.vue';

/** What the class sees. Sizes follow the picture's own height, so that a preview is the same picture, smaller. */
defineProps<{ stage: Stage }>();
const MOST_BELTS = 12;
</script>

<template>
  <section class="scene" :class="`scene-${stage.scene}`" aria-label="What the class sees">
    <h2 v-if="stage.scene !== 'title' && stage.scene !== 'quiet'" class="heading">{{ stage.heading }}</h2>
    <SheetScene v-if="stage.sheet !== null" :stage="stage" />
    <WordsScene v-else-if="['names', 'chant', 'words'].includes(stage.scene)" :stage="stage" />
    <FingerScene v-else-if="stage.finger !== null" :stage="stage" />
    <QuietScene v-else-if="stage.scene === 'quiet'" :stage="stage" />
    <p v-else-if="stage.scene === 'turn'" class="huge">{{ stage.turn }}</p>
    <ol v-else-if="stage.scene === 'posture'" class="plain list">
      <li v-for="line in stage.lines" :key="line">{{ line }}</li>
    </ol>
    <div v-else-if="stage.scene === 'belts'" class="belts">
      <p v-if="stage.belts.length === 0">No belts today. Who will be next?</p>
      <p v-for="each in stage.belts.slice(0, MOST_BELTS)" :key="each.name + each.belt" class="belted">
        <span class="band"><BeltBand :belt-id="each.belt" /></span>{{ each.name }}
      </p>
    </div>
    <div v-else-if="stage.scene === 'metronome'" class="beats" :aria-label="`Beat ${stage.beat ?? 1}`" role="img">
      <span v-for="beat in 4" :key="beat" :class="{ on: beat === stage.beat }">{{ beat }}</span>
    </div>
    <p v-else class="huge">{{ stage.heading }}</p>
  </section>
</template>

<style scoped lang="scss">
.scene {
  container-type: size;
  display: grid;
  grid-template-rows: minmax(0, 1fr);
  height: 100%;
  padding: 1.5%;
  background: var(--card);
  color: var(--ink);
}

// The unit of the picture is its own height: a container cannot measure itself, its children can.
.scene > * {
  font-size: 5cqh;
  line-height: 1.25;
}

.scene > .heading {
  font-family: var(--heading);
  font-size: 5.6cqh;
  font-weight: 700;
}

.scene:has(> .heading) {
  grid-template-rows: auto minmax(0, 1fr);
}

.scene > .huge {
  align-self: center;
  font-family: var(--heading);
  font-size: 18cqh;
  font-weight: 700;
  line-height: 1.05;
  text-align: center;
  overflow-wrap: anywhere;
}

.list li {
  padding: 0.6cqh 0;
}

.belts {
  display: grid;
  grid-template-columns: 1fr 1fr 1fr;
  gap: 2cqh 3cqw;
  align-content: start;
}

.belted {
  display: flex;
  gap: 1cqw;
  align-items: center;
  font-size: 7cqh;
  font-weight: 700;
}

.band {
  width: 8cqw;
  height: 4cqh;
}

.beats {
  display: grid;
  grid-template-columns: repeat(4, 1fr);
  gap: 2cqw;
  align-items: center;
}

.beats span {
  display: grid;
  place-items: center;
  height: 44cqh;
  border: 1cqh solid var(--ink);
  border-radius: var(--radius-large);
  font-family: var(--heading);
  font-size: 24cqh;
  font-weight: 700;
}

.beats .on {
  background: var(--spruce);
  color: var(--white);
}
</style>
