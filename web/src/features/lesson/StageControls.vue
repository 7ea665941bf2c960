<script setup lang="ts">
import { tempoWord } from '@escalier/core/lesson';
import { computed } from 'vue';
import PlayButton from '../../ui/PlayButton.vue';
import { ALWAYS, SCENES_OF, sceneLabel, type SceneId } from './stage.ts';
import type { useStage } from './use-stage.ts';
import { t } from './messages.ts';

/** The teacher's hand on what the class sees and hears. */
const props = defineProps<{ stage: ReturnType<typeof useStage> }>();
const scenes = computed((): readonly SceneId[] => {
  const kind = props.stage.block.value?.kind;
  const own = kind === undefined ? [] : SCENES_OF[kind];
  const { info } = props.stage.tune;
  const fits = own.filter((id) => {
    if (id === 'words') return info.value?.hasWords === true;
    return id !== 'parts' || (info.value !== null && info.value.reading.duet !== null);
  });
  const here = props.stage.scene.value;
  return [...new Set([...fits, ...(here === 'title' ? [] : [here]), ...ALWAYS])];
});
const VOICES = [
  { value: 'melody', text: t('stage-controls.melody') },
  { value: 'along', text: t('stage-controls.backing') },
  { value: 'click', text: t('stage-controls.click') },
  { value: 'countIn', text: t('stage-controls.count-in') },
] as const;
/** By the part that is silent. */
const PARTS = [
  { value: null, text: t('stage-controls.both-parts') },
  { value: 1, text: t('stage-controls.first-only') },
  { value: 0, text: t('stage-controls.second-only') },
];
type Voice = (typeof VOICES)[number]['value'];
const sounding = computed({
  get: (): Voice[] => VOICES.map(({ value }) => value).filter((id) => props.stage.player[id].value),
  set: (wanted) => {
    for (const { value: id } of VOICES)
      if (wanted.includes(id) !== props.stage.player[id].value) props.stage.player.switchVoice(id);
  },
});
</script>

<template>
  <div class="stack-close">
    <div class="line" role="group" :aria-label="t('stage-controls.show-the-class')">
      <BButton v-for="id in scenes" :key="id" :pressed="stage.scene.value === id" @click="stage.show(id)">{{
        sceneLabel(id)
      }}</BButton>
    </div>
    <div class="line" role="group" :aria-label="t('stage-controls.play')">
      <PlayButton :playing="stage.isPlaying.value" @toggle="stage.toggle" />
      <BButton :aria-label="t('stage-controls.slower')" @click="stage.changeTempo(-1)">−</BButton>
      <span class="tempo"
        ><strong>{{ stage.tempo.value }}</strong> {{ tempoWord(stage.tempo.value) }}</span
      >
      <BButton :aria-label="t('stage-controls.faster')" @click="stage.changeTempo(1)">+</BButton>
      <BFormCheckboxGroup v-model="sounding" buttons :options="VOICES" :aria-label="t('stage-controls.what-sounds')" />
      <BFormRadioGroup
        v-if="stage.scene.value === 'parts'"
        buttons
        :options="PARTS"
        :model-value="stage.player.silentPart.value"
        :aria-label="t('stage-controls.which-part-sounds')"
        @update:model-value="stage.player.silence($event as number | null)"
      />
      <template v-if="stage.canTurn.value">
        <BButton @click="stage.nextItem(-1)"
          >{{ t('stage-controls.lines-before') }} <span class="key" aria-hidden="true">,</span></BButton
        >
        <BButton @click="stage.nextItem(1)"
          >{{ t('stage-controls.next-lines') }} <span class="key" aria-hidden="true">.</span></BButton
        >
      </template>
      <template v-if="stage.items.value > 1">
        <BButton :aria-label="t('stage-controls.previous')" @click="stage.nextItem(-1)">←</BButton>
        <span>{{
          t('stage-controls.item-at-of-items', { itemAt: stage.itemAt.value + 1, items: stage.items.value })
        }}</span>
        <BButton :aria-label="t('stage-controls.next-one')" @click="stage.nextItem(1)">→</BButton>
      </template>
      <BButton :pressed="stage.named.value" @click="stage.switchNames">{{ t('stage-controls.show-names') }}</BButton>
      <BButton :pressed="stage.muted.value" @click="stage.silence">{{
        stage.muted.value ? t('stage-controls.sound-is-off') : t('stage-controls.sound-off')
      }}</BButton>
    </div>
    <BAlert v-if="stage.error.value !== null" variant="danger" :model-value="true">{{ stage.error.value }}</BAlert>
  </div>
</template>

<style scoped lang="scss">
.tempo {
  min-width: 7.5em;
  text-align: center;
}
</style>
