<template>
  <svg viewBox="0 0 24 24" fill="none" stroke="currentColor" stroke-width="2" stroke-linejoin="round">
    <path d="M2 21h5v-5h5v-5h5V6h5" />
  </svg>
</template>
