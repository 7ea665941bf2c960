<script setup lang="ts">
import { computed, defineAsyncComponent } from 'vue';
import RoomStairs from './RoomStairs.vue';
import { useRoom } from './use-room.ts';
import { useToday } from './use-today.ts';
import WeekLeaf from './WeekLeaf.vue';
import { counted } from '../ui/count-messages.ts';
import { t } from './messages.ts';

// What plays and engraves comes when the practice begins.
const PartRunner = defineAsyncComponent(() => import('./PartRunner.vue'));
const { facts } = useRoom();
const handMark = computed(() => facts.value?.style.posture.handMark ?? '');
const { parts, at, part, isOver, start, next, again } = useToday();
</script>

<template>
  <PartRunner v-if="part !== null" :key="at!" :part="part" :number="at! + 1" :of="parts!.length" @next="next" />
  <section v-else-if="isOver" class="stack" aria-live="polite">
    <h1>{{ t('today-page.done-for-today') }}</h1>
    <p>{{ t('today-page.ten-minutes-is-enough-dry-your') }}</p>
    <WeekLeaf />
    <BButton class="mt-3" @click="again">{{ t('today-page.once-more') }}</BButton>
  </section>
  <section v-else class="stack">
    <h1>{{ t('today-page.today') }}</h1>
    <p v-if="facts?.task" class="task">
      {{ t('today-page.your-teacher-says') }} <strong>{{ facts.task.words || t('today-page.this-one-first') }}</strong>
    </p>
    <p v-if="parts === null" role="status"><BSpinner small /> {{ t('today-page.finding-whats-next') }}</p>
    <template v-else>
      <BListGroup numbered class="parts">
        <BListGroupItem v-for="each in parts" :key="each.kind">
          <span>
            <strong>{{ each.title }}</strong>
            <span class="soft">{{ each.say }}</span>
          </span>
          <span class="minutes">{{ counted('minutes', { n: each.minutes }) }}</span>
        </BListGroupItem>
      </BListGroup>
      <BButton variant="primary" size="lg" class="start" @click="start">{{ t('today-page.start') }}</BButton>
      <p class="small">
        {{ t('today-page.left-hand-on-top')
        }}<template v-if="handMark !== ''">{{ t('today-page.the-hand-with-hand-mark', { handMark }) }}</template
        >{{ t('today-page.blow-gently-dizzy-sit-down-and') }}
      </p>
    </template>
    <RoomStairs />
    <WeekLeaf />
  </section>
</template>

<style scoped lang="scss">
.parts :deep(.list-group-item) {
  display: flex;
  align-items: center;
  gap: 0.8rem;
}

.minutes {
  white-space: nowrap;
}

.parts span:first-child {
  flex: 1;
}

.parts strong,
.soft {
  display: block;
}

.soft {
  color: var(--ink-soft);
}

.start {
  width: 100%;
  min-height: 60px;
}

.task {
  padding: 0.8rem 1rem;
  border-left: 8px solid var(--brass);
  background: var(--card);
}
</style>
