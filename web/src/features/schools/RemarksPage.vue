<script setup lang="ts">
import { REMARKS } from '@escalier/core/records';
import { v7 as newId } from 'uuid';
import { onMounted, ref } from 'vue';
import IconRemove from '~icons/bi/x-lg';
import SaveBar from '../../ui/SaveBar.vue';
import { errorsAt, useSave } from '../../ui/use-save.ts';
import { useRemarks } from './remarks.ts';
import SchoolHead from './SchoolHead.vue';
import { t } from './messages.ts';

/** The short remarks that are tapped at hearing, with the remedy of each. */
const remarks = useRemarks();
const draft = ref<{ id: string; words: string; remedy: string }[]>([]);
const { busy, error, fields, save } = useSave();

function show(): void {
  draft.value = remarks.all.map((each) => ({ ...each }));
}

onMounted(async () => {
  await remarks.load();
  show();
});

function add(): void {
  draft.value.push({ id: newId(), words: '', remedy: '' });
}

function usual(): void {
  const own = draft.value.filter((each) => REMARKS.every((usual) => usual.id !== each.id));
  draft.value = [...REMARKS.map((each) => ({ ...each })), ...own];
}

async function submit(): Promise<void> {
  const kept = draft.value.filter((each) => each.words.trim() !== '' || each.remedy.trim() !== '');
  draft.value = kept;
  if (await save(() => remarks.saveRemarks(kept))) show();
}
</script>

<template>
  <div class="page-grid">
    <SchoolHead :lead="t('remarks-page.what-you-tap-while-hearing-a')" />
    <BForm class="card-paper stack-close" novalidate @submit.prevent="submit">
      <fieldset v-for="(each, index) in draft" :key="each.id" class="remark">
        <legend class="visually-hidden">{{ t('remarks-page.remark-index', { index: index + 1 }) }}</legend>
        <BFormInput
          v-model="each.words"
          maxlength="24"
          :aria-label="t('remarks-page.words-of-remark-index', { index: index + 1 })"
        />
        <BFormInput
          v-model="each.remedy"
          maxlength="160"
          :aria-label="t('remarks-page.remedy-of-remark-index', { index: index + 1 })"
        />
        <BButton
          variant="link"
          :aria-label="t('remarks-page.remove-remark-index', { index: index + 1 })"
          @click="draft.splice(index, 1)"
        >
          <IconRemove aria-hidden="true" />
        </BButton>
        <BAlert
          v-for="problem in errorsAt(fields, `remarks.${index}`)"
          :key="problem"
          class="wide"
          variant="danger"
          :model-value="true"
          >{{ problem }}</BAlert
        >
      </fieldset>
      <SaveBar :busy="busy" :error="error" :label="t('remarks-page.save-for-the-school')">
        <BButton @click="add">{{ t('remarks-page.add-your-own') }}</BButton>
        <BButton @click="usual">{{ t('remarks-page.restore-the-usual-ones') }}</BButton>
      </SaveBar>
    </BForm>
  </div>
</template>

<style scoped>
.remark {
  display: grid;
  grid-template-columns: minmax(110px, 200px) minmax(0, 1fr) 44px;
  gap: 6px 10px;
  align-items: center;
}
</style>
