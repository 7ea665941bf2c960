<script setup lang="ts">
import { primaryFingering } from '@escalier/core/instruments';
import { pitchName, type Pitch } from '@escalier/core/music';
import { moveWalk, type RestPlace } from '@escalier/core/practice';
import { describeMove } from '@escalier/core/words';
import IconPlay from '~icons/bi/play-fill';
import IconStop from '~icons/bi/stop-fill';
import { computed, ref, watch } from 'vue';
import { beatOf, risingTempi, TOGGLE_NOTES, toggleSchedule, useSound, walkSchedule } from '../../sound/index.ts';
import HowComputed from '../../ui/HowComputed.vue';
import { onPlayKey } from '../../ui/keys.ts';
import { costSum } from './chart.ts';
import type { NoteLesson } from './lesson.ts';
import PipePicture from './PipePicture.vue';
import type { PipeView } from './pipe-shape.ts';
import { t } from './messages.ts';

/** The moves between the new note and each known one, easiest first, back and forth while the tempo rises. */
const props = defineProps<{ lesson: NoteLesson; view: PipeView; restsAt: RestPlace; big: boolean }>();

const chosen = ref(0);
watch(
  () => props.lesson,
  () => (chosen.value = 0),
);
const pair = computed(() => props.lesson.pairs[chosen.value] ?? null);
const slow = ref(54);
const goal = ref(96);
const ROUNDS = 5;
const tempi = computed(() => risingTempi(slow.value, goal.value, ROUNDS));

const sound = useSound();
const plays = ref<'pair' | 'walk' | null>(null);
watch(sound.playing, (playing) => {
  if (playing === null) plays.value = null;
});
const walk = computed(() => moveWalk(props.lesson.on, [...props.lesson.known, props.lesson.note]));
const mapNotes = computed(() => [...props.lesson.known, props.lesson.note].map(pitchName).join());
const voices = computed(() => ({ family: props.lesson.on.family, melody: true, click: true, drone: false }));

async function start(what: 'pair' | 'walk'): Promise<void> {
  const { on } = props.lesson;
  const schedule =
    what === 'walk'
      ? walkSchedule(walk.value, slow.value, on.soundsAbove)
      : pair.value === null
        ? null
        : toggleSchedule([pair.value.from, pair.value.to], tempi.value, on.soundsAbove);
  if (schedule === null) return;
  await sound.start(schedule, voices.value);
  plays.value = sound.playing.value === null ? null : what;
}

function toggle(): void {
  if (sound.playing.value !== null) sound.stop();
  else void start('pair');
}

const now = computed(() => (sound.now.value === null || plays.value === null ? null : beatOf(sound.now.value)));
const tempoNow = computed(() =>
  plays.value === 'pair' && now.value !== null ? tempi.value[now.value.turn]! : slow.value,
);
/** The two notes that the picture stands between: what sounds, and what was before it. */
const shown = computed((): { readonly note: Pitch; readonly before: Pitch | null } | null => {
  if (pair.value === null) return null;
  if (now.value === null) return { note: pair.value.to, before: pair.value.from };
  const at = now.value.beat - 1;
  if (plays.value === 'walk') return { note: walk.value[at]!, before: walk.value[at - 1] ?? null };
  const both = [pair.value.from, pair.value.to];
  const isFirst = now.value.turn === 0 && at === 0;
  return { note: both[at % 2]!, before: isFirst ? null : both[(at + 1) % 2]! };
});

function change(which: 'slow' | 'goal', by: number): void {
  const next = (which === 'slow' ? slow : goal).value + by;
  if (which === 'slow') slow.value = Math.max(30, Math.min(goal.value, next));
  else goal.value = Math.min(160, Math.max(slow.value, next));
}

onPlayKey(toggle);
</script>

