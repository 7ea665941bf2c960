<script setup lang="ts">
import { computed, ref } from 'vue';
import { useRoute } from 'vue-router';
import { t } from './messages.ts';

/** The keys of the page that is open, and those that work everywhere. */
const emit = defineEmits<{ done: [] }>();
const route = useRoute();
const open = ref(true);
const EVERYWHERE: readonly (readonly [key: string, does: string])[] = [
  [t('keys-help.ctrl-k'), t('keys-help.find-a-class-pupil-tune-or')],
  ['?', t('keys-help.show-these-keys')],
  [t('keys-help.esc'), t('keys-help.close-whatever-is-open')],
];
const here = computed(() => route.meta.keys ?? []);
</script>

<template>
  <BModal
    v-model="open"
    :title="t('keys-help.title')"
    ok-only
    :ok-title="t('keys-help.close')"
    ok-variant="outline-dark"
    @hidden="emit('done')"
  >
    <template v-for="group in [here, EVERYWHERE]" :key="group === here ? 'here' : 'everywhere'">
      <h2 v-if="group.length > 0">{{ group === here ? route.meta.title : t('keys-help.everywhere') }}</h2>
      <dl v-if="group.length > 0" class="keys">
        <template v-for="[key, does] in group" :key="key">
          <dt>
            <kbd class="key">{{ key }}</kbd>
          </dt>
          <dd>{{ does }}</dd>
        </template>
      </dl>
    </template>
  </BModal>
</template>

<style scoped>
.keys {
  display: grid;
  grid-template-columns: 7em 1fr;
  gap: 6px 12px;
  margin: 8px 0 16px;
}

dt,
dd {
  margin: 0;
}

kbd {
  margin: 0;
  background: none;
  color: inherit;
}
</style>
