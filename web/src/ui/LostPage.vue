<script setup lang="ts">
import { t } from './messages.ts';
</script>

<template>
  <section class="page-grid stack-start">
    <h1>{{ t('lost-page.this-step-leads-nowhere') }}</h1>
    <p class="soft">{{ t('lost-page.there-is-no-page-at-this') }}</p>
    <BButton role="link" variant="primary" to="/classes">{{ t('lost-page.back-to-your-classes') }}</BButton>
  </section>
</template>
