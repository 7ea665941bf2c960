<script setup lang="ts">
import { useFullscreen } from '@vueuse/core';
import { useStageReceiver } from './channel.ts';
import SceneView from './scenes/SceneView.vue';

/** The class's window: follows the teacher's, and has nothing to press but full screen. */
const props = defineProps<{ classId: string }>();
const stage = useStageReceiver(props.classId);
const screen = useFullscreen();
</script>

<template>
  <div class="projector">
    <h1 class="visually-hidden">For the class</h1>
    <SceneView v-if="stage !== null" :stage="stage" />
    <div v-else class="stack-close wait">
      <p class="title">Waiting for the lesson</p>
      <p>Open the lesson of this class in another window of this browser: this one follows it.</p>
      <BButton v-if="screen.isSupported.value" @click="screen.toggle">Full screen</BButton>
    </div>
  </div>
</template>

<style scoped lang="scss">
.projector {
  height: 100vh;
  background: var(--card);
}

.wait {
  display: grid;
  place-content: center;
  justify-items: center;
  height: 100%;
}

.title {
  font-family: var(--heading);
  font-size: var(--headline);
}
</style>
