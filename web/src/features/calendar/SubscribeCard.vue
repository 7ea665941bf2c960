<script setup lang="ts">
import { calendarLink } from '@escalier/contract/terms';
import { computed } from 'vue';
import { api, ask } from '../../api.ts';
import { useSave } from '../../ui/use-save.ts';
import { t } from './messages.ts';

/** The lessons for a calendar program: once as a file, or by an address that stays up to date. */
const props = defineProps<{ classId: string; token: string | null }>();
const emit = defineEmits<{ changed: [token: string | null] }>();
const { busy, error, save } = useSave();

const address = computed(() =>
  props.token === null ? null : `${window.location.origin}/api/calendars/${props.token}`,
);

async function open(on: boolean): Promise<void> {
  await save(async () => {
    const answer = await ask(
      api.calendar[':id'].link.$put({ param: { id: props.classId }, json: { on } }),
      calendarLink,
    );
    emit('changed', answer.token);
  });
}
</script>

<template>
  <section class="card-paper stack stack-start">
    <h2>{{ t('subscribe-card.in-your-calendar') }}</h2>
    <BButton role="link" size="sm" :href="`/api/calendar/${classId}/lessons.ics`">{{
      t('subscribe-card.download-the-lessons-ics')
    }}</BButton>
    <template v-if="address !== null">
      <p>{{ t('subscribe-card.subscribe-to-this-address-anyone-who') }}</p>
      <BFormInput readonly :model-value="address" :aria-label="t('subscribe-card.address-to-subscribe-to')" />
      <div class="line">
        <BButton size="sm" :disabled="busy" @click="open(true)">{{ t('subscribe-card.create-a-new-address') }}</BButton>
        <BButton size="sm" :disabled="busy" @click="open(false)">{{ t('subscribe-card.turn-it-off') }}</BButton>
      </div>
    </template>
    <BButton v-else size="sm" :disabled="busy" @click="open(true)">{{
      t('subscribe-card.create-an-address-to-subscribe-to')
    }}</BButton>
    <BAlert v-if="error !== null" variant="danger" :model-value="true">{{ error }}</BAlert>
  </section>
</template>
