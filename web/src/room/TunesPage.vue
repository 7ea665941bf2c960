<script setup lang="ts">
import { useRoom } from './use-room.ts';
import IconHeart from '~icons/bi/heart';
import IconHeartFull from '~icons/bi/heart-fill';
import { t } from './messages.ts';

const { facts, loved, love } = useRoom();
</script>

<template>
  <section class="stack">
    <h1>{{ t('tunes-page.tunes') }}</h1>
    <BListGroup>
      <BListGroupItem v-for="(tune, index) in facts?.tunes ?? []" :key="tune.id" class="tune">
        <RouterLink :to="{ name: 'tune', params: { number: String(tune.position) } }">
          <strong>{{ tune.title }}</strong>
          <span>{{
            tune.passed
              ? t('tunes-page.passed')
              : index === facts!.now
                ? t('tunes-page.you-are-here')
                : t('tunes-page.next-one')
          }}</span>
        </RouterLink>
        <BButton
          variant="link"
          :aria-pressed="loved.includes(tune.id)"
          :aria-label="t('tunes-page.i-like-title', { title: tune.title })"
          @click="love(tune.id)"
          ><IconHeartFull v-if="loved.includes(tune.id)" aria-hidden="true" /><IconHeart v-else aria-hidden="true" />
        </BButton>
      </BListGroupItem>
    </BListGroup>
  </section>
</template>

<style scoped>
.tune {
  display: flex;
  align-items: center;
}

.tune a {
  display: grid;
  flex: 1;
  min-height: 52px;
  align-content: center;
  color: inherit;
  text-decoration: none;
}

.tune .btn {
  min-width: 48px;
  min-height: 48px;
}
</style>
