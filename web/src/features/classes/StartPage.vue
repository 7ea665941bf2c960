<script setup lang="ts">
import { TermDto } from '@escalier/contract/terms';
import { pupilList } from '@escalier/contract/pupils';
import { proposedTerm } from '@escalier/core/calendar';
import { checkRoster, guessMapping, readRoster } from '@escalier/core/formats';
import { instrument, type InstrumentId } from '@escalier/core/instruments';
import { computed, onMounted, reactive, ref } from 'vue';
import { useRouter } from 'vue-router';
import { api, ask } from '../../api.ts';
import { longDate } from '../../ui/dates.ts';
import FormField from '../../ui/FormField.vue';
import LoadState from '../../ui/LoadState.vue';
import SaveBar from '../../ui/SaveBar.vue';
import SelectField from '../../ui/SelectField.vue';
import TextField from '../../ui/TextField.vue';
import { useSave } from '../../ui/use-save.ts';
import { termAt, WEEKDAY_OPTIONS } from '../calendar/index.ts';
import { useSession } from '../schools/index.ts';
import { useClassSettings } from './use-class-settings.ts';
import { counted } from '../../ui/count-messages.ts';
import { t } from './messages.ts';

/** From nothing to the first hearing: one class, its lesson time, its pupils; the term is proposed. */
const router = useRouter();
const session = useSession();
const { draft, terms, staircases, error, load, saveClass } = useClassSettings(() => null);
onMounted(load);
const { busy, error: refused, fields, reason, save } = useSave(null);

const today = computed(() => session.today());
const lesson = reactive({ weekday: 1, at: '09:00', minutes: 40 });
const names = ref('');
/** The term that is now, or one that is proposed. */
const term = computed(() => termAt(terms.value, today.value) ?? proposedTerm(today.value));
const stairs = computed(() =>
  staircases.value.map(({ id, name, instrumentId }) => ({
    value: id,
    text: `${instrument(instrumentId as InstrumentId).shortName}: ${name}`,
  })),
);

const pupils = computed(() => {
  const read = readRoster(names.value);
  if (names.value.trim() === '' || !read.ok) return [];
  const context = { there: [], steps: 1, today: today.value };
  return checkRoster(read.value, guessMapping(read.value), context);
});
const good = computed(() => pupils.value.filter((row) => row.problems.length === 0));
const wrong = computed(() => pupils.value.filter((row) => row.problems.length > 0));

/** What has been made already, when a later part was refused and the button is pressed again. */
let made: { readonly classId: string } | null = null;

async function start(): Promise<void> {
  const set = draft.value!;
  const done = await save(async () => {
    if (made === null) {
      const known = 'id' in term.value ? String(term.value.id) : null;
      const termId = known ?? (await addTerm());
      const meeting = { on: { kind: 'weekly' as const, weekday: lesson.weekday }, mode: 'room' as const };
      draft.value = { ...set, termId, meetings: [{ ...meeting, at: lesson.at, minutes: lesson.minutes }] };
      made = { classId: await saveClass() };
    }
    const param = { id: made.classId };
    await ask(
      api.classes[':id'].pupils.$post({ param, json: { pupils: good.value.map((row) => row.pupil) } }),
      pupilList,
    );
  });
  if (done) await router.push({ name: 'hear', params: { classId: made!.classId } });
}

async function addTerm(): Promise<string> {
  const { startsOn, endsOn, rotation } = term.value;
  const json = { name: `From ${longDate(startsOn)}`, startsOn, endsOn, rotation, daysOff: [], version: 0 };
  const added = await ask(api.terms.$post({ json }), TermDto);
  terms.value = [...terms.value, added];
  return added.id;
}
</script>

<template>
  <LoadState v-if="draft === null" :error="error" :what="t('start-page.the-stairs')" @again="load" />
  <div v-else class="page-grid start">
    <h1>{{ t('start-page.your-first-class') }}</h1>
    <p class="soft">{{ t('start-page.three-things-and-you-can-hear') }}</p>
    <BForm class="stack" novalidate @submit.prevent="start">
      <section class="card-paper stack">
        <div class="field-grid">
          <TextField v-model="draft.name" :label="t('start-page.class-name')" :error="fields.name" />
          <SelectField v-model="draft.staircaseId" :label="t('start-page.instrument-and-stairs')" :options="stairs" />
        </div>
        <div class="field-grid">
          <SelectField v-model="lesson.weekday" :label="t('start-page.meets-on')" :options="WEEKDAY_OPTIONS" />
          <TextField v-model="lesson.at" :label="t('start-page.at')" type="time" :error="fields['meetings.0.at']" />
          <TextField
            v-model="lesson.minutes"
            :label="t('start-page.for-minutes')"
            type="number"
            :min="5"
            :max="240"
            :error="fields['meetings.0.minutes']"
          />
        </div>
        <p class="soft">
          {{
            t('start-page.lessons-are-counted-from-date-to', {
              date: longDate(term.startsOn),
              date2: longDate(term.endsOn),
            })
          }}
        </p>
      </section>
      <section class="card-paper stack">
        <FormField
          v-slot="{ id, describedby }"
          :label="t('start-page.pupils')"
          :hint="t('start-page.paste-their-names-one-per-line')"
        >
          <BFormTextarea
            :id="id"
            v-model="names"
            rows="7"
            :placeholder="'Abena\nBruno\nCleo'"
            spellcheck="false"
            :aria-describedby="describedby"
          />
        </FormField>
        <BAlert v-for="row in wrong" :key="row.line" variant="warning" :model-value="true">{{
          t('start-page.line-line-left-out-list', { line: row.line, list: row.problems.join(' ') })
        }}</BAlert>
      </section>
      <SaveBar
        :busy="busy"
        :disabled="good.length === 0"
        :error="refused === null ? null : (reason ?? refused)"
        :label="
          good.length === 0
            ? t('start-page.start')
            : t('start-page.start-with-pupils', { pupils: counted('pupils', { n: good.length }) })
        "
      />
    </BForm>
  </div>
</template>

<style scoped>
.start {
  max-width: 860px;
}
</style>
