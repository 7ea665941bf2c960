<script setup lang="ts">
import { type SchoolCaution, cautionList } from '@escalier/contract/schools';
import { CAUTION_PLACES, LOCAL_RULES, USUAL_CAUTIONS, type CautionPlace } from '@escalier/core/practice';
import { onMounted, ref, shallowRef } from 'vue';
import { v7 as newId } from 'uuid';
import { api, ask } from '../../api.ts';
import LoadState from '../../ui/LoadState.vue';
import { saveMerged } from '../../ui/merge.ts';
import SaveBar from '../../ui/SaveBar.vue';
import { useLoad } from '../../ui/use-load.ts';
import { errorsAt, useSave } from '../../ui/use-save.ts';
import SchoolHead from './SchoolHead.vue';
import { t } from './messages.ts';

const PLACE_WORDS: Record<CautionPlace, string> = {
  lesson: t('cautions-page.in-lessons'),
  hearing: t('cautions-page.when-hearing'),
  instruments: t('cautions-page.with-instruments'),
  recordings: t('cautions-page.with-recordings'),
};
const PLACES = CAUTION_PLACES.map((value) => ({ value, text: PLACE_WORDS[value] }));

const loaded = shallowRef<readonly SchoolCaution[] | null>(null);
const draft = ref<{ id: string; text: string; places: CautionPlace[]; shown: boolean }[]>([]);
const { busy, error: refused, fields, save } = useSave();
let version = 0;
const { error, load } = useLoad(async () => show(await ask(api.school.cautions.$get(), cautionList)));
onMounted(load);

function show({ cautions, version: read }: { cautions: readonly SchoolCaution[]; version: number }): void {
  version = read;
  loaded.value = cautions;
  draft.value = editable(cautions);
}

function editable(cautions: readonly SchoolCaution[]) {
  return cautions.map((each) => ({ ...each, places: [...each.places] }));
}

function addOwn(): void {
  draft.value.push({ id: newId(), text: '', places: ['lesson'], shown: true });
}

function usual(): void {
  const own = draft.value.filter((each) => USUAL_CAUTIONS.every((usual) => usual.id !== each.id));
  draft.value = [...USUAL_CAUTIONS.map((each) => ({ ...each, places: [...each.places], shown: true })), ...own];
}

async function submit(): Promise<void> {
  await save(async () => {
    const cautions = draft.value.filter((each) => each.text.trim() !== '');
    const again = async () => {
      const theirs = await ask(api.school.cautions.$get(), cautionList);
      loaded.value = theirs.cautions;
      version = theirs.version;
      return { cautions: editable(theirs.cautions), version };
    };
    const before = { cautions: editable(loaded.value ?? []), version };
    const put = (json: typeof before) => ask(api.school.cautions.$put({ json }), cautionList);
    show(await saveMerged({ before, mine: { cautions, version }, put, again }));
  });
}
</script>

<template>
  <LoadState v-if="loaded === null" :error="error" :what="t('cautions-page.the-cautions')" @again="load" />
  <div v-else class="page-grid">
    <SchoolHead :lead="t('cautions-page.local-rules-start-from-the-usual', { localRules: LOCAL_RULES })" />
    <BForm class="card-paper stack" novalidate @submit.prevent="submit">
      <fieldset v-for="(caution, index) in draft" :key="caution.id" class="caution">
        <legend class="visually-hidden">{{ t('cautions-page.caution-index', { index: index + 1 }) }}</legend>
        <BFormCheckbox v-model="caution.shown">{{ t('cautions-page.shown') }}</BFormCheckbox>
        <BFormTextarea
          v-model="caution.text"
          rows="2"
          maxlength="300"
          :aria-label="t('cautions-page.caution-index', { index: index + 1 })"
        />
        <BFormCheckboxGroup
          v-model="caution.places"
          :options="PLACES"
          :aria-label="t('cautions-page.where-caution-index-is-shown', { index: index + 1 })"
        />
        <BAlert
          v-for="problem in errorsAt(fields, `cautions.${index}`)"
          :key="problem"
          class="wide"
          variant="danger"
          :model-value="true"
          >{{ problem }}</BAlert
        >
      </fieldset>
      <SaveBar :busy="busy" :error="refused" :label="t('cautions-page.save-for-the-school')">
        <BButton @click="addOwn">{{ t('cautions-page.add-your-own') }}</BButton>
        <BButton @click="usual">{{ t('cautions-page.restore-the-usual-ones') }}</BButton>
      </SaveBar>
    </BForm>
  </div>
</template>

<style scoped>
.caution {
  display: grid;
  grid-template-columns: 100px minmax(0, 1fr) 320px;
  gap: 6px 14px;
  align-items: center;
  padding-bottom: 12px;
  border-bottom: 1px solid var(--line);
}

@media (max-width: 900px) {
  .caution {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
