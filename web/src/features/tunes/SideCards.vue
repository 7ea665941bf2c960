<script setup lang="ts">
import type { Instrument } from '@escalier/core/instruments';
import type { LengthWords } from '@escalier/core/music';
import type { ClassSpot } from '@escalier/core/classes';
import type { TroubleSpot } from '@escalier/core/records';
import { barRange, figureWords, intervalWords, shiftWords } from '@escalier/core/words';
import { computed } from 'vue';
import HowComputed from '../../ui/HowComputed.vue';
import type { TuneInfo } from '../../workers/index.ts';
import { noteWords } from '../../ui/note-words.ts';
import MixUpCard from './MixUpCard.vue';
import NewCard from './NewCard.vue';
import SpotCards from './SpotCards.vue';
import { barsWords, notesList, stepsWords } from './words.ts';

/** What a teacher would note about the tune, in sentences; pointing at one shows its bars on the sheet. */
const props = defineProps<{
  info: TuneInfo;
  on: Instrument;
  lengthWords: LengthWords;
  forWhom: string;
  troubles: readonly TroubleSpot[];
}>();
const emit = defineEmits<{ point: [bars: readonly number[]]; climb: [spot: ClassSpot] }>();

const reading = computed(() => props.info.reading);
const isPlayable = computed(() => reading.value.unplayable.length === 0);
const betterKeys = computed(() => {
  const here = reading.value.keys.find((key) => key.shift === 0);
  return reading.value.keys
    .filter((key) => key.shift !== 0 && (here === undefined || key.newNotes.length < here.newNotes.length))
    .slice(0, 2);
});
const points = computed(() => Object.entries(reading.value.difficulty.parts) as [string, number][]);
const PART_WORDS: Record<string, string> = {
  moves: 'moves at the tempo',
  newThings: 'new things',
  reach: 'range, number of notes and how they are fingered',
  rhythm: 'rhythm',
  amount: 'bars to learn',
  breath: 'breath and speed',
};

/** "Bars 1 to 4, bars 9 to 12." */
function figurePlaces({ places }: TuneInfo['figures'][number]): string {
  const said = places.map(({ bars }) => barRange(bars)).join(', ');
  return `${said.charAt(0).toUpperCase()}${said.slice(1)}.`;
}

function leave(): void {
  emit('point', []);
}
</script>

<template>
  <aside class="stack" @mouseleave="leave">
    <BAlert v-if="!isPlayable" variant="danger" :model-value="true">
      <h2>Not on this instrument</h2>
      <p>{{ notesList(reading.unplayable.map((use) => use.name)) }} cannot be played on the {{ on.shortName }}.</p>
    </BAlert>
    <NewCard
      :reading="reading"
      :on="on"
      :length-words="lengthWords"
      :class-name="forWhom"
      @point="emit('point', $event)"
    />
    <section
      class="card-paper stack-close"
      tabindex="0"
      @mouseenter="emit('point', reading.form.learnBars)"
      @focus="emit('point', reading.form.learnBars)"
      @blur="leave"
    >
      <h2>Learn {{ reading.form.distinctBars }} of {{ reading.form.allBars }} bars</h2>
      <p v-for="group in reading.form.sameBars" :key="group.join()">{{ barsWords(group, true) }} are the same.</p>
      <p v-for="pair in reading.form.differAtEnd.slice(0, 3)" :key="pair.join()" class="soft">
        {{ barsWords(pair, true) }} differ only at the end.
      </p>
      <p v-for="sequence in reading.form.sequences.slice(0, 2)" :key="sequence.bars.join()" class="soft">
        Bar {{ sequence.bars[1] }} is bar {{ sequence.bars[0] }}, {{ stepsWords(sequence.steps) }}.
      </p>
      <p v-for="figure in info.figures" :key="figure.letter" class="soft">
        <strong>{{ figure.letter }}</strong> {{ figureWords(figure) }}
        {{ figurePlaces(figure) }}
      </p>
      <p class="soft">
        Lines: {{ reading.form.lines.map((line) => line.letter).join(' ') }} · teach
        {{ reading.form.learnBars.map((bar) => (bar === 0 ? 'pickup' : bar)).join(', ') }}
      </p>
    </section>
    <SpotCards :info="info" :troubles="troubles" @point="emit('point', $event)" @climb="emit('climb', $event)" />
    <MixUpCard v-if="reading.mixUps.length > 0" :mix-ups="reading.mixUps" :on="on" @point="emit('point', $event)" />
    <section v-if="reading.duet !== null" class="card-paper stack-close">
      <h2>Two parts</h2>
      <p>
        {{ reading.duet.sameLength ? 'They end together.' : 'They do not end together.'
        }}<template v-if="reading.duet.mirror"> The second mirrors the first.</template>
      </p>
      <p v-if="reading.duet.clashes.length === 0">No clashes on a beat.</p>
      <p v-for="clash in reading.duet.clashes" :key="`${clash.bar}.${clash.beat}`">
        Bar {{ clash.bar }}, beat {{ clash.beat }}: {{ intervalWords(clash.semitones) }} ({{
          clash.notes.map(noteWords).join(' and ')
        }}).
      </p>
      <p v-if="reading.duet.crossings.length > 0">The parts cross {{ reading.duet.crossings.length }} times.</p>
    </section>
    <section class="card-paper stack-close">
      <h2>{{ betterKeys.length === 0 ? 'This key fits best' : 'Easier keys' }}</h2>
      <p v-for="key in betterKeys" :key="key.shift">
        <strong>{{ key.key }}</strong>, {{ shiftWords(key.shift) }}:
        {{ key.newNotes.length === 0 ? 'nothing new' : `new ${notesList(key.newNotes)}` }}.
      </p>
      <p v-if="betterKeys.length === 0" class="soft">In this key the tune has the fewest new notes.</p>
    </section>
    <section class="card-paper stack-close">
      <h2>Difficulty {{ reading.difficulty.total }}</h2>
      <HowComputed>
        <ul class="bullets">
          <li v-for="[part, size] in points" :key="part">{{ PART_WORDS[part] }}: {{ size }}</li>
        </ul>
      </HowComputed>
    </section>
    <slot />
  </aside>
</template>
