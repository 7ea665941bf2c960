<script setup lang="ts">
import { type PupilRecord, type Trace, traceList } from '@escalier/contract/pupils';
import { ref, shallowRef } from 'vue';
import { api, ask } from '../../api.ts';
import { useSave } from '../../ui/use-save.ts';
import { PLACE_WORDS } from './place-words.ts';
import { t } from './messages.ts';

/** Erasing a pupil's personal data, with every text in which the name stands. */
const props = defineProps<{
  pupil: PupilRecord;
  erase: (id: string, clean: readonly Pick<Trace, 'place' | 'key'>[]) => Promise<void>;
}>();
const emit = defineEmits<{ gone: [] }>();
const { busy, reason, save } = useSave(t('erase-card.erased'));
const looking = useSave(null);
const isOpen = ref(false);
const traces = shallowRef<readonly Trace[]>([]);
const chosen = ref<string[]>([]);
const nameOf = ({ place, key }: Trace): string => `${place} ${key}`;

/** Looks first: what is erased cannot be found any more. */
async function look(): Promise<void> {
  await looking.save(async () => {
    traces.value = await ask(api.pupils[':id'].traces.$get({ param: { id: props.pupil.id } }), traceList);
    chosen.value = traces.value.filter(({ isWhole }) => isWhole).map(nameOf);
    isOpen.value = true;
  });
}

async function eraseNow(): Promise<void> {
  const clean = traces.value
    .filter((trace) => chosen.value.includes(nameOf(trace)))
    .map(({ place, key }) => ({ place, key }));
  if (await save(() => props.erase(props.pupil.id, clean))) emit('gone');
}
</script>

<template>
  <div class="stack-close">
    <h2>{{ t('erase-card.erase-personal-data') }}</h2>
    <p class="soft">
      {{ t('erase-card.name-note-marker-days-away-recordings') }}
    </p>
    <div>
      <BButton variant="outline-danger" :disabled="busy || looking.busy.value" @click="look">{{
        t('erase-card.erase-name', { name: pupil.name })
      }}</BButton>
    </div>
    <BAlert v-if="(reason ?? looking.reason.value) !== null" variant="danger" :model-value="true">{{
      reason ?? looking.reason.value
    }}</BAlert>
    <BModal
      v-model="isOpen"
      scrollable
      :title="t('erase-card.erase-name-2', { name: pupil.name })"
      :ok-title="t('erase-card.erase-for-good')"
      ok-variant="danger"
      :cancel-title="t('erase-card.keep')"
      @ok="eraseNow"
    >
      <p>
        <strong>{{ t('erase-card.this-cant-be-undone') }}</strong>
        {{ t('erase-card.name-s-results-stay-without-a', { name: pupil.name }) }}
      </p>
      <fieldset v-if="traces.length > 0">
        <legend class="legend">{{ t('erase-card.remove-the-name-from-these-texts') }}</legend>
        <BFormCheckboxGroup v-model="chosen" stacked>
          <BFormCheckbox v-for="trace in traces" :key="nameOf(trace)" :value="nameOf(trace)">
            <strong>{{ PLACE_WORDS[trace.place] }}:</strong> {{ trace.words }}
            <span v-if="!trace.isWhole" class="soft">{{ t('erase-card.first-name-only-may-be-someone') }}</span>
          </BFormCheckbox>
        </BFormCheckboxGroup>
      </fieldset>
      <p v-else class="soft">{{ t('erase-card.the-name-appears-in-no-other') }}</p>
    </BModal>
  </div>
</template>

<style scoped>
.legend {
  font-size: inherit;
}
</style>
