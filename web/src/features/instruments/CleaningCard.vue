<script setup lang="ts">
import type { InstrumentList } from '@escalier/contract/instruments';
import { useSave } from '../../ui/use-save.ts';
import { longDate, timeOfDay } from '../../ui/dates.ts';
import { numbersWords } from '../../ui/number-words.ts';
import { className } from './words.ts';
import { counted } from '../../ui/count-messages.ts';
import { t } from './messages.ts';

/** What another class played last, before each of the next lessons. */
const props = defineProps<{ lent: InstrumentList; cleaned: (ids: readonly string[]) => Promise<void> }>();
const { busy, error, save } = useSave(t('cleaning-card.marked-as-cleaned'));
type Call = InstrumentList['cleaning'][number];

function numbers(call: Call): string {
  return numbersWords(
    props.lent.instruments.filter((each) => call.instrumentIds.includes(each.id)).map((each) => each.number),
  );
}
</script>

<template>
  <section class="card-paper stack-close">
    <h2>{{ t('cleaning-card.clean-between-classes') }}</h2>
    <p v-if="lent.cleaning.length === 0" class="soft">
      {{ t('cleaning-card.nothing-in-the-next-seven-days') }}
    </p>
    <ol class="plain ruled">
      <li
        v-for="(call, index) in lent.cleaning.slice(0, 2)"
        :key="`${call.date}${call.at}${call.classId}${call.playedBy}`"
        class="stack-close stack-start"
      >
        <p>
          {{ t('cleaning-card.before') }} <strong>{{ className(lent.classes, call.classId) }}</strong>{{
            t('cleaning-card.date-time-instruments-last-played-by', {
              date: longDate(call.date),
              time: timeOfDay(call.at),
              instruments: counted('instruments', { n: call.instrumentIds.length }),
              className: className(lent.classes, call.playedBy),
            })
          }}
        </p>
        <p class="soft">
          {{ call.instrumentIds.length === 1 ? t('cleaning-card.number') : t('cleaning-card.numbers') }}
          {{ numbers(call) }}
        </p>
        <BButton v-if="index === 0" size="sm" :disabled="busy" @click="save(() => cleaned(call.instrumentIds))">{{
          t('cleaning-card.cleaned-now')
        }}</BButton>
      </li>
    </ol>
    <BAlert v-if="error !== null" variant="danger" :model-value="true">{{ error }}</BAlert>
  </section>
</template>
