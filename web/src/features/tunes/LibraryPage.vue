<script setup lang="ts">
import { usualLengths } from '@escalier/core/words';
import { useLocalStorage } from '@vueuse/core';
import { computed, onMounted, ref } from 'vue';
import LoadState from '../../ui/LoadState.vue';
import { noteWords } from '../../ui/note-words.ts';
import SelectField from '../../ui/SelectField.vue';
import { useClasses } from '../classes/index.ts';
import { useSession } from '../schools/index.ts';
import { filtered, LENGTHS, NO_FILTER, offered, READINESS, type LibraryFilter } from './library-filter.ts';
import LibraryTable from './LibraryTable.vue';
import { hasWordsOf } from './words.ts';
import { useLibrary } from './use-library.ts';
import { counted } from '../../ui/count-messages.ts';
import { t } from './messages.ts';

const classes = useClasses();
const session = useSession();
const classId = useLocalStorage('escalier-library-class', '');
const { rows, total, done, error, load } = useLibrary(classId);
const filter = ref<LibraryFilter>({ ...NO_FILTER });
const withFilters = ref(false);

onMounted(async () => {
  await classes.loadList();
  const known = classes.list?.some((each) => each.id === classId.value) ?? false;
  if (!known && classId.value !== '') classId.value = '';
});

const all = computed(() => (rows.value ?? []).filter((row) => !row.archived || filter.value.archived));
const shown = computed(() => filtered(all.value, filter.value));
const metres = computed(() => offered(all.value, (row) => [row.metre]));
const keys = computed(() => offered(all.value, (row) => [row.key]));
const tags = computed(() => offered(all.value, (row) => row.tags));
const lengths = computed(
  () => classes.list?.find((each) => each.id === classId.value)?.style.lengthWords ?? usualLengths(),
);
const toDrill = computed(() =>
  offered(
    all.value,
    (row) => row.has,
    (id) => hasWordsOf(id, lengths.value),
  ),
);
const newNotes = computed(() =>
  offered(all.value, (row) => (row.newNotes.length === 1 ? row.newNotes : []), noteWords),
);
const readers = computed(() => [
  { value: '', text: t('library-page.a-class-of-beginners') },
  ...(classes.list ?? []).map(({ id, name }) => ({ value: id, text: name })),
]);
const className = computed(() => classes.list?.find((each) => each.id === classId.value)?.name ?? null);
</script>

<template>
  <LoadState v-if="rows === null && error !== null" :error="error" :what="t('library-page.the-tunes')" @again="load" />
  <div v-else class="page-grid">
    <header class="page-head">
      <div>
        <h1>{{ t('library-page.library') }}</h1>
        <p class="soft">
          <template v-if="rows === null">{{ t('library-page.reading-the-tunes') }}</template>
          <template v-else
            >{{
              t('library-page.shown-count-of-tunes', {
                shownCount: shown.length,
                tunes: counted('tunes', { n: all.length }),
              })
            }}<template v-if="className !== null">{{
              t('library-page.read-for-class-name', { className })
            }}</template></template
          >
        </p>
      </div>
      <SelectField v-model="classId" :label="t('library-page.read-for')" :options="readers" />
      <BButton v-if="session.mayTeach" role="link" variant="primary" :to="{ name: 'new-tune' }">{{
        t('library-page.add-a-tune')
      }}</BButton>
    </header>
    <BForm class="card-paper stack" role="search" @submit.prevent>
      <div class="line">
        <BFormInput
          v-model="filter.search"
          class="grow search"
          type="search"
          :placeholder="t('library-page.title-composer-mood')"
          :aria-label="t('library-page.search')"
        />
        <BFormRadioGroup
          v-model="filter.readiness"
          buttons
          :options="READINESS"
          :aria-label="t('library-page.how-near')"
        />
        <BButton :aria-expanded="withFilters" @click="withFilters = !withFilters">{{
          t('library-page.more-filters')
        }}</BButton>
      </div>
      <BCollapse v-model="withFilters" lazy>
        <div class="field-grid">
          <SelectField
            v-if="filter.readiness === 'one'"
            v-model="filter.newNote"
            :label="t('library-page.the-new-note')"
            :options="newNotes"
          />
          <SelectField v-model="filter.metre" :label="t('library-page.metre')" :options="metres" />
          <SelectField v-model="filter.key" :label="t('library-page.key')" :options="keys" />
          <SelectField v-model="filter.tag" :label="t('library-page.mood')" :options="tags" />
          <SelectField v-model="filter.length" :label="t('library-page.length')" :options="LENGTHS" />
          <SelectField v-model="filter.has" :label="t('library-page.to-drill')" :options="toDrill" />
        </div>
        <div class="line mt-2">
          <BFormCheckbox v-model="filter.words">{{ t('library-page.with-words') }}</BFormCheckbox>
          <BFormCheckbox v-model="filter.duet">{{ t('library-page.duets') }}</BFormCheckbox>
          <BFormCheckbox v-model="filter.archived">{{ t('library-page.include-archived') }}</BFormCheckbox>
        </div>
      </BCollapse>
    </BForm>
    <LoadState
      v-if="rows === null"
      :error="error"
      :what="
        total === 0 ? t('library-page.the-tunes') : t('library-page.the-tunes-done-of-total-read', { done, total })
      "
      @again="load"
    />
    <p v-else-if="shown.length === 0" class="soft">{{ t('library-page.no-tunes-match-remove-a-filter') }}</p>
    <LibraryTable v-else :rows="shown" :class-id="classId" />
  </div>
</template>

<style scoped lang="scss">
.search {
  min-width: 200px;
}
</style>
