<script setup lang="ts">
import { isHandoutKind, type HandoutKind } from '@escalier/core/handouts';
import type { LayOutSettings } from '@escalier/paper';
import { computed, nextTick, ref, shallowRef, toRef, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { api, ask } from '../../api.ts';
import HowComputed from '../../ui/HowComputed.vue';
import LoadState from '../../ui/LoadState.vue';
import { plural } from '../../ui/plural.ts';
import { useLoad } from '../../ui/use-load.ts';
import { useSave } from '../../ui/use-save.ts';
import { ClassHead, useClasses } from '../classes/index.ts';
import { useSession } from '../schools/index.ts';
import { isPerPupil, kindOf, orderOf, paperNeeded, usualChoices, type Facts, type HandoutChoices } from './order.ts';
import SheetChoices from './SheetChoices.vue';
import SheetPages from './SheetPages.vue';
import { useSheet } from './use-sheet.ts';

interface Templates {
  readonly templates: { readonly letter: string; readonly certificate: string };
  readonly version: number;
}

/** Paper for a class: chosen on the left, seen on the right, printed or kept as PDF. */
const props = defineProps<{ classId: string }>();
const route = useRoute();
const router = useRouter();
const session = useSession();
const classes = useClasses();
const classId = toRef(props, 'classId');
const page = computed(() => (classes.page?.id === classId.value ? classes.page : null));
const facts = shallowRef<Facts | null>(null);
const choices = ref<HandoutChoices | null>(null);
const templates = shallowRef<Templates | null>(null);

const { error, load } = useLoad(async () => {
  const [tunes, { cautions }, kept, belts, { instruments }] = await Promise.all([
    ask(api.tunes.$get()),
    ask(api.school.cautions.$get()),
    ask(api.school.templates.$get()),
    ask(api.belts.earned.$get()),
    ask(api.instruments.$get()),
    classes.open(classId.value),
  ]);
  const earned = belts.find(({ id }) => id === classId.value)?.earned ?? [];
  const due = earned.filter(({ givenAt }) => givenAt === null);
  const abc = new Map(tunes.map((tune) => [tune.id, tune.abc]));
  facts.value = {
    ...{ school: session.me?.school ?? '', teacher: session.me?.name ?? '' },
    cautions: cautions.filter((each) => each.shown && each.places.includes('lesson')).map((each) => each.text),
    abcOf: (id) => abc.get(id) ?? null,
    beltsDueOf: (id) => due.filter(({ pupilId }) => pupilId === id).map(({ belt }) => belt),
    numberOf: (id) => instruments.find(({ loans }) => loans.some(({ pupilId }) => pupilId === id))?.number ?? null,
  };
  templates.value = kept;
  if (page.value !== null) choices.value = wished(usualChoices(page.value, navigator.language));
});
watch(classId, load, { immediate: true });

/** What the page that led here has filled in. */
function wished(usual: HandoutChoices): HandoutChoices {
  const { kind, step, tune, pupil, seed } = route.query;
  const asked = page.value!.steps.find(({ position }) => position === Number(step));
  return {
    ...usual,
    ...(typeof kind === 'string' && isHandoutKind(kind) ? { kind } : {}),
    ...(asked === undefined ? {} : { step: asked.position, tuneId: asked.tuneId }),
    ...(typeof tune === 'string' ? { tuneId: tune } : {}),
    ...(typeof pupil === 'string' ? { pupilId: pupil } : {}),
    ...(Number(seed) > 0 ? { seed: Math.floor(Number(seed)) } : {}),
  };
}
const TEMPLATE_OF: Readonly<Partial<Record<HandoutKind, keyof Templates['templates']>>> = {
  'family-letter': 'letter',
  certificate: 'certificate',
};
const template = computed(() => TEMPLATE_OF[choices.value?.kind ?? 'tune-sheet'] ?? null);
// Each kind begins with the school's own words for it.
watch(template, (now) => {
  if (choices.value !== null) choices.value.words = now === null ? '' : (templates.value?.templates[now] ?? '');
});
const keeping = useSave('Kept for the school.');
async function keepWords(): Promise<void> {
  const [now, kept, words] = [template.value, templates.value, choices.value?.words ?? ''];
  if (now === null || kept === null) return;
  await keeping.save(async () => {
    const json = { templates: { ...kept.templates, [now]: words }, version: kept.version };
    templates.value = await ask(api.school.templates.$put({ json }));
  });
}

// The address says what is seen, so that it can be kept.
watch(
  choices,
  (now) => {
    if (now === null) return;
    const { kind, step, tuneId: tune, pupilId, seed } = now;
    void router.replace({ query: { kind, step, tune, seed, ...(pupilId === null ? {} : { pupil: pupilId }) } });
  },
  { deep: true },
);

const BIG_LETTERS = 1.3;
const order = computed(() =>
  page.value === null || choices.value === null || facts.value === null
    ? null
    : orderOf(page.value, choices.value, facts.value),
);
const settings = computed((): LayOutSettings => ({
  ...{ paper: choices.value?.paper ?? 'a4', holding: choices.value?.holding ?? 'none' },
  textScale: choices.value?.size === 'big' ? BIG_LETTERS : 1,
}));
const { view, problem, share, save, picture, stop } = useSheet(order, settings);

const copies = computed(() => (choices.value === null || isPerPupil(choices.value.kind) ? 1 : choices.value.copies));
const tooMany = computed(() => !(copies.value >= 1 && copies.value <= 200));
const needed = computed(() => paperNeeded(view.value?.pages.length ?? 0, copies.value));
const name = computed(() => `${page.value?.name ?? ''} ${kindOf(choices.value?.kind ?? 'tune-sheet').name}`.trim());
/** The page that is looked at, counted from 1. */
const shown = ref(1);
const printing = ref(false);
async function print(): Promise<void> {
  printing.value = true;
  await nextTick();
  window.print();
  printing.value = false;
}
</script>

<template>
  <LoadState v-if="page === null || choices === null" :error="error" what="the handouts" @again="load" />
  <div v-else class="page-grid">
    <ClassHead :class-id="classId">
      <template v-if="view !== null">
        <BButton v-if="view.key.length > 0" @click="save('key', `${name}, answers`)">Answers as PDF</BButton>
        <BDropdown text="As a picture">
          <BDropdownItem @click="picture('svg', shown, name)">This page as SVG</BDropdownItem>
          <BDropdownItem @click="picture('png', shown, name)">This page as PNG</BDropdownItem>
        </BDropdown>
        <BButton @click="print">Print</BButton>
        <BButton variant="primary" @click="save('sheet', name)">Save as PDF</BButton>
      </template>
    </ClassHead>
    <div class="desk">
      <SheetChoices v-model="choices" class="no-print" :page="page" :busy="keeping.busy.value" @keep="keepWords" />
      <section class="stack-close" aria-label="Preview">
        <BAlert v-if="keeping.reason.value !== null" variant="danger" :model-value="true">{{
          keeping.reason.value
        }}</BAlert>
        <BAlert v-if="problem !== null" variant="warning" :model-value="true">{{ problem }}</BAlert>
        <BAlert v-for="warning in view?.warnings" :key="warning" variant="warning" :model-value="true">{{
          warning
        }}</BAlert>
        <p v-if="tooMany" class="no-print" role="alert">From 1 to 200 copies.</p>
        <p v-else-if="view !== null" class="no-print" role="status">
          <strong>{{ plural(view.pages.length, 'page', 'pages') }}</strong><template v-if="copies > 1"
            >, {{ copies }} copies: {{ needed.sheets }} sheets</template
          ><template v-if="view.pages.length > 1">, {{ needed.duplex }} on both sides</template>.
        </p>
        <div v-if="share !== null" class="line no-print" role="status">
          <BProgress class="grow" :value="share" :max="1" aria-label="Setting the sheet" />
          <BButton size="sm" @click="stop">Stop</BButton>
        </div>
        <SheetPages v-if="view !== null" v-model="shown" :pages="view.pages" :printing="printing" />
        <HowComputed v-if="view !== null && view.key.length > 0" label="Show the answers">
          <ol>
            <li v-for="answer in view.key" :key="answer.number">{{ answer.question }} {{ answer.answer }}</li>
          </ol>
        </HowComputed>
      </section>
    </div>
  </div>
</template>

<style scoped>
.desk {
  display: grid;
  grid-template-columns: 340px minmax(0, 1fr);
  gap: 18px;
  align-items: start;
}

@media (max-width: 900px) {
  .desk {
    grid-template-columns: minmax(0, 1fr);
  }
}

@media print {
  .desk {
    display: block;
  }
}
</style>
