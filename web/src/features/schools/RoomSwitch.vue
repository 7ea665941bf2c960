<script setup lang="ts">
import { RoomsOfSchool } from '@escalier/contract/practice-rooms';
import { computed, onMounted, shallowRef } from 'vue';
import { api, ask } from '../../api.ts';
import { useLoad } from '../../ui/use-load.ts';
import { useSave } from '../../ui/use-save.ts';
import { useSession } from './session.ts';
import { counted } from '../../ui/count-messages.ts';
import { t } from './messages.ts';

/** The owner's switch for practice rooms: off until somebody decides. */
const session = useSession();
const isOwner = computed(() => session.me?.role === 'owner');
const rooms = shallowRef<{ readonly allowed: boolean; readonly open: number } | null>(null);
const { error: problem, load } = useLoad(async () => {
  rooms.value = await ask(api.school.rooms.$get(), RoomsOfSchool);
});
onMounted(load);
const { busy, error, save } = useSave();
const allow = (allowed: boolean) =>
  save(async () => {
    await ask(api.school.rooms.$put({ json: { allowed } }));
    await load();
  });
</script>

<template>
  <section class="card-paper stack">
    <h2>{{ t('room-switch.practice-rooms') }}</h2>
    <BAlert :model-value="(problem?.message ?? error) !== null" variant="danger">{{
      problem?.message ?? error
    }}</BAlert>
    <p>
      {{ t('room-switch.with-a-slip-from-their-teacher') }}
    </p>
    <template v-if="rooms !== null">
      <p>
        {{
          rooms.allowed
            ? t('room-switch.on-classes-an-open-room', { classes: counted('classes-have', { n: rooms.open }) })
            : t('room-switch.off-slips-dont-work')
        }}
      </p>
      <div v-if="isOwner">
        <BButton
          :disabled="busy"
          :variant="rooms.allowed ? 'outline-danger' : 'primary'"
          @click="allow(!rooms.allowed)"
          >{{
            rooms.allowed ? t('room-switch.turn-off-and-close-all-rooms') : t('room-switch.turn-on-practice-rooms')
          }}</BButton
        >
      </div>
    </template>
  </section>
</template>
