<script setup lang="ts">
/** Names at the left, their numbers at the right. */
defineProps<{
  rows: readonly (readonly [name: string, value: string])[];
  /** The first is what was asked for: large. */
  lead?: boolean;
}>();
</script>

<template>
  <dl :class="{ lead }">
    <div v-for="[name, value] in rows" :key="name">
      <dt>{{ name }}</dt>
      <dd class="num">{{ value }}</dd>
    </div>
  </dl>
</template>

<style scoped>
dl {
  margin: 0;
}
div {
  display: flex;
  justify-content: space-between;
  gap: 12px;
  padding: 4px 0;
  border-bottom: 1px solid var(--line);
  font-size: 14.5px;
}
dd {
  margin: 0;
  text-align: right;
}
.lead > :first-child {
  font-size: 24px;
  font-weight: 650;
}
</style>
