<script setup lang="ts">
import { findInstrument } from '@escalier/core/instruments';
import { onKeyStroke } from '@vueuse/core';
import { computed, toRef } from 'vue';
import { RouterLink, useRouter } from 'vue-router';
import { isTyping } from '../../ui/keys.ts';
import LoadState from '../../ui/LoadState.vue';
import { useSession } from '../schools/index.ts';
import GoOnCard from './GoOnCard.vue';
import HearCard from './HearCard.vue';
import StairPicture from './StairPicture.vue';
import { useClasses } from './store.ts';
import StuckCard from './StuckCard.vue';
import { useLiveClass } from './use-live.ts';
import { plural, shortDate } from './words.ts';

const props = defineProps<{ classId: string }>();
const classes = useClasses();
const router = useRouter();
const session = useSession();
useLiveClass(toRef(props, 'classId'));

const page = computed(() => (classes.page?.id === props.classId ? classes.page : null));
const active = computed(() => page.value?.pupils.filter((pupil) => pupil.standing !== null) ?? []);
const next = computed(() => active.value.find((pupil) => pupil.id === page.value?.queue[0]?.pupilId) ?? null);

onKeyStroke(['h', 'H'], (event) => {
  if (isTyping(event) || next.value === null) return;
  void router.push({ name: 'hear', params: { classId: props.classId, pupilId: next.value.id } });
});
</script>

<template>
  <LoadState v-if="page === null" :error="classes.error" what="the class" @again="classes.open(classId)" />
  <div v-else class="page">
    <header>
      <div>
        <h1>{{ page.name }}</h1>
        <p class="soft">
          {{ plural(active.length, 'pupil', 'pupils') }} · {{ findInstrument(page.instrumentId)?.shortName }} ·
          {{ page.lessons.had }} of {{ page.lessons.total }} lessons had,
          <strong>{{ page.lessons.left }} left</strong> until {{ shortDate(page.term.endsOn) }}
        </p>
      </div>
      <nav :aria-label="`Desks of ${page.name}`">
        <RouterLink :to="{ name: 'board', params: { classId } }">Board</RouterLink>
        <RouterLink :to="{ name: 'trends', params: { classId } }">Trends</RouterLink>
        <template v-if="session.mayTeach">
          <RouterLink :to="{ name: 'pupils', params: { classId } }">Pupils</RouterLink>
          <RouterLink :to="{ name: 'class-settings', params: { classId } }">Settings</RouterLink>
        </template>
      </nav>
      <RouterLink class="btn btn-outline-dark" :to="{ name: 'note', params: { classId } }">
        Introduce the next note
      </RouterLink>
      <RouterLink
        v-if="next !== null"
        class="btn btn-primary"
        :to="{ name: 'hear', params: { classId, pupilId: next.id } }"
      >
        Hear {{ next.name }} next <span class="key" aria-hidden="true">H</span>
      </RouterLink>
    </header>
    <section class="card-paper picture" :aria-label="`The stairs of ${page.name}`">
      <StairPicture :page="page" />
    </section>
    <div class="cards">
      <HearCard :page="page" />
      <StuckCard :page="page" />
      <GoOnCard :page="page" />
    </div>
  </div>
</template>

<style scoped lang="scss">
.page {
  display: grid;
  grid-template-rows: auto minmax(385px, 1fr) auto;
  gap: 12px;
  height: 100vh;
  min-height: 720px;
  padding: 16px 24px 16px;
}

header {
  display: flex;
  align-items: end;
  gap: 16px;
}

header > :first-child {
  flex: 1;
}

header .btn {
  flex: none;
}

nav {
  display: flex;
}

nav a {
  display: grid;
  place-items: center;
  min-height: 44px;
  padding: 0 12px;
  color: var(--ink);
  font-weight: 650;
}

.picture {
  min-height: 0;
  padding: 0;
  overflow: hidden;
}

.cards {
  display: grid;
  grid-template-columns: 1.25fr 1fr 1.1fr;
  gap: 12px;
}

@media (max-width: 900px) {
  .page {
    grid-template-rows: auto 560px auto;
    height: auto;
    padding: 14px 16px;
  }

  header {
    flex-wrap: wrap;
  }

  header > :first-child {
    min-width: 60%;
  }

  .cards {
    grid-template-columns: 1fr 1fr;
  }

  .cards > :first-child {
    grid-column: 1 / -1;
  }
}
</style>
