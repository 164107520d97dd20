<script setup lang="ts">
/** A part of a page that opens on demand; its line says what is in it. */
defineProps<{ title: string; line?: string }>();
const open = defineModel<boolean>('open', { default: false });
const keep = (event: Event): void => void (open.value = (event.target as HTMLDetailsElement).open);
</script>

<template>
  <details class="stage-block" :open="open" @toggle="keep">
    <summary>
      <h2>{{ title }}</h2>
      <span v-if="line" class="mute">{{ line }}</span>
    </summary>
    <div v-if="open" class="inside"><slot /></div>
  </details>
</template>

<style scoped>
details {
  margin-top: 6px;
}
summary {
  display: flex;
  gap: 12px;
  align-items: baseline;
  padding: 9px 0;
  border-top: 1px solid var(--line2);
  cursor: pointer;
  list-style: none;
}
summary::-webkit-details-marker {
  display: none;
}
summary::before {
  content: '+';
  width: 14px;
  font: 700 16px var(--mono);
  color: var(--wax);
}
details[open] > summary::before {
  content: '−';
}
h2 {
  font-size: 14.5px;
  color: var(--ink);
}
summary .mute {
  font-size: 14px;
}
.inside {
  padding: 0 0 8px 26px;
}
@media (max-width: 600px) {
  .inside {
    padding-left: 0;
  }
}
</style>
