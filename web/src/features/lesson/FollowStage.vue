<script setup lang="ts">
import { toRef } from 'vue';
import LoadState from '../../ui/LoadState.vue';
import SceneView from './scenes/SceneView.vue';
import { usePlan } from './use-plan.ts';
import { useStage } from './use-stage.ts';
import { t } from './messages.ts';

/** The stage of a lesson that is run on another device. */
const props = defineProps<{ classId: string }>();
const planning = usePlan(toRef(props, 'classId'));
const { stage } = useStage(planning, null);
</script>

<template>
  <LoadState
    v-if="planning.page.value === null"
    :error="planning.lessons.error"
    :what="t('follow-stage.the-lesson')"
    @again="planning.lessons.open(classId)"
  />
  <SceneView v-else :stage="stage" />
</template>
