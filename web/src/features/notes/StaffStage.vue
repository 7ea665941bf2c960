<script setup lang="ts">
import { eventId, writeAbc } from '@escalier/core/formats';
import type { Naming } from '@escalier/core/instruments';
import { byHeight, pitchName, PLAIN_NOTE, samePitch, staffStep, type Pitch } from '@escalier/core/music';
import { plainValue, shortTune } from '@escalier/core/practice';
import IconPlay from '~icons/bi/play-fill';
import { computed } from 'vue';
import { ScoreSheet } from '../../score/index.ts';
import { beatOf, notesSchedule, useSound } from '../../sound/index.ts';
import type { NoteLesson } from './lesson.ts';
import { t } from './messages.ts';

/** Where the note stands beside those that the class has: a stair to look at and to hear. */
const props = defineProps<{ lesson: NoteLesson; naming: Naming; big: boolean }>();

const notes = computed(() => [...props.lesson.known, props.lesson.note].toSorted(byHeight));
const lowest = computed(() => staffStep(notes.value[0]!));
/** In pixels, for a step of the staff. */
const stepHeight = computed(() => Math.min(44, 340 / Math.max(1, staffStep(notes.value.at(-1)!) - lowest.value)));
const sheet = computed(() =>
  writeAbc(
    shortTune({
      title: props.lesson.label,
      metre: { count: notes.value.length, unit: 1 },
      bars: [notes.value.map((each) => ({ ...PLAIN_NOTE, value: plainValue('whole'), pitch: each }))],
    }),
  ),
);
const marks = computed(() => {
  const at = notes.value.findIndex((each) => samePitch(each, props.lesson.note));
  return [{ kind: 'ring' as const, id: eventId(0, 0, at) }];
});

const sound = useSound();
let played: readonly Pitch[] = [];
const voices = computed(() => ({ family: props.lesson.on.family, melody: true, click: false, drone: false }));

function hear(pitches: readonly Pitch[]): void {
  played = pitches;
  void sound.start(notesSchedule(pitches, props.lesson.on.soundsAbove), voices.value);
}
const sounding = computed(() => {
  const id = sound.now.value;
  return id === null ? null : (played[beatOf(id).beat - 1] ?? null);
});
</script>

<template>
  <div class="staff">
    <section class="card-paper stair" :aria-label="t('staff-stage.the-notes-as-a-stair')">
      <div v-for="each in notes" :key="pitchName(each)" class="tread">
        <button
          type="button"
          :class="{ new: samePitch(each, lesson.note), sounding: sounding !== null && samePitch(each, sounding) }"
          :aria-label="t('staff-stage.play-name', { name: lesson.name(each) })"
          @click="hear([each])"
        >
          {{ lesson.name(each) }}
          <IconPlay aria-hidden="true" />
        </button>
        <div class="riser" :style="{ height: `${(staffStep(each) - lowest) * stepHeight + 22}px` }" />
      </div>
    </section>
    <section class="card-paper sheet">
      <ScoreSheet
        :abc="sheet"
        :title="t('staff-stage.notes-count-notes-the-new-one', { notesCount: notes.length })"
        :instrument-id="lesson.on.id"
        :naming="naming"
        :marks="marks"
        plain
      />
    </section>
    <section class="words">
      <p class="place">
        <strong>{{ lesson.label }}</strong> {{ t('staff-stage.is-staff-place', { staffPlace: lesson.staffPlace }) }}
      </p>
      <p class="compare">{{ lesson.comparison }}</p>
      <div class="line">
        <BButton variant="primary" @click="hear(notes)">{{ t('staff-stage.up-the-stair') }}</BButton>
        <BButton @click="hear([...notes].reverse())">{{ t('staff-stage.down-the-stair') }}</BButton>
        <BButton v-for="each in lesson.known" :key="pitchName(each)" @click="hear([each, lesson.note])">
          {{ t('staff-stage.name-then-label', { name: lesson.name(each), label: lesson.label }) }}
        </BButton>
      </div>
      <p v-if="!big" class="soft">
        {{ t('staff-stage.say-line-or-space-counting-from') }}
      </p>
      <BAlert v-if="sound.error.value !== null" variant="danger" :model-value="true">{{ sound.error.value }}</BAlert>
    </section>
  </div>
</template>

<style scoped lang="scss">
.staff {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  grid-template-rows: auto 1fr;
  gap: 12px;
}

.stair {
  grid-row: 1 / 3;
  display: flex;
  align-items: stretch;
  min-height: 380px;
}

.tread {
  flex: 1;
  display: flex;
  flex-direction: column;
  justify-content: flex-end;
}

.tread button {
  display: grid;
  justify-items: center;
  min-height: 76px;
  border: 0;
  background: none;
  color: var(--ink);
  font-family: var(--heading);
  font-size: var(--headline);
  font-weight: 700;
}

.tread button svg {
  width: 20px;
  height: 20px;
  color: var(--spruce);
}

.tread button.new {
  border: 4px solid var(--brass);
  border-radius: var(--radius-large);
  background: var(--brass-soft);
}

.tread button.sounding {
  border-radius: var(--radius-large);
  background: var(--spruce);
  color: var(--white);
}

.tread button.sounding svg {
  color: var(--white);
}

.riser {
  border-top: 5px solid var(--ink);
  border-left: 5px solid var(--ink);
  background: repeating-linear-gradient(135deg, var(--stone) 0 7px, var(--hatch) 7px 9px);
}

.sheet {
  min-height: 150px;
}

.words {
  display: grid;
  align-content: start;
  gap: 10px;
}

.place {
  font-size: var(--title);
  line-height: 1.2;
}

.compare {
  font-size: var(--text-large);
}

@media (max-width: 900px) {
  .staff {
    grid-template-columns: 1fr;
  }

  .stair {
    grid-row: auto;
  }
}
</style>
