<script setup lang="ts">
import { recordingCount } from '@escalier/contract/recordings';
import type { PupilRecord } from '@escalier/contract/pupils';
import { ref, watch } from 'vue';
import { api, ask } from '../../api.ts';
import { useSave } from '../../ui/use-save.ts';
import { counted } from '../../ui/count-messages.ts';
import { t } from './messages.ts';

/** A family that takes its consent back usually wants what was recorded gone, too. */
const props = defineProps<{ pupil: PupilRecord }>();
const count = ref(0);
const isOpen = ref(false);
const erasing = useSave(t('consent-withdrawn.erased'));
const path = () => ({ param: { id: props.pupil.id } });

watch(
  () => [props.pupil.id, props.pupil.mayRecord] as const,
  async ([id, now], [before, agreed]) => {
    if (id !== before || now || !agreed) return;
    count.value = (await ask(api.pupils[':id'].recordings.$get(path()), recordingCount)).count;
    isOpen.value = count.value > 0;
  },
);

const erase = () => erasing.save(() => ask(api.pupils[':id'].recordings.$delete(path())));
</script>

<template>
  <BModal
    v-model="isOpen"
    :title="t('consent-withdrawn.erase-name-s-recordings-too', { name: pupil.name })"
    :ok-title="t('consent-withdrawn.erase-recordings', { recordings: counted('recordings', { n: count }) })"
    ok-variant="danger"
    :cancel-title="t('consent-withdrawn.keep-until-they-expire')"
    @ok="erase"
  >
    {{
      t('consent-withdrawn.the-family-has-withdrawn-consent-recordings', {
        recordings: counted('recordings-are', { n: count }),
      })
    }}
  </BModal>
</template>
