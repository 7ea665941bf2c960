<script setup lang="ts">
import BeltBand from '../../../ui/BeltBand.vue';
import { BeatClock } from '../../notes/index.ts';
import type { Stage } from '../stage.ts';
import FingerScene from './FingerScene.vue';
import PartLine from './PartLine.vue';
import PoseScene from './PoseScene.vue';
import QuietScene from './QuietScene.vue';
import SheetScene from './SheetScene.vue';
import WordsScene from './WordsScene.vue';
import { t } from '../messages.ts';

/** What the class sees. Sizes follow the picture's own height, so that a preview is the same picture, smaller. */
defineProps<{ stage: Stage }>();
const MOST_BELTS = 12;
</script>

<template>
  <section
    class="scene"
    :class="[`scene-${stage.scene}`, { dark: stage.dark }]"
    :aria-label="t('scene-view.what-the-class-sees')"
  >
    <h2 v-if="stage.scene !== 'title' && stage.scene !== 'quiet'" class="heading">
      {{ stage.heading }}<template v-if="stage.scene === 'grow'"> {{ stage.about }}</template>
    </h2>
    <SheetScene v-if="stage.sheet !== null" :stage="stage" />
    <WordsScene v-else-if="['names', 'chant', 'words'].includes(stage.scene)" :stage="stage" />
    <FingerScene v-else-if="stage.finger !== null" :stage="stage" />
    <div v-else-if="stage.scene === 'echo'" class="echo">
      <p class="huge">{{ t('scene-view.ears-only') }}</p>
      <BeatClock :beat="stage.beat" :whose="stage.whose" />
    </div>
    <QuietScene v-else-if="stage.scene === 'quiet'" :stage="stage" />
    <p v-else-if="stage.scene === 'turn'" class="huge">{{ stage.turn }}</p>
    <PoseScene v-else-if="stage.poses.length > 0" :stage="stage" />
    <ol v-else-if="stage.scene === 'check'" class="plain list large">
      <li v-for="line in stage.lines" :key="line">{{ line }}</li>
    </ol>
    <div v-else-if="stage.scene === 'stretch'" class="stretch">
      <p v-for="line in stage.lines" :key="line" class="huge">{{ line }}</p>
    </div>
    <p v-else-if="stage.scene === 'tongue'" class="beats spoken">
      <span v-for="(word, index) in stage.lines" :key="index" :class="{ on: index + 1 === stage.beat }">{{
        word
      }}</span>
    </p>
    <div v-else-if="stage.scene === 'belts'" class="belts">
      <p v-if="stage.belts.length === 0">{{ t('scene-view.no-belts-today-who-will-be') }}</p>
      <p v-for="each in stage.belts.slice(0, MOST_BELTS)" :key="each.name + each.belt" class="belted">
        <span class="band"><BeltBand :belt-id="each.belt" /></span>{{ each.name }}
      </p>
    </div>
    <div
      v-else-if="stage.scene === 'metronome'"
      class="beats"
      :aria-label="t('scene-view.beat-beat', { beat: stage.beat ?? 1 })"
      role="img"
    >
      <span v-for="beat in 4" :key="beat" :class="{ on: beat === stage.beat }">{{ beat }}</span>
    </div>
    <p v-else class="huge">{{ stage.heading }}</p>
    <PartLine v-if="stage.part !== null" :from="stage.part.from" :until="stage.part.until" />
  </section>
</template>
