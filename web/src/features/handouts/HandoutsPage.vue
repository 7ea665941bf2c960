<script setup lang="ts">
import { usualPaper } from '@escalier/core/words';
import { isHandoutKind } from '@escalier/core/handouts';
import { computed, nextTick, ref, toRef, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import HowComputed from '../../ui/HowComputed.vue';
import LoadState from '../../ui/LoadState.vue';
import { ClassHead, type ClassView } from '../classes/index.ts';
import {
  isPerPupil,
  kindOf,
  MOST_COPIES,
  paperNeeded,
  printRequest,
  usualChoices,
  type HandoutChoices,
} from './print-request.ts';
import SheetChoices from './SheetChoices.vue';
import SheetPages from './SheetPages.vue';
import { usePrintFacts } from './use-print-facts.ts';
import { useSheet } from './use-sheet.ts';
import { useTemplates } from './use-templates.ts';
import { counted } from '../../ui/count-messages.ts';
import { t } from './messages.ts';

/** Paper for a class: chosen on the left, seen on the right, printed or kept as PDF. */
const props = defineProps<{ classId: string }>();
const route = useRoute();
const router = useRouter();
const { page, facts, error, load } = usePrintFacts(toRef(props, 'classId'));
const choices = ref<HandoutChoices | null>(null);
const { mayKeep, reason, keep } = useTemplates(choices);
watch(
  () => facts.value !== null && page.value !== null && page.value.id,
  () => {
    choices.value = facts.value === null || page.value === null ? null : wished(page.value);
  },
);

/** What is usual for the class, and what the page that led here has filled in. */
function wished(open: ClassView): HandoutChoices {
  const { kind, step, tune, pupil, seed } = route.query;
  const asked = open.steps.find(({ position }) => position === Number(step));
  return {
    ...usualChoices(open, navigator.language),
    ...(typeof kind === 'string' && isHandoutKind(kind) ? { kind } : {}),
    ...(asked === undefined ? {} : { step: asked.position, tuneId: asked.tuneId }),
    ...(typeof tune === 'string' ? { tuneId: tune } : {}),
    ...(typeof pupil === 'string' ? { pupilId: pupil } : {}),
    ...(Number(seed) > 0 ? { seed: Math.floor(Number(seed)) } : {}),
  };
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

const job = computed(() =>
  page.value === null || choices.value === null || facts.value === null
    ? null
    : printRequest(page.value, choices.value, facts.value),
);
const settings = computed(() => {
  const { paper = usualPaper(), holding = 'none', size = 'medium' } = choices.value ?? {};
  return { paper, holding, size } as const;
});
const { view, problem, share, save, picture, stop } = useSheet(job, settings);

const copies = computed(() => (choices.value === null || isPerPupil(choices.value.kind) ? 1 : choices.value.copies));
const tooMany = computed(() => !(copies.value >= 1 && copies.value <= MOST_COPIES));
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
  <LoadState
    v-if="page === null || choices === null"
    :error="error"
    :what="t('handouts-page.the-handouts')"
    @again="load"
  />
  <div v-else class="page-grid">
    <ClassHead :class-id="classId">
      <template v-if="view !== null">
        <BButton v-if="view.key.length > 0" @click="save('key', t('handouts-page.name-answers', { name }))">{{
          t('handouts-page.answers-as-pdf')
        }}</BButton>
        <BDropdown :text="t('handouts-page.as-a-picture')">
          <BDropdownItem @click="picture('svg', shown, name)">{{ t('handouts-page.this-page-as-svg') }}</BDropdownItem>
          <BDropdownItem @click="picture('png', shown, name)">{{ t('handouts-page.this-page-as-png') }}</BDropdownItem>
        </BDropdown>
        <BButton @click="print">{{ t('handouts-page.print') }}</BButton>
        <BButton variant="primary" @click="save('sheet', name)">{{ t('handouts-page.save-as-pdf') }}</BButton>
      </template>
    </ClassHead>
    <div class="desk">
      <SheetChoices v-model="choices" class="no-print" :page="page" :may-keep="mayKeep" @keep="keep" />
      <section class="stack-close" :aria-label="t('handouts-page.preview')">
        <BAlert v-if="reason !== null" variant="danger" :model-value="true">{{ reason }}</BAlert>
        <BAlert v-if="problem !== null" variant="warning" :model-value="true">{{ problem }}</BAlert>
        <BAlert v-for="warning in view?.warnings" :key="warning" variant="warning" :model-value="true">{{
          warning
        }}</BAlert>
        <p v-if="tooMany" class="no-print" role="alert">
          {{ t('handouts-page.from-1-to-most-copies-copies', { mostCopies: MOST_COPIES }) }}
        </p>
        <p v-else-if="view !== null" class="no-print" role="status">
          <strong>{{ counted('pages', { n: view.pages.length }) }}</strong><template v-if="copies > 1">{{
            t('handouts-page.copies-copies-sheets-sheets', { copies, sheets: needed.sheets })
          }}</template
          ><template v-if="view.pages.length > 1">{{
            t('handouts-page.duplex-on-both-sides', { duplex: needed.duplex })
          }}</template
          >.
        </p>
        <div v-if="share !== null" class="line no-print" role="status">
          <BProgress class="grow" :value="share" :max="1" :aria-label="t('handouts-page.making-the-sheet')" />
          <BButton size="sm" @click="stop">{{ t('handouts-page.stop') }}</BButton>
        </div>
        <SheetPages v-if="view !== null" v-model="shown" :pages="view.pages" :printing="printing" />
        <HowComputed v-if="view !== null && view.key.length > 0" :label="t('handouts-page.show-the-answers')">
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
