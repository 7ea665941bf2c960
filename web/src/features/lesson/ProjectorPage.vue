<script setup lang="ts">
import { useTimeout } from '@vueuse/core';
import { computed } from 'vue';
import { useStageReceiver } from './channel.ts';
import FollowStage from './FollowStage.vue';
import SceneView from './scenes/SceneView.vue';
import { t } from './messages.ts';

/**
 * The class's window: follows the teacher's on this machine, note by note. Where there is none, the lesson runs on another
 * device: then it follows what happens there, and what is to be heard sounds here.
 */
const props = defineProps<{ classId: string }>();
const WAIT_MS = 1200;
const stage = useStageReceiver(props.classId);
const hasWaited = useTimeout(WAIT_MS);
const isAlone = computed(() => stage.value === null && hasWaited.value);
</script>

<template>
  <div class="projector">
    <h1 class="visually-hidden">{{ t('projector-page.for-the-class') }}</h1>
    <SceneView v-if="stage !== null" :stage="stage" />
    <FollowStage v-else-if="isAlone" :class-id="classId" />
  </div>
</template>

<style scoped lang="scss">
.projector {
  height: 100vh;
  background: var(--card);
}
</style>
