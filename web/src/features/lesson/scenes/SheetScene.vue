<script setup lang="ts">
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue';
import { ScoreSheet, type ScoreMark } from '../../../score/index.ts';
import { useSize } from '../../../ui/use-size.ts';
import { BeatClock } from '../../notes/index.ts';
import { NOTES_OF_PATTERN, NOTES_ON_LINE, type Stage } from '../stage.ts';
import { t } from '../messages.ts';
import { linesFrom, pagesOf, type SheetLine } from './picture-lines.ts';

/** A sheet to read from the back: the line that is played is at the top, the next one under it. */
const props = defineProps<{ stage: Stage }>();
const sheet = computed(() => props.stage.sheet);
const marks = computed((): readonly ScoreMark[] => {
  const { now } = props.stage;
  return [...(sheet.value?.marks ?? []), ...(now === null ? [] : [{ kind: 'now' as const, id: now }])];
});
const withClock = computed(() => ['echo', 'changed', 'changed-answer', 'cards', 'partner'].includes(props.stage.scene));
const LEAST_ON_LINE = 4;
/** Width by height of the place for the sheet on a wide picture. */
const WIDE = 1.8;
const frame = useTemplateRef<HTMLElement>('frame');
const frameSize = useSize(frame, { width: 0, height: 0 });
/** On a picture that is narrower than it was reckoned for there are fewer notes on a line, and they stay as large. */
const onLine = computed(() => {
  if (sheet.value?.plain === true) return undefined;
  const most = withClock.value ? NOTES_OF_PATTERN : NOTES_ON_LINE;
  const { width, height } = frameSize.value;
  return height === 0 ? most : Math.max(LEAST_ON_LINE, Math.min(most, Math.round((most * width) / height / WIDE)));
});

const roll = useTemplateRef<HTMLElement>('roll');
const size = useSize(roll, { width: 0, height: 0 });
const up = ref(0);
/** What is hidden of the place: the shading of the line before, and what is cut of the line after the last whole one. */
const hidden = ref('none');
/** Over a line for its bracket, its bar number and the letters of the form, by the height of the place. */
const HEADROOM = 0.085;

const systems = (): readonly Element[] => [...(roll.value?.querySelectorAll('.system') ?? [])];

/** The lines as they are engraved, in pixels of the roll. */
function engravedLines(): readonly SheetLine[] {
  const zero = roll.value?.getBoundingClientRect().top ?? 0;
  const headroom = HEADROOM * frameSize.value.height;
  return systems().map((system) => {
    const { top, bottom } = system.getBoundingClientRect();
    return { top: top - zero - headroom, bottom: bottom - zero };
  });
}

/** Index of the line that has a note or a bar; -1 as long as it is not engraved. */
function lineOf(id: string): number {
  const line = roll.value?.querySelector(`[id="${id}"]`)?.closest('.system');
  return line === null || line === undefined ? -1 : systems().indexOf(line);
}

/**
 * The line from which on the picture shows: that of the note that sounds, so that the next one is there to be read
 * ahead, or where the teacher has turned to.
 */
function firstLine(lines: readonly SheetLine[], height: number): number {
  const { now, scene, turned } = props.stage;
  if (now !== null) return lineOf(now);
  const bracket = sheet.value?.marks.find((mark) => mark.kind === 'bracket');
  if (scene === 'spot' && turned === 0 && bracket?.kind === 'bracket') return lineOf(bracket.from);
  const pages = pagesOf(lines, height);
  return pages[((turned % pages.length) + pages.length) % pages.length] ?? 0;
}

watch(
  [() => props.stage.now, () => props.stage.turned, size, frameSize, () => sheet.value?.abc],
  async () => {
    await nextTick();
    const lines = engravedLines();
    const { height } = frameSize.value;
    if (lines.length === 0 || height === 0) return;
    const { first, last } = linesFrom(lines, firstLine(lines, height), height);
    up.value = Math.max(0, lines[first]!.top);
    const under = last === lines.length - 1 ? 0 : Math.max(0, height - (lines[last]!.bottom - up.value));
    hidden.value = `inset(${first === 0 ? 0 : 1.5}% 0 ${under}px 0)`;
  },
  { immediate: true },
);
</script>

<template>
  <div v-if="sheet !== null" class="sheet-scene">
    <div ref="frame" class="frame" :style="{ clipPath: hidden }">
      <div ref="roll" class="roll" :style="{ transform: `translateY(${-up}px)` }">
        <ScoreSheet
          :abc="sheet.abc"
          :title="sheet.title"
          :instrument-id="sheet.instrumentId"
          :rows="sheet.rows"
          :counting="sheet.counting"
          :sayings="sheet.sayings"
          :colours="sheet.colours"
          :plain="sheet.plain"
          :notes-on-line="onLine"
          :marks="marks"
        />
        <ScoreSheet
          v-if="sheet.second !== null"
          :abc="sheet.second"
          :title="t('sheet-scene.the-other-half-of-the-class')"
          :instrument-id="sheet.instrumentId"
          :rows="sheet.rows"
          :counting="sheet.counting"
          :sayings="sheet.sayings"
          :notes-on-line="onLine"
          :marks="[]"
        />
      </div>
    </div>
    <ol v-if="stage.ladder.length > 1" class="plain rungs" :aria-label="t('sheet-scene.tempo-ladder')">
      <li
        v-for="(rung, index) in stage.ladder"
        :key="rung"
        :class="{ on: rung === stage.tempo }"
        :aria-current="rung === stage.tempo ? 'step' : undefined"
        :style="{ height: `${12 + (24 * (index + 1)) / stage.ladder.length}cqh` }"
      >
        {{ rung }}
      </li>
    </ol>
    <BeatClock v-if="withClock" :beat="stage.beat" :whose="stage.whose" />
    <p v-for="line in stage.lines" :key="line" class="said">{{ line }}</p>
  </div>
</template>

<style scoped lang="scss">
.sheet-scene {
  display: grid;
  grid-template-rows: minmax(0, 1fr);
  grid-auto-rows: auto;
  gap: 2cqh;
  min-height: 0;

  --headline: 8cqh;
}

.frame {
  min-height: 0;
  overflow: hidden;
}

.roll {
  // So wide that the staff is a little more than a ninth of the height, and two lines fit.
  max-width: 158cqh;
  margin-inline: auto;
  padding-top: 6.5cqh;
  transition: transform var(--quick) ease-out;
}

.rungs {
  display: flex;
  gap: 1.5cqw;
  align-items: flex-end;
}

.rungs li {
  flex: 1;
  padding: 1cqh;
  border-top: 1cqh solid var(--ink);
  border-left: 1cqh solid var(--ink);
  background: var(--stone);
  font-size: 7cqh;
  font-weight: 700;
}

.rungs .on {
  background: var(--spruce);
  color: var(--white);
}

// Nothing on the picture is smaller than what can be read from the back.
.roll :deep(.shade-letter) {
  font-size: 4.6cqh;
  text-anchor: end;
}

.said {
  text-align: center;
}
</style>
