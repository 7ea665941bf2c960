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
import { t } from './messages.ts';

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
  moves: t('side-cards.moves-at-the-tempo'),
  newThings: t('side-cards.new-things'),
  reach: t('side-cards.range-number-of-notes-and-how'),
  rhythm: 'rhythm',
  amount: t('side-cards.bars-to-learn'),
  breath: t('side-cards.breath-and-speed'),
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
      <h2>{{ t('side-cards.not-on-this-instrument') }}</h2>
      <p>
        {{
          t('side-cards.notes-list-cannot-be-played-on', {
            notesList: notesList(reading.unplayable.map((use) => use.name)),
            shortName: on.shortName,
          })
        }}
      </p>
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
      <h2>
        {{
          t('side-cards.learn-distinct-bars-of-all-bars', {
            distinctBars: reading.form.distinctBars,
            allBars: reading.form.allBars,
          })
        }}
      </h2>
      <p v-for="group in reading.form.sameBars" :key="group.join()">
        {{ t('side-cards.bars-are-the-same', { bars: barsWords(group, true) }) }}
      </p>
      <p v-for="pair in reading.form.differAtEnd.slice(0, 3)" :key="pair.join()" class="soft">
        {{ t('side-cards.bars-differ-only-at-the-end', { bars: barsWords(pair, true) }) }}
      </p>
      <p v-for="sequence in reading.form.sequences.slice(0, 2)" :key="sequence.bars.join()" class="soft">
        {{
          t('side-cards.bar-bars-is-bar-bars2-steps', {
            bars: sequence.bars[1],
            bars2: sequence.bars[0],
            steps: stepsWords(sequence.steps),
          })
        }}
      </p>
      <p v-for="figure in info.figures" :key="figure.letter" class="soft">
        <strong>{{ figure.letter }}</strong> {{ figureWords(figure) }}
        {{ figurePlaces(figure) }}
      </p>
      <p class="soft">
        {{
          t('side-cards.lines-list-teach-list2', {
            list: reading.form.lines.map((line) => line.letter).join(' '),
            list2: reading.form.learnBars.map((bar) => (bar === 0 ? 'pickup' : bar)).join(', '),
          })
        }}
      </p>
    </section>
    <SpotCards :info="info" :troubles="troubles" @point="emit('point', $event)" @climb="emit('climb', $event)" />
    <MixUpCard v-if="reading.mixUps.length > 0" :mix-ups="reading.mixUps" :on="on" @point="emit('point', $event)" />
    <section v-if="reading.duet !== null" class="card-paper stack-close">
      <h2>{{ t('side-cards.two-parts') }}</h2>
      <p>
        {{ reading.duet.sameLength ? t('side-cards.they-end-together') : t('side-cards.they-do-not-end-together')
        }}<template v-if="reading.duet.mirror">{{ ' ' }}{{ t('side-cards.the-second-mirrors-the-first') }}</template>
      </p>
      <p v-if="reading.duet.clashes.length === 0">{{ t('side-cards.no-clashes-on-a-beat') }}</p>
      <p v-for="clash in reading.duet.clashes" :key="`${clash.bar}.${clash.beat}`">
        {{
          t('side-cards.bar-bar-beat-beat-interval-list', {
            bar: clash.bar,
            beat: clash.beat,
            interval: intervalWords(clash.semitones),
            list: clash.notes.map(noteWords).join(' and '),
          })
        }}
      </p>
      <p v-if="reading.duet.crossings.length > 0">
        {{ t('side-cards.the-parts-cross-crossings-count-times', { crossingsCount: reading.duet.crossings.length }) }}
      </p>
    </section>
    <section class="card-paper stack-close">
      <h2>{{ betterKeys.length === 0 ? t('side-cards.this-key-fits-best') : t('side-cards.easier-keys') }}</h2>
      <p v-for="key in betterKeys" :key="key.shift">
        <strong>{{ key.key }}</strong>, {{ shiftWords(key.shift) }}:
        {{
          key.newNotes.length === 0
            ? t('side-cards.nothing-new')
            : t('side-cards.new-notes-list', { notesList: notesList(key.newNotes) })
        }}.
      </p>
      <p v-if="betterKeys.length === 0" class="soft">{{ t('side-cards.in-this-key-the-tune-has') }}</p>
    </section>
    <section class="card-paper stack-close">
      <h2>{{ t('side-cards.difficulty-total', { total: reading.difficulty.total }) }}</h2>
      <HowComputed>
        <ul class="bullets">
          <li v-for="[part, size] in points" :key="part">{{ PART_WORDS[part] }}: {{ size }}</li>
        </ul>
      </HowComputed>
    </section>
    <slot />
  </aside>
</template>
