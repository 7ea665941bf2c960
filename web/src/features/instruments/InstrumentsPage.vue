<script setup lang="ts">
import { instrument, INSTRUMENT_IDS, type InstrumentId } from '@escalier/core/instruments';
import { computed, onMounted, reactive, ref } from 'vue';
import LoadState from '../../ui/LoadState.vue';
import SaveBar from '../../ui/SaveBar.vue';
import SelectField from '../../ui/SelectField.vue';
import TextField from '../../ui/TextField.vue';
import { useSave } from '../../ui/use-save.ts';
import { SchoolHead, TakeCare } from '../schools/index.ts';
import CleaningCard from './CleaningCard.vue';
import InstrumentForm from './InstrumentForm.vue';
import LendCard from './LendCard.vue';
import LendingSheet from './LendingSheet.vue';
import { useInstruments } from './use-instruments.ts';
import { className } from './words.ts';
import { t } from './messages.ts';

const store = useInstruments();
const { lent } = store;
onMounted(store.load);

const openId = ref<string | null>(null);
const open = computed(() => lent.value?.instruments.find((each) => each.id === openId.value) ?? null);
const classId = ref('');
const listed = computed(() =>
  (lent.value?.instruments ?? []).filter(
    (each) => classId.value === '' || each.loans.some((loan) => loan.classId === classId.value),
  ),
);
const sets = computed(() =>
  INSTRUMENT_IDS.map((kind) => ({ kind, lines: listed.value.filter((each) => each.kind === kind) })).filter(
    (set) => set.lines.length > 0,
  ),
);
const usable = computed(() => lent.value?.instruments.filter((each) => each.condition !== 'lost').length ?? 0);

const { busy, error: refused, fields, save } = useSave(t('instruments-page.added'));
const draft = reactive<{ kind: InstrumentId; from: number; count: number; owner: 'school' | 'pupil' }>({
  kind: 'soprano-recorder-baroque',
  from: 1,
  count: 30,
  owner: 'school',
});

const KINDS = INSTRUMENT_IDS.map((value) => ({ value, text: instrument(value).name }));
const OWNERS = [
  { value: 'school', text: t('instruments-page.the-schools') },
  { value: 'pupil', text: t('instruments-page.the-pupils-own') },
] as const;
const shownClasses = computed(() => [
  { value: '', text: t('instruments-page.all-classes') },
  ...(lent.value?.classes ?? []).map(({ id, name }) => ({ value: id, text: name })),
]);

async function add(): Promise<void> {
  await save(() => store.add({ ...draft }));
}
</script>

<template>
  <LoadState
    v-if="lent === null"
    :error="store.error.value"
    :what="t('instruments-page.the-instruments')"
    @again="store.load"
  />
  <div v-else class="page-grid">
    <SchoolHead :lead="t('instruments-page.who-has-which-instrument-its-condition')" />
    <div class="columns columns-work no-print">
      <section class="card-paper stack">
        <div class="line">
          <h2 class="grow">
            {{
              t('instruments-page.n-instruments-usable-usable', {
                n: lent.instruments.length,
                usable,
              })
            }}
          </h2>
          <BFormSelect
            v-model="classId"
            class="auto"
            :options="shownClasses"
            :aria-label="t('instruments-page.show')"
          />
        </div>
        <template v-for="set in sets" :key="set.kind">
          <h3>{{ instrument(set.kind).name }}</h3>
          <ul class="plain set">
            <li v-for="each in set.lines" :key="each.id">
              <BButton
                class="instrument"
                :class="{ off: each.condition === 'broken' || each.condition === 'lost' }"
                :pressed="each.id === openId"
                @click="openId = each.id"
              >
                <span class="number">{{ each.number }}</span>
                <span class="who">
                  <span v-for="loan in each.loans" :key="loan.id" class="loan">
                    {{ loan.pupil }} <span class="soft">{{ className(lent.classes, loan.classId) }}</span>
                  </span>
                  <span v-if="each.loans.length === 0" class="soft">{{
                    each.owner === 'pupil' ? t('instruments-page.a-pupils-own') : 'free'
                  }}</span>
                  <span v-if="each.condition !== 'good'" class="state">{{ each.condition }}</span>
                </span>
              </BButton>
            </li>
          </ul>
        </template>
        <p v-if="listed.length === 0" class="soft">
          {{
            lent.instruments.length === 0
              ? t('instruments-page.none-yet-add-a-set-by')
              : t('instruments-page.this-class-has-none')
          }}
        </p>
        <BForm class="stack" novalidate @submit.prevent="add">
          <h2>{{ t('instruments-page.add-a-set') }}</h2>
          <div class="field-grid">
            <SelectField v-model="draft.kind" :label="t('instruments-page.kind')" :options="KINDS" />
            <TextField
              v-model="draft.from"
              :label="t('instruments-page.from-number')"
              type="number"
              :min="1"
              :error="fields.number ?? fields.from"
            />
            <TextField
              v-model="draft.count"
              :label="t('instruments-page.how-many')"
              type="number"
              :min="1"
              :max="100"
              :error="fields.count"
            />
            <SelectField v-model="draft.owner" :label="t('instruments-page.belong-to')" :options="OWNERS" />
          </div>
          <SaveBar :busy="busy" :error="refused" :label="t('instruments-page.add-them')" />
        </BForm>
      </section>
      <div class="stack">
        <InstrumentForm
          v-if="open !== null"
          :key="open.id"
          :line="open"
          :classes="lent.classes"
          :store="store"
          @gone="openId = null"
        />
        <LendCard :lent="lent" :store="store" @print="classId = $event" />
        <CleaningCard :lent="lent" :cleaned="store.cleaned" />
        <TakeCare place="instruments" />
      </div>
    </div>
    <LendingSheet :lent="lent" :class-id="classId" />
  </div>
</template>

<style scoped lang="scss">
.set {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(176px, 1fr));
  gap: 6px;
}

.instrument {
  display: grid;
  grid-template-columns: 2.2em minmax(0, 1fr);
  gap: 0 8px;
  align-items: center;
  width: 100%;
  min-height: 52px;
  padding: 4px 8px;
  font-weight: 400;
  text-align: left;
}

.instrument.active {
  border-color: var(--ink);
  background: var(--card);
  color: var(--ink);
  box-shadow: inset 0 0 0 2px var(--ink);
}

.instrument.off {
  border-style: dashed;
  background: var(--stone);
}

.instrument:hover .soft {
  color: inherit;
}

.number {
  font-family: var(--heading);
  font-size: var(--text-large);
  font-weight: 700;
  text-align: right;
}

.who {
  min-width: 0;
  font-size: var(--text-small);
  line-height: 1.2;
}

.loan {
  display: block;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.state {
  display: block;
  color: var(--brick);
  font-weight: 700;
}

.instrument:hover .state {
  color: inherit;
}
</style>
