<script setup lang="ts">
import { StaircaseDto } from '@escalier/contract/staircases';
import type { InstrumentId } from '@escalier/core/instruments';
import { ref } from 'vue';
import { useRouter } from 'vue-router';
import { api, ask } from '../../api.ts';
import { useNotices } from '../../ui/use-notices.ts';
import { useSave } from '../../ui/use-save.ts';
import { contentOf, type Draft } from './draft.ts';
import { t } from './messages.ts';

/** What is seldom done with a staircase. */
const props = defineProps<{ stored: StaircaseDto; draft: Draft }>();
const emit = defineEmits<{ belts: [] }>();
const router = useRouter();
const deleting = ref(false);
const notices = useNotices();
const { save, reason, error } = useSave(null);

/** The copy has the changes that are not saved, and no results. */
async function copy(): Promise<void> {
  const { name, steps, ...rest } = contentOf(props.draft);
  const json = {
    ...rest,
    name: `${name} (copy)`.slice(0, 80),
    instrumentId: props.stored.instrumentId as InstrumentId,
    steps: steps.map((step) => ({ ...step, id: null })),
  };
  let id: string | null = null;
  await save(async () => {
    ({ id } = await ask(api.staircases.$post({ json }), StaircaseDto));
  });
  if (id === null) return notices.fail(reason.value ?? error.value ?? '');
  notices.say(t('staircase-menu.copied-results-stay-with-the-staircase'));
  await router.push({ name: 'staircase', params: { staircaseId: id } });
}

async function remove(): Promise<void> {
  const done = await save(() => ask(api.staircases[':id'].$delete({ param: { id: props.stored.id } })));
  if (!done) return notices.fail(reason.value ?? error.value ?? '');
  notices.say(t('staircase-menu.name-deleted', { name: props.stored.name }));
  await router.push({ name: 'staircases' });
}
</script>

<template>
  <BDropdown :text="t('staircase-menu.more')">
    <BDropdownItem @click="emit('belts')">{{ t('staircase-menu.belts-in-their-order') }}</BDropdownItem>
    <BDropdownItem @click="copy">{{ t('staircase-menu.make-a-copy') }}</BDropdownItem>
    <BDropdownItem :to="{ name: 'poster', params: { staircaseId: stored.id } }">{{
      t('staircase-menu.poster-for-the-wall')
    }}</BDropdownItem>
    <BDropdownItem :to="{ name: 'compare-staircases', query: { a: stored.id } }">{{
      t('staircase-menu.compare-with-another')
    }}</BDropdownItem>
    <BDropdownItem @click="deleting = true">{{ t('staircase-menu.delete') }}</BDropdownItem>
  </BDropdown>
  <BModal
    v-model="deleting"
    :title="t('staircase-menu.delete-name', { name: stored.name })"
    :ok-title="t('staircase-menu.delete-it')"
    ok-variant="danger"
    @ok="remove"
  >
    <p>{{ t('staircase-menu.its-tunes-stay-in-the-library') }}</p>
  </BModal>
</template>
