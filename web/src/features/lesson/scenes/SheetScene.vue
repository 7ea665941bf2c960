<script setup lang="ts">
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue';
import { ScoreSheet, type ScoreMark } from '../../../score/index.ts';
import { useSize } from '../../../ui/use-size.ts';
import { BeatClock } from '../../notes/index.ts';
import { NOTES_OF_PATTERN, NOTES_ON_LINE, type Stage } from '../stage.ts';
import { t } from '../messages.ts';

/** A sheet to read from the back: the line that is played is at the top, the next one under it. */
const props = defineProps<{ stage: Stage }>();
const sheet = computed(() => props.stage.sheet);
const marks = computed((): readonly ScoreMark[] => {
  const { now } = props.stage;
  return [...(sheet.value?.marks ?? []), ...(now === null ? [] : [{ kind: 'now' as const, id: now }])];
});
const withClock = computed(() => ['echo', 'cards', 'partner'].includes(props.stage.scene));
const onLine = computed(() => {
  if (sheet.value?.plain === true) return undefined;
  return withClock.value ? NOTES_OF_PATTERN : NOTES_ON_LINE;
});

const roll = useTemplateRef<HTMLElement>('roll');
const size = useSize(roll, { width: 0, height: 0 });
const up = ref(0);
/** Pixels over a line for its bracket and its bar number. */
const HEADROOM = 24;

/** Where the line of a note begins, in pixels of the roll; null as long as it is not engraved. */
function lineOf(id: string): number | null {
  const line = roll.value?.querySelector(`[id="${id}"]`)?.closest('.system');
  if (line === null || line === undefined || roll.value === null) return null;
  return line.getBoundingClientRect().top - roll.value.getBoundingClientRect().top;
}

watch(
  [() => props.stage.now, size, () => sheet.value?.abc],
  async () => {
    await nextTick();
    const bracket = sheet.value?.marks.find((mark) => mark.kind === 'bracket');
    const first = props.stage.scene === 'spot' && bracket?.kind === 'bracket' ? bracket.from : null;
    const id = props.stage.now ?? first;
    up.value = id === null ? 0 : Math.max(0, (lineOf(id) ?? 0) - HEADROOM);
  },
  { immediate: true },
);
</script>

<template>
  <div v-if="sheet !== null" class="sheet-scene">
    <div class="frame">
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
    <p v-for="line in stage.scene === 'staff' ? stage.lines : []" :key="line" class="said">{{ line }}</p>
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

.said {
  text-align: center;
}
</style>
