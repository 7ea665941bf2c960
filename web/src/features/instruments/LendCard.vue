<script setup lang="ts">
import type { InstrumentList, Lending } from '@escalier/contract/instruments';
import { computed, nextTick, ref, shallowRef, watch } from 'vue';
import { useSave } from '../../ui/use-save.ts';
import type { Instruments } from './use-instruments.ts';
import { counted } from '../../ui/count-messages.ts';
import { t } from './messages.ts';

/** A whole class in one go: looked at first, then lent. */
const props = defineProps<{ lent: InstrumentList; store: Instruments }>();
const emit = defineEmits<{ print: [classId: string] }>();
const { busy, reason, save } = useSave(null);

const classId = ref(props.lent.classes[0]?.id ?? '');
const share = ref(false);
const plan = shallowRef<Lending | null>(null);
watch([classId, share], () => (plan.value = null));
const chosen = computed(() => props.lent.classes.find((each) => each.id === classId.value) ?? null);
const lentCount = computed(
  () => props.lent.instruments.filter((each) => each.loans.some((loan) => loan.classId === classId.value)).length,
);

const options = computed(() => props.lent.classes.map(({ id, name }) => ({ value: id, text: name })));
const takingBack = ref(false);

async function look(): Promise<void> {
  await save(async () => {
    plan.value = await props.store.lendToClass({ classId: classId.value, share: share.value, dryRun: true });
  });
}

async function lend(): Promise<void> {
  const done = await save(() => props.store.lendToClass({ classId: classId.value, share: share.value, dryRun: false }));
  if (done) plan.value = null;
}

async function print(): Promise<void> {
  emit('print', classId.value);
  await nextTick();
  window.print();
}
</script>

<template>
  <section class="card-paper stack">
    <h2>{{ t('lend-card.lend-to-a-whole-class') }}</h2>
    <p v-if="chosen === null" class="soft">{{ t('lend-card.there-are-no-classes-yet') }}</p>
    <template v-else>
      <div class="line">
        <BFormSelect v-model="classId" class="auto" :options="options" :aria-label="t('lend-card.class')" />
        <span>{{
          t('lend-card.lent-count-of-pupils-have-one', {
            lentCount,
            pupils: counted('pupils', { n: chosen.pupils.length }),
          })
        }}</span>
      </div>
      <BFormCheckbox v-model="share">{{ t('lend-card.share-with-another-class-clean-them') }}</BFormCheckbox>
      <div class="line">
        <BButton variant="primary" :disabled="busy" @click="look">{{ t('lend-card.who-gets-which') }}</BButton>
        <BButton :disabled="lentCount === 0" @click="print">{{ t('lend-card.print-the-list') }}</BButton>
        <BButton :disabled="busy || lentCount === 0" @click="takingBack = true">{{
          t('lend-card.take-all-back')
        }}</BButton>
      </div>
      <BAlert v-if="plan !== null" variant="warning" :model-value="true" is-status>
        <p v-if="plan.pairs.length === 0 && plan.without.length === 0">{{ t('lend-card.everyone-has-one') }}</p>
        <ul class="plain pairs">
          <li v-for="pair in plan.pairs" :key="pair.pupilId">
            <strong>{{ pair.number }}</strong> {{ pair.pupil }}
          </li>
        </ul>
        <p v-if="plan.without.length > 0">
          <strong>{{ t('lend-card.no-instrument-for-list', { list: plan.without.join(', ') }) }}</strong>
          {{ t('lend-card.add-more-or-share-with-another') }}
        </p>
        <BButton v-if="plan.pairs.length > 0" variant="primary" :disabled="busy" @click="lend">{{
          t('lend-card.lend-instruments', { instruments: counted('instruments', { n: plan.pairs.length }) })
        }}</BButton>
      </BAlert>
    </template>
    <BAlert v-if="reason !== null" variant="danger" :model-value="true">{{ reason }}</BAlert>
    <BModal
      v-model="takingBack"
      :title="t('lend-card.take-all-instruments-back')"
      :ok-title="t('lend-card.take-all-back')"
      :cancel-title="t('lend-card.cancel')"
      @ok="save(() => store.takeBackFromClass(classId))"
    >
      {{
        t('lend-card.instruments-of-name-will-be-marked', {
          instruments: counted('instruments', { n: lentCount }),
          name: chosen?.name ?? '',
        })
      }}
    </BModal>
  </section>
</template>

<style scoped>
.pairs {
  margin-bottom: 8px;
  columns: 2;
}
</style>
