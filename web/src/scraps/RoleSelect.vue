<script setup lang="ts">
/** What a column of a grid holds; a plain list, since a table has many of them. */
defineProps<{
  label: string;
  roles: readonly { title: string; value: string }[];
  role: string | undefined;
}>();
const emit = defineEmits<{ choose: [role: string] }>();
const choose = (event: Event): void => emit('choose', (event.target as HTMLSelectElement).value);
</script>

<template>
  <select :aria-label="label" :value="role" @change="choose">
    <option v-for="one in roles" :key="one.value" :value="one.value">{{ one.title }}</option>
  </select>
</template>

<style scoped>
select {
  width: 100%;
  min-height: 30px;
  font: 13px var(--text);
  border: 1px solid var(--line2);
  background: var(--paper);
}
</style>
