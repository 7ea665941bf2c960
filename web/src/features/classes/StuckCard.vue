<script setup lang="ts">
import { commonCause, helpGroups } from '@escalier/core/records';
import { computed } from 'vue';
import type { ClassView } from './project.ts';
import { STUCK_RULE, stuckWords } from './words.ts';
import HowComputed from '../../ui/HowComputed.vue';
import { useRemarks } from '../schools/index.ts';
import { noteWords } from '../../ui/note-words.ts';
import { plural } from '../../ui/plural.ts';

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
    <h2>{{ stuck.length === 0 ? 'Nobody is stuck' : `${plural(stuck.length, 'pupil is', 'pupils are')} stuck` }}</h2>
    <template v-if="stuck.length > 0">
      <p>
        <template v-for="(pupil, index) in stuck" :key="pupil.pupilId">
          <RouterLink :to="{ name: 'pupil', params: { classId: page.id, pupilId: pupil.pupilId } }">{{
            nameOf(pupil.pupilId)
          }}</RouterLink>
          <span class="soft"> (step {{ pupil.stepIndex + 1 }}){{ index < stuck.length - 1 ? ', ' : '' }}</span>
        </template>
      </p>
      <p v-if="cause.remark !== null">
        Most often: <strong>{{ remarks.wordsOf(cause.remark.what).toLowerCase() }}</strong> ({{
          cause.remark.pupilIds.length
        }}
        of {{ stuck.length }}). {{ remark?.remedy }}
      </p>
      <p v-else>Each has a different reason: no two share a remark.</p>
      <p v-if="cause.move !== null">
        {{ cause.move.pupilIds.length }} of {{ stuck.length }} need the move
        <strong>{{ noteWords(cause.move.what.from) }} to {{ noteWords(cause.move.what.to) }}</strong
        >.
      </p>
      <p v-else-if="cause.note !== null">
        {{ cause.note.pupilIds.length }} of the {{ stuck.length }} are learning
        <strong>{{ noteWords(cause.note.what) }}</strong>: look at that fingering first.
      </p>
      <p v-for="group in groups" :key="group.pupilIds.join()">
        Together: <strong>{{ group.pupilIds.map(nameOf).join(', ') }}</strong>{{
          group.drill === null ? '' : `, toggle ${noteWords(group.drill.from)} and ${noteWords(group.drill.to)}`
        }},
        <RouterLink :to="{ name: 'step', params: { classId: page.id, position: group.stepIndex + 1 } }"
          >step {{ group.stepIndex + 1 }}</RouterLink
        >
      </p>
    </template>
    <HowComputed label="Who counts as stuck?">
      {{ STUCK_RULE }}
      <ul v-if="stuck.length > 0">
        <li v-for="pupil in stuck" :key="pupil.pupilId">{{ nameOf(pupil.pupilId) }}: {{ stuckWords(pupil) }}</li>
      </ul>
      Moves come from the hard spots of each pupil’s tune. A move, note or remark counts when two or more pupils share
      it.
    </HowComputed>
  </section>
</template>
