<script setup lang="ts">
import type { ChunkStart } from '@escalier/core/practice';
import { chunkWords, startWords, timesWords } from '@escalier/core/words';
import { onKeyStroke } from '@vueuse/core';
import { computed, ref } from 'vue';
import type { usePlayer } from '../../sound/index.ts';
import { isForPage } from '../../ui/keys.ts';
import { withNoteNames } from '../../ui/note-words.ts';
import type { useChunks } from './use-chunks.ts';
import { t } from './messages.ts';

/** The tune in the pieces in which it is taught, and the one that it is the turn of. */
const props = defineProps<{
  chunks: ReturnType<typeof useChunks>;
  player: ReturnType<typeof usePlayer>;
  barNumbers: readonly number[];
}>();

const labels = computed(() =>
  props.chunks.all.value.map(({ bars: [first, last], why }) => ({
    text: first === last ? String(first) : `${first}–${last}`,
    hard: why.kind === 'hard',
    same: why.kind === 'same-line' || why.kind === 'line-start',
    own: why.kind === 'own',
  })),
);
const chosen = computed(() => props.chunks.chosen.value);
const whose = computed(() => {
  const turn = props.player.turn.value;
  return turn === null
    ? ''
    : { teacher: t('chunk-bar.you'), class: 'The class', together: t('chunk-bar.all') }[turn.who];
});
const STARTS: readonly { value: ChunkStart; text: string }[] = [
  { value: 'teacher', text: t('chunk-bar.you-then-the-class') },
  { value: 'class', text: t('chunk-bar.the-class-alone') },
  { value: 'together', text: t('chunk-bar.all-together') },
];
const barOptions = computed(() =>
  props.barNumbers.map((number, value) => ({ value, text: number === 0 ? 'pickup' : String(number) })),
);
const from = ref(0);
const to = ref(0);

onKeyStroke(['n', 'N'], (event) => {
  if (!isForPage(event) || event.repeat) return;
  event.preventDefault();
  props.chunks.next();
});
</script>

<template>
  <section class="card-paper stack-close chunks" aria-labelledby="chunks-title">
    <div class="d-flex flex-wrap gap-2 align-items-center">
      <h2 id="chunks-title" class="mb-0">{{ t('chunk-bar.piece-by-piece') }}</h2>
      <div class="pieces d-flex flex-wrap gap-1 grow" role="group" :aria-label="t('chunk-bar.pieces')">
        <BButton
          v-for="(label, index) in labels"
          :key="index"
          :class="{ hard: label.hard, same: label.same }"
          :pressed="index === chunks.at.value"
          :aria-label="
            t('chunk-bar.bars-text-value', {
              text: label.text,
              marks: label.hard
                ? t('chunk-bar.hard')
                : label.same
                  ? t('chunk-bar.known')
                  : label.own
                    ? t('chunk-bar.your-own')
                    : '',
            })
          "
          @click="chunks.choose(index)"
          >{{ label.text }}</BButton
        >
      </div>
      <BButton variant="primary" @click="chunks.next()">
        {{ chosen === null ? t('chunk-bar.begin') : t('chunk-bar.next') }} <span class="key" aria-hidden="true">N</span>
      </BButton>
    </div>
    <div v-if="chosen !== null" class="d-flex flex-wrap gap-3 align-items-center" aria-live="polite">
      <p class="grow mb-0">
        <strong>{{ startWords(chosen.starts) }}</strong>{{
          t('chunk-bar.times-at-tempo-with-note-names', {
            times: timesWords(chosen.times),
            tempo: chosen.tempo,
            withNoteNames: withNoteNames(chunkWords(chosen.why)),
          })
        }}
        <BBadge v-if="whose !== ''" class="whose">{{ whose }}</BBadge>
      </p>
      <BButton @click="chunks.play()">{{ t('chunk-bar.again') }}</BButton>
      <BFormSelect
        class="auto"
        :model-value="chosen.starts"
        :options="STARTS"
        :aria-label="t('chunk-bar.who-plays')"
        @update:model-value="chunks.change({ starts: $event as ChunkStart })"
      />
      <BFormSelect
        class="auto"
        :model-value="chosen.times"
        :options="[1, 2, 3, 4, 6].map((value) => ({ value, text: timesWords(value) }))"
        :aria-label="t('chunk-bar.how-often')"
        @update:model-value="chunks.change({ times: Number($event) })"
      />
      <BFormInput
        class="tempo"
        type="number"
        lazy
        min="20"
        max="240"
        :model-value="chosen.tempo"
        :aria-label="t('chunk-bar.tempo-of-the-piece')"
        @update:model-value="chunks.change({ tempo: Number($event) })"
      />
    </div>
    <p class="soft mb-0 d-flex flex-wrap gap-2 align-items-center">
      {{ t('chunk-bar.your-own-piece-drag-across-bars') }}
      <BFormSelect v-model="from" class="auto" size="sm" :options="barOptions" :aria-label="t('chunk-bar.from-bar')" />
      {{ t('chunk-bar.to') }}
      <BFormSelect v-model="to" class="auto" size="sm" :options="barOptions" :aria-label="t('chunk-bar.to-bar')" />
      <BButton size="sm" @click="chunks.add(from, to)">{{ t('chunk-bar.add') }}</BButton>
    </p>
  </section>
</template>

<style scoped lang="scss">
.pieces .btn {
  min-width: 44px;
  padding-inline: 8px;
}

.hard {
  border-color: var(--brick);
  border-bottom-width: 4px;
}

.same {
  border-style: dashed;
}

.tempo {
  width: 80px;
}
</style>
