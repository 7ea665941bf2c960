<script setup lang="ts">
import { findInstrument } from '@escalier/core/instruments';
import { computed, onMounted } from 'vue';
import { useRoute } from 'vue-router';
import PageTabs from '../../ui/PageTabs.vue';
import { shortDate } from '../../ui/dates.ts';
import { useSession } from '../schools/index.ts';
import { useClasses } from './store.ts';
import { counted } from '../../ui/count-messages.ts';
import { t } from './messages.ts';

/**
 * The head of every page of a class: its name, which switches to another class on the same kind of page, its lessons, and
 * its pages beside each other. Deeper pages give their way back as a trail.
 */
const props = defineProps<{
  classId: string;
  /** The last words of the trail: where this page is below its tab. */
  trail?: string;
}>();
const route = useRoute();
const session = useSession();
const classes = useClasses();
onMounted(() => {
  if (classes.list === null) void classes.loadList();
});

const PAGES: readonly { readonly name: string; readonly label: string; readonly teaches?: boolean }[] = [
  { name: 'today', label: t('class-head.today'), teaches: true },
  { name: 'class', label: t('class-head.stairs') },
  { name: 'plan', label: t('class-head.plan') },
  { name: 'hear', label: t('class-head.hearing') },
  { name: 'recordings', label: t('class-head.recordings') },
  { name: 'board', label: t('class-head.board') },
  { name: 'trends', label: t('class-head.trends') },
  { name: 'handouts', label: t('class-head.handouts'), teaches: true },
  { name: 'room', label: t('class-head.practice-room'), teaches: true },
  { name: 'pupils', label: t('class-head.pupils'), teaches: true },
  { name: 'class-settings', label: t('class-head.settings'), teaches: true },
];
/** Deeper pages, by the tab above them. */
const ABOVE: Readonly<Record<string, string>> = {
  step: 'class',
  note: 'class',
  pupil: 'pupils',
  substitute: 'today',
  cards: 'today',
  recording: 'recordings',
};

const pages = computed(() => PAGES.filter((page) => page.teaches !== true || session.mayTeach));
const tabs = computed(() => pages.value.map((each) => ({ ...each, to: pageOf(each.name, props.classId) })));
const tab = computed(() => ABOVE[String(route.name)] ?? String(route.name));
const page = computed(() => (classes.page?.id === props.classId ? classes.page : null));
const name = computed(
  () => page.value?.name ?? classes.list?.find((each) => each.id === props.classId)?.name ?? t('class-head.this-class'),
);
const others = computed(() => (classes.list ?? []).filter((each) => each.id !== props.classId));
const pupils = computed(() => page.value?.pupils.filter((pupil) => pupil.standing !== null).length ?? 0);
const trailItems = computed(() => [
  {
    text: PAGES.find((each) => each.name === tab.value)?.label ?? t('class-head.stairs'),
    to: pageOf(tab.value, props.classId),
  },
  { text: props.trail ?? '', active: true },
]);

function pageOf(kind: string, classId: string) {
  return { name: kind, params: { classId } };
}
</script>

<template>
  <header class="class-head stack-close no-print" :class="{ deep: trail !== undefined }">
    <div class="line">
      <div class="grow">
        <h1>
          <BDropdown
            v-if="others.length > 0"
            variant="link"
            toggle-class="switch"
            :toggle-text="t('class-head.switch-class-now-name', { name })"
            :text="name"
          >
            <BDropdownItem v-for="each in others" :key="each.id" :to="pageOf(tab, each.id)">{{
              each.name
            }}</BDropdownItem>
            <BDropdownDivider />
            <BDropdownItem to="/classes">{{ t('class-head.all-classes') }}</BDropdownItem>
          </BDropdown>
          <template v-else>{{ name }}</template>
        </h1>
        <p v-if="page !== null && trail === undefined" class="soft">
          {{
            t('class-head.pupils-short-name-had-of-total', {
              pupils: counted('pupils', { n: pupils }),
              shortName: findInstrument(page.instrumentId)?.shortName ?? '',
              had: page.lessons.had,
              total: page.lessons.total,
            })
          }}
          <strong>{{ t('class-head.left-left', { left: page.lessons.left }) }}</strong>
          {{ t('class-head.until-date', { date: shortDate(page.term.endsOn) }) }}
        </p>
      </div>
      <slot />
    </div>
    <PageTabs :tabs="tabs" :here="tab" :label="t('class-head.pages-of-name', { name })" />
    <BBreadcrumb v-if="trail !== undefined" :items="trailItems" />
  </header>
</template>

<style lang="scss">
.class-head > .line > .grow {
  min-width: min(100%, 300px);
}

.class-head .switch {
  min-height: 0;
  padding: 0;
  color: var(--ink);
  font-family: var(--heading);
  font-size: var(--headline);
  font-weight: 700;
  line-height: 1.1;
  text-align: left;
  text-decoration: none;
  white-space: normal;
}

// Below a tab the page’s own heading is the large one.
.class-head.deep h1,
.class-head.deep .switch {
  font-size: var(--title);
}

.class-head .switch::after {
  margin-left: 0.35em;
  font-size: 0.6em;
}

@media (max-width: 600px) {
  .class-head .switch,
  .class-head h1 {
    font-size: var(--title);
  }
}
</style>