<template>
  <p v-if="pair === null" class="card-paper first">
    {{ t('moves-stage.this-is-the-first-note-so') }}
  </p>
  <div v-else class="moves" :class="{ big }">
    <section class="list" :aria-label="t('moves-stage.moves-easiest-first')">
      <ol>
        <li v-for="(each, index) in lesson.pairs" :key="pitchName(each.from)">
          <BButton class="pair" :pressed="index === chosen" @click="((chosen = index), sound.stop())">
            <strong>{{ lesson.name(each.from) }} – {{ lesson.label }}</strong>
            <span v-if="!big">{{
              t('moves-stage.move-back-move2', { move: describeMove(each.there), move2: describeMove(each.back) })
            }}</span>
            <span v-if="!big" class="cost fw-bold">{{ each.cost.toFixed(1) }}</span>
          </BButton>
          <HowComputed v-if="!big && index === chosen" :label="t('moves-stage.how-is-difficulty-worked-out')">
            {{
              t('moves-stage.there-cost-cost-sum-back-cost2', {
                cost: each.there.cost,
                costSum: costSum(lesson.on, each.there),
                cost2: each.back.cost,
                costSum2: costSum(lesson.on, each.back),
              })
            }}
          </HowComputed>
        </li>
      </ol>
      <div v-if="!big" class="card-paper walk">
        <h2>{{ t('moves-stage.all-moves-once') }}</h2>
        <p>
          <span
            v-for="(each, index) in walk"
            :key="index"
            :class="{ here: plays === 'walk' && now?.beat === index + 1 }"
            >{{ lesson.name(each) }}</span
          >
        </p>
        <BButton @click="start('walk')">{{ t('moves-stage.play-them-all') }}</BButton>
        <RouterLink
          class="map"
          :to="{ name: 'fingerings', query: { on: lesson.on.id, view: 'moves', notes: mapNotes } }"
          >{{ ' ' }}{{ t('moves-stage.show-on-the-map') }}
        </RouterLink>
      </div>
    </section>
    <section class="card-paper stage" :aria-label="t('moves-stage.back-and-forth')">
      <div class="top d-flex align-items-center justify-content-between">
        <p class="letters" aria-hidden="true">
          <span :class="{ here: shown?.note === pair.from }">{{ lesson.name(pair.from) }}</span>
          <span :class="{ here: shown?.note === pair.to }">{{ lesson.label }}</span>
        </p>
        <p class="tempo">
          <strong>{{ tempoNow }}</strong> {{ t('moves-stage.beats-a-minute') }}
        </p>
      </div>
      <PipePicture
        v-if="shown !== null"
        :on="lesson.on"
        :fingering="primaryFingering(lesson.on, shown.note)!"
        :from="shown.before === null ? null : primaryFingering(lesson.on, shown.before)"
        :view="view"
        :label="lesson.name(shown.note)"
      />
    </section>
    <section class="side">
      <BButton variant="primary" @click="toggle">
        <IconStop v-if="sound.playing.value !== null" aria-hidden="true" />
        <IconPlay v-else aria-hidden="true" />
        {{ sound.playing.value === null ? t('moves-stage.back-and-forth') : t('moves-stage.stop') }}
      </BButton>
      <ol class="rungs" :aria-label="t('moves-stage.tempi')">
        <li v-for="(each, index) in tempi" :key="index" :class="{ here: plays === 'pair' && now?.turn === index }">
          {{ each }}
        </li>
      </ol>
      <div
        v-for="which in ['slow', 'goal'] as const"
        :key="which"
        class="knob"
        role="group"
        :aria-label="which === 'slow' ? t('moves-stage.first-tempo') : t('moves-stage.last-tempo')"
      >
        <span>{{ which === 'slow' ? t('moves-stage.from-slow', { slow }) : `To ${goal}` }}</span>
        <BButton
          :aria-label="
            t('moves-stage.value-tempo-slower', {
              which: which === 'slow' ? t('moves-stage.first') : t('moves-stage.last'),
            })
          "
          @click="change(which, -6)"
          >−</BButton
        >
        <BButton
          :aria-label="
            t('moves-stage.value-tempo-faster', {
              which: which === 'slow' ? t('moves-stage.first') : t('moves-stage.last'),
            })
          "
          @click="change(which, 6)"
          >+</BButton
        >
      </div>
      <p v-if="!big" class="soft">
        {{ t('moves-stage.toggle-notes-notes-at-each-tempo', { toggleNotes: TOGGLE_NOTES, rounds: ROUNDS, restsAt }) }}
      </p>
      <BAlert v-if="sound.error.value !== null" variant="danger" :model-value="true">{{ sound.error.value }}</BAlert>
    </section>
  </div>
</template>

<style scoped lang="scss">
.moves {
  display: grid;
  grid-template-columns: minmax(0, 1.1fr) minmax(0, 1.1fr) 190px;
  gap: 12px;
  min-height: 0;
}

.moves.big {
  grid-template-columns: auto minmax(0, 1fr) 250px;
}

.first {
  font-size: var(--text-large);
}

.list ol {
  display: grid;
  gap: 8px;
  margin: 0 0 12px;
  padding: 0;
  list-style: none;
}

.pair {
  display: grid;
  grid-template-columns: 5.4em 1fr auto;
  align-items: center;
  gap: 4px 12px;
  width: 100%;
  min-height: 56px;
  padding: 6px 14px;
  font-weight: 400;
  text-align: left;
}

.pair strong {
  font-family: var(--heading);
  font-size: var(--title);
  white-space: nowrap;
}

.pair.active {
  border-color: var(--spruce);
  background: var(--spruce-soft);
  color: var(--ink);
  box-shadow: inset 6px 0 0 var(--spruce);
}

.walk p {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 6px;
  margin: 6px 0 8px;
}

.walk span {
  padding: 0 5px;
  border-radius: var(--radius-small);
  font-weight: 700;
}

.walk .here {
  background: var(--spruce);
  color: var(--white);
}

.map {
  margin-left: 14px;
}

.stage {
  display: grid;
  grid-template-rows: auto minmax(0, 1fr);
  min-height: 0;
}

.letters {
  display: flex;
  gap: 16px;
  font-family: var(--heading);
  font-size: var(--poster);
  font-weight: 700;
  line-height: 1.1;
}

.letters span {
  padding: 0 12px;
  border-bottom: 6px solid transparent;
}

.letters .here {
  border-color: var(--brass);
  background: var(--brass-soft);
}

.tempo strong {
  font-size: var(--title);
}

.side {
  display: grid;
  align-content: start;
  gap: 12px;
}

.rungs {
  display: flex;
  flex-direction: column-reverse;
  margin: 0;
  padding: 0;
  list-style: none;
}

.rungs li {
  padding: 6px 12px;
  border-top: 3px solid var(--ink);
  background: var(--stone);
  font-weight: 700;
}

@for $rung from 1 through 5 {
  .rungs li:nth-child(#{$rung}) {
    margin-left: 16px * ($rung - 1);
    border-left: 3px solid var(--ink);
  }
}

.rungs .here {
  background: var(--spruce);
  color: var(--white);
}

.knob {
  display: grid;
  grid-template-columns: 5em 1fr 1fr;
  align-items: center;
  gap: 6px;
}

@media (max-width: 900px) {
  .moves {
    grid-template-columns: 1fr 190px;
  }

  .list {
    grid-column: 1 / -1;
  }

  .stage {
    height: 560px;
  }
}
</style>
