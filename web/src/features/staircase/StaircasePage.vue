<script setup lang="ts">
import { usualLengths } from '@escalier/core/words';
import { instrument, type InstrumentId } from '@escalier/core/instruments';
import type { TuneProfile, TuneRole } from '@escalier/core/staircase';
import { onKeyStroke, until, useEventListener } from '@vueuse/core';
import IconRedo from '~icons/bi/arrow-clockwise';
import IconUndo from '~icons/bi/arrow-counterclockwise';
import { computed, onMounted, ref, shallowRef, toRef, watch } from 'vue';
import { onBeforeRouteLeave, useRoute } from 'vue-router';
import HowComputed from '../../ui/HowComputed.vue';
import { isTyping } from '../../ui/keys.ts';
import LoadState from '../../ui/LoadState.vue';
import { noteWords } from '../../ui/note-words.ts';
import TextField from '../../ui/TextField.vue';
import { notesTyped } from '../../ui/typed-notes.ts';
import { addTune, beltsInOrder, insertStep, moveStep, setLessons, takeTune } from './draft.ts';
import DraftPicture from './DraftPicture.vue';
import ObjectiveLine from './ObjectiveLine.vue';
import StaircaseMenu from './StaircaseMenu.vue';
import StepCard from './StepCard.vue';
import StepRows from './StepRows.vue';
import TuneShelf from './TuneShelf.vue';
import { useEditor } from './use-editor.ts';
import { useListen } from '../../sound/index.ts';
import { saidIn } from './words.ts';
import { counted } from '../../ui/count-messages.ts';
import { t } from './messages.ts';

/** A staircase to be changed: its picture to scale, its steps, and the tunes that would fit. */
const props = defineProps<{ staircaseId: string }>();
const route = useRoute();
const editor = useEditor(toRef(props, 'staircaseId'));
const { stored, draft, history, library, chosen, news, findings, objective, fitting, isChanged } = editor;
onMounted(editor.load);

const instrumentId = computed(() => (stored.value?.instrumentId ?? 'soprano-recorder-baroque') as InstrumentId);
const { listening, listen } = useListen(
  instrumentId,
  computed(() => instrument(instrumentId.value).family),
);
const name = computed({
  get: () => draft.value.name,
  set: (text) => editor.apply({ ok: true, value: { ...draft.value, name: String(text ?? '') } }),
});
/** Kept when it has been typed to its end and is right. */
const orderTyped = ref('');
const order = computed(() => notesTyped(orderTyped.value));
watch(
  () => draft.value.noteOrder,
  (notes) => {
    if (notes.join() !== order.value.notes.join()) orderTyped.value = notes.map(noteWords).join(' ');
  },
  { immediate: true },
);
watch(order, ({ notes, wrong }) => {
  if (wrong === null && notes.join() !== draft.value.noteOrder.join())
    editor.apply({ ok: true, value: { ...draft.value, noteOrder: notes } });
});
const lessons = computed(() => draft.value.steps.reduce((sum, step) => sum + step.lessons, 0));
/** In the words of the first class that climbs it. */
const said = computed(() => saidIn(stored.value?.classes[0]?.lengthWords ?? usualLengths()));
const whole = computed(() =>
  findings.value.filter((finding) => finding.step === null).map((finding) => said.value.finding(finding)),
);
const back = computed(() =>
  typeof route.query.class === 'string'
    ? { name: 'class', params: { classId: route.query.class } }
    : { name: 'staircases' },
);

function take(tune: TuneProfile): void {
  editor.apply(takeTune(draft.value, chosen.value, tune));
}
function insert(tune: TuneProfile): void {
  if (editor.apply(insertStep(draft.value, chosen.value + 1, tune, 2))) chosen.value += 1;
}
function add({ id, title }: TuneProfile, role: TuneRole): void {
  editor.apply(addTune(draft.value, chosen.value, { id, title, role }));
}
function move(from: number, to: number): void {
  if (editor.apply(moveStep(draft.value, from, to))) chosen.value = to;
}
function widen(index: number, by: number): void {
  editor.apply(setLessons(draft.value, index, draft.value.steps[index]!.lessons + by));
}

onKeyStroke(['z', 'Z'], (event) => {
  if (!(event.ctrlKey || event.metaKey) || isTyping(event)) return;
  event.preventDefault();
  if (event.shiftKey) history.redo();
  else history.undo();
});
/** Answers whether to leave, while it is asked. */
const leave = shallowRef<((go: boolean) => void) | null>(null);
onBeforeRouteLeave(async () => {
  // Who saves and goes at once is not asked whether to go without saving.
  await until(editor.busy).toBe(false);
  return !isChanged.value || new Promise<boolean>((answer) => (leave.value = answer));
});
function answerLeave(go: boolean): void {
  leave.value?.(go);
  leave.value = null;
}
useEventListener(window, 'beforeunload', (event: BeforeUnloadEvent) => {
  if (isChanged.value) event.preventDefault();
});
</script>

