<script setup lang="ts">
import type { StepNews, TuneProfile, TuneRole } from '@escalier/core/staircase';
import IconPlay from '~icons/bi/play-fill';
import IconStop from '~icons/bi/stop-fill';
import { computed, ref, watch } from 'vue';
import TextField from '../../ui/TextField.vue';
import type { Said } from './words.ts';

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
  if (by === 0) return 'as good';
  return by < 0 ? `better by ${-by}` : `+${by}`;
}
</script>

<template>
  <section class="card-paper stack" aria-label="Tunes that fit">
    <h2>Tunes that fit step {{ step + 1 }}</h2>
    <p class="soft small">Best first: how much more would count against the staircase with this tune in place.</p>
    <TextField v-model="wanted" label="Find a tune" />
    <p v-if="fitting.length > 0 && found.length === 0">No tunes match. Clear the box to see them all.</p>
    <ul class="plain ruled">
      <li v-for="{ profile, total: weight, news } in shown" :key="profile.id" class="d-flex gap-2 align-items-center">
        <BButton
          size="sm"
          :aria-label="listening === profile.id ? `Stop ${profile.title}` : `Listen to ${profile.title}`"
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
          text="Take"
          :toggle-text="`More for ${profile.title}`"
          @click="emit('take', profile)"
        >
          <BDropdownItem @click="emit('insert', profile)">As a new step after this</BDropdownItem>
          <BDropdownItem @click="emit('add', profile, 'choice')">As a choice beside it</BDropdownItem>
          <BDropdownItem @click="emit('add', profile, 'easier')">As an easier line</BDropdownItem>
          <BDropdownItem @click="emit('add', profile, 'extra')">As an extra, for those ahead</BDropdownItem>
        </BDropdown>
      </li>
    </ul>
    <BButton v-if="shown.length < found.length" @click="more += 1">Show more of {{ found.length }}</BButton>
  </section>
</template>
