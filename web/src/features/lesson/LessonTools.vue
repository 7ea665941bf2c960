<script setup lang="ts">
import type { LessonRun } from '@escalier/core/lesson';
import { computed, ref } from 'vue';
import { ApiError } from '../../api.ts';
import { useNotices } from '../../ui/use-notices.ts';
import { useAway, type ClassView } from '../classes/index.ts';
import { SoundCheckButton } from '../listening/index.ts';
import type { Happening } from './store.ts';
import { t } from './messages.ts';

/** All that can be noted while the lesson goes on, with a tap or two: away, ready to be heard, a remark for the class. */
const props = defineProps<{ page: ClassView; run: LessonRun; isRehearsal: boolean }>();
const emit = defineEmits<{ note: [happening: Happening] }>();
const away = useAway();
const notices = useNotices();
const remark = ref('');
const remarking = ref(false);
/** Who is heard stands in the part itself. */
const isHearing = computed(() => props.run.plan?.blocks[props.run.index]?.kind === 'hearing');
const inClass = computed(() => props.page.pupils.filter((pupil) => pupil.standing !== null));

async function switchAway(pupilId: string, name: string, isAway: boolean): Promise<void> {
  if (props.isRehearsal) return notices.say(t('lesson-tools.nothing-is-kept-in-a-rehearsal'));
  try {
    await away.note(pupilId, props.page.today, isAway);
    notices.say(isAway ? t('lesson-tools.name-is-away-today', { name }) : t('lesson-tools.name-is-here', { name }));
  } catch (problem) {
    if (!(problem instanceof ApiError)) throw problem;
    notices.fail(problem.message);
  }
}

function save(): void {
  const text = remark.value.trim();
  if (text !== '') emit('note', { kind: 'remark', text });
  remark.value = '';
  remarking.value = false;
}
</script>

<template>
  <div class="line tools">
    <BDropdown :text="t('lesson-tools.away')" teleport-to="body" menu-class="names">
      <BDropdownItem v-for="pupil in inClass" :key="pupil.id" @click="switchAway(pupil.id, pupil.name, !pupil.away)">
        {{ pupil.name }}<span v-if="pupil.away">{{ ' ' }}{{ t('lesson-tools.away-2') }}</span>
      </BDropdownItem>
    </BDropdown>
    <BDropdown
      :text="run.ready.length === 0 ? t('lesson-tools.ready') : `Ready: ${run.ready.length}`"
      teleport-to="body"
      menu-class="names"
    >
      <BDropdownItem
        v-for="pupil in inClass.filter(({ away: isAway }) => !isAway)"
        :key="pupil.id"
        @click="emit('note', { kind: 'ready', pupilId: pupil.id, ready: !run.ready.includes(pupil.id) })"
      >
        {{ pupil.name }}<span v-if="run.ready.includes(pupil.id)">{{ ' ' }}{{ t('lesson-tools.ready-2') }}</span>
      </BDropdownItem>
    </BDropdown>
    <BButton @click="remarking = true">{{ t('lesson-tools.remark') }}</BButton>
    <SoundCheckButton :page="page" :position="page.classStep + 1" />
    <BButton v-if="!isHearing" role="link" :to="{ name: 'hear', params: { classId: page.id } }">{{
      t('lesson-tools.hear-a-pupil')
    }}</BButton>
    <BModal v-model="remarking" :title="t('lesson-tools.note-for-this-class')" title-tag="h2" no-footer>
      <BForm class="stack" @submit.prevent="save">
        <BFormGroup
          :label="t('lesson-tools.shown-with-the-next-plan')"
          label-for="lesson-remark"
          :description="t('lesson-tools.no-names-of-children')"
        >
          <BFormInput id="lesson-remark" v-model="remark" maxlength="300" />
        </BFormGroup>
        <BButton type="submit" variant="primary">{{ t('lesson-tools.keep-it') }}</BButton>
      </BForm>
    </BModal>
  </div>
</template>

<style lang="scss">
.dropdown-menu.names {
  max-height: 60vh;
  overflow-y: auto;
}
</style>
