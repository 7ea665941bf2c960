<script setup lang="ts">
import type { StepNews, TuneProfile, TuneRole } from '@escalier/core/staircase';
import IconPlay from '~icons/bi/play-fill';
import IconStop from '~icons/bi/stop-fill';
import { computed, ref, watch } from 'vue';
import TextField from '../../ui/TextField.vue';
import type { Said } from './words.ts';
import { t } from './messages.ts';

/** The tunes of the library for one step, the best first, with what each would bring there. */
const props = defineProps<{
  fitting: readonly { readonly profile: TuneProfile; readonly total: number; readonly news: StepNews }[];
  /** What the staircase weighs as it is. */
  total: number;
  step: number;
  listening: string | null;
  said: Said;
}>();
const emit = defineEmits<{
  take: [tune: TuneProfile];
  insert: [tune: TuneProfile];
  add: [tune: TuneProfile, role: TuneRole];
  listen: [tune: TuneProfile];
}>();

const SHOWN = 12;
const wanted = ref('');
const more = ref(1);
watch([wanted, () => props.step], () => (more.value = 1));
const found = computed(() => {
  const text = wanted.value.trim().toLocaleLowerCase();
  return props.fitting.filter(({ profile }) => text === '' || profile.title.toLocaleLowerCase().includes(text));
});
const shown = computed(() => found.value.slice(0, SHOWN * more.value));

function difference(total: number): string {
  const by = Math.round((total - props.total) * 10) / 10;
  if (by === 0) return t('tune-shelf.as-good');
  return by < 0 ? t('tune-shelf.better-by-value', { points: -by }) : `+${by}`;
}
</script>

<template>
  <section class="card-paper stack" :aria-label="t('tune-shelf.tunes-that-fit')">
    <h2>{{ t('tune-shelf.tunes-that-fit-step-step', { step: step + 1 }) }}</h2>
    <p class="soft small">{{ t('tune-shelf.best-first-by-how-many-points') }}</p>
    <TextField v-model="wanted" :label="t('tune-shelf.find-a-tune')" />
    <p v-if="fitting.length > 0 && found.length === 0">{{ t('tune-shelf.no-tunes-match-clear-the-box') }}</p>
    <ul class="plain ruled">
      <li v-for="{ profile, total: weight, news } in shown" :key="profile.id" class="d-flex gap-2 align-items-center">
        <BButton
          size="sm"
          :aria-label="
            listening === profile.id
              ? t('tune-shelf.stop-title', { title: profile.title })
              : t('tune-shelf.listen-to-title', { title: profile.title })
          "
          @click="emit('listen', profile)"
        >
          <IconStop v-if="listening === profile.id" aria-hidden="true" /><IconPlay v-else aria-hidden="true" />
        </BButton>
        <span class="grow">
          <strong>{{ profile.title }}</strong> <span class="soft small">{{ difference(weight) }}</span><br />
          <span class="small">{{ said.fit(news, profile) }}</span>
        </span>
        <BDropdown
          split
          split-variant="outline-dark"
          size="sm"
          :text="t('tune-shelf.take')"
          :toggle-text="t('tune-shelf.more-for-title', { title: profile.title })"
          @click="emit('take', profile)"
        >
          <BDropdownItem @click="emit('insert', profile)">{{ t('tune-shelf.as-a-new-step-after-this') }}</BDropdownItem>
          <BDropdownItem @click="emit('add', profile, 'choice')">{{
            t('tune-shelf.as-a-choice-beside-it')
          }}</BDropdownItem>
          <BDropdownItem @click="emit('add', profile, 'easier')">{{ t('tune-shelf.as-an-easier-line') }}</BDropdownItem>
          <BDropdownItem @click="emit('add', profile, 'extra')">{{
            t('tune-shelf.as-an-extra-for-those-ahead')
          }}</BDropdownItem>
        </BDropdown>
      </li>
    </ul>
    <BButton v-if="shown.length < found.length" @click="more += 1">{{
      t('tune-shelf.show-more-of-found-count', { foundCount: found.length })
    }}</BButton>
  </section>
</template>
