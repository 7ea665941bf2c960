<script setup lang="ts">
import { computed, toRef } from 'vue';
import { useNotices } from '../../ui/use-notices.ts';
import FilePick from '../../ui/FilePick.vue';
import type { ClassView } from '../classes/index.ts';
import { LONGEST_LIST, useLookOver } from './use-look-over.ts';
import { counted } from '../../ui/count-messages.ts';
import { t } from './messages.ts';

/** Files are looked over before anything is kept: whose each is, and of which step. */
const props = defineProps<{ page: ClassView; agreed: ReadonlySet<string> }>();
const emit = defineEmits<{ added: [] }>();
const notices = useNotices();
const { rows, look, drop, blocked, ready, add, isReading, sent, tooMany } = useLookOver(
  toRef(props, 'page'),
  toRef(props, 'agreed'),
);

const pupils = computed(() => [
  { value: '', text: t('look-over.whose') },
  ...props.page.pupils
    .filter(({ leftOn, erased }) => leftOn === null && !erased)
    .map(({ id, name }) => ({ value: id, text: name })),
]);
const steps = computed(() => [
  { value: '', text: t('look-over.which-step') },
  ...props.page.steps.map(({ id, position, title }) => ({ value: id, text: `${position} ${title}` })),
]);

function dropped(event: DragEvent): void {
  const files = [...(event.dataTransfer?.files ?? [])];
  if (files.length > 0) void look(files);
}

async function addAll(): Promise<void> {
  const added = await add();
  if (added > 0) notices.say(t('look-over.recordings-added', { recordings: counted('recordings', { n: added }) }));
  emit('added');
}
</script>

<template>
  <section class="card-paper stack" :aria-label="t('look-over.files-to-add')" @dragover.prevent @drop.prevent="dropped">
    <FilePick
      :label="t('look-over.add-recordings')"
      accept="audio/*,video/webm,.wav,.flac,.mp3,.ogg,.opus,.webm,.m4a"
      multiple
      :disabled="isReading || sent !== null"
      :hint="t('look-over.choose-files-or-drop-them-here', { longestList: LONGEST_LIST })"
      @pick="look"
    />
    <FilePick
      :label="t('look-over.or-a-whole-folder')"
      accept=""
      directory
      :disabled="isReading || sent !== null"
      @pick="look"
    />
    <p v-if="tooMany > 0" class="problem">
      {{
        t('look-over.files-left-out-add-these-longest', {
          files: counted('files-were', { n: tooMany }),
          longestList: LONGEST_LIST,
        })
      }}
    </p>
    <p v-if="isReading" class="soft" role="status">
      <BSpinner small aria-hidden="true" /> {{ t('look-over.reading-the-files') }}
    </p>
    <template v-if="rows.length > 0">
      <div class="scroll">
        <BTableSimple small stacked="md">
          <BThead>
            <BTr
              ><BTh>{{ t('look-over.file') }}</BTh
              ><BTh>{{ t('look-over.pupil') }}</BTh
              ><BTh>{{ t('look-over.step') }}</BTh
              ><BTh>{{ t('look-over.before-adding') }}</BTh></BTr
            >
          </BThead>
          <BTbody>
            <BTr v-for="row in rows" :key="row.id">
              <BTd :stacked-heading="t('look-over.file')">
                {{ row.name }}
                <span v-if="row.seconds !== null" class="soft">{{
                  t('look-over.seconds', { seconds: Math.round(row.seconds) })
                }}</span>
              </BTd>
              <BTd :stacked-heading="t('look-over.pupil')"
                ><BFormSelect
                  v-model="row.pupilId"
                  :options="pupils"
                  :aria-label="t('look-over.pupil-of-name', { name: row.name })"
              /></BTd>
              <BTd :stacked-heading="t('look-over.step')"
                ><BFormSelect
                  v-model="row.stepId"
                  :options="steps"
                  :aria-label="t('look-over.step-of-name', { name: row.name })"
              /></BTd>
              <BTd>
                <span v-if="blocked(row) !== ''" class="problem">{{ blocked(row) }}</span> {{ row.hint }}
                <BButton
                  size="sm"
                  :aria-label="t('look-over.leave-name-out', { name: row.name })"
                  @click="drop(row.id)"
                  >{{ t('look-over.leave-out') }}</BButton
                >
              </BTd>
            </BTr>
          </BTbody>
        </BTableSimple>
      </div>
      <BProgress v-if="sent !== null" :value="sent * 100" :aria-label="t('look-over.adding')" />
      <div class="line">
        <BButton variant="primary" :disabled="ready.length === 0 || sent !== null" @click="addAll">{{
          t('look-over.add-recordings-2', { recordings: counted('recordings', { n: ready.length }) })
        }}</BButton>
        <span v-if="ready.length < rows.length" class="soft">{{
          t('look-over.files-here-until-corrected', { files: counted('files-stay', { n: rows.length - ready.length }) })
        }}</span>
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
