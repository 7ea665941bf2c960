<script setup lang="ts">
import { computed, toRef } from 'vue';
import { plural } from '../../ui/plural.ts';
import { useNotices } from '../../ui/use-notices.ts';
import FilePick from '../../ui/FilePick.vue';
import type { ClassView } from '../classes/index.ts';
import { LONGEST_LIST, useLookOver } from './use-look-over.ts';

/** Files are looked over before anything is kept: whose each is, and of which step. */
const props = defineProps<{ page: ClassView; agreed: ReadonlySet<string> }>();
const emit = defineEmits<{ added: [] }>();
const notices = useNotices();
const { rows, look, drop, blocked, ready, add, isReading, sent, tooMany } = useLookOver(
  toRef(props, 'page'),
  toRef(props, 'agreed'),
);

const pupils = computed(() => [
  { value: '', text: 'Whose?' },
  ...props.page.pupils
    .filter(({ leftOn, erased }) => leftOn === null && !erased)
    .map(({ id, name }) => ({ value: id, text: name })),
]);
const steps = computed(() => [
  { value: '', text: 'Which step?' },
  ...props.page.steps.map(({ id, position, title }) => ({ value: id, text: `${position} ${title}` })),
]);

function dropped(event: DragEvent): void {
  const files = [...(event.dataTransfer?.files ?? [])];
  if (files.length > 0) void look(files);
}

async function addAll(): Promise<void> {
  const added = await add();
  if (added > 0) notices.say(`${plural(added, 'recording', 'recordings')} added.`);
  emit('added');
}
</script>

<template>
  <section class="card-paper stack" aria-label="Files to add" @dragover.prevent @drop.prevent="dropped">
    <FilePick
      label="Add recordings"
      accept="audio/*,video/webm,.wav,.flac,.mp3,.ogg,.opus,.webm,.m4a"
      multiple
      :disabled="isReading || sent !== null"
      :hint="`Choose files, or drop them here: up to ${LONGEST_LIST} at once, three minutes each. Names such as “Malia step 2” are filled in for you.`"
      @pick="look"
    />
    <FilePick label="Or a whole folder" accept="" directory :disabled="isReading || sent !== null" @pick="look" />
    <p v-if="tooMany > 0" class="problem">
      {{ plural(tooMany, 'file was', 'files were') }} left out: add these {{ LONGEST_LIST }} first.
    </p>
    <p v-if="isReading" class="soft" role="status"><BSpinner small aria-hidden="true" /> Reading the files …</p>
    <template v-if="rows.length > 0">
      <div class="scroll">
        <BTableSimple small stacked="md">
          <BThead>
            <BTr><BTh>File</BTh><BTh>Pupil</BTh><BTh>Step</BTh><BTh>Before adding</BTh></BTr>
          </BThead>
          <BTbody>
            <BTr v-for="row in rows" :key="row.id">
              <BTd stacked-heading="File">
                {{ row.name }}
                <span v-if="row.seconds !== null" class="soft">{{ Math.round(row.seconds) }} s</span>
              </BTd>
              <BTd stacked-heading="Pupil"
                ><BFormSelect v-model="row.pupilId" :options="pupils" :aria-label="`Pupil of ${row.name}`"
              /></BTd>
              <BTd stacked-heading="Step"
                ><BFormSelect v-model="row.stepId" :options="steps" :aria-label="`Step of ${row.name}`"
              /></BTd>
              <BTd>
                <span v-if="blocked(row) !== ''" class="problem">{{ blocked(row) }}</span> {{ row.hint }}
                <BButton size="sm" :aria-label="`Leave ${row.name} out`" @click="drop(row.id)">Leave out</BButton>
              </BTd>
            </BTr>
          </BTbody>
        </BTableSimple>
      </div>
      <BProgress v-if="sent !== null" :value="sent * 100" aria-label="Adding" />
      <div class="line">
        <BButton variant="primary" :disabled="ready.length === 0 || sent !== null" @click="addAll">{{
          `Add ${plural(ready.length, 'recording', 'recordings')}`
        }}</BButton>
        <span v-if="ready.length < rows.length" class="soft"
          >{{ plural(rows.length - ready.length, 'file stays', 'files stay') }} here until corrected.</span
        >
      </div>
    </template>
  </section>
</template>

<style scoped>
.scroll {
  max-height: 420px;
  overflow: auto;
}

.problem {
  color: var(--brick);
}
</style>
