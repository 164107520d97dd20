<script setup lang="ts">
/** Whether what stands in a form is kept: "kept", "keeping …", or that it is not, and why. */
defineProps<{ standing: string }>();
</script>

<template>
  <span :class="standing.startsWith('not kept') ? 'tone stop refused' : 'mute'" role="status">{{
    standing
  }}</span>
</template>

<style scoped>
.refused {
  color: var(--tone);
  font-weight: 650;
}
</style>
