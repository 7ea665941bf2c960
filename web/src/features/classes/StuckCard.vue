<script setup lang="ts">
import { commonCause, helpGroups } from '@escalier/core/records';
import { computed } from 'vue';
import type { ClassView } from './project.ts';
import { STUCK_RULE, stuckWords } from './words.ts';
import HowComputed from '../../ui/HowComputed.vue';
import { useRemarks } from '../schools/index.ts';
import { noteWords } from '../../ui/note-words.ts';
import { counted } from '../../ui/count-messages.ts';
import { t } from './messages.ts';

const props = defineProps<{ page: ClassView }>();
const remarks = useRemarks();

const nameOf = (id: string): string => props.page.pupils.find((pupil) => pupil.id === id)?.name ?? '';
const stuck = computed(() => props.page.stuck);
const cause = computed(() => commonCause(stuck.value, props.page.steps));
const groups = computed(() => helpGroups(stuck.value, props.page.steps).filter((group) => group.pupilIds.length > 1));
const remark = computed(() => remarks.all.find((each) => each.id === cause.value.remark?.what) ?? null);
</script>

<template>
  <section class="card-paper stack-close">
    <h2>
      {{
        stuck.length === 0
          ? t('stuck-card.nobody-is-stuck')
          : t('stuck-card.t-stuck', { pupilsAre: counted('pupils-are', { n: stuck.length }) })
      }}
    </h2>
    <template v-if="stuck.length > 0">
      <p>
        <template v-for="(pupil, index) in stuck" :key="pupil.pupilId">
          <RouterLink :to="{ name: 'pupil', params: { classId: page.id, pupilId: pupil.pupilId } }">{{
            nameOf(pupil.pupilId)
          }}</RouterLink>
          <span class="soft"
            >{{ ' '
            }}{{
              t('stuck-card.step-step-index-value', {
                stepIndex: pupil.stepIndex + 1,
                comma: index < stuck.length - 1 ? ', ' : '',
              })
            }}</span
          >
        </template>
      </p>
      <p v-if="cause.remark !== null">
        {{ t('stuck-card.most-often') }} <strong>{{ remarks.wordsOf(cause.remark.what).toLowerCase() }}</strong>
        {{
          t('stuck-card.pupil-ids-count-of-stuck-count', {
            pupilIdsCount: cause.remark.pupilIds.length,
            stuckCount: stuck.length,
            remedy: remark?.remedy ?? '',
          })
        }}
      </p>
      <p v-else>{{ t('stuck-card.each-for-a-different-reason-no') }}</p>
      <p v-if="cause.move !== null">
        {{
          t('stuck-card.pupil-ids-count-of-stuck-count-2', {
            pupilIdsCount: cause.move.pupilIds.length,
            stuckCount: stuck.length,
          })
        }}
        <strong>{{
          t('stuck-card.note-to-note2', { note: noteWords(cause.move.what.from), note2: noteWords(cause.move.what.to) })
        }}</strong>.
      </p>
      <p v-else-if="cause.note !== null">
        {{
          t('stuck-card.pupil-ids-count-of-the-stuck', {
            pupilIdsCount: cause.note.pupilIds.length,
            stuckCount: stuck.length,
          })
        }}
        <strong>{{ noteWords(cause.note.what) }}</strong>{{ t('stuck-card.check-that-fingering-first') }}
      </p>
      <p v-for="group in groups" :key="group.pupilIds.join()">
        {{ t('stuck-card.together') }} <strong>{{ group.pupilIds.map(nameOf).join(', ') }}</strong>{{
          group.drill === null
            ? ''
            : t('stuck-card.go-back-and-forth-between-note', {
                note: noteWords(group.drill.from),
                note2: noteWords(group.drill.to),
              })
        }},
        <RouterLink :to="{ name: 'step', params: { classId: page.id, position: group.stepIndex + 1 } }">{{
          t('stuck-card.step-step-index', { stepIndex: group.stepIndex + 1 })
        }}</RouterLink>
      </p>
    </template>
    <HowComputed :label="t('stuck-card.who-counts-as-stuck')">
      {{ STUCK_RULE }}
      <ul v-if="stuck.length > 0">
        <li v-for="pupil in stuck" :key="pupil.pupilId">{{ nameOf(pupil.pupilId) }}: {{ stuckWords(pupil) }}</li>
      </ul>
      {{ t('stuck-card.moves-are-taken-from-the-hard') }}
    </HowComputed>
  </section>
</template>
