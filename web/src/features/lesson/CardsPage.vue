<script setup lang="ts">
import { barFromTaps, ECHO_METRE, openBar, rulesFor, type RhythmCard, type RhythmValue } from '@escalier/core/practice';
import { pitchName } from '@escalier/core/music';
import { elementWords, usualLengths } from '@escalier/core/words';
import { useSortable } from '@vueuse/integrations/useSortable';
import { computed, ref, toRef, useTemplateRef, watch } from 'vue';
import { clickSchedule, echoSchedule, useSound } from '../../sound/index.ts';
import { onPlayKey } from '../../ui/keys.ts';
import LoadState from '../../ui/LoadState.vue';
import { useNotices } from '../../ui/use-notices.ts';
import { ClassHead, useClasses } from '../classes/index.ts';
import { useNoteLesson } from '../notes/index.ts';
import CardList from './CardList.vue';
import { cardsKnown, ownCards } from './cards.ts';
import { lessonToPlan } from './facts.ts';
import { useLessons } from './store.ts';
import { t } from './messages.ts';

/** The class's rhythm cards: tapped or put together from the values that it knows, kept, played and printed. */
const props = defineProps<{ classId: string }>();
const classes = useClasses();
const lessons = useLessons();
const notices = useNotices();
watch(
  () => props.classId,
  (id) => {
    void classes.open(id);
    void lessons.open(id);
  },
  { immediate: true },
);
const page = computed(() => (classes.page?.id === props.classId ? classes.page : null));
const { lesson } = useNoteLesson(toRef(props, 'classId'), ref(null));
const date = computed(() => (page.value === null ? null : (lessonToPlan(page.value)?.date ?? page.value.today)));
const own = computed(() => lessons.historyBefore('9999-12-31').patterns);
const elements = computed(() => lesson.value?.elements ?? []);
const rules = computed(() => rulesFor(ECHO_METRE, new Set([...elements.value, 'note quarter'])));
const note = computed(() => {
  const first = lesson.value?.known[0] ?? lesson.value?.note;
  return first === undefined ? 'B4' : pitchName(first);
});

/** The card that is made. */
const made = ref<RhythmValue[]>([]);
const open = computed(() => openBar(rules.value, made.value));
const words = ({ kind, value }: RhythmValue): string =>
  elementWords(`${kind} ${'dotted-'.repeat(value.dots)}${value.base}`, page.value?.style.lengthWords ?? usualLengths());
const placed = useTemplateRef<HTMLElement>('placed');
useSortable(placed, made, { animation: 0 });

const SECONDS_OF_BEAT = 0.75;
const BEATS = 4;
const PER_MINUTE = 60 / SECONDS_OF_BEAT;
let taps: number[] = [];
let firstTap = 0;
const tapping = ref(0);
/** The first tap is the first beat; after four beats the nearest bar stands there. */
function tap(): void {
  const now = performance.now() / 1000;
  if (taps.length === 0) {
    firstTap = now;
    setTimeout(readTaps, BEATS * SECONDS_OF_BEAT * 1000);
  }
  taps.push(now - firstTap);
  tapping.value = taps.length;
}
function readTaps(): void {
  const found = barFromTaps(rules.value, taps, BEATS * SECONDS_OF_BEAT);
  taps = [];
  tapping.value = 0;
  if (found === null) notices.fail(t('cards-page.that-isnt-a-four-beat-rhythm'));
  else made.value = [...found];
}

const SILENT = { family: 'recorder', melody: false, click: true, drone: false } as const;
const sound = useSound();
function play(card: RhythmCard): void {
  if (sound.playing.value !== null) return sound.stop();
  const { on } = lesson.value ?? {};
  const turns = [{ pattern: 0, who: 'teacher', reading: false } as const];
  const voices = { family: on?.family ?? 'recorder', melody: true, click: true, drone: false } as const;
  void sound.start(echoSchedule(ownCards([card], note.value), turns, PER_MINUTE, on?.soundsAbove ?? 0), voices);
}
/** The beat to tap to. */
function beat(): void {
  if (sound.playing.value !== null) return sound.stop();
  void sound.start(clickSchedule(PER_MINUTE, BEATS), SILENT, true);
}
onPlayKey(tap);

