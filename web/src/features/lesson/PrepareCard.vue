<script setup lang="ts">
import type { EarnedBelt } from '@escalier/contract/instruments';
import { belt, isBeltId } from '@escalier/core/staircase';
import { computed } from 'vue';
import BeltBand from '../../ui/BeltBand.vue';
import { plural } from '../../ui/plural.ts';
import type { ClassView } from '../classes/index.ts';

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
    <h2>Before the bell</h2>
    <p v-if="nothing" class="soft">Nothing to clean, no belts to hand out, nobody away.</p>
    <p v-if="toClean > 0">
      {{ plural(toClean, 'instrument was', 'instruments were') }} last played by another class:
      <RouterLink :to="{ name: 'instruments' }">clean before they are played</RouterLink>.
    </p>
    <template v-if="toHand.length > 0">
      <p>{{ plural(toHand.length, 'belt', 'belts') }} to hand out:</p>
      <ul class="plain line">
        <li
          v-for="each in toHand.slice(0, MOST_NAMES)"
          :key="`${each.pupilId}${each.stepId}`"
          class="d-flex gap-2 align-items-center"
        >
          <span class="belt-chip"><BeltBand :belt-id="each.belt" decorative /></span>
          {{ each.name }}<span class="visually-hidden">, {{ beltName(each.belt) }}</span>
        </li>
        <li v-if="toHand.length > MOST_NAMES" class="soft">and {{ toHand.length - MOST_NAMES }} more</li>
      </ul>
    </template>
    <p v-if="away.length > 0">Away: {{ away.map(({ name }) => name).join(', ') }}.</p>
    <p v-if="bring !== ''">To bring: {{ bring }}.</p>
  </section>
</template>
