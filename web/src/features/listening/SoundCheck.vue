<script setup lang="ts">
import { findInstrument, primaryFingering } from '@escalier/core/instruments';
import { SOUND_REMARKS } from '@escalier/core/listening';
import { parsePitch, pitchIn, pitchName, type Pitch } from '@escalier/core/music';
import { sayNote, SOUND_WORDS } from '@escalier/core/words';
import { computed, ref, watch } from 'vue';
import SelectField from '../../ui/SelectField.vue';
import { PipePicture } from '../notes/index.ts';
import { useRemarks } from '../schools/index.ts';
import NeedleStaff from './NeedleStaff.vue';
import { useSoundCheck } from './use-sound-check.ts';
import { t } from './messages.ts';

/** Somebody holds a note: which one sounds, how true it is, and what to try. */
const props = defineProps<{ instrumentId: string; notes: readonly string[]; pupils: readonly string[] }>();
const remarks = useRemarks();
const on = computed(() => findInstrument(props.instrumentId));
const note = ref(props.notes.at(-1) ?? 'B4');
watch(
  () => props.notes,
  (notes) => (note.value = notes.at(-1) ?? 'B4'),
);
const options = computed(() => props.notes.map((value) => ({ value, text: sayNote(value) })));
const asked = computed(() => parsePitch(note.value));
const { needle, found, start, stop, again, isOn, error } = useSoundCheck(on, asked);
/** A round of the class: who held the note, and how it was. */
const round = ref<readonly { readonly name: string; readonly words: string }[]>([]);
const turn = computed(() => props.pupils[round.value.length] ?? null);
function nextPupil(): void {
  if (turn.value !== null) {
    const words = found.value === null ? t('sound-check.not-heard') : foundWords.value;
    round.value = [...round.value, { name: turn.value, words }];
  }
  again();
}
watch(note, () => {
  round.value = [];
  again();
});

const heardPitch = computed(() =>
  needle.value === null || on.value === null
    ? null
    : pitchIn({ fifths: 0, mode: 'major' }, needle.value.midi - on.value.soundsAbove),
);
const fingeringOf = (pitch: Pitch | null) =>
  pitch === null || on.value === null ? null : primaryFingering(on.value, pitch);
const askedFingering = computed(() => fingeringOf(asked.value));
const heardFingering = computed(() => fingeringOf(heardPitch.value));
const remedy = computed(() => {
  const id = found.value === null ? null : SOUND_REMARKS[found.value.kind];
  return id === null ? null : (remarks.all.find((remark) => remark.id === id)?.remedy ?? null);
});
const heardName = computed(() =>
  found.value === null || on.value === null
    ? ''
    : sayNote(pitchName(pitchIn({ fifths: 0, mode: 'major' }, found.value.came - on.value.soundsAbove))),
);
const foundWords = computed(() => {
  if (found.value === null) return '';
  return found.value.kind === 'other'
    ? t('sound-check.that-is-heard-name', { heardName: heardName.value })
    : SOUND_WORDS[found.value.kind];
});
</script>

<template>
  <div class="stack">
    <div class="line">
      <SelectField v-model="note" :label="t('sound-check.note-to-hold')" :options="options" />
      <BButton v-if="!isOn" variant="primary" @click="start">{{ t('sound-check.start-listening') }}</BButton>
      <BButton v-else @click="stop">{{ t('sound-check.stop-listening') }}</BButton>
      <BButton v-if="isOn" @click="nextPupil">{{ t('sound-check.next-pupil') }}</BButton>
      <strong v-if="isOn && turn !== null">{{ turn }}</strong>
    </div>
    <BAlert v-if="error !== null" variant="danger" :model-value="true">{{ error }}</BAlert>
    <div class="both">
      <figure v-if="on !== null && askedFingering !== null">
        <PipePicture
          :on="on"
          :fingering="askedFingering"
          view="pupil"
          :label="t('sound-check.note-asked-for', { note: sayNote(note) })"
        />
        <figcaption>{{ t('sound-check.asked-note', { note: sayNote(note) }) }}</figcaption>
      </figure>
      <NeedleStaff :asked="asked" :heard="heardPitch" :cents="needle?.cents ?? null" />
      <figure v-if="on !== null && heardPitch !== null && heardFingering !== null">
        <PipePicture
          :on="on"
          :fingering="heardFingering"
          view="pupil"
          :label="t('sound-check.note-heard', { note: sayNote(pitchName(heardPitch)) })"
        />
        <figcaption>{{ t('sound-check.heard-note', { note: sayNote(pitchName(heardPitch)) }) }}</figcaption>
      </figure>
    </div>
    <p class="verdict" role="status">
      <template v-if="found === null">{{
        isOn ? t('sound-check.hold-the-note-for-a-second') : t('sound-check.nothing-heard-yet')
      }}</template>
      <template v-else>
        <strong>{{ foundWords }}</strong><template v-if="found.kind === 'sharp' || found.kind === 'weak'">{{
          t('sound-check.number-cents-value', {
            number: Math.abs(Math.round(found.cents)),
            direction: found.cents < 0 ? 'low' : 'high',
          })
        }}</template
        >. {{ remedy }}
      </template>
    </p>
    <ol v-if="round.length > 0" class="plain round" :aria-label="t('sound-check.this-round-so-far')">
      <li v-for="each in round" :key="each.name">{{ each.name }}: {{ each.words }}</li>
    </ol>
    <p class="soft">
      {{ t('sound-check.the-sound-stays-on-this-device') }}
    </p>
  </div>
</template>

<style scoped>
.both {
  display: flex;
  gap: 24px;
  align-items: center;
  justify-content: center;
  min-height: 220px;
}

.both figure {
  margin: 0;
  text-align: center;
}

.round {
  columns: 3;
}

.verdict {
  min-height: 3em;
  font-size: var(--text-large);
}
</style>
