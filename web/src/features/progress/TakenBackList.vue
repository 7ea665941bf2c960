<script setup lang="ts">
import type { HeardEvent, TakenBack } from '@escalier/core/records';
import type { ClassView } from '../classes/index.ts';
import { moment } from '../../ui/dates.ts';
import { OUTCOME_WORDS, useHearing } from '../hearing/index.ts';
import { useKeep } from './use-keep.ts';
import { t } from './messages.ts';

/** Results that were taken back, with the reason; each can be restored. */
const props = defineProps<{ taken: readonly TakenBack[]; page: ClassView }>();
const hearing = useHearing();
const keep = useKeep();
const restore = (heard: HeardEvent): Promise<void> =>
  keep(() => hearing.restore(props.page.id, heard), t('taken-back-list.restored'));
</script>

<template>
  <ol v-if="taken.length > 0" class="plain stack-close" :aria-label="t('taken-back-list.taken-back')">
    <li v-for="{ heard, undone } in taken" :key="undone.id" class="line">
      <span class="grow soft">
        <s>{{ OUTCOME_WORDS[heard.outcome] }}, {{ moment(heard.heardAt, page.timeZone) }}</s
        >: {{ undone.reason }}
      </span>
      <BButton variant="link" @click="restore(heard)">{{ t('taken-back-list.restore') }}</BButton>
    </li>
  </ol>
</template>
