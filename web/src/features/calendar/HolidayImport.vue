<script setup lang="ts">
import type { DaysOff } from '@escalier/core/calendar';
import { ref, useTemplateRef } from 'vue';
import { api, ask } from '../../api.ts';
import { useSave } from '../../ui/use-save.ts';
import { shortDate } from '../classes/index.ts';

/** Days off from a calendar file: looked at first, then taken over. */
const props = defineProps<{ termId: string; there: readonly DaysOff[] }>();
const emit = defineEmits<{ take: [daysOff: readonly DaysOff[]] }>();
const { reason, save } = useSave();

const picker = useTemplateRef('picker');
const found = ref<{ readonly off: DaysOff; taken: boolean; readonly known: boolean }[] | null>(null);
const leftOut = ref<readonly string[]>([]);

async function read(event: Event): Promise<void> {
  const [file] = (event.target as HTMLInputElement).files ?? [];
  if (file === undefined) return;
  found.value = null;
  await save(async () => {
    const json = { ics: await file.text() };
    const read = await ask(api.terms[':id'].holidays.$post({ param: { id: props.termId }, json }));
    found.value = read.daysOff.map((off) => ({ off, taken: !isThere(off), known: isThere(off) }));
    leftOut.value = read.leftOut;
  });
  if (picker.value !== null) picker.value.value = '';
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
  <div class="import">
    <label class="btn btn-outline-dark btn-sm">
      Read days off from a calendar file (.ics)
      <input ref="picker" class="visually-hidden" type="file" accept=".ics,text/calendar" @change="read" />
    </label>
    <p v-if="reason !== null" class="fault" role="alert">{{ reason }}</p>
    <div v-if="found !== null" class="preview" role="group" aria-label="Days off in the file">
      <p v-if="found.length === 0">There is no day off of this term in the file.</p>
      <label v-for="each in found" :key="`${each.off.from}${each.off.reason}`" class="line">
        <input v-model="each.taken" class="form-check-input" type="checkbox" />
        {{ shortDate(each.off.from)
        }}<template v-if="each.off.to !== each.off.from"> to {{ shortDate(each.off.to) }}</template
        >: {{ each.off.reason }}<span v-if="each.known" class="soft">&nbsp;(there already)</span>
      </label>
      <details v-if="leftOut.length > 0">
        <summary>{{ leftOut.length }} left out</summary>
        <ul>
          <li v-for="line in leftOut" :key="line">{{ line }}</li>
        </ul>
      </details>
      <div class="buttons">
        <BButton size="sm" variant="primary" :disabled="!found.some((each) => each.taken)" @click="take"
          >Take them over</BButton
        >
        <BButton size="sm" variant="outline-dark" @click="found = null">Leave them</BButton>
      </div>
    </div>
  </div>
</template>

<style scoped>
.import,
.preview {
  display: grid;
  gap: 8px;
  justify-items: start;
}

.preview {
  width: 100%;
  padding: 10px 12px;
  border-left: 4px solid var(--brass);
  background: var(--paper);
}

.line {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 32px;
}

.buttons {
  display: flex;
  gap: 8px;
}
</style>
