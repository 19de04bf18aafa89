<template>
  <svg class="torn" viewBox="0 0 158 10" preserveAspectRatio="none" aria-hidden="true">
    <path
      d="M0 0H158V2L150.1 10 142.2 2 134.3 10 126.4 2 118.5 10 110.6 2 102.7 10 94.8 2 86.9 10 79 2 71.1 10 63.2 2 55.3 10 47.4 2 39.5 10 31.6 2 23.7 10 15.8 2 7.9 10 0 2Z"
    />
  </svg>
</template>

<style scoped>
.torn {
  display: block;
  width: 100%;
  height: 10px;
  fill: var(--paper);
}
</style>
