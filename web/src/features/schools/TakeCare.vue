<script setup lang="ts">
import { type SchoolCaution, cautionList } from '@escalier/contract/schools';
import { LOCAL_RULES, type CautionPlace } from '@escalier/core/practice';
import { computed, onMounted, shallowRef } from 'vue';
import { api, ask } from '../../api.ts';
import { useLoad } from '../../ui/use-load.ts';
import { t } from './messages.ts';

/** The school's cautions for one place; nothing where the school shows none. */
const props = defineProps<{ place: CautionPlace }>();
const cautions = shallowRef<readonly SchoolCaution[]>([]);
const { error, load } = useLoad(async () => {
  cautions.value = (await ask(api.school.cautions.$get(), cautionList)).cautions;
});
onMounted(load);
const shown = computed(() => cautions.value.filter((each) => each.shown && each.places.includes(props.place)));
</script>

<template>
  <section
    v-if="shown.length > 0 || error !== null"
    class="card-paper stack-close care"
    :aria-label="t('take-care.take-care')"
  >
    <h2>{{ t('take-care.take-care') }}</h2>
    <p v-if="error !== null">{{ error.message }}</p>
    <ul class="bullets">
      <li v-for="caution in shown" :key="caution.id">{{ caution.text }}</li>
    </ul>
    <p class="soft">{{ LOCAL_RULES }}</p>
  </section>
</template>

<style scoped>
.care {
  border-left: 5px solid var(--brass);
}
</style>
