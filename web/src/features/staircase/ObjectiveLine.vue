<script setup lang="ts">
import { PARTS, type Objective } from '@escalier/core/staircase';
import { againstWords } from '@escalier/core/words';
import { computed } from 'vue';
import HowComputed from '../../ui/HowComputed.vue';
import { t } from './messages.ts';

/** What counts against a staircase, and what that is made of. */
const props = defineProps<{ objective: Objective }>();
const parts = computed(() => PARTS.filter((part) => props.objective.parts[part] > 0));
</script>

<template>
  <div>
    <p>
      <strong>{{ objective.total }}</strong> {{ t('objective-line.points-against-this-staircase-lower-is') }}
    </p>
    <HowComputed>
      <ul class="plain">
        <li v-for="part in parts" :key="part">{{ againstWords(part) }}: {{ objective.parts[part] }}</li>
      </ul>
    </HowComputed>
  </div>
</template>
