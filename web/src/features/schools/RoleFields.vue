<script setup lang="ts">
import type { People, Role } from '@escalier/contract/people';
import { computed } from 'vue';
import SelectField from '../../ui/SelectField.vue';
import { ROLE_WORDS } from './role-words.ts';
import { t } from './messages.ts';

/** What somebody may do, and in which classes. */
const props = defineProps<{ classes: People['classes']; error?: string | undefined }>();
const role = defineModel<Role>('role', { required: true });
const classIds = defineModel<string[]>('classIds', { required: true });
const ROLES = (['assistant', 'teacher', 'owner'] as const).map((value) => ({ value, text: value }));
const options = computed(() => props.classes.map(({ id, name }) => ({ value: id, text: name })));
</script>

<template>
  <SelectField
    v-model="role"
    :label="t('role-fields.role')"
    :options="ROLES"
    :hint="t('role-fields.can-may', { may: ROLE_WORDS[role].may })"
    :error="error"
  />
  <BFormGroup v-if="role !== 'owner'" :label="t('role-fields.classes')">
    <BFormCheckboxGroup v-model="classIds" :options="options" :aria-label="t('role-fields.classes')" />
  </BFormGroup>
</template>
