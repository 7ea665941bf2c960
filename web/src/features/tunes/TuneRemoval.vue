<script setup lang="ts">
import { TuneUse, tuneGone } from '@escalier/contract/tunes';
import { computed, ref, shallowRef } from 'vue';
import { useRouter } from 'vue-router';
import { api, ask } from '../../api.ts';
import { plural } from '../../ui/plural.ts';
import { useNotices } from '../../ui/use-notices.ts';
import { useSave } from '../../ui/use-save.ts';

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
    notices.say(`“${props.title}” is ${archived ? 'archived' : 'deleted'}.`);
    await router.push({ name: 'tunes' });
  });
}

async function restore(): Promise<void> {
  const done = await save(() => ask(api.tunes[':id'].restore.$post({ param: { id: props.tuneId } })));
  if (!done) return;
  notices.say(`“${props.title}” is back in the library.`);
  emit('changed');
}
</script>

<template>
  <BButton variant="outline-danger" :disabled="busy" @click="look">Delete</BButton>
  <BModal
    v-model="asking"
    :title="use?.archived === true ? `“${title}” is archived` : isFree ? `Delete “${title}”?` : `“${title}” is in use`"
    no-footer
  >
    <div v-if="use !== null" class="stack">
      <template v-if="use.archived">
        <p>It is hidden from the library; {{ plural(use.results, 'result', 'results') }} of pupils still name it.</p>
        <BButton variant="primary" @click="restore">Restore to the library</BButton>
      </template>
      <template v-else-if="!isFree">
        <p>Remove it from these steps first:</p>
        <ul class="bullets">
          <li v-for="step in use.steps" :key="`${step.staircase}${step.position}`">
            {{ step.staircase }}, step {{ step.position }}
          </li>
        </ul>
      </template>
      <template v-else-if="use.results > 0">
        <p>
          {{ plural(use.results, 'result of a pupil names', 'results of pupils name') }} this tune, so it is archived
          instead: hidden from the library, and there when you need it again.
        </p>
        <BButton variant="danger" @click="remove">Archive</BButton>
      </template>
      <template v-else>
        <p>Nothing uses it. This cannot be undone.</p>
        <BButton variant="danger" @click="remove">Delete for good</BButton>
      </template>
      <BAlert v-if="error !== null" variant="danger" :model-value="true">{{ error }}</BAlert>
      <BButton @click="asking = false">Cancel</BButton>
    </div>
  </BModal>
</template>
