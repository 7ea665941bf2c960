<script setup lang="ts">
import type { Instrument } from '@escalier/core/instruments';
import { pitch, staffStep, type LengthWords } from '@escalier/core/music';
import { syllableAt, type Reading } from '@escalier/core/reading';
import { describeMove, elementWords, signWords, staffPlace } from '@escalier/core/words';
import { computed } from 'vue';
import { noteWords } from '../../ui/note-words.ts';
import { barsWords } from './words.ts';
import { counted } from '../../ui/count-messages.ts';
import { t } from './messages.ts';

/** What the tune brings that this class has not had. */
const props = defineProps<{ reading: Reading; on: Instrument; lengthWords: LengthWords; className: string }>();
const emit = defineEmits<{ point: [bars: readonly number[]] }>();

const SHOWN_MOVES = 3;
const moves = computed(() => props.reading.moves.new.slice(0, SHOWN_MOVES));
/** The words that are sung on a note, each once. */
function wordsOf({ places }: Reading['notes']['all'][number]): readonly string[] {
  const { sung } = props.reading;
  if (sung === null) return [];
  return [...new Set(places.map((place) => syllableAt(sung, place)?.word ?? ''))].filter((word) => word !== '');
}

const nothing = computed(() => {
  const { notes, elements, signs, moves: all } = props.reading;
  return [notes, elements, signs, all].every((group) => group.new.length === 0);
});
</script>

<template>
  <section class="card-paper stack-close">
    <h2>{{ t('new-card.new-for-class-name', { className }) }}</h2>
    <p v-if="nothing">{{ t('new-card.nothing-new-a-tune-to-settle') }}</p>
    <ul class="plain stack-close">
      <li
        v-for="use in reading.notes.new"
        :key="use.name"
        tabindex="0"
        @mouseenter="emit('point', use.bars)"
        @focus="emit('point', use.bars)"
        @blur="emit('point', [])"
      >
        <span class="chip">{{ noteWords(use.name) }}</span>
        {{
          t('new-card.times-bars-written-staff-place', {
            times: counted('times', { n: use.count }),
            bars: barsWords(use.bars),
            staffPlace: staffPlace(staffStep(pitch(use.name))),
          })
        }}
        <template v-if="wordsOf(use).length > 0">{{
          t('new-card.on-list', { list: wordsOf(use).join('”, “') })
        }}</template>
      </li>
      <li
        v-for="element in reading.elements.new"
        :key="element.id"
        tabindex="0"
        @mouseenter="emit('point', element.bars)"
        @focus="emit('point', element.bars)"
        @blur="emit('point', [])"
      >
        <strong>{{ elementWords(element.id, lengthWords) }}</strong>
        <span v-if="element.id !== 'pickup'">, {{ barsWords(element.bars) }}</span>
      </li>
      <li v-for="sign in reading.signs.new" :key="sign.id">
        <strong>{{ signWords(sign.id) }}</strong><span v-if="sign.id.startsWith('key')">{{
          t('new-card.list-changed', { list: reading.keySignature.changes.join(', ') })
        }}</span>
      </li>
    </ul>
    <p v-for="each in reading.sung?.offBeat ?? []" :key="`${each.bar}.${each.word}`">
      <strong>“{{ each.word }}”</strong>
      {{ t('new-card.in-bars-syllable-is-stressed-and', { bars: barsWords([each.bar]), syllable: each.syllable }) }}
    </p>
    <template v-if="moves.length > 0">
      <h3>{{ t('new-card.moves-to-drill-first') }}</h3>
      <ul class="plain stack-close">
        <li v-for="use in moves" :key="`${use.from}>${use.to}`">
          <strong>{{ noteWords(use.from) }} → {{ noteWords(use.to) }}</strong
          >: {{ describeMove(use.move) }}; {{ barsWords(use.bars) }}.
        </li>
      </ul>
      <p v-if="reading.moves.new.length > SHOWN_MOVES" class="soft">
        {{
          t('new-card.and-easier', {
            easier: counted('easier-new-moves', { n: reading.moves.new.length - SHOWN_MOVES }),
          })
        }}
      </p>
    </template>
  </section>
</template>
