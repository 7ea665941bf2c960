<script setup lang="ts">
import type { Plan } from '@escalier/core/staircase';
import type { Said } from './words.ts';
import { t } from './messages.ts';

/** Why each tune stands at its step, and the next in line, to be taken instead. */
defineProps<{ plan: Plan; titleOf: (id: string) => string; said: Said }>();
defineEmits<{ exchange: [index: number, tuneId: string] }>();
</script>

<template>
  <section class="card-paper" :aria-label="t('proposal-steps.the-proposal')">
    <ol class="plain ruled">
      <li v-for="(step, index) in plan.steps" :key="step.tune" class="d-flex gap-3 align-items-center">
        <span class="grow">
          <strong>{{ index + 1 }} {{ titleOf(step.tune) }}</strong
          ><br />
          <span class="small">{{ said.why(step) }}</span>
        </span>
        <BDropdown
          size="sm"
          :text="t('proposal-steps.instead')"
          :toggle-text="t('proposal-steps.another-tune-for-step-index', { index: index + 1 })"
        >
          <BDropdownItem
            v-for="each in step.alternatives"
            :key="each.tune"
            @click="$emit('exchange', index, each.tune)"
            >{{
              t('proposal-steps.title-total-points-in-all', { title: titleOf(each.tune), total: each.total })
            }}</BDropdownItem
          >
        </BDropdown>
      </li>
    </ol>
  </section>
</template>
