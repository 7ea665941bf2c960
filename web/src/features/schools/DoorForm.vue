<script setup lang="ts">
import SaveBar from '../../ui/SaveBar.vue';

/** A form in front of the school: at the first run, and for who comes by a link. */
defineProps<{ title: string; lead: string; busy: boolean; fault: string | null; label: string }>();
defineEmits<{ submit: [] }>();
</script>

<template>
  <div class="door">
    <p class="name">Escalier</p>
    <h1>{{ title }}</h1>
    <p>{{ lead }}</p>
    <form novalidate @submit.prevent="$emit('submit')">
      <slot />
      <SaveBar :busy="busy" :stored="false" :fault="fault" :label="label" />
    </form>
  </div>
</template>

<style scoped>
.door {
  display: grid;
  gap: 14px;
  align-content: start;
  max-width: 560px;
  margin: 0 auto;
  padding: 8vh 24px 24px;
}

.name {
  font-family: var(--heading);
  font-size: 1.2rem;
  font-weight: 700;
  color: var(--spruce);
}

form {
  display: grid;
  gap: 14px;
}
</style>
