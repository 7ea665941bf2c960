<script setup lang="ts">
import { TuneUse, tuneGone } from '@escalier/contract/tunes';
import { computed, ref, shallowRef } from 'vue';
import { useRouter } from 'vue-router';
import { api, ask } from '../../api.ts';
import { useNotices } from '../../ui/use-notices.ts';
import { useSave } from '../../ui/use-save.ts';
import { counted } from '../../ui/count-messages.ts';
import { t } from './messages.ts';

/** Deletes a tune, or archives it when results hang on it; says first where it is used. */
const props = defineProps<{ tuneId: string; title: string }>();
const emit = defineEmits<{ changed: [] }>();
const router = useRouter();
const notices = useNotices();
const { busy, error, save } = useSave(null);
const use = shallowRef<TuneUse | null>(null);
const asking = ref(false);
const isFree = computed(() => use.value !== null && use.value.steps.length === 0);

async function look(): Promise<void> {
  await save(async () => {
    use.value = await ask(api.tunes[':id'].use.$get({ param: { id: props.tuneId } }), TuneUse);
    asking.value = true;
  });
}

async function remove(): Promise<void> {
  await save(async () => {
    const { archived } = await ask(api.tunes[':id'].$delete({ param: { id: props.tuneId } }), tuneGone);
    notices.say(t('tune-removal.title-is-value', { title: props.title, state: archived ? 'archived' : 'deleted' }));
    await router.push({ name: 'tunes' });
  });
}

async function restore(): Promise<void> {
  const done = await save(() => ask(api.tunes[':id'].restore.$post({ param: { id: props.tuneId } })));
  if (!done) return;
  notices.say(t('tune-removal.title-is-back-in-the-library', { title: props.title }));
  emit('changed');
}
</script>

<template>
  <BButton variant="outline-danger" :disabled="busy" @click="look">{{ t('tune-removal.delete') }}</BButton>
  <BModal
    v-model="asking"
    :title="
      use?.archived === true
        ? t('tune-removal.title-is-archived', { title })
        : isFree
          ? t('tune-removal.delete-title', { title })
          : t('tune-removal.title-is-in-use', { title })
    "
    no-footer
  >
    <div v-if="use !== null" class="stack">
      <template v-if="use.archived">
        <p>
          {{ t('tune-removal.it-is-hidden-from-the-library', { results: counted('results', { n: use.results }) }) }}
        </p>
        <BButton variant="primary" @click="restore">{{ t('tune-removal.restore-to-the-library') }}</BButton>
      </template>
      <template v-else-if="!isFree">
        <p>{{ t('tune-removal.remove-it-from-these-steps-first') }}</p>
        <ul class="bullets">
          <li v-for="step in use.steps" :key="`${step.staircase}${step.position}`">
            {{ t('tune-removal.staircase-step-position', { staircase: step.staircase, position: step.position }) }}
          </li>
        </ul>
      </template>
      <template v-else-if="use.results > 0">
        <p>
          {{
            t('tune-removal.results-this-tune-so-it-is', {
              results: counted('results-of-pupils-name', { n: use.results }),
            })
          }}
        </p>
        <BButton variant="danger" @click="remove">{{ t('tune-removal.archive') }}</BButton>
      </template>
      <template v-else>
        <p>{{ t('tune-removal.nothing-uses-it-this-cant-be') }}</p>
        <BButton variant="danger" @click="remove">{{ t('tune-removal.delete-for-good') }}</BButton>
      </template>
      <BAlert v-if="error !== null" variant="danger" :model-value="true">{{ error }}</BAlert>
      <BButton @click="asking = false">{{ t('tune-removal.cancel') }}</BButton>
    </div>
  </BModal>
</template>
