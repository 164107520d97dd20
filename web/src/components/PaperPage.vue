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
/* What every sheet is made of: its head, tables, pairs of name and value, boxes to tick, and the last line. */
.paper :deep(header) {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  gap: 4px 16px;
  align-items: baseline;
  padding-bottom: 6px;
  border-bottom: 2px solid var(--ink);
}
.paper :deep(h2) {
  font-size: 15px;
  color: var(--ink);
  margin: 12px 0 4px;
}
.paper :deep(table) {
  width: 100%;
  border-collapse: collapse;
}
.paper :deep(:is(th, td)) {
  text-align: left;
  padding: 4px 8px 4px 0;
  border-bottom: 1px solid var(--line);
}
.paper :deep(dl) {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 3px 18px;
  align-content: start;
  margin: 12px 0 0;
}
.paper :deep(dd) {
  margin: 0;
}
.paper :deep(.box) {
  display: inline-block;
  flex: none;
  width: 13px;
  height: 13px;
  margin-right: 6px;
  border: 1.5px solid var(--ink);
  vertical-align: -2px;
}
.paper :deep(.foot) {
  margin-top: 12px;
  padding-top: 6px;
  border-top: 1px solid var(--line2);
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
