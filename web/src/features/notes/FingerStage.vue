<script setup lang="ts">
import { fingeringsOf, formatHoles, makersDiffer, primaryFingering } from '@escalier/core/instruments';
import { pitchName } from '@escalier/core/music';
import { bridgeBetween, COVER_TEST, soundProblems } from '@escalier/core/practice';
import { bridgeWords } from '@escalier/core/words';
import { computed, ref, watch } from 'vue';
import SelectField from '../../ui/SelectField.vue';
import type { NoteLesson } from './lesson.ts';
import PipePicture from './PipePicture.vue';
import { PIPE_VIEWS, type PipeView } from './pipe-shape.ts';
import { t } from './messages.ts';

/** The fingering, and what changes from a note that the class has. */
const props = defineProps<{ lesson: NoteLesson; big: boolean }>();
const view = defineModel<PipeView>('view', { required: true });

const fromName = ref('');
const from = computed(() => props.lesson.known.find((each) => pitchName(each) === fromName.value) ?? null);
watch(
  () => props.lesson,
  (lesson) => (fromName.value = lesson.bridge === null ? '' : pitchName(lesson.bridge.from)),
  { immediate: true },
);
/** The picture goes from the known note to the new one, and back. */
const shows = ref<'new' | 'known'>('new');
const bridge = computed(() =>
  from.value === null ? null : bridgeBetween(props.lesson.on, from.value, props.lesson.note),
);
const fingering = computed(() => primaryFingering(props.lesson.on, props.lesson.note)!);
const known = computed(() => (from.value === null ? null : primaryFingering(props.lesson.on, from.value)));
const isKnownShown = computed(() => shows.value === 'known' && known.value !== null);
const alternates = computed(() => fingeringsOf(props.lesson.on, props.lesson.note).slice(1));
const newFingers = computed(() => {
  const actions = bridge.value?.move.actions ?? [];
  return props.lesson.on.holes
    .filter((_, index) => actions[index] === 'lands')
    .map((hole) => `${hole.hand} ${hole.finger}`);
});
</script>

<template>
  <div class="fingers">
    <section class="card-paper picture" :aria-label="t('finger-stage.the-fingering')">
      <div class="d-flex flex-wrap justify-content-between gap-2">
        <BFormRadioGroup v-model="view" buttons :options="PIPE_VIEWS" :aria-label="t('finger-stage.point-of-view')" />
        <BFormRadioGroup
          v-if="known !== null && from !== null"
          v-model="shows"
          buttons
          :options="[
            { value: 'known', text: lesson.name(from) },
            { value: 'new', text: lesson.label },
          ]"
          :aria-label="t('finger-stage.note-shown')"
        />
      </div>
      <PipePicture
        :on="lesson.on"
        :fingering="isKnownShown ? known! : fingering"
        :from="isKnownShown ? null : known"
        :view="view"
        :label="isKnownShown ? lesson.name(from!) : lesson.label"
      />
      <p class="soft view text-center">
        {{
          view === 'pupil'
            ? t('finger-stage.as-the-pupil-holds-it-left')
            : t('finger-stage.mirrored-as-the-class-sees-the')
        }}
      </p>
    </section>
    <section class="words">
      <p class="letter" aria-hidden="true">{{ lesson.label }}</p>
      <p class="bridge">
        {{ bridge === null ? t('finger-stage.the-very-first-note') : bridgeWords(bridge)
        }}<span v-if="bridge !== null">.</span>
      </p>
      <p class="holes">
        {{ formatHoles(lesson.on.family, fingering.holes)
        }}<span v-if="fingering.remark !== ''"> · {{ fingering.remark }}</span>
      </p>
      <SelectField
        v-if="lesson.known.length > 1 && !big"
        v-model="fromName"
        class="from"
        :label="t('finger-stage.starting-from')"
        :options="lesson.pairs.map((pair) => ({ value: pitchName(pair.from), text: lesson.name(pair.from) }))"
      />
      <p class="test">{{ COVER_TEST }}</p>
      <div v-if="!big" class="card-paper">
        <h2>{{ t('finger-stage.if-it-doesnt-sound-right') }}</h2>
        <p v-if="newFingers.length > 0">
          {{ t('finger-stage.check-the-new-fingers-first') }} <strong>{{ newFingers.join(', ') }}</strong>.
        </p>
        <dl>
          <template v-for="problem in soundProblems(lesson.on.family)" :key="problem.heard">
            <dt>{{ problem.heard }}</dt>
            <dd>{{ problem.check }}</dd>
          </template>
        </dl>
      </div>
      <p v-if="!big && alternates.length > 0" class="soft">
        {{
          t('finger-stage.also-list', {
            list: alternates.map((each) => `${formatHoles(lesson.on.family, each.holes)} (${each.remark})`).join(', '),
          })
        }}
      </p>
      <p v-if="makersDiffer(lesson.on, lesson.note)" class="soft">
        {{ t('finger-stage.makers-differ-here-check-the-chart') }}
      </p>
    </section>
  </div>
</template>

<style scoped lang="scss">
.fingers {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 12px;
  min-height: 0;
}

.picture {
  display: grid;
  grid-template-rows: auto minmax(0, 1fr) auto;
  gap: 6px;
  min-height: 0;
}

.words {
  display: grid;
  align-content: start;
  gap: 10px;
}

.letter {
  font-family: var(--heading);
  font-size: var(--poster);
  font-weight: 700;
  line-height: 0.9;
}

.bridge {
  font-size: var(--headline);
  font-weight: 700;
  line-height: 1.15;
}

.holes {
  color: var(--ink-soft);
  font-size: var(--text-large);
}

.from {
  max-width: 200px;
}

.test {
  padding: 8px 12px;
  border: 2px dashed var(--line-strong);
  border-radius: var(--radius);
  font-weight: 700;
}

dl {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 3px 14px;
  margin: 6px 0 0;
}

dt {
  font-weight: 700;
}

dd {
  margin: 0;
  color: var(--ink-soft);
}

@media (max-width: 900px) {
  .fingers {
    grid-template-columns: 1fr;
  }

  .picture {
    height: 560px;
  }
}
</style>
