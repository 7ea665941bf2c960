<script setup lang="ts">
import { computed, toRef, watch } from 'vue';
import { shortDate } from '../../ui/dates.ts';
import LoadState from '../../ui/LoadState.vue';
import { ClassHead, useLiveClass } from '../classes/index.ts';
import { OUTCOME_WORDS } from '../hearing/index.ts';
import { TakeCare, useRemarks } from '../schools/index.ts';
import LookOver from './LookOver.vue';
import { useListening } from './use-listening.ts';
import { useRecordings } from './use-recordings.ts';
import { proposalWords } from './words.ts';
import { counted } from '../../ui/count-messages.ts';
import { t } from './messages.ts';

/** The recordings of a class: added, listened to, and waiting for the teacher's ear. */
const props = defineProps<{ classId: string }>();
const classId = toRef(props, 'classId');
useLiveClass(classId);
const recordings = useRecordings(classId);
const { page, list, error, load, open, answered, results, pupilOf, titleOf } = recordings;
const listening = useListening(page, recordings.change);
const { progress, failed } = listening;
void useRemarks().load();
watch(classId, load, { immediate: true });

const agreed = computed(() => new Set(list.value?.agreed));
const unheard = computed(() => open.value.filter(({ heard }) => heard === null));
watch(
  unheard,
  (waiting) => void (progress.value === null && failed.value.size === 0 && listening.listenToAll(waiting)),
);
/** Not tried again by themselves: what fails may have filled the memory. */
const given = computed(() => open.value.filter(({ heard }) => heard?.failed === true));
const first = computed(() => open.value[0] ?? null);
const MEGABYTE = 1024 * 1024;
</script>

<template>
  <LoadState
    v-if="page === null || list === null"
    :error="error"
    :what="t('recordings-page.the-recordings')"
    @again="load"
  />
  <div v-else class="page-grid">
    <ClassHead :class-id="classId">
      <BButton
        v-if="first !== null"
        role="link"
        variant="primary"
        :to="{ name: 'recording', params: { classId, recordingId: first.id } }"
        >{{
          t('recordings-page.listen-to-recordings', { recordings: counted('recordings', { n: open.length }) })
        }}</BButton
      >
    </ClassHead>
    <LookOver :page="page" :agreed="agreed" @added="load" />
    <div class="columns">
      <div class="stack">
        <section v-if="progress !== null" class="card-paper stack-close">
          <p role="status">
            {{ t('recordings-page.listening-done-of-of-you-can', { done: progress.done, of: progress.of }) }}
          </p>
          <BProgress :value="progress.done" :max="progress.of" :aria-label="t('recordings-page.listening')" />
          <div>
            <BButton @click="listening.cancel">{{ t('recordings-page.stop-listening') }}</BButton>
          </div>
        </section>
        <section v-else-if="unheard.length > 0" class="card-paper stack-close">
          <p>
            {{
              t('recordings-page.recordings-not-been-listened-to-on', {
                recordings: counted('recordings-have', { n: unheard.length }),
              })
            }}
          </p>
          <div>
            <BButton @click="listening.listenToAll(unheard)">{{ t('recordings-page.listen-now') }}</BButton>
          </div>
        </section>
        <section v-if="progress === null && given.length > 0" class="card-paper stack-close">
          <p>
            {{
              t('recordings-page.recordings-could-not-be-listened-to', {
                recordings: counted('recordings', { n: given.length }),
              })
            }}
          </p>
          <div>
            <BButton @click="listening.listenToAll(given)">{{ t('recordings-page.try-again') }}</BButton>
          </div>
        </section>
        <section class="card-paper stack-close">
          <h2>{{ t('recordings-page.to-hear') }}</h2>
          <p v-if="open.length === 0" class="soft">
            {{ t('recordings-page.nothing-waiting-add-files-escalier-listens') }}
          </p>
          <BListGroup v-else flush>
            <BListGroupItem
              v-for="recording in open"
              :key="recording.id"
              :to="{ name: 'recording', params: { classId, recordingId: recording.id } }"
            >
              <span class="line">
                <strong class="grow">{{ pupilOf(recording)?.name ?? t('recordings-page.somebody') }}</strong>
                <BBadge v-if="recording.fromHome" class="home">{{ t('recordings-page.from-home') }}</BBadge>
                <BBadge v-if="recording.heard !== null" :class="recording.heard.outcome ?? 'unclear'">{{
                  proposalWords(recording.heard)
                }}</BBadge>
              </span>
              <span class="soft">{{
                t('recordings-page.title-number-s-erased-on-date', {
                  title: titleOf(recording),
                  number: Math.round(recording.seconds),
                  date: shortDate(recording.erasedOn),
                })
              }}</span>
              <span class="said">{{
                failed.get(recording.id) ?? recording.heard?.words ?? t('recordings-page.not-listened-to-yet')
              }}</span>
            </BListGroupItem>
          </BListGroup>
        </section>
      </div>
      <div class="stack">
        <section v-if="answered.length > 0" class="card-paper stack-close">
          <h2>{{ t('recordings-page.heard') }}</h2>
          <BListGroup flush>
            <BListGroupItem
              v-for="recording in answered"
              :key="recording.id"
              :to="{ name: 'recording', params: { classId, recordingId: recording.id } }"
            >
              <span class="line">
                <strong class="grow">{{ pupilOf(recording)?.name ?? t('recordings-page.somebody') }}</strong>
                {{ OUTCOME_WORDS[results.get(recording.id)!.outcome] }}
              </span>
              <span class="soft">{{
                t('recordings-page.title-erased-on-date', {
                  title: titleOf(recording),
                  date: shortDate(recording.erasedOn),
                })
              }}</span>
            </BListGroupItem>
          </BListGroup>
        </section>
        <p class="soft">
          {{
            t('recordings-page.recordings-stored-number-of-megabytes-mb', {
              recordings: counted('recordings', { n: list.storage.count }),
              number: (list.storage.bytes / MEGABYTE).toFixed(1),
              megabytes: list.storage.megabytes,
              days: counted('days', { n: list.storage.days }),
            })
          }}
        </p>
        <TakeCare place="recordings" />
      </div>
    </div>
  </div>
</template>

<style scoped lang="scss">
.said {
  display: block;
}

.badge.passed {
  background: var(--spruce) !important;
}

.badge.nearly {
  background: var(--brass-soft) !important;
  color: var(--ink);
}

.badge.home,
.badge.not-yet,
.badge.unclear {
  background: var(--stone) !important;
  color: var(--ink);
}
</style>
