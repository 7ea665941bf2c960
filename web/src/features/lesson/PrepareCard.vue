<script setup lang="ts">
import type { EarnedBelt } from '@escalier/contract/instruments';
import { belt, isBeltId } from '@escalier/core/staircase';
import { computed } from 'vue';
import BeltBand from '../../ui/BeltBand.vue';
import type { ClassView } from '../classes/index.ts';
import { counted } from '../../ui/count-messages.ts';
import { t } from './messages.ts';

/** What has to be there before the bell: instruments, belts, what the class brings. */
const props = defineProps<{ page: ClassView; toHand: readonly EarnedBelt[]; toClean: number }>();
const MOST_NAMES = 8;
const away = computed(() => props.page.pupils.filter((pupil) => pupil.standing !== null && pupil.away));
const bring = computed(() => props.page.style.teaching.bring);
const nothing = computed(
  () => props.toHand.length === 0 && props.toClean === 0 && away.value.length === 0 && bring.value === '',
);
const beltName = (id: string): string => (isBeltId(id) ? belt(id).name : '');
</script>

<template>
  <section class="card-paper stack-close">
    <h2>{{ t('prepare-card.before-the-bell') }}</h2>
    <p v-if="nothing" class="soft">{{ t('prepare-card.nothing-to-clean-no-belts-to') }}</p>
    <p v-if="toClean > 0">
      {{
        t('prepare-card.instruments-last-played-by-another-class', {
          instruments: counted('instruments-were', { n: toClean }),
        })
      }}
      <RouterLink :to="{ name: 'instruments' }">{{ t('prepare-card.clean-before-playing') }}</RouterLink>.
    </p>
    <template v-if="toHand.length > 0">
      <p>{{ t('prepare-card.belts-to-hand-out', { belts: counted('belts', { n: toHand.length }) }) }}</p>
      <ul class="plain line">
        <li
          v-for="each in toHand.slice(0, MOST_NAMES)"
          :key="`${each.pupilId}${each.stepId}`"
          class="d-flex gap-2 align-items-center"
        >
          <span class="belt-chip"><BeltBand :belt-id="each.belt" decorative /></span>
          {{ each.name }}<span class="visually-hidden">, {{ beltName(each.belt) }}</span>
        </li>
        <li v-if="toHand.length > MOST_NAMES" class="soft">
          {{ t('prepare-card.and-hand-count-more', { handCount: toHand.length - MOST_NAMES }) }}
        </li>
      </ul>
    </template>
    <p v-if="away.length > 0">{{ t('prepare-card.away-list', { list: away.map(({ name }) => name).join(', ') }) }}</p>
    <p v-if="bring !== ''">{{ t('prepare-card.to-bring-bring', { bring }) }}</p>
  </section>
</template>
