<script setup lang="ts">
import { readHolidays } from '@escalier/contract/terms';
import type { DaysOff } from '@escalier/core/calendar';
import { ref } from 'vue';
import { api, ask } from '../../api.ts';
import { shortDate } from '../../ui/dates.ts';
import FilePick from '../../ui/FilePick.vue';
import HowComputed from '../../ui/HowComputed.vue';
import { useSave } from '../../ui/use-save.ts';
import type { TermDraft } from './use-terms.ts';
import { t } from './messages.ts';

/** Days off from a calendar file: shown first, then added. */
const props = defineProps<{ termId: string; there: TermDraft['daysOff'] }>();
const emit = defineEmits<{ take: [daysOff: readonly DaysOff[]] }>();
const { reason, save } = useSave(null);

const found = ref<{ readonly off: DaysOff; taken: boolean; readonly known: boolean }[] | null>(null);
const leftOut = ref<readonly string[]>([]);

async function read([file]: readonly File[]): Promise<void> {
  if (file === undefined) return;
  found.value = null;
  await save(async () => {
    const json = { ics: await file.text() };
    const answer = await ask(api.terms[':id'].holidays.$post({ param: { id: props.termId }, json }), readHolidays);
    found.value = answer.daysOff.map((off) => ({ off, taken: !isThere(off), known: isThere(off) }));
    leftOut.value = answer.leftOut;
  });
}

function isThere(off: DaysOff): boolean {
  return props.there.some((each) => each.from === off.from && each.to === off.to);
}

function take(): void {
  emit(
    'take',
    (found.value ?? []).filter((each) => each.taken).map((each) => each.off),
  );
  found.value = null;
}
</script>

<template>
  <div class="stack-close stack-start">
    <FilePick :label="t('holiday-import.import-days-off-from-a-calendar')" accept=".ics,text/calendar" @pick="read" />
    <BAlert v-if="reason !== null" variant="danger" :model-value="true">{{ reason }}</BAlert>
    <BAlert v-if="found !== null" variant="warning" :model-value="true" :is-status="true">
      <div class="stack-close stack-start" role="group" :aria-label="t('holiday-import.days-off-in-the-file')">
        <p v-if="found.length === 0">{{ t('holiday-import.the-file-has-no-days-off') }}</p>
        <BFormCheckbox v-for="each in found" :key="`${each.off.from}${each.off.reason}`" v-model="each.taken">
          {{ shortDate(each.off.from)
          }}<template v-if="each.off.to !== each.off.from"
            >{{ ' ' }}{{ t('holiday-import.to-date', { date: shortDate(each.off.to) }) }}</template
          >: {{ each.off.reason }}<span v-if="each.known" class="soft">{{ t('holiday-import.already-there') }}</span>
        </BFormCheckbox>
        <HowComputed
          v-if="leftOut.length > 0"
          :label="t('holiday-import.left-out-count-left-out', { leftOutCount: leftOut.length })"
        >
          <ul class="bullets">
            <li v-for="line in leftOut" :key="line">{{ line }}</li>
          </ul>
        </HowComputed>
        <div class="line">
          <BButton size="sm" variant="primary" :disabled="!found.some((each) => each.taken)" @click="take">{{
            t('holiday-import.add-these')
          }}</BButton>
          <BButton size="sm" @click="found = null">{{ t('holiday-import.cancel') }}</BButton>
        </div>
      </div>
    </BAlert>
  </div>
</template>
