<template>
  <!-- Over every page, for as long as it is so. -->
  <p class="over tone stop no-print" role="alert"><slot /></p>
</template>

<style scoped>
.over {
  margin: 0;
  padding: 8px 16px;
  border-bottom: 1px solid var(--line2);
  border-left: 6px solid var(--tone);
  background: var(--paper);
}
</style>
