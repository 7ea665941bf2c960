<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core';
import { computed, onMounted, ref } from 'vue';
import LoadState from '../../ui/LoadState.vue';
import { noteWords } from '../../ui/note-words.ts';
import { plural } from '../../ui/plural.ts';
import SelectField from '../../ui/SelectField.vue';
import { useClasses } from '../classes/index.ts';
import { useSession } from '../schools/index.ts';
import { filtered, LENGTHS, NO_FILTER, offered, READINESS, type LibraryFilter } from './library-filter.ts';
import LibraryTable from './LibraryTable.vue';
import { hasWordsOf } from './words.ts';
import { useLibrary } from './use-library.ts';

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
const lengths = computed(() => classes.list?.find((each) => each.id === classId.value)?.style.lengthWords ?? 'british');
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
  { value: '', text: 'a class that knows nothing yet' },
  ...(classes.list ?? []).map(({ id, name }) => ({ value: id, text: name })),
]);
const className = computed(() => classes.list?.find((each) => each.id === classId.value)?.name ?? null);
</script>

<template>
  <LoadState v-if="rows === null && error !== null" :error="error" what="the tunes" @again="load" />
  <div v-else class="page-grid">
    <header class="page-head">
      <div>
        <h1>Library</h1>
        <p class="soft">
          <template v-if="rows === null">Reading the tunes …</template>
          <template v-else
            >{{ shown.length }} of {{ plural(all.length, 'tune', 'tunes')
            }}<template v-if="className !== null">, read for {{ className }}</template></template
          >
        </p>
      </div>
      <SelectField v-model="classId" label="Read for" :options="readers" />
      <BButton v-if="session.mayTeach" role="link" variant="primary" :to="{ name: 'new-tune' }">Add a tune</BButton>
    </header>
    <BForm class="card-paper stack" role="search" @submit.prevent>
      <div class="line">
        <BFormInput
          v-model="filter.search"
          class="grow search"
          type="search"
          placeholder="Title, composer, mood"
          aria-label="Search"
        />
        <BFormRadioGroup v-model="filter.readiness" buttons :options="READINESS" aria-label="How near" />
        <BButton :aria-expanded="withFilters" @click="withFilters = !withFilters">More filters</BButton>
      </div>
      <BCollapse v-model="withFilters" lazy>
        <div class="field-grid">
          <SelectField
            v-if="filter.readiness === 'one'"
            v-model="filter.newNote"
            label="The new note"
            :options="newNotes"
          />
          <SelectField v-model="filter.metre" label="Metre" :options="metres" />
          <SelectField v-model="filter.key" label="Key" :options="keys" />
          <SelectField v-model="filter.tag" label="Mood" :options="tags" />
          <SelectField v-model="filter.length" label="Length" :options="LENGTHS" />
          <SelectField v-model="filter.has" label="To drill" :options="toDrill" />
        </div>
        <div class="line mt-2">
          <BFormCheckbox v-model="filter.words">with words</BFormCheckbox>
          <BFormCheckbox v-model="filter.duet">duets</BFormCheckbox>
          <BFormCheckbox v-model="filter.archived">archived too</BFormCheckbox>
        </div>
      </BCollapse>
    </BForm>
    <LoadState
      v-if="rows === null"
      :error="error"
      :what="total === 0 ? 'the tunes' : `the tunes, ${done} of ${total} read`"
      @again="load"
    />
    <p v-else-if="shown.length === 0" class="soft">No tunes match. Remove a filter, or add a tune of your own.</p>
    <LibraryTable v-else :rows="shown" :class-id="classId" />
  </div>
</template>

<style scoped lang="scss">
.search {
  min-width: 200px;
}
</style>
