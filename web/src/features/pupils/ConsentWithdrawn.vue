<script setup lang="ts">
import { recordingCount } from '@escalier/contract/recordings';
import type { PupilRecord } from '@escalier/contract/pupils';
import { ref, watch } from 'vue';
import { api, ask } from '../../api.ts';
import { plural } from '../../ui/plural.ts';
import { useSave } from '../../ui/use-save.ts';

/** A family that takes its consent back usually wants what was recorded gone, too. */
const props = defineProps<{ pupil: PupilRecord }>();
const count = ref(0);
const isOpen = ref(false);
const erasing = useSave('Erased.');
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
    :title="`Erase ${pupil.name}’s recordings, too?`"
    :ok-title="`Erase ${plural(count, 'recording', 'recordings')}`"
    ok-variant="danger"
    cancel-title="Keep them until their day"
    @ok="erase"
  >
    The family no longer agrees. {{ plural(count, 'recording is', 'recordings are') }} still at school; results that
    came of them stay.
  </BModal>
</template>
