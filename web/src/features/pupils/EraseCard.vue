<script setup lang="ts">
import { type PupilRecord, type Trace, traceList } from '@escalier/contract/pupils';
import { ref, shallowRef } from 'vue';
import { api, ask } from '../../api.ts';
import { useSave } from '../../ui/use-save.ts';
import { PLACE_WORDS } from './place-words.ts';

/** Erasing a pupil's personal data, with every text in which the name stands. */
const props = defineProps<{
  pupil: PupilRecord;
  erase: (id: string, clean: readonly Pick<Trace, 'place' | 'key'>[]) => Promise<void>;
}>();
const emit = defineEmits<{ gone: [] }>();
const { busy, reason, save } = useSave('Erased.');
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
    <h2>Erase personal data</h2>
    <p class="soft">
      Name, note, marker, days away, recordings and slip are erased for good; the class’s figures stay. Copies of the
      database keep them until the copies are deleted.
    </p>
    <div>
      <BButton variant="outline-danger" :disabled="busy || looking.busy.value" @click="look"
        >Erase {{ pupil.name }} …</BButton
      >
    </div>
    <BAlert v-if="(reason ?? looking.reason.value) !== null" variant="danger" :model-value="true">{{
      reason ?? looking.reason.value
    }}</BAlert>
    <BModal
      v-model="isOpen"
      scrollable
      :title="`Erase ${pupil.name}?`"
      ok-title="Erase for good"
      ok-variant="danger"
      cancel-title="Keep"
      @ok="eraseNow"
    >
      <p><strong>This cannot be undone.</strong> The results of {{ pupil.name }} stay without a name.</p>
      <fieldset v-if="traces.length > 0">
        <legend class="legend">Take the name out of these texts, too:</legend>
        <BFormCheckboxGroup v-model="chosen" stacked>
          <BFormCheckbox v-for="trace in traces" :key="nameOf(trace)" :value="nameOf(trace)">
            <strong>{{ PLACE_WORDS[trace.place] }}:</strong> {{ trace.words }}
            <span v-if="!trace.isWhole" class="soft">(the first name only: this may be someone else)</span>
          </BFormCheckbox>
        </BFormCheckboxGroup>
      </fieldset>
      <p v-else class="soft">The name stands in no other text of the school.</p>
    </BModal>
  </div>
</template>

<style scoped>
.legend {
  font-size: inherit;
}
</style>