function keep(patterns: readonly RhythmCard[]): void {
  if (date.value !== null) lessons.note(date.value, { kind: 'patterns', patterns });
}
function add(): void {
  keep([...own.value, made.value.map((each) => ({ ...each }))]);
  made.value = [];
}
const seed = ref(1);
const offered = computed(() => cardsKnown(elements.value, 4, seed.value));
const print = (): void => window.print();
</script>

<template>
  <LoadState
    v-if="page === null"
    :error="classes.error"
    :what="t('cards-page.the-cards')"
    @again="classes.open(classId)"
  />
  <div v-else class="page-grid">
    <ClassHead :class-id="classId" :trail="t('cards-page.rhythm-cards')">
      <BButton :disabled="own.length === 0" @click="print">{{ t('cards-page.print') }}</BButton>
    </ClassHead>
    <section class="card-paper stack no-print">
      <h2>{{ t('cards-page.make-a-four-beat-card') }}</h2>
      <div class="line">
        <BButton size="lg" @click="tap"
          >{{ tapping === 0 ? t('cards-page.tap-it') : t('cards-page.tap-tapping', { tapping }) }}
          <span class="key" aria-hidden="true">{{ t('cards-page.space') }}</span></BButton
        >
        <BButton :pressed="sound.playing.value !== null" @click="beat">{{
          t('cards-page.beat-per-minute', { perMinute: PER_MINUTE })
        }}</BButton>
        <span class="soft">{{ t('cards-page.or-build-it') }}</span>
      </div>
      <div class="line" role="group" :aria-label="t('cards-page.values-that-fit')">
        <BButton v-for="value in open.choices" :key="words(value)" @click="made = [...made, value]">{{
          words(value)
        }}</BButton>
        <span v-if="open.full" class="soft">{{ t('cards-page.the-bar-is-full') }}</span>
        <span v-else class="soft">{{ t('cards-page.missing-missing', { missing: open.missingWords }) }}</span>
      </div>
      <ol ref="placed" class="plain line made" :aria-label="t('cards-page.the-card-so-far-drag-to')">
        <li v-for="(value, index) in made" :key="index" class="value">{{ words(value) }}</li>
      </ol>
      <div class="line">
        <BButton variant="primary" :disabled="!open.full" @click="add">{{ t('cards-page.keep-it') }}</BButton>
        <BButton :disabled="!open.full" @click="play(made)">{{ t('cards-page.listen') }}</BButton>
        <BButton :disabled="made.length === 0" @click="made = made.slice(0, -1)">{{
          t('cards-page.remove-the-last-one')
        }}</BButton>
      </div>
    </section>
    <section class="stack-close">
      <h2>{{ t('cards-page.name-s-own-cards', { name: page.name }) }}</h2>
      <p v-if="own.length === 0" class="soft">{{ t('cards-page.none-yet-your-own-cards-come') }}</p>
      <CardList
        :cards="ownCards(own, note)"
        noun="card"
        action="Delete"
        :page="page"
        @listen="(index) => play(own[index]!)"
        @act="(index) => keep(own.toSpliced(index, 1))"
      />
    </section>
    <section class="stack-close no-print">
      <h2>{{ t('cards-page.made-from-what-the-class-knows') }}</h2>
      <CardList
        :cards="ownCards(offered, note)"
        noun="proposal"
        :action="t('cards-page.keep')"
        :page="page"
        @listen="(index) => play(offered[index]!)"
        @act="(index) => keep([...own, offered[index]!])"
      />
      <div class="line">
        <BButton @click="seed += 1">{{ t('cards-page.more') }}</BButton>
      </div>
    </section>
    <BAlert v-if="sound.error.value !== null" variant="danger" :model-value="true">{{ sound.error.value }}</BAlert>
  </div>
</template>

<style scoped lang="scss">
.made {
  min-height: 48px;
}

.value {
  padding: 10px 14px;
  border: 2px solid var(--ink);
  border-radius: var(--radius);
  background: var(--card);
  cursor: grab;
}
</style>
