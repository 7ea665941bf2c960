<script setup lang="ts">
import { primaryFingering } from '@escalier/core/instruments';
import { pitch } from '@escalier/core/music';
import HolePad from './HolePad.vue';
import { useRoom } from './use-room.ts';
import { useRounds } from './use-rounds.ts';
import { t } from './messages.ts';

const { nameOf } = useRoom();
const { on, notes, kind, left, right, asked, covered, shown, choices, start, touch, check, name, next } = useRounds();
const holesOf = (note: string) => primaryFingering(on.value!, pitch(note))!.holes;
</script>

<template>
  <section v-if="on !== null" class="stack">
    <template v-if="asked === null">
      <h1>{{ t('notes-page.one-minute-of-notes') }}</h1>
      <p v-if="right > 0" role="status" class="big">
        {{ t('notes-page.right-right-this-minute-notes-you', { right }) }}
      </p>
      <p v-if="notes.length === 0">{{ t('notes-page.your-notes-come-with-your-first') }}</p>
      <template v-else>
        <div class="keys">
          <BButton variant="primary" size="lg" @click="start('cover')">{{ t('notes-page.cover-the-holes') }}</BButton>
          <BButton size="lg" @click="start('name')">{{ t('notes-page.name-the-note') }}</BButton>
        </div>
        <p class="small">{{ t('notes-page.your-notes-list', { list: notes.map(nameOf).join(', ') }) }}</p>
      </template>
    </template>
    <template v-else>
      <p class="clock">
        <span>{{ t('notes-page.seconds', { left }) }}</span><BProgress
          :value="left"
          :max="60"
          class="flex-fill"
          :aria-label="t('notes-page.time-left')"
        /><span>{{ t('notes-page.right-right', { right }) }}</span>
      </p>
      <div v-if="shown !== null" class="answer" role="alert">
        <p class="big">{{ t('notes-page.name-goes-like-this', { name: nameOf(shown) }) }}</p>
        <HolePad :on="on" :holes="holesOf(shown)" :fixed="true" />
        <BButton variant="primary" size="lg" @click="next">{{ t('notes-page.next-one') }}</BButton>
      </div>
      <div v-else-if="kind === 'cover'" class="answer">
        <h1>{{ t('notes-page.cover-name', { name: nameOf(asked) }) }}</h1>
        <HolePad :on="on" :holes="covered" @touch="touch" />
        <p class="small">{{ t('notes-page.touch-a-hole-to-cover-it') }}</p>
        <BButton variant="primary" size="lg" @click="check">{{ t('notes-page.done') }}</BButton>
      </div>
      <div v-else class="answer">
        <h1>{{ t('notes-page.which-note-is-it') }}</h1>
        <HolePad :on="on" :holes="holesOf(asked)" :fixed="true" />
        <div class="keys">
          <BButton v-for="choice in choices" :key="choice" size="lg" @click="name(choice)">{{
            nameOf(choice)
          }}</BButton>
        </div>
      </div>
    </template>
  </section>
</template>

<style scoped>
.clock {
  display: flex;
  gap: 1rem;
  align-items: center;
}

.keys {
  display: flex;
  flex-wrap: wrap;
  gap: 0.8rem;
}

.keys .btn {
  flex: 1 1 4rem;
  min-height: 56px;
}

.answer {
  display: grid;
  gap: 0.8rem;
  justify-items: center;
}

.answer > .btn {
  width: 100%;
  min-height: 56px;
}

.big {
  font: 700 1.4rem var(--heading);
}
</style>
