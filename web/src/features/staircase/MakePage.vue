<script setup lang="ts">
import { INSTRUMENT_IDS, instrument, type InstrumentId } from '@escalier/core/instruments';
import { noteOrdersFor, PARTS, type Pin } from '@escalier/core/staircase';
import { againstWords, findingWords, problemWords, whyWords } from '@escalier/core/words';
import { computed, nextTick, onMounted, ref, shallowRef, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { api, ask } from '../../api.ts';
import HowComputed from '../../ui/HowComputed.vue';
import { noteWords } from '../../ui/note-words.ts';
import { plural } from '../../ui/plural.ts';
import SelectField from '../../ui/SelectField.vue';
import TextField from '../../ui/TextField.vue';
import { useLoad } from '../../ui/use-load.ts';
import { useNotices } from '../../ui/use-notices.ts';
import { useSave } from '../../ui/use-save.ts';
import { contentOf } from './draft.ts';
import EditorPicture from './EditorPicture.vue';
import { notesTyped, stepsIn, useProposal } from './use-proposal.ts';
import WishList from './WishList.vue';

/** Three questions, and a finished staircase to change. */
const router = useRouter();
const proposal = useProposal();
const { plan, share, working, error, steps, news, findings, library } = proposal;

const instrumentId = ref<InstrumentId>('soprano-recorder-baroque');
const instruments = INSTRUMENT_IDS.map((id) => ({ value: id, text: instrument(id).shortName }));
const OWN = 'own';
const orders = computed(() => [
  ...noteOrdersFor(instrument(instrumentId.value)).map(({ id, name, notes }) => ({
    value: id,
    text: `${name}: ${notes.map(noteWords).join(' ')}`,
  })),
  { value: OWN, text: 'My own order' },
]);
const orderId = ref(orders.value[0]!.value);
const typed = ref('B A G E D');
watch(instrumentId, () => (orderId.value = orders.value[0]!.value));
const own = computed(() => notesTyped(typed.value));
const order = computed(
  () =>
    noteOrdersFor(instrument(instrumentId.value)).find((each) => each.id === orderId.value)?.notes ?? own.value.notes,
);
const knownTyped = ref('');
const knows = computed(() => notesTyped(knownTyped.value));
const lessons = ref(27);
const stepCount = ref(9);
watch([lessons, order], () => (stepCount.value = stepsIn(lessons.value, order.value.length)));
const pins = ref<readonly Pin[]>([]);

async function make(): Promise<void> {
  await proposal.make({
    ...{ instrumentId: instrumentId.value, order: order.value, knows: knows.value.notes },
    ...{ steps: stepCount.value, lessons: lessons.value, pins: pins.value },
  });
}
/** The class that it is for, when it is for one. */
const forClass = shallowRef<{ readonly id: string; readonly name: string; readonly version: number } | null>(null);
const route = useRoute();

/** A class brings its instrument, what it knows, and the lessons that are left. */
async function takeClass(id: string): Promise<void> {
  const param = { id };
  const [page, { known }, { version }] = await Promise.all([
    ask(api.classes[':id'].$get({ param })),
    ask(api.classes[':id'].knowledge.$get({ param })),
    ask(api.classes[':id'].settings.$get({ param })),
  ]);
  forClass.value = { id, name: page.name, version };
  instrumentId.value = page.instrumentId as InstrumentId;
  lessons.value = Math.max(2, page.lessons.left);
  knownTyped.value = known.notes.map(noteWords).join(' ');
}

const { error: loading, load } = useLoad(async () => {
  if (typeof route.query.class === 'string') await takeClass(route.query.class);
});
onMounted(async () => {
  await load();
  await nextTick();
  await make();
});

const titleOf = (id: string): string => library.byId.value.get(id)?.title ?? id;
const advice = computed(() => [
  ...(plan.value?.problems ?? []).map((problem) => ({
    step: null,
    weight: 'problem',
    ...problemWords(problem, titleOf),
  })),
  ...findings.value.map((finding) => ({
    step: finding.step,
    weight: finding.weight,
    ...findingWords(finding, noteWords),
  })),
]);

const notices = useNotices();
const { error: notGiven, save: saveFor } = useSave(null);
const { busy, error: refused, reason, save } = useSave('Saved. Change what you like.');
async function keep(): Promise<void> {
  const family = instrument(instrumentId.value).family === 'recorder' ? 'Recorder' : 'Whistle';
  const json = {
    ...contentOf({
      name: `${family}: ${order.value.map(noteWords).join(' ')}, ${plural(steps.value.length, 'step', 'steps')}`.slice(
        0,
        80,
      ),
      noteOrder: order.value,
      steps: steps.value,
    }),
    instrumentId: instrumentId.value,
  };
  let id = '';
  const done = await save(async () => {
    ({ id } = await ask(api.staircases.$post({ json })));
  });
  if (!done) return;
  const given = forClass.value;
  if (given !== null) await giveTo(given, id);
  await router.push({
    ...{ name: 'staircase', params: { staircaseId: id } },
    query: given === null ? {} : { class: given.id },
  });
}

/** A class that has results keeps its stairs; the new ones are kept beside them. */
async function giveTo(given: { readonly id: string; readonly version: number }, staircaseId: string): Promise<void> {
  const param = { id: given.id };
  const done = await saveFor(() =>
    ask(api.classes[':id'].staircase.$put({ param, json: { staircaseId, version: given.version } })),
  );
  if (!done) notices.fail(notGiven.value ?? '');
}
</script>

<template>
  <div class="page-grid">
    <header class="page-head">
      <div>
        <h1>Make a staircase</h1>
        <p class="soft">
          <template v-if="forClass !== null"
            >For {{ forClass.name }}, with what it knows and the lessons that are left.
          </template>
          Three questions. Escalier weighs the tunes of your library and proposes the most even climb.
        </p>
        <BAlert v-if="loading !== null" variant="warning" :model-value="true">{{ loading.message }}</BAlert>
      </div>
    </header>
    <BForm class="card-paper stack" novalidate @submit.prevent="make">
      <div class="field-grid">
        <SelectField v-model="instrumentId" label="1. Instrument" :options="instruments" />
        <SelectField v-model="orderId" label="2. Order of notes" :options="orders" />
        <TextField
          v-if="orderId === OWN"
          v-model="typed"
          label="Your order"
          hint="Such as B A G E D F# C'"
          :error="own.wrong === null ? undefined : `“${own.wrong}” is not a note.`"
        />
        <TextField v-model="lessons" label="3. Lessons there are" type="number" :min="2" :max="400" />
      </div>
      <HowComputed label="More: number of steps, notes the class has, wishes">
        <div class="stack">
          <div class="field-grid">
            <TextField
              v-model="stepCount"
              label="Steps"
              type="number"
              :min="1"
              :max="40"
              hint="Three lessons a step, as a rule"
            />
            <TextField
              v-model="knownTyped"
              label="Notes the class has already"
              hint="Such as B A G; empty for beginners"
              :error="knows.wrong === null ? undefined : `“${knows.wrong}” is not a note.`"
            />
          </div>
          <WishList
            v-if="library.profiles.value !== null"
            v-model="pins"
            :tunes="library.profiles.value"
            :steps="stepCount"
          />
        </div>
      </HowComputed>
      <div class="line">
        <BButton type="submit" variant="primary" :disabled="working">
          <BSpinner v-if="working" small aria-hidden="true" />Propose
        </BButton>
        <template v-if="working">
          <BProgress
            class="grow"
            :value="library.profiles.value === null ? library.share.value : share"
            :max="1"
            aria-label="Weighing the tunes"
          />
          <BButton @click="proposal.cancel">Stop</BButton>
        </template>
        <BAlert v-if="error !== null" class="grow" variant="warning" :model-value="true">{{ error }}</BAlert>
      </div>
    </BForm>
    <template v-if="plan !== null && steps.length > 0">
      <EditorPicture :steps="steps" :news="news" :findings="findings" :chosen="null" still />
      <div class="columns columns-side">
        <section class="card-paper" aria-label="The proposal">
          <ol class="plain ruled">
            <li v-for="(step, index) in plan.steps" :key="step.tune" class="d-flex gap-3 align-items-center">
              <span class="grow">
                <strong>{{ index + 1 }} {{ titleOf(step.tune) }}</strong
                ><br />
                <span class="small">{{ whyWords(step, noteWords) }}</span>
              </span>
              <BDropdown size="sm" text="Instead" :toggle-text="`Another tune for step ${index + 1}`">
                <BDropdownItem
                  v-for="each in step.alternatives"
                  :key="each.tune"
                  @click="proposal.exchange(index, each.tune)"
                  >{{ titleOf(each.tune) }}: counts {{ each.total }} in all</BDropdownItem
                >
              </BDropdown>
            </li>
          </ol>
        </section>
        <div class="stack">
          <section class="card-paper stack">
            <p>
              <strong>{{ plan.objective.total }}</strong> points count against it; less is better.
            </p>
            <HowComputed>
              <ul class="plain">
                <template v-for="part in PARTS" :key="part">
                  <li v-if="plan.objective.parts[part] > 0">
                    {{ againstWords(part) }}: {{ plan.objective.parts[part] }}
                  </li>
                </template>
              </ul>
            </HowComputed>
            <BButton variant="primary" :disabled="busy" @click="keep">Use this staircase</BButton>
            <BAlert v-if="refused !== null" variant="danger" :model-value="true">{{ reason ?? refused }}</BAlert>
          </section>
          <section v-if="advice.length > 0" class="card-paper stack-close">
            <h2>Worth knowing</h2>
            <p v-for="each in advice" :key="`${each.step}${each.text}`">
              <strong>{{ each.step === null ? '' : `Step ${each.step}: ` }}{{ each.text }}</strong> {{ each.remedy }}
            </p>
          </section>
        </div>
      </div>
    </template>
  </div>
</template>
