<script setup lang="ts">
import { type StaircaseChoice, StaircaseDto, staircaseList } from '@escalier/contract/staircases';
import { computed, onMounted, ref, shallowRef, watch } from 'vue';
import { useRouter } from 'vue-router';
import { api, ApiError, ask } from '../../api.ts';
import SelectField from '../../ui/SelectField.vue';
import { useNotices } from '../../ui/use-notices.ts';
import { useSave } from '../../ui/use-save.ts';
import { useClasses } from '../classes/index.ts';
import { changeStaircase } from './change-staircase.ts';
import { addTune } from './draft.ts';
import { t } from './messages.ts';

/** From the library to a class, or onto a step of a staircase. */
const props = defineProps<{ tuneId: string; title: string }>();
const router = useRouter();
const classes = useClasses();
const notices = useNotices();
onMounted(() => void (classes.list === null && classes.loadList()));
const classOptions = computed(() => [
  { value: '', text: t('tune-for.read-it-for-a-class') },
  ...(classes.list ?? []).map(({ id, name }) => ({ value: id, text: name })),
]);

const isOpen = ref(false);
const all = shallowRef<readonly StaircaseChoice[]>([]);
const staircaseId = ref('');
const stairs = shallowRef<StaircaseDto | null>(null);
const stepId = ref('');
const { busy, error, save } = useSave(null);

watch(isOpen, async (open) => {
  if (!open || all.value.length > 0) return;
  try {
    all.value = await ask(api.staircases.$get(), staircaseList);
    staircaseId.value = all.value[0]?.id ?? '';
  } catch (problem) {
    if (!(problem instanceof ApiError)) throw problem;
    notices.fail(problem.message);
  }
});
watch(staircaseId, async (id) => {
  stairs.value = null;
  if (id === '') return;
  stairs.value = await ask(api.staircases[':id'].$get({ param: { id } }), StaircaseDto);
  stepId.value = stairs.value.steps[0]?.id ?? '';
});
const stepOptions = computed(() =>
  (stairs.value?.steps ?? []).map(({ id, tunes }, index) => ({
    value: id,
    text: `${index + 1} ${tunes[0]?.title ?? ''}`,
  })),
);

/** Beside the tunes that the step has: any of them may be passed. */
async function put(): Promise<void> {
  const open = stairs.value;
  if (open === null) return;
  const tune = { id: props.tuneId, title: props.title, role: 'choice' } as const;
  let refused: string | null = null;
  const isDone = await save(async () => {
    refused = await changeStaircase(open.id, (draft) =>
      addTune(
        draft,
        draft.steps.findIndex(({ id }) => id === stepId.value),
        tune,
      ),
    );
  });
  if (refused !== null) return notices.fail(refused);
  if (!isDone) return;
  notices.say(t('tune-for.on-the-step'));
  isOpen.value = false;
}
</script>

<template>
  <BFormSelect
    class="auto"
    :model-value="''"
    :options="classOptions"
    :aria-label="t('tune-for.read-it-for-a-class')"
    @update:model-value="
      $event !== '' && router.push({ name: 'tune', params: { tuneId }, query: { class: String($event) } })
    "
  />
  <BButton @click="isOpen = true">{{ t('tune-for.put-on-a-step') }}</BButton>
  <BModal v-model="isOpen" :title="t('tune-for.put-title-on-a-step', { title })" no-footer>
    <BForm class="stack" @submit.prevent="put">
      <SelectField
        v-model="staircaseId"
        :label="t('tune-for.staircase')"
        :options="all.map(({ id, name }) => ({ value: id, text: name }))"
      />
      <SelectField
        v-model="stepId"
        :label="t('tune-for.step')"
        :hint="t('tune-for.it-goes-beside-the-steps-own')"
        :options="stepOptions"
      />
      <BAlert v-if="error !== null" variant="danger" :model-value="true">{{ error }}</BAlert>
      <BButton type="submit" variant="primary" :disabled="busy || stairs === null">{{
        t('tune-for.put-it-there')
      }}</BButton>
    </BForm>
  </BModal>
</template>
