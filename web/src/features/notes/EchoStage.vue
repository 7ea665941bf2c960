<script setup lang="ts">
import type { Naming } from '@escalier/core/instruments';
import { writeWav } from '@escalier/core/listening';
import { pitch, type LengthWords } from '@escalier/core/music';
import {
  ECHO_GRADES,
  ECHO_SIGHT_CHOICES,
  echoTurns,
  type EchoGrade,
  type EchoSight,
  type Teaching,
} from '@escalier/core/practice';
import { elementWords, trapWords } from '@escalier/core/words';
import IconPin from '~icons/bi/pin';
import IconPinned from '~icons/bi/pin-fill';
import IconPlay from '~icons/bi/play-fill';
import IconStop from '~icons/bi/stop-fill';
import { computed, ref, toRef, watch } from 'vue';
import { ScoreSheet } from '../../score/index.ts';
import { echoSchedule, render } from '../../sound/index.ts';
import { saveFile } from '../../ui/save-file.ts';
import { onPlayKey } from '../../ui/keys.ts';
import BeatClock from './BeatClock.vue';
import type { NoteLesson } from './lesson.ts';
import { useEcho, type PlacedEcho } from './use-echo.ts';
import { t } from './messages.ts';

/** The teacher plays four beats, the class answers; then the class reads the same alone. */
const props = defineProps<{
  lesson: NoteLesson;
  naming: Naming;
  lengthWords: LengthWords;
  /** The class's usual way: how often, and what is on the screen. */
  usual: Teaching['echo'];
  big: boolean;
}>();
const values = ref<string[]>([]);
watch(
  () => props.lesson,
  ({ elements }) => (values.value = elements.filter((id) => /^note [a-z-]+$/.test(id) || id.startsWith('rest'))),
  { immediate: true },
);
const valueOptions = computed(() =>
  props.lesson.elements
    .filter((id) => /^(note|rest) [a-z-]+$/.test(id))
    .map((value) => ({ value, text: elementWords(value, props.lengthWords) })),
);
const rounds = ref(props.usual.turns);
const sight = ref<EchoSight>(props.usual.sight);
const ROUNDS = [1, 2, 3].map((value) => ({ value, text: `${value}×` }));
const SIGHTS = ECHO_SIGHT_CHOICES.map(({ value, label }) => ({ value, text: label }));
const echo = useEcho(toRef(props, 'lesson'), values, rounds);
const { grade, tempo } = echo;

const GRADE_WORDS: Readonly<Record<EchoGrade, string>> = {
  'one-note': t('echo-stage.one-note'),
  'two-notes': t('echo-stage.two-notes'),
  steps: t('echo-stage.steps'),
  skip: t('echo-stage.a-skip'),
  elsewhere: t('echo-stage.starts-elsewhere'),
};
const grades = computed(() => ECHO_GRADES.map((value) => ({ value, text: GRADE_WORDS[value] })));
/** By ear the notes stay hidden while it is played; read alone they are always there. */
function isSeen(place: string): boolean {
  if (sight.value === 'shown' || echo.run.value?.reading === true) return true;
  if (sight.value === 'hidden') return !props.big && echo.playing.value === null;
  // After the answer: those that are over, and all of them when it is quiet.
  const order = echo.run.value?.patterns.map((pattern) => pattern.place) ?? [];
  const now = echo.now.value?.place ?? null;
  return echo.playing.value === null
    ? echo.run.value !== null || !props.big
    : order.indexOf(place) < order.indexOf(now ?? '');
}
const saving = ref(false);
/** Whether the answer of the game is shown. */
const isTold = ref(false);

function guess(pattern: PlacedEcho): void {
  isTold.value = false;
  echo.playChanged(pattern);
}

function toggle(): void {
  if (echo.playing.value !== null) echo.stop();
  else if (echo.shown.value.length > 0) echo.play(echo.shown.value, false);
}

onPlayKey(toggle);

/** The set as a file, to echo at home or where there is no Escalier. */
async function saveSound(): Promise<void> {
  saving.value = true;
  try {
    const shown = echo.shown.value;
    const { on, label } = props.lesson;
    const schedule = echoSchedule(
      shown,
      echoTurns([...shown.keys()], false, rounds.value),
      tempo.value,
      on.soundsAbove,
    );
    const { samples, rate } = await render(schedule, { family: on.family, melody: true, click: true, drone: false });
    saveFile(
      t('echo-stage.echo-label-lower-case-wav', { label, lowerCase: GRADE_WORDS[grade.value].toLowerCase() }),
      'audio/wav',
      writeWav(samples, rate),
    );
  } finally {
    saving.value = false;
  }
}
</script>

