<script setup lang="ts">
import { computed } from 'vue';
import HowComputed from '../../ui/HowComputed.vue';
import type { TuneInfo } from '../../workers/index.ts';
import { breathPlaces, type BreathPlace } from './layers.ts';

/** Where the class breathes: proposed, and changed by hand on the sheet. */
const props = defineProps<{ info: TuneInfo; seconds: number; own: readonly BreathPlace[] | null; editing: boolean }>();
const emit = defineEmits<{ edit: [on: boolean]; keep: [seconds: number, breaths: readonly BreathPlace[] | null] }>();

const count = computed(() => breathPlaces(props.info, props.own).length);

function setSeconds(event: Event): void {
  const seconds = Number((event.target as HTMLInputElement).value);
  if (Number.isInteger(seconds) && seconds >= 2 && seconds <= 20) emit('keep', seconds, props.own);
}
</script>

<template>
  <section class="card-paper">
    <h2>{{ count }} {{ count === 1 ? 'breath' : 'breaths' }}{{ own === null ? '' : ', your own' }}</h2>
    <label class="seconds">
      One breath carries
      <input class="form-control" type="number" min="2" max="20" :value="seconds" @change="setSeconds" /> seconds
    </label>
    <div class="actions">
      <BButton size="sm" variant="outline-dark" :aria-pressed="editing" @click="emit('edit', !editing)">{{
        editing ? 'Done' : 'Change on the sheet'
      }}</BButton>
      <BButton v-if="own !== null" size="sm" variant="outline-dark" @click="emit('keep', seconds, null)"
        >Propose again</BButton
      >
    </div>
    <p v-if="editing" class="soft">Press the note after which the class breathes; press again to take it away.</p>
    <HowComputed>
      <ul>
        <li v-for="breath in info.reading.breaths" :key="`${breath.barIndex}.${breath.eventIndex}`">
          after bar {{ breath.afterBar }}, beat {{ breath.afterBeat }}: {{ breath.reason
          }}{{ breath.kind === 'small' ? '; shorten the note before it' : '' }}
        </li>
      </ul>
    </HowComputed>
  </section>
</template>

<style scoped>
.seconds {
  display: flex;
  align-items: center;
  gap: 6px;
  margin: 6px 0;
}

.seconds input {
  width: 64px;
}

.actions {
  display: flex;
  gap: 8px;
}

ul {
  margin: 0;
  padding-left: 18px;
}
</style>
