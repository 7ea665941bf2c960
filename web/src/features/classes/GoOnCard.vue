<script setup lang="ts">
import { computed } from 'vue';
import type { ClassView } from './project.ts';
import HowComputed from '../../ui/HowComputed.vue';
import { shortDate } from '../../ui/dates.ts';
import OutlookLine from './OutlookLine.vue';
import { newThings } from './words.ts';
import { t } from './messages.ts';

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
      <h2>{{ t('go-on-card.the-class-is-on-step-position', { position: current.position }) }}</h2>
      <p>
        <template v-if="page.style.teaching.goOn === 'share'">
          {{
            t('go-on-card.passed-of-of-have-passed-it', {
              passed: current.goOn.passed,
              of: current.goOn.of,
              share: current.goOn.share,
              ruleShare: current.goOn.ruleShare,
            })
          }}
          <strong>{{ t('go-on-card.needed-more', { needed: needed - current.goOn.passed }) }}</strong>
          {{ t('go-on-card.and-you-can-move-on') }}{{ ' ' }}
        </template>
        <template v-else>
          {{
            t('go-on-card.passed-of-of-have-passed-it-2', {
              passed: current.goOn.passed,
              of: current.goOn.of,
              share: current.goOn.share,
              rule:
                page.style.teaching.goOn === 'heard'
                  ? t('go-on-card.you-move-on-once-everybody-has')
                  : t('go-on-card.you-decide-when-the-class-moves'),
            })
          }}
        </template>
      </p>
      <p v-if="planned !== null && planned.position !== current.position" class="plan">
        {{ t('go-on-card.your-plan-has-you-on') }}
        <RouterLink :to="{ name: 'step', params: { classId: page.id, position: planned.position } }">{{
          t('go-on-card.step-position', { position: planned.position })
        }}</RouterLink><template v-if="plannedUntil !== null">{{
          t('go-on-card.until-date', { date: shortDate(plannedUntil) })
        }}</template
        >: {{ newThings(planned, page.style.lengthWords).join(', ') || t('go-on-card.nothing-new') }}.
      </p>
      <HowComputed v-if="page.style.teaching.goOn === 'share'">
        <template v-if="before !== null">
          {{
            t('go-on-card.step-position-passed-of-of-share', {
              position: before.position,
              passed: before.goOn.passed,
              of: before.goOn.of,
              share: before.goOn.share,
            })
          }}{{ ' ' }}
        </template>
        {{
          t('go-on-card.step-position-passed-of-of-share-2', {
            position: current.position,
            passed: current.goOn.passed,
            of: current.goOn.of,
            share: current.goOn.share,
            ruleShare: current.goOn.ruleShare,
            needed,
          })
        }}
      </HowComputed>
    </template>
    <template v-else>
      <h2>{{ t('go-on-card.the-top-of-the-stairs') }}</h2>
      <p>{{ t('go-on-card.enough-pupils-have-passed-every-step') }}</p>
    </template>
    <OutlookLine :page="page" />
  </section>
</template>
