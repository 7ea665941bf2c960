<script setup lang="ts">
import { computed } from 'vue';
import type { Stage } from '../stage.ts';
import { t } from '../messages.ts';

/** Names, counting or words in large letters; the one that sounds now is lit, three lines at a time. */
const props = defineProps<{ stage: Stage }>();
const SHOWN = 4;
const SPACE = 1.4;
const line = computed(() => {
  const at = props.stage.words.findIndex((words) => words.some(({ id }) => id === props.stage.now));
  return Math.max(0, at);
});
const first = computed(() => Math.max(0, Math.min(line.value, props.stage.words.length - SHOWN)));
/** Letters of the longest line, with the space between words. */
const longest = computed(() =>
  Math.max(
    8,
    ...props.stage.words.map((words) =>
      words.reduce(
        (sum, { text, before, after }) =>
          sum + text.length + SPACE * (1 + Number(before !== null) + Number(after !== null)),
        0,
      ),
    ),
  ),
);
const shown = computed(() => props.stage.words.slice(first.value, first.value + SHOWN));
</script>

<template>
  <div class="words-scene" :style="{ '--letters': longest }">
    <p
      v-for="(words, index) in shown"
      :key="first + index"
      :class="{ here: first + index === line && stage.now !== null }"
    >
      <template v-for="word in words" :key="word.id">
        <span v-if="word.before !== null" class="bar-sign" aria-hidden="true">{{ word.before }}</span>
        <span class="word" :class="{ now: word.id === stage.now }">{{ word.text }}</span>
        <span v-if="word.after !== null" class="bar-sign" aria-hidden="true">{{ word.after }}</span>
      </template>
    </p>
    <p v-if="stage.words.length === 0" class="soft">{{ t('words-scene.this-tune-has-no-words') }}</p>
  </div>
</template>

<style scoped lang="scss">
.words-scene {
  display: grid;
  align-content: space-evenly;
  min-height: 0;
}

.words-scene p {
  font-size: min(17cqh, calc(140cqw / var(--letters)));
  font-weight: 700;
  line-height: 1.15;
  display: flex;
  flex-wrap: wrap;
  gap: 0 0.35em;
  padding: 0 0.3em;
  border-left: 0.12em solid transparent;
}

.words-scene .here {
  border-left-color: var(--spruce);
}

.word {
  padding: 0 0.12em;
  border-radius: var(--radius);
}

.bar-sign {
  color: var(--ink-soft);
  font-weight: 400;
}

.now {
  background: var(--spruce);
  color: var(--white);
}
</style>
