<script setup lang="ts">
import { capacity, USUAL_CHANGEOVER, USUAL_TALK, type Capacity, type HearingWay } from '@escalier/core/calendar';
import type { ClassPage } from '@escalier/server/api';
import { computed, ref } from 'vue';

/** How many can be heard in a lesson, and in how many lessons all of them: the sum written out. */
const props = defineProps<{
  page: ClassPage;
  /** Parallel groups, for whom the same is worked out. */
  others: readonly { readonly id: string; readonly name: string; readonly pupils: number; readonly left: number }[];
}>();

const position = ref(props.page.steps.find((step) => !step.goOn.goOn)?.position ?? 1);
const way = ref<HearingWay['kind']>('alone');
const size = ref(3);
const minutes = ref(10);
const changeover = ref(USUAL_CHANGEOVER);
const talk = ref(USUAL_TALK);

const step = computed(() => props.page.steps.find((each) => each.position === position.value) ?? null);
const pupils = computed(() => props.page.pupils.filter((pupil) => pupil.standing !== null).length);
const result = computed(() => capacityFor(pupils.value));

function capacityFor(count: number): Capacity | null {
  return step.value === null
    ? null
    : capacity({
        tuneSeconds: step.value.tuneSeconds,
        changeoverSeconds: changeover.value,
        talkSeconds: talk.value,
        way: way.value === 'group' ? { kind: 'group', size: size.value } : { kind: way.value },
        minutes: minutes.value,
        pupils: count,
      });
}
const left = computed(() => props.page.lessons.left);
</script>

<template>
  <section class="card-paper">
    <h2>How long to hear all of them</h2>
    <p v-if="page.steps.length === 0">This class has no stairs yet.</p>
    <template v-else>
      <div class="inputs">
        <label
          >Tune
          <select v-model="position" class="form-select">
            <option v-for="each in page.steps" :key="each.position" :value="each.position">
              {{ each.position }} {{ each.title }} ({{ each.tuneSeconds }} s)
            </option>
          </select>
        </label>
        <label
          >Heard
          <select v-model="way" class="form-select">
            <option value="alone">one by one</option>
            <option value="group">in groups</option>
            <option value="recording">from recordings</option>
          </select>
        </label>
        <label v-if="way === 'group'"
          >Pupils in a group<input v-model.number="size" class="form-control" type="number" min="2" max="12"
        /></label>
        <label
          >{{ way === 'recording' ? 'Minutes an evening' : 'Minutes a lesson'
          }}<input v-model.number="minutes" class="form-control" type="number" min="1" max="120"
        /></label>
        <label v-if="way !== 'recording'"
          >Seconds to change<input v-model.number="changeover" class="form-control" type="number" min="0" max="300"
        /></label>
        <label
          >Seconds to talk<input v-model.number="talk" class="form-control" type="number" min="0" max="300"
        /></label>
      </div>
      <p v-if="result !== null" class="answer">
        <template v-if="result.lessons === null">Not one turn fits: give it more minutes.</template>
        <template v-else>
          <strong>{{ result.pupilsPerLesson }}</strong> of {{ pupils }} in
          {{ way === 'recording' ? 'an evening' : 'a lesson' }}, all in <strong>{{ result.lessons }}</strong>
          {{ way === 'recording' ? 'evenings' : 'lessons'
          }}<template v-if="way !== 'recording'">; {{ left }} are left</template>.
        </template>
      </p>
      <p v-for="other in others" :key="other.id">
        {{ other.name }}, {{ other.pupils }} pupils:
        {{ capacityFor(other.pupils)?.lessons ?? 'no' }}
        {{ way === 'recording' ? 'evenings' : 'lessons'
        }}<template v-if="way !== 'recording'">; {{ other.left }} are left</template>.
      </p>
      <ul v-if="result !== null" class="sums">
        <li v-for="sum in result.sums" :key="sum">{{ sum }}</li>
      </ul>
    </template>
  </section>
</template>

<style scoped>
.inputs {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
  gap: 10px;
  margin: 8px 0;
}

label {
  font-weight: 650;
}

.answer {
  font-size: 1.2rem;
}

.sums {
  margin: 6px 0 0;
  padding-left: 1.2em;
  color: var(--ink-soft);
}
</style>
