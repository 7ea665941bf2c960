<script setup lang="ts">
import { LETTERS, type Letter } from '@escalier/core/music';
import { LOCALES, PUPIL_WORDS, USUAL_ENGLISH } from '@escalier/messages';
import { contrastWithWhite, LEAST_CONTRAST, USUAL_COLOURS } from '@escalier/core/practice';
import { computed, reactive } from 'vue';
import { api, ask } from '../../api.ts';
import { saveMerged } from '../../ui/merge.ts';
import SaveBar from '../../ui/SaveBar.vue';
import SelectField from '../../ui/SelectField.vue';
import TextField from '../../ui/TextField.vue';
import { useSave } from '../../ui/use-save.ts';
import SchoolHead from './SchoolHead.vue';
import { useSession } from './session.ts';
import ZoneField from './ZoneField.vue';
import { previewOf } from './english-preview.ts';
import { t } from './messages.ts';

/** What the school is called, and its time zone. */
const session = useSession();
const { busy, error, fields, save } = useSave();
const current = () => ({
  name: session.me?.school ?? '',
  timeZone: session.timeZone,
  english: { ...(session.me?.english ?? USUAL_ENGLISH) },
  noteColours: session.me?.noteColours ?? null,
  version: session.me?.schoolVersion ?? 0,
});
const draft = reactive(current());

const LOCALE_OPTIONS = LOCALES.map((value) => ({
  value,
  text: value === 'en-GB' ? t('details-page.british') : t('details-page.american'),
}));
const PUPIL_OPTIONS = PUPIL_WORDS.map((value) => ({
  value,
  text: value === 'pupil' ? t('details-page.pupils') : t('details-page.students'),
}));

const colourOf = (letter: Letter): string => draft.noteColours?.[letter] ?? USUAL_COLOURS[letter];

function setColour(letter: Letter, colour: string): void {
  draft.noteColours = { ...USUAL_COLOURS, ...draft.noteColours, [letter]: colour };
}

const pale = computed(() => LETTERS.filter((letter) => contrastWithWhite(colourOf(letter)) < LEAST_CONTRAST));

async function submit(): Promise<void> {
  await save(async () => {
    const again = async () => {
      await session.enter();
      return current();
    };
    await saveMerged({ before: current(), mine: { ...draft }, put: (json) => ask(api.school.$put({ json })), again });
    await session.enter();
    Object.assign(draft, current());
    session.speakAsSchool();
  });
}
</script>

<template>
  <div class="page-grid">
    <SchoolHead :lead="t('details-page.the-name-on-every-page-and')" />
    <BForm class="card-paper stack details" novalidate @submit.prevent="submit">
      <TextField v-model="draft.name" :label="t('details-page.school-name')" :error="fields.name" />
      <ZoneField v-model="draft.timeZone" :error="fields.timeZone" />
      <div class="line">
        <SelectField v-model="draft.english.locale" :label="t('details-page.english')" :options="LOCALE_OPTIONS" />
        <SelectField v-model="draft.english.pupils" :label="t('details-page.call-them')" :options="PUPIL_OPTIONS" />
      </div>
      <p class="soft" aria-live="polite">{{ previewOf(draft.english) }}</p>
      <BFormGroup :label="t('details-page.note-colours')">
        <p class="soft">{{ t('details-page.for-classes-that-turn-them-on') }}</p>
        <div class="d-flex flex-wrap gap-3 align-items-center">
          <label v-for="letter in LETTERS" :key="letter" class="d-flex gap-2 align-items-center">
            <strong :style="{ color: colourOf(letter) }">{{ letter }}</strong>
            <BFormInput
              class="colour"
              type="color"
              :model-value="colourOf(letter)"
              @update:model-value="setColour(letter, String($event))"
            />
          </label>
          <BButton v-if="draft.noteColours !== null" size="sm" @click="draft.noteColours = null">{{
            t('details-page.the-usual-ones')
          }}</BButton>
        </div>
        <p v-for="letter in pale" :key="letter" role="alert">
          {{ t('details-page.letter-is-too-pale-to-see', { letter }) }}
        </p>
      </BFormGroup>
      <SaveBar :busy="busy" :error="error" />
    </BForm>
  </div>
</template>

<style scoped>
.details {
  max-width: 560px;
}

.colour {
  width: 52px;
  height: 44px;
}
</style>
