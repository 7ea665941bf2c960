<script setup lang="ts">
import { findInstrument } from '@escalier/core/instruments';
import { useLocalStorage } from '@vueuse/core';
import { onMounted } from 'vue';
import { longDate, timeOfDay } from '../../ui/dates.ts';
import LoadState from '../../ui/LoadState.vue';
import { useSession } from '../schools/index.ts';
import ClassStrip from './ClassStrip.vue';
import OverviewTable from './OverviewTable.vue';
import { useClasses } from './store.ts';
import { counted } from '../../ui/count-messages.ts';
import { t } from './messages.ts';

const classes = useClasses();
const session = useSession();
onMounted(async () => {
  await classes.loadList();
  const today = session.today();
  const ofToday = classes.list?.filter((each) => each.lessons.next?.date === today) ?? [];
  await classes.fetchAhead(ofToday.map((each) => each.id));
});

/** Kept on this device. */
const view = useLocalStorage<'stairs' | 'table'>('escalier.classes', 'stairs');
const VIEWS = [
  { value: 'stairs', text: t('classes-page.stairs') },
  { value: 'table', text: t('classes-page.table') },
] as const;
</script>

<template>
  <LoadState
    v-if="classes.list === null"
    :error="classes.listError"
    :what="t('classes-page.your-classes')"
    @again="classes.loadList"
  />
  <div v-else class="page-grid">
    <header class="page-head">
      <div>
        <h1>{{ t('classes-page.classes') }}</h1>
        <p class="soft">
          {{ session.me?.school }} · {{ counted('classes', { n: classes.list.length }) }} · {{ session.me?.name }}
        </p>
      </div>
      <BFormRadioGroup
        v-if="classes.list.length > 0"
        v-model="view"
        buttons
        :options="VIEWS"
        :aria-label="t('classes-page.view')"
      />
      <BButton v-if="session.mayTeach && classes.list.length > 0" role="link" :to="{ name: 'new-class' }">{{
        t('classes-page.add-a-class')
      }}</BButton>
    </header>
    <OverviewTable v-if="view === 'table' && classes.list.length > 0" :classes="classes.list" />
    <ul v-else class="plain stack">
      <li v-for="each in classes.list" :key="each.id" class="card-paper class-row">
        <RouterLink class="open" :to="{ name: 'class', params: { classId: each.id } }">
          <h2>{{ each.name }}</h2>
          <p class="soft">
            {{ [each.grade, findInstrument(each.instrumentId)?.shortName].filter((part) => part).join(' · ') }}
          </p>
        </RouterLink>
        <ClassStrip :belts="each.belts" :on-step="each.onStep" />
        <div class="stack-close stack-start">
          <p>
            <strong>{{ counted('pupils', { n: each.pupils }) }}</strong>{{
              t('classes-page.nearly-nearly-passed-stuck-stuck', { nearly: each.nearly, stuck: each.stuck })
            }}<template v-if="each.classStep < each.belts.length">{{
              t('classes-page.class-on-step-class-step', { classStep: each.classStep + 1 })
            }}</template>
          </p>
          <p>
            {{ t('classes-page.had-of-total-lessons-taught', { had: each.lessons.had, total: each.lessons.total }) }}
            <strong>{{ t('classes-page.left-left', { left: each.lessons.left }) }}</strong>{{
              t('classes-page.lost-lost', { lost: each.lessons.lost })
            }}
          </p>
          <p v-if="each.waits !== null">
            {{
              t('classes-page.name-has-not-been-heard-for', {
                name: each.waits.name,
                lessons: counted('lessons', { n: each.waits.lessons }),
              })
            }}
          </p>
          <p class="soft">
            {{
              each.lessons.next === null
                ? t('classes-page.the-term-is-over')
                : t('classes-page.next-lesson-date-time', {
                    date: longDate(each.lessons.next.date),
                    time: timeOfDay(each.lessons.next.at),
                  })
            }}
          </p>
          <BButton
            v-if="each.hearFirst !== null"
            role="link"
            :to="{ name: 'hear', params: { classId: each.id, pupilId: each.hearFirst.id } }"
            >{{ t('classes-page.hear-name-next', { name: each.hearFirst.name }) }}</BButton
          >
        </div>
      </li>
    </ul>
    <section v-if="classes.list.length === 0" class="card-paper stack stack-start">
      <template v-if="session.mayTeach">
        <h2>{{ t('classes-page.no-classes-yet') }}</h2>
        <p>{{ t('classes-page.name-your-first-class-say-when') }}</p>
        <BButton role="link" variant="primary" :to="{ name: 'start' }">{{
          t('classes-page.add-your-first-class')
        }}</BButton>
      </template>
      <template v-else>
        <h2>{{ t('classes-page.no-classes-for-you-yet') }}</h2>
        <p>{{ t('classes-page.your-account-is-open-ask-the') }}</p>
      </template>
    </section>
  </div>
</template>

<style scoped lang="scss">
.class-row {
  display: grid;
  grid-template-columns: minmax(160px, 0.9fr) minmax(300px, 1.7fr) minmax(300px, 1.3fr);
  gap: 22px;
  align-items: center;
  padding: 12px 20px;
}

.open {
  color: inherit;
  text-decoration: none;
}

.open h2 {
  font-size: var(--title);
  text-decoration: underline;
  text-decoration-color: var(--line-strong);
  text-underline-offset: 5px;
}

.open:hover h2 {
  color: var(--spruce);
}

@media (max-width: 900px) {
  .class-row {
    grid-template-columns: repeat(auto-fit, minmax(min(100%, 240px), 1fr));
  }

  .class-row > :nth-child(2) {
    grid-column: 1 / -1;
    grid-row: 2;
  }
}
</style>
