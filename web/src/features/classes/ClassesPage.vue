<script setup lang="ts">
import { dayIn } from '@escalier/core/calendar';
import { findInstrument } from '@escalier/core/instruments';
import { useLocalStorage } from '@vueuse/core';
import { onMounted } from 'vue';
import { RouterLink } from 'vue-router';
import ChoiceBar from '../../ui/ChoiceBar.vue';
import LoadState from '../../ui/LoadState.vue';
import { useSession } from '../schools/index.ts';
import ClassStrip from './ClassStrip.vue';
import OverviewTable from './OverviewTable.vue';
import { useClasses } from './store.ts';
import { longDate, plural } from './words.ts';

const classes = useClasses();
const session = useSession();
onMounted(async () => {
  await classes.loadList();
  const today = dayIn(session.me?.timeZone ?? 'UTC')(new Date().toISOString());
  const ofToday = classes.list?.filter((each) => each.lessons.next?.date === today) ?? [];
  await classes.fetchAhead(ofToday.map((each) => each.id));
});

/** Kept on this device. */
const view = useLocalStorage<'stairs' | 'table'>('escalier.classes', 'stairs');
const VIEWS = [
  { value: 'stairs', label: 'Stairs' },
  { value: 'table', label: 'Table' },
] as const;
</script>

<template>
  <LoadState v-if="classes.list === null" :error="classes.listError" what="your classes" @again="classes.loadList" />
  <div v-else class="page">
    <header class="page-head">
      <div>
        <h1>Classes</h1>
        <p class="soft">
          {{ session.me?.school }} · {{ plural(classes.list.length, 'class', 'classes') }} · {{ session.me?.name }}
        </p>
      </div>
      <ChoiceBar v-if="classes.list.length > 0" v-model="view" label="Look" :choices="VIEWS" />
      <RouterLink v-if="session.mayTeach" class="btn btn-outline-dark" :to="{ name: 'new-class' }">
        A new class
      </RouterLink>
    </header>
    <OverviewTable v-if="view === 'table' && classes.list.length > 0" :classes="classes.list" />
    <ul v-else class="list">
      <li v-for="each in classes.list" :key="each.id" class="card-paper">
        <RouterLink class="open" :to="{ name: 'class', params: { classId: each.id } }">
          <h2>{{ each.name }}</h2>
          <p class="soft">{{ each.grade }} · {{ findInstrument(each.instrumentId)?.shortName }}</p>
        </RouterLink>
        <ClassStrip :belts="each.belts" :on-step="each.onStep" />
        <div class="facts">
          <p>
            <strong>{{ plural(each.pupils, 'pupil', 'pupils') }}</strong>, {{ each.nearly }} nearly passed,
            {{ each.stuck }} stuck<template v-if="each.classStep < each.belts.length"
              >, on step {{ each.classStep + 1 }}</template
            >
          </p>
          <p>
            {{ each.lessons.had }} of {{ each.lessons.total }} lessons had,
            <strong>{{ each.lessons.left }} left</strong>, {{ each.lessons.lost }} lost
          </p>
          <p v-if="each.waits !== null">
            {{ each.waits.name }} not heard for {{ plural(each.waits.lessons, 'lesson', 'lessons') }}
          </p>
          <p v-if="each.lessons.next !== null" class="soft">
            next: {{ longDate(each.lessons.next.date) }}, {{ each.lessons.next.at }}
          </p>
          <p v-else class="soft">the term is over</p>
          <RouterLink
            v-if="each.hearFirst !== null"
            class="btn btn-outline-dark"
            :to="{ name: 'hear', params: { classId: each.id, pupilId: each.hearFirst.id } }"
          >
            Hear {{ each.hearFirst.name }} next
          </RouterLink>
        </div>
      </li>
    </ul>
    <section v-if="classes.list.length === 0" class="card-paper">
      <h2>No class yet</h2>
      <ol v-if="session.mayTeach">
        <li>
          <RouterLink :to="{ name: 'terms' }">Give the school its term</RouterLink>: first day, last day, days off.
        </li>
        <li>
          <RouterLink :to="{ name: 'new-class' }">Make a class</RouterLink>: when it meets, which stairs it climbs, how
          it is taught.
        </li>
        <li>Bring its pupils: paste their names, or read a file.</li>
      </ol>
      <p v-else>Your account is open, but no class is named for it: ask the owner of your school’s Escalier.</p>
    </section>
  </div>
</template>

<style scoped lang="scss">
.page {
  display: grid;
  gap: 18px;
  padding: 22px 26px;
}

.list {
  display: grid;
  gap: 14px;
  margin: 0;
  padding: 0;
  list-style: none;
}

.list li {
  display: grid;
  grid-template-columns: minmax(180px, 1fr) minmax(320px, 2fr) minmax(240px, 1.1fr);
  gap: 22px;
  align-items: center;
  padding: 16px 20px;
}

.facts {
  display: grid;
  gap: 2px;
  justify-items: start;
}

.facts .btn {
  margin-top: 8px;
}

.open {
  color: inherit;
  text-decoration: none;
}

.open h2 {
  font-size: 1.55rem;
  text-decoration: underline;
  text-decoration-color: var(--line-strong);
  text-underline-offset: 5px;
}

.open:hover h2 {
  color: var(--spruce);
}

@media (max-width: 900px) {
  .list li {
    grid-template-columns: 1fr 1fr;
  }

  .list li > :nth-child(2) {
    grid-column: 1 / -1;
    grid-row: 2;
  }
}
</style>
