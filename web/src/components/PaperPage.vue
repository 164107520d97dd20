<script setup lang="ts">
/** A page for paper: as it will be printed, A4, with the way back and the press beside it. */
defineProps<{ back: string; backWords: string }>();
const toPaper = (): void => window.print();
</script>

<template>
  <div class="paper-page">
    <p class="no-print tools">
      <router-link :to="back">{{ backWords }}</router-link>
      <v-btn variant="flat" @click="toPaper">Print this page</v-btn>
    </p>
    <article class="paper"><slot /></article>
  </div>
</template>

<style scoped>
.paper-page {
  max-width: 794px;
  margin: 0 auto;
  padding: 16px;
}
.tools {
  display: flex;
  justify-content: space-between;
  align-items: center;
  margin-bottom: 12px;
}
.paper {
  padding: 22px 26px;
  background: var(--paper);
  font-size: 13.5px;
  line-height: 1.35;
}
@media print {
  .paper-page {
    padding: 0;
    max-width: none;
  }
  .paper {
    padding: 0;
    font-size: 11.5px;
  }
}
</style>