<template>
  <div class="echo" :class="{ big }">
    <BeatClock :beat="echo.now.value?.beat ?? null" :whose="echo.now.value?.whose ?? null" />
    <div class="line">
      <BButton variant="primary" :disabled="echo.shown.value.length === 0" @click="toggle">
        <IconStop v-if="echo.playing.value !== null" aria-hidden="true" />
        <IconPlay v-else aria-hidden="true" />
        {{ echo.playing.value === null ? t('echo-stage.echo') : t('echo-stage.stop') }}
      </BButton>
      <BButton :disabled="echo.shown.value.length === 0" @click="echo.play(echo.shown.value, true)">{{
        t('echo-stage.read-alone')
      }}</BButton>
      <BFormRadioGroup v-model="grade" buttons :options="grades" :aria-label="t('echo-stage.how-far')" />
      <div class="line" role="group" :aria-label="t('echo-stage.tempo')">
        <BButton :aria-label="t('echo-stage.slower')" @click="echo.slower">−</BButton>
        <output>{{ tempo }}</output>
        <BButton :aria-label="t('echo-stage.faster')" @click="echo.faster">+</BButton>
      </div>
      <BFormRadioGroup v-model="rounds" buttons :options="ROUNDS" :aria-label="t('echo-stage.each-pattern')" />
      <BFormSelect v-model="sight" class="auto" :options="SIGHTS" :aria-label="t('echo-stage.on-the-screen')" />
      <BButton v-if="!big" @click="echo.shuffle">{{ t('echo-stage.shuffle') }}</BButton>
      <BButton v-if="!big" :disabled="saving" @click="saveSound">{{ t('echo-stage.save-as-sound') }}</BButton>
      <BFormCheckboxGroup
        v-if="!big && valueOptions.length > 1"
        v-model="values"
        :options="valueOptions"
        :aria-label="t('echo-stage.values-in-the-patterns')"
      />
    </div>
    <BAlert v-if="echo.error.value !== null" variant="danger" :model-value="true">{{ echo.error.value }}</BAlert>
    <p v-if="echo.set.value === null" class="soft" role="status">{{ t('echo-stage.making-patterns') }}</p>
    <p v-else-if="echo.whyMissing.value !== null" class="card-paper">
      {{ t('echo-stage.no-patterns-of-this-kind-why', { whyMissing: echo.whyMissing.value }) }}
    </p>
    <p v-if="echo.change.value !== null" class="large mb-0" role="status">
      {{ t('echo-stage.guess-what-changed') }}
      <strong v-if="isTold"
        >{{ ' '
        }}{{
          t('echo-stage.note-note-name-instead-of-name2', {
            note: echo.change.value.note,
            name: lesson.name(pitch(echo.change.value.is)),
            before: lesson.name(pitch(echo.change.value.was)),
          })
        }}{{ ' ' }}
      </strong>
      <BButton v-else size="sm" @click="isTold = true">{{ t('echo-stage.tell') }}</BButton>
    </p>
    <ul class="plain patterns">
      <li
        v-for="(pattern, index) in echo.shown.value"
        :key="pattern.place"
        class="card-paper"
        :class="{ now: echo.now.value?.place === pattern.place }"
      >
        <div class="line">
          <h2>{{ index + 1 }}</h2>
          <template v-if="!big">
            <BButton
              :aria-label="t('echo-stage.play-pattern-index-alone', { index: index + 1 })"
              @click="echo.play([pattern], false)"
            >
              <IconPlay aria-hidden="true" />
            </BButton>
            <BButton
              :aria-label="t('echo-stage.change-a-note-of-pattern-index', { index: index + 1 })"
              @click="guess(pattern)"
              >?</BButton
            >
            <BButton
              :pressed="pattern.pinned"
              :aria-label="t('echo-stage.pin-pattern-index', { index: index + 1 })"
              @click="echo.pin(pattern)"
            >
              <IconPinned v-if="pattern.pinned" aria-hidden="true" />
              <IconPin v-else aria-hidden="true" />
            </BButton>
          </template>
        </div>
        <ScoreSheet
          v-if="isSeen(pattern.place)"
          :abc="pattern.abc"
          :title="t('echo-stage.pattern-index', { index: index + 1 })"
          :instrument-id="lesson.on.id"
          :naming="big ? null : naming"
          :no-words="big"
          :marks="[]"
          plain
        />
        <p v-else class="by-ear">{{ t('echo-stage.by-ear') }}</p>
        <template v-if="!big">
          <p v-for="trap in pattern.traps.map(trapWords)" :key="trap" class="trap">{{ trap }}</p>
        </template>
      </li>
    </ul>
    <p v-if="!big" class="soft">
      {{ t('echo-stage.you-play-each-pattern-and-the') }}
    </p>
  </div>
</template>

<style scoped lang="scss">
.echo {
  display: grid;
  align-content: start;
  gap: 12px;
}

.echo.big {
  grid-template-rows: minmax(0, 1fr) auto auto;
  align-content: stretch;
}

.echo.big > :first-child {
  align-content: center;
  font-size: var(--title);
}

output {
  min-width: 2.2em;
  font-size: var(--text-large);
  font-weight: 700;
  text-align: center;
}

.patterns {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 12px;
}

.patterns li {
  border-width: 3px;
}

.patterns li.now {
  border-color: var(--spruce);
  background: var(--spruce-soft);
}

li h2 {
  flex: 1;
  font-size: var(--title);
}

.trap {
  padding-left: 12px;
  border-left: 4px solid var(--brass);
  margin-top: 6px;
}

.by-ear {
  padding: 24px 0;
  color: var(--ink-soft);
  font-size: var(--title);
  text-align: center;
}

@media (max-width: 900px) {
  .patterns {
    grid-template-columns: 1fr;
  }
}
</style>
