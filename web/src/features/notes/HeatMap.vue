<script setup lang="ts">
import { type Fingering, type Instrument } from '@escalier/core/instruments';
import { pitchName, type Pitch } from '@escalier/core/music';
import { computed } from 'vue';
import HowComputed from '../../ui/HowComputed.vue';
import { HEAT, heatMap, heatOf, noteLabel } from './chart.ts';
import { t } from './messages.ts';

/** All moves among some notes, each with its cost; pressing one shows it. */
const props = defineProps<{ on: Instrument; notes: readonly Pitch[] }>();
defineEmits<{ pick: [from: Fingering, to: Fingering] }>();

const map = computed(() => heatMap(props.on, props.notes));
</script>

<template>
  <div class="map">
    <p v-if="notes.length < 2" class="soft">{{ t('heat-map.choose-two-notes-or-more') }}</p>
    <div v-else class="scroll">
      <table>
        <caption class="visually-hidden">
          {{
            t('heat-map.difficulty-of-the-move-from-the')
          }}
        </caption>
        <thead>
          <tr>
            <th scope="col" class="corner">{{ t('heat-map.from-to') }}</th>
            <th v-for="to in notes" :key="pitchName(to)" scope="col">{{ noteLabel(to) }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(from, row) in notes" :key="pitchName(from)">
            <th scope="row">{{ noteLabel(from) }}</th>
            <td v-for="(to, column) in notes" :key="pitchName(to)">
              <button
                v-if="map.table.moves[row]![column] !== null"
                type="button"
                :class="`heat heat-${heatOf(map.table.moves[row]![column]!.cost)}`"
                :aria-label="
                  t('heat-map.note-label-to-note-label2-number', {
                    noteLabel: noteLabel(from),
                    noteLabel2: noteLabel(to),
                    number: map.table.moves[row]![column]!.cost.toFixed(1),
                    label: HEAT[heatOf(map.table.moves[row]![column]!.cost)]!.label,
                  })
                "
                @click="$emit('pick', map.table.moves[row]![column]!.from, map.table.moves[row]![column]!.to)"
              >
                {{ map.table.moves[row]![column]!.cost.toFixed(1) }}
              </button>
              <span v-else class="none" aria-hidden="true">·</span>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <ul class="plain line" :aria-label="t('heat-map.shades')">
      <li v-for="(grade, index) in HEAT" :key="grade.label">
        <span :class="`heat heat-${index}`" aria-hidden="true">{{
          Number.isFinite(grade.upTo) ? grade.upTo : '+'
        }}</span>
        {{ grade.label
        }}<template v-if="Number.isFinite(grade.upTo)">{{ t('heat-map.up-to-up-to', { upTo: grade.upTo }) }}</template>
      </li>
    </ul>
    <section v-if="map.walk.length > 0" :aria-label="t('heat-map.every-move-once')">
      <h2>{{ t('heat-map.each-move-once') }}</h2>
      <p class="walk">{{ map.walk.map(noteLabel).join(' ') }}</p>
      <HowComputed>
        {{
          t('heat-map.walk-count-moves-between-notes-count', {
            walkCount: map.walk.length - 1,
            notesCount: notes.length,
          })
        }}
      </HowComputed>
    </section>
  </div>
</template>

<style scoped lang="scss">
.map {
  display: grid;
  gap: 12px;
  min-width: 0;
}

.scroll {
  overflow-x: auto;
}

table {
  border-collapse: separate;
  border-spacing: 3px;
}

th {
  padding: 2px 8px;
  font-family: var(--heading);
  font-size: var(--text-large);
  text-align: center;
}

.corner {
  font-family: var(--reading);
  font-size: var(--text-small);
  font-weight: 400;
}

.heat {
  display: inline-grid;
  place-items: center;
  min-width: 54px;
  min-height: 44px;
  border: 2px solid transparent;
  border-radius: var(--radius);
  color: var(--ink);
  font-weight: 700;
}

.heat-0 {
  background: var(--spruce-soft);
}

.heat-1 {
  background: var(--brass-soft);
}

.heat-2 {
  border-color: var(--brass);
  background: var(--brass-mid);
}

.heat-3 {
  border-color: var(--brick);
  background: var(--brick);
  color: var(--white);
}

.none {
  display: grid;
  place-items: center;
  color: var(--ink-soft);
}

.line .heat {
  min-width: 40px;
  min-height: 26px;
  font-size: var(--text-small);
}

.walk {
  font-weight: 700;
  word-spacing: 0.25em;
}
</style>
