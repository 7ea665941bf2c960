<script setup lang="ts">
import type { Outcome } from '@escalier/core/records';
import IconHere from '~icons/bi/device-hdd';
import IconSchool from '~icons/bi/check-circle-fill';
import { computed } from 'vue';
import type { LastRecord } from './store.ts';
import { t } from './messages.ts';

/** The last result, where it is saved, and undo. */
const props = defineProps<{ last: LastRecord | null; atSchool: boolean; error: string | null }>();
defineEmits<{ undo: [] }>();

const said = computed(() => {
  if (props.last === null) return '';
  if (props.last.kind === 'away') return t('last-record-strip.is-away-today');
  const { part, outcome, position } = props.last;
  return t('last-record-strip.value-said-step-position', {
    inPart: part ? t('last-record-strip.heard-in-part') : '',
    said: SAID[outcome],
    position,
  });
});

const SAID: Record<Outcome, string> = {
  passed: 'passed',
  nearly: t('last-record-strip.nearly-passed'),
  'not-yet': t('last-record-strip.has-not-passed-yet'),
};
</script>

<template>
  <div class="line strip" role="status" :aria-label="t('last-record-strip.last-result')">
    <BAlert v-if="error !== null" variant="danger" :model-value="true">{{ error }}</BAlert>
    <template v-else-if="last !== null">
      <p>
        <strong>{{ last.pupilName }}</strong> {{ said }}
        <span class="where" :class="{ here: !atSchool }">
          <IconSchool v-if="atSchool" aria-hidden="true" /><IconHere v-else aria-hidden="true" />
          {{ atSchool ? t('last-record-strip.saved-at-school') : t('last-record-strip.saved-here') }}
        </span>
      </p>
      <BButton @click="$emit('undo')"
        >{{ t('last-record-strip.undo') }} <span class="key" aria-hidden="true">U</span></BButton
      >
    </template>
  </div>
</template>

<style scoped>
.strip {
  min-height: 44px;
}

.where {
  display: inline-flex;
  align-items: center;
  gap: 5px;
  margin-left: 6px;
  color: var(--spruce);
  font-weight: 700;
}

.where.here {
  color: var(--brass-deep);
}
</style>
