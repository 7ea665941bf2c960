<script setup lang="ts">
import type { People, Role } from '@escalier/server/api';
import { useId } from 'vue';
import FormField from '../../ui/FormField.vue';
import { ROLE_WORDS } from './role-words.ts';

/** What somebody may do, and in which classes. */
defineProps<{ classes: People['classes']; error?: string | undefined }>();
const role = defineModel<Role>('role', { required: true });
const classIds = defineModel<string[]>('classIds', { required: true });
const ROLES = ['assistant', 'teacher', 'owner'] as const;
const name = useId();
</script>

<template>
  <FormField v-slot="{ id, describedby }" label="Role" :hint="`May ${ROLE_WORDS[role].may}`" :error="error">
    <select :id="id" v-model="role" class="form-select" :aria-describedby="describedby">
      <option v-for="each in ROLES" :key="each" :value="each">{{ each }}</option>
    </select>
  </FormField>
  <fieldset v-if="role !== 'owner'">
    <legend>Classes</legend>
    <div class="classes">
      <label v-for="each in classes" :key="each.id">
        <input v-model="classIds" class="form-check-input" type="checkbox" :name="name" :value="each.id" />
        {{ each.name }}
      </label>
    </div>
  </fieldset>
</template>

<style scoped>
.classes {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 20px;
}

label {
  display: inline-flex;
  gap: 8px;
  align-items: center;
  min-height: 44px;
}
</style>
