<script setup lang="ts">
import { StaircaseDto } from '@escalier/contract/staircases';
import { instrument } from '@escalier/core/instruments';
import { problemWords, usualLengths } from '@escalier/core/words';
import { computed, nextTick, onMounted } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { api, ask } from '../../api.ts';
import { noteWords } from '../../ui/note-words.ts';
import { useLoad } from '../../ui/use-load.ts';
import { useNotices } from '../../ui/use-notices.ts';
import { useSave } from '../../ui/use-save.ts';
import { contentOf } from './draft.ts';
import DraftPicture from './DraftPicture.vue';
import ObjectiveLine from './ObjectiveLine.vue';
import ProposalSteps from './ProposalSteps.vue';
import { useProposal } from './use-proposal.ts';
import { useWishes, type ForClass } from './use-wishes.ts';
import WishFields from './WishFields.vue';
import { saidIn } from './words.ts';
import { counted } from '../../ui/count-messages.ts';
import { t } from './messages.ts';

/** Three questions, and a finished staircase to change. */
const route = useRoute();
const router = useRouter();
const form = useWishes();
const { forClass, wishes } = form;
const { library, plan, share, working, error, steps, news, findings, make, exchange, cancel } = useProposal();

const { error: loading, load } = useLoad(async () => {
  if (typeof route.query.class === 'string') await form.takeClass(route.query.class);
});
onMounted(async () => {
  await load();
  await nextTick();
  await make(wishes.value);
});

const titleOf = (id: string): string => library.byId.value.get(id)?.title ?? id;
const said = computed(() => saidIn(forClass.value?.lengthWords ?? usualLengths()));
const advice = computed(() => [
  ...(plan.value?.problems ?? []).map((problem) => ({ step: null, ...problemWords(problem, titleOf) })),
  ...findings.value.map((finding) => ({ step: finding.step, ...said.value.finding(finding) })),
]);

const MOST_LETTERS = 80;
const notices = useNotices();
const { busy, error: refused, reason, save } = useSave(t('make-page.saved-change-what-you-like'));
async function keep(): Promise<void> {
  const { instrumentId, order } = wishes.value;
  const family = instrument(instrumentId).family === 'recorder' ? t('make-page.recorder') : t('make-page.whistle');
  const name = `${family}: ${order.map(noteWords).join(' ')}, ${counted('steps', { n: steps.value.length })}`;
  const content = contentOf({ name: name.slice(0, MOST_LETTERS), noteOrder: order, steps: steps.value });
  let staircaseId = '';
  const done = await save(async () => {
    ({ id: staircaseId } = await ask(api.staircases.$post({ json: { ...content, instrumentId } }), StaircaseDto));
  });
  if (!done) return;
  const query = forClass.value === null ? {} : { class: forClass.value.id };
  if (forClass.value !== null) await giveTo(forClass.value, staircaseId);
  await router.push({ name: 'staircase', params: { staircaseId }, query });
}

const { error: notGiven, save: give } = useSave(null);
/** A class that has results keeps its stairs; the new ones are kept beside them. */
async function giveTo({ id, version }: ForClass, staircaseId: string): Promise<void> {
  const done = await give(() =>
    ask(api.classes[':id'].staircase.$put({ param: { id }, json: { staircaseId, version } })),
  );
  if (!done) notices.fail(notGiven.value ?? '');
}
</script>

<template>
  <div class="page-grid">
    <header>
      <h1>{{ t('make-page.make-a-staircase') }}</h1>
      <p class="soft">
        <template v-if="forClass !== null"
          >{{ t('make-page.for-name-with-what-it-knows', { name: forClass.name }) }}{{ ' ' }}
        </template>
        {{ t('make-page.three-questions-escalier-weighs-up-your') }}
      </p>
      <BAlert v-if="loading !== null" variant="warning" :model-value="true">{{ loading.message }}</BAlert>
    </header>
    <BForm class="card-paper stack" novalidate @submit.prevent="make(wishes)">
      <WishFields :form="form" :tunes="library.profiles.value ?? []" />
      <div class="line">
        <BButton type="submit" variant="primary" :disabled="working">
          <BSpinner v-if="working" small aria-hidden="true" />{{ t('make-page.propose') }}
        </BButton>
        <template v-if="working">
          <BProgress
            class="grow"
            :value="library.profiles.value === null ? library.share.value : share"
            :max="1"
            :aria-label="t('make-page.weighing-up-the-tunes')"
          />
          <BButton @click="cancel">{{ t('make-page.stop') }}</BButton>
        </template>
        <BAlert v-if="error !== null" class="grow" variant="warning" :model-value="true">{{ error }}</BAlert>
      </div>
    </BForm>
    <template v-if="plan !== null && steps.length > 0">
      <DraftPicture :steps="steps" :news="news" :findings="findings" />
      <div class="columns columns-side">
        <ProposalSteps :plan="plan" :title-of="titleOf" :said="said" @exchange="exchange" />
        <div class="stack">
          <section class="card-paper stack">
            <ObjectiveLine :objective="plan.objective" />
            <BButton variant="primary" :disabled="busy" @click="keep">{{ t('make-page.use-this-staircase') }}</BButton>
            <BAlert v-if="refused !== null" variant="danger" :model-value="true">{{ reason ?? refused }}</BAlert>
          </section>
          <section v-if="advice.length > 0" class="card-paper stack-close">
            <h2>{{ t('make-page.worth-knowing') }}</h2>
            <p v-for="each in advice" :key="`${each.step}${each.text}`">
              <strong
                >{{ each.step === null ? '' : t('make-page.step-step', { step: each.step }) }}{{ each.text }}</strong
              >
              {{ each.remedy }}
            </p>
          </section>
        </div>
      </div>
    </template>
  </div>
</template>
