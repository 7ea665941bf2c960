<script setup lang="ts">
import { findInstrument, primaryFingering } from '@escalier/core/instruments';
import { pitch } from '@escalier/core/music';
import { computed } from 'vue';
import { PipePicture } from '../../notes/index.ts';
import type { Stage } from '../stage.ts';
import { t } from '../messages.ts';

/** Fingers large enough to copy, and the name of the note beside them. */
const props = defineProps<{ stage: Stage }>();
const on = computed(() => findInstrument(props.stage.finger?.instrumentId ?? ''));
const fingering = computed(() =>
  on.value === null || props.stage.finger === null ? null : primaryFingering(on.value, pitch(props.stage.finger.note)),
);
const from = computed(() => {
  const before = props.stage.finger?.from ?? null;
  return on.value === null || before === null ? null : primaryFingering(on.value, pitch(before));
});
</script>

<template>
  <div v-if="stage.finger !== null && on !== null && fingering !== null" class="finger-scene">
    <PipePicture :on="on" :fingering="fingering" :from="from" :view="stage.finger.view" :label="stage.finger.label" />
    <div class="beside">
      <p v-if="stage.named" class="letter">{{ stage.finger.label }}</p>
      <p>
        {{
          stage.finger.view === 'facing' ? t('finger-scene.as-you-see-your-teacher') : t('finger-scene.as-you-hold-it')
        }}
      </p>
      <p v-if="stage.about !== ''">{{ stage.about }}</p>
    </div>
  </div>
</template>

<style scoped lang="scss">
.finger-scene {
  display: grid;
  grid-template-columns: 1.4fr 1fr;
  gap: 3cqw;
  align-items: center;
  min-height: 0;
}

.finger-scene > :first-child {
  height: 80cqh;
}

.letter {
  font-family: var(--heading);
  font-size: 34cqh;
  font-weight: 700;
  line-height: 1;
}
</style>
