<script setup lang="ts">
import { pitchName, staffStep, type Pitch } from '@escalier/core/music';
import { sayNote } from '@escalier/core/words';
import { computed } from 'vue';
import { GLYPHS } from '../../score/glyphs.ts';
import { t } from './messages.ts';

/** The note asked for and, over it, a needle at the note that sounds: it tilts up when it is high, down when it is low. */
const props = defineProps<{ asked: Pitch | null; heard: Pitch | null; cents: number | null }>();

const SPACE = 18;
const BOTTOM_LINE = 152;
/** E4. */
const BOTTOM_STEP = 30;
const SCALE = SPACE / 250;
const WIDEST = 50;
const DEGREES = 32;
const NEAR = 8;
const ASKED_X = 104;
const PIVOT = 150;
const LENGTH = 130;
const LINES = [0, 1, 2, 3, 4].map((line) => BOTTOM_LINE - line * SPACE);

const heightOf = (step: number): number => BOTTOM_LINE - ((step - BOTTOM_STEP) * SPACE) / 2;
/** Short lines below and above the staff, for a note that lies there. */
function ledgers(step: number): readonly number[] {
  const lines: number[] = [];
  for (let at = BOTTOM_STEP - 2; at >= step; at -= 2) lines.push(heightOf(at));
  for (let at = BOTTOM_STEP + 10; at <= step; at += 2) lines.push(heightOf(at));
  return lines;
}
const placeOf = (pitch: Pitch) => ({
  y: heightOf(staffStep(pitch)),
  ledgers: ledgers(staffStep(pitch)),
  sign: pitch.alter === 0 ? null : pitch.alter > 0 ? GLYPHS.sharp : GLYPHS.flat,
});
const wanted = computed(() => (props.asked === null ? null : placeOf(props.asked)));
const sounding = computed(() => (props.heard === null ? null : placeOf(props.heard)));
const tilt = computed(() => (-Math.max(-WIDEST, Math.min(WIDEST, props.cents ?? 0)) / WIDEST) * DEGREES);
const isRight = computed(
  () => props.asked !== null && props.heard !== null && pitchName(props.asked) === pitchName(props.heard),
);
const TICKS = [-DEGREES, -DEGREES / 2, 0, DEGREES / 2, DEGREES];

const words = computed(() => {
  if (props.heard === null || props.cents === null) return t('needle-staff.silent');
  const cents = Math.round(props.cents);
  const off =
    Math.abs(cents) < NEAR
      ? 'true'
      : t('needle-staff.number-cents-value', { number: Math.abs(cents), direction: cents < 0 ? 'low' : 'high' });
  return `${sayNote(pitchName(props.heard))}, ${off}`;
});
</script>

<template>
  <svg
    class="staff"
    viewBox="0 0 330 250"
    role="img"
    :aria-label="
      asked === null ? words : t('needle-staff.note-asked-for-words', { note: sayNote(pitchName(asked)), words })
    "
  >
    <line v-for="y in LINES" :key="y" class="line" x1="6" x2="324" :y1="y" :y2="y" />
    <path class="ink" :d="GLYPHS.clef" :transform="`translate(14 ${BOTTOM_LINE - SPACE}) scale(${SCALE} ${-SCALE})`" />
    <template v-if="wanted !== null">
      <line v-for="y in wanted.ledgers" :key="y" class="line" :x1="ASKED_X - 8" :x2="ASKED_X + 37" :y1="y" :y2="y" />
      <path class="ink" :d="GLYPHS.whole" :transform="`translate(${ASKED_X} ${wanted.y}) scale(${SCALE} ${-SCALE})`" />
      <path
        v-if="wanted.sign !== null"
        class="ink"
        :d="wanted.sign"
        :transform="`translate(${ASKED_X - 22} ${wanted.y}) scale(${SCALE} ${-SCALE})`"
      />
    </template>
    <g
      v-if="sounding !== null"
      class="sounding"
      :class="{ right: isRight }"
      :transform="`translate(${PIVOT} ${sounding.y})`"
    >
      <line
        v-for="tick in TICKS"
        :key="tick"
        class="tick"
        :x1="LENGTH + 4"
        :x2="LENGTH + 16"
        :transform="`rotate(${tick})`"
      />
      <line
        v-for="y in sounding.ledgers"
        :key="y"
        class="line"
        x1="-4"
        x2="34"
        :y1="y - sounding.y"
        :y2="y - sounding.y"
      />
      <g :transform="`rotate(${tilt})`">
        <ellipse class="head" cx="15" rx="13" ry="9" />
        <line class="needle" x1="15" :x2="LENGTH" />
      </g>
      <path
        v-if="sounding.sign !== null"
        class="sign"
        :d="sounding.sign"
        :transform="`translate(-22 0) scale(${SCALE} ${-SCALE})`"
      />
    </g>
    <text class="words" x="165" y="238">{{ words }}</text>
  </svg>
</template>

<style scoped>
.staff {
  width: 420px;
  max-width: 60vw;
}

.line,
.tick {
  stroke: var(--ink-soft);
  stroke-width: 1.4;
}

.ink {
  fill: var(--ink);
}

.sounding {
  color: var(--brick);
}

.sounding.right {
  color: var(--spruce);
}

.head,
.sign {
  fill: currentColor;
}

.needle {
  stroke: currentColor;
  stroke-width: 4;
  stroke-linecap: round;
}

.words {
  fill: var(--ink);
  font-family: var(--heading);
  font-size: 22px;
  font-weight: 700;
  text-anchor: middle;
}
</style>
