<script setup lang="ts">
import type { Block } from '@escalier/core/lesson';
import { blockTitle, type LessonSpeech } from '@escalier/core/words';
import { t } from './messages.ts';

/** The parts after this one, each with its minutes. */
defineProps<{ blocks: readonly Block[]; speech: LessonSpeech }>();
</script>

<template>
  <section class="card-paper stack-close" :aria-label="t('coming-parts.after-this')">
    <ol class="plain ruled">
      <li v-for="each in blocks" :key="each.id" class="d-flex gap-3">
        <span class="grow">{{ blockTitle(each, speech) }}</span>{{
          t('coming-parts.minutes-min', { minutes: each.minutes })
        }}
      </li>
    </ol>
  </section>
</template>
