<script setup lang="ts">
import { computed } from 'vue';
import type { ClassView } from './project.ts';
import HowComputed from '../../ui/HowComputed.vue';
import { shortDate } from '../../ui/dates.ts';
import OutlookLine from './OutlookLine.vue';
import { newThings } from './words.ts';

const props = defineProps<{ page: ClassView }>();

/** By the class's own rule. */
const current = computed(() => props.page.steps[props.page.classStep] ?? null);
const before = computed(
  () => props.page.steps.filter((step) => step.position < (current.value?.position ?? Infinity)).at(-1) ?? null,
);

/** The step that the plan has come to: the tread that today's line crosses. */
const planned = computed(() => {
  let lessons = 0;
  return (
    props.page.steps.find((step) => (lessons += step.lessons) > props.page.lessons.had) ??
    props.page.steps.at(-1) ??
    null
  );
});
const plannedUntil = computed(() => {
  const steps = props.page.steps.filter((step) => step.position <= (planned.value?.position ?? 0));
  const last = steps.reduce((sum, step) => sum + step.lessons, 0);
  return props.page.lessons.all[last - 1]?.date ?? null;
});
const needed = computed(() =>
  current.value === null ? 0 : Math.ceil((current.value.goOn.of * current.value.goOn.ruleShare) / 100),
);
</script>

<template>
  <section class="card-paper stack-close">
    <template v-if="current !== null">
      <h2>The class is on step {{ current.position }}</h2>
      <p>
        <template v-if="page.style.teaching.goOn === 'share'">
          {{ current.goOn.passed }} of {{ current.goOn.of }} have passed it ({{ current.goOn.share }} %; your rule:
          {{ current.goOn.ruleShare }} %). <strong>{{ needed - current.goOn.passed }} more</strong> and you can move on.
        </template>
        <template v-else>
          {{ current.goOn.passed }} of {{ current.goOn.of }} have passed it ({{ current.goOn.share }} %).
          {{
            page.style.teaching.goOn === 'heard'
              ? 'You move on when everybody was heard once.'
              : 'You say when the class moves on: under Today.'
          }}
        </template>
      </p>
      <p v-if="planned !== null && planned.position !== current.position" class="plan">
        By your plan you are on
        <RouterLink :to="{ name: 'step', params: { classId: page.id, position: planned.position } }"
          >step {{ planned.position }}</RouterLink
        ><template v-if="plannedUntil !== null">, until {{ shortDate(plannedUntil) }}</template
        >: {{ newThings(planned, page.style.lengthWords).join(', ') || 'nothing new' }}.
      </p>
      <HowComputed v-if="page.style.teaching.goOn === 'share'">
        <template v-if="before !== null">
          Step {{ before.position }}: {{ before.goOn.passed }} of {{ before.goOn.of }} = {{ before.goOn.share }} %, that
          is enough.
        </template>
        Step {{ current.position }}: {{ current.goOn.passed }} of {{ current.goOn.of }} = {{ current.goOn.share }} %.
        {{ current.goOn.ruleShare }} % of {{ current.goOn.of }} are {{ needed }}.
      </HowComputed>
    </template>
    <template v-else>
      <h2>The stairs are climbed</h2>
      <p>Enough pupils have passed every step.</p>
    </template>
    <OutlookLine :page="page" />
  </section>
</template>