<template>
  <LoadState
    v-if="stored === null"
    :error="editor.error.value"
    :what="t('staircase-page.the-staircase')"
    @again="editor.load"
  />
  <div v-else class="page-grid">
    <header class="page-head no-print">
      <div>
        <RouterLink :to="back">{{ t('staircase-page.back') }}</RouterLink>
        <h1>{{ draft.name }}</h1>
      </div>
      <BButton :disabled="!history.canUndo.value" @click="history.undo"
        ><IconUndo aria-hidden="true" /> {{ t('staircase-page.undo') }}</BButton
      >
      <BButton :disabled="!history.canRedo.value" @click="history.redo"
        ><IconRedo aria-hidden="true" /> {{ t('staircase-page.redo') }}</BButton
      >
      <StaircaseMenu :stored="stored" :draft="draft" @belts="editor.apply(beltsInOrder(draft))" />
      <BButton variant="primary" :disabled="!isChanged || editor.busy.value" @click="editor.save">
        <BSpinner v-if="editor.busy.value" small aria-hidden="true" />{{ t('staircase-page.save') }}
      </BButton>
    </header>
    <BAlert v-if="editor.refusal.value !== null" variant="danger" :model-value="true">{{
      editor.refusal.value
    }}</BAlert>
    <p class="soft">
      {{ instrument(instrumentId).shortName }} · {{ counted('steps', { n: draft.steps.length }) }} ·
      {{ counted('lessons', { n: lessons }) }} ·
      {{
        stored.classes.length === 0
          ? t('staircase-page.no-class-uses-it-yet')
          : t('staircase-page.used-by-list-changes-affect-all', {
              list: stored.classes.map((each) => each.name).join(', '),
            })
      }}
    </p>
    <BProgress
      v-if="library.profiles.value === null && editor.error.value === null"
      :value="library.share.value"
      :max="1"
      :aria-label="t('staircase-page.reading-the-library')"
    />
    <DraftPicture
      :steps="draft.steps"
      :news="news"
      :findings="findings"
      :chosen="chosen"
      @choose="(index) => (chosen = index)"
      @lessons="(index, count) => editor.apply(setLessons(draft, index, count))"
    />
    <div class="columns columns-work">
      <div class="stack">
        <section class="card-paper" :aria-label="t('staircase-page.steps')">
          <StepRows
            :said="said"
            :steps="draft.steps"
            :news="news"
            :findings="findings"
            :chosen="chosen"
            @choose="(index) => (chosen = index)"
            @move="move"
            @widen="widen"
          />
        </section>
        <section v-if="objective !== null" class="card-paper stack-close" :aria-label="t('staircase-page.the-whole')">
          <p v-for="each in whole" :key="each.text">
            <strong>{{ each.text }}</strong> {{ each.remedy }}
          </p>
          <ObjectiveLine :objective="objective" />
          <HowComputed :label="t('staircase-page.name-and-order-of-notes')">
            <div class="field-grid">
              <TextField v-model="name" :label="t('staircase-page.name')" />
              <TextField
                v-model="orderTyped"
                :label="t('staircase-page.order-of-notes')"
                :hint="t('staircase-page.for-example-b-a-g-e')"
                :error="
                  order.wrong === null ? undefined : t('staircase-page.wrong-is-not-a-note', { wrong: order.wrong })
                "
              />
            </div>
          </HowComputed>
        </section>
      </div>
      <div v-if="draft.steps[chosen] !== undefined" class="stack">
        <StepCard
          :draft="draft"
          :said="said"
          :index="chosen"
          :news="news[chosen]"
          :findings="findings"
          @change="editor.apply"
        />
        <TuneShelf
          v-if="objective !== null"
          :said="said"
          :fitting="fitting"
          :total="objective.total"
          :step="chosen"
          :listening="listening"
          @take="take"
          @insert="insert"
          @add="add"
          @listen="(tune) => listen(tune.id, library.abcOf.value.get(tune.id) ?? '')"
        />
      </div>
    </div>
    <BModal
      :model-value="leave !== null"
      :title="t('staircase-page.leave-without-saving')"
      :ok-title="t('staircase-page.leave')"
      ok-variant="danger"
      :cancel-title="t('staircase-page.stay-on-this-step')"
      @ok="answerLeave(true)"
      @hidden="answerLeave(false)"
    >
      <p>{{ t('staircase-page.your-changes-to-this-staircase-arent') }}</p>
    </BModal>
  </div>
</template>
