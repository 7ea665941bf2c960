<script setup lang="ts">
import type { SchoolCaution } from '@escalier/contract/schools';
import { ref } from 'vue';
import { v7 as newId } from 'uuid';
import SaveBar from '../../ui/SaveBar.vue';
import { useSave } from '../../ui/use-save.ts';
import { t } from './messages.ts';

/** Which cautions the school shows, and in which words. */
const props = defineProps<{
  cautions: readonly SchoolCaution[];
  saveCautions: (cautions: readonly SchoolCaution[]) => Promise<void>;
}>();
const emit = defineEmits<{ done: [] }>();

const draft = ref(props.cautions.map((each) => ({ ...each })));
const { busy, error, save } = useSave();

function addOwn(): void {
  draft.value.push({ id: newId(), text: '', places: ['lesson'], shown: true });
}

async function submit(): Promise<void> {
  if (await save(() => props.saveCautions(draft.value.filter((each) => each.text.trim() !== '')))) emit('done');
}
</script>

<template>
  <BForm class="stack-close" @submit.prevent="submit">
    <div v-for="(caution, index) in draft" :key="caution.id" class="row-of">
      <BFormCheckbox
        v-model="caution.shown"
        :aria-label="t('caution-editor.show-caution-index', { index: index + 1 })"
      />
      <BFormTextarea
        v-model="caution.text"
        rows="2"
        maxlength="300"
        :aria-label="t('caution-editor.caution-index', { index: index + 1 })"
      />
    </div>
    <SaveBar :busy="busy" :error="error" :label="t('caution-editor.save-for-the-school')">
      <BButton @click="addOwn">{{ t('caution-editor.add-your-own') }}</BButton>
      <BButton @click="emit('done')">{{ t('caution-editor.cancel') }}</BButton>
    </SaveBar>
  </BForm>
</template>

<style scoped>
.row-of {
  display: grid;
  grid-template-columns: auto 1fr;
  align-items: start;
}
</style>
