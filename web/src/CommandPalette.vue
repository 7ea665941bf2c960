<script setup lang="ts">
import { Findable } from '@escalier/contract/class-pages';
import { computed, nextTick, onMounted, ref, shallowRef, useTemplateRef } from 'vue';
import { useRouter, type RouteLocationRaw } from 'vue-router';
import { api, ApiError, ask } from './api.ts';
import { schoolPages, useSession } from './features/schools/index.ts';
import { t } from './messages.ts';

/** Goes to any class, pupil, tune or page by its name. */
const emit = defineEmits<{ done: [] }>();
const router = useRouter();
const session = useSession();
const open = ref(true);
const wanted = ref('');
const at = ref(0);
const found = shallowRef<Findable | null>(null);
const input = useTemplateRef<{ focus: () => void }>('input');
const MOST = 8;

onMounted(async () => {
  try {
    found.value = await ask(api.find.$get(), Findable);
  } catch (error) {
    // Without the network the pages can still be found.
    if (!(error instanceof ApiError)) throw error;
  }
});

interface Target {
  readonly kind: string;
  readonly name: string;
  readonly to: RouteLocationRaw;
}

const pages = computed((): readonly Target[] => {
  const page = (name: string, route: string): Target => ({ kind: 'page', name, to: { name: route } });
  const school = schoolPages(session.me?.role ?? 'assistant');
  return [
    page(t('command-palette.classes'), 'classes'),
    page(t('command-palette.library'), 'tunes'),
    page(t('command-palette.fingerings'), 'fingerings'),
    page(t('command-palette.my-account'), 'account'),
    ...(session.mayTeach
      ? [page(t('command-palette.add-a-tune'), 'new-tune'), page(t('command-palette.add-a-class'), 'new-class')]
      : []),
    ...[...school.tabs, ...school.settings].map(({ name, label }) => page(label, name)),
  ];
});

const targets = computed((): readonly Target[] => {
  const { classes = [], pupils = [], tunes = [] } = found.value ?? {};
  const nameOf = new Map(classes.map((each) => [each.id, each.name]));
  return [
    ...classes.map(({ id, name }) => ({ kind: 'class', name, to: { name: 'class', params: { classId: id } } })),
    ...pupils.map(({ id, name, classId }) => ({
      kind: `pupil, ${nameOf.get(classId) ?? ''}`,
      name,
      to: { name: 'pupil', params: { classId, pupilId: id } },
    })),
    ...pages.value,
    ...tunes.map(({ id, title }) => ({ kind: 'tune', name: title, to: { name: 'tune', params: { tuneId: id } } })),
  ];
});

const plain = (text: string): string => text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase();
/** Names that begin with what was typed come first. */
const shown = computed(() => {
  const text = plain(wanted.value.trim());
  if (text === '') return targets.value.slice(0, MOST);
  const hits = targets.value.filter(({ name }) => plain(name).includes(text));
  const begins = hits.filter(({ name }) => plain(name).startsWith(text));
  return [...begins, ...hits.filter((hit) => !begins.includes(hit))].slice(0, MOST);
});

function go(target: Target | undefined): void {
  if (target === undefined) return;
  open.value = false;
  void router.push(target.to);
}

function key(event: KeyboardEvent): void {
  const by = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0;
  if (by !== 0) {
    event.preventDefault();
    at.value = (at.value + by + shown.value.length) % Math.max(1, shown.value.length);
  } else if (event.key === 'Enter') {
    event.preventDefault();
    go(shown.value[at.value]);
  }
}
</script>

<template>
  <BModal
    v-model="open"
    :title="t('command-palette.find')"
    no-footer
    no-fade
    :focus="false"
    @shown="nextTick(() => input?.focus())"
    @hidden="emit('done')"
  >
    <BFormInput
      ref="input"
      v-model="wanted"
      type="search"
      role="combobox"
      :placeholder="t('command-palette.a-class-pupil-tune-or-page')"
      :aria-label="t('command-palette.find-a-class-pupil-tune-or')"
      aria-expanded="true"
      aria-controls="found"
      :aria-activedescendant="shown.length > 0 ? `found-${at}` : undefined"
      autocomplete="off"
      @keydown="key"
      @update:model-value="at = 0"
    />
    <BListGroup id="found" class="found mt-2" role="listbox" :aria-label="t('command-palette.found')">
      <BListGroupItem
        v-for="(target, index) in shown"
        :id="`found-${index}`"
        :key="`${target.kind} ${target.name} ${index}`"
        button
        role="option"
        tabindex="-1"
        :active="index === at"
        :aria-selected="index === at"
        @click="go(target)"
      >
        <span class="line"
          ><span class="grow">{{ target.name }}</span
          ><span class="small">{{ target.kind }}</span></span
        >
      </BListGroupItem>
    </BListGroup>
    <p v-if="shown.length === 0" class="soft found mt-2">{{ t('command-palette.nothing-by-that-name') }}</p>
  </BModal>
</template>
