<script setup lang="ts">
import { CAUTIONS, type CautionKey } from '@zero-pour/core';
import { computed } from 'vue';

const props = defineProps<{ of: CautionKey }>();
const caution = computed(() => CAUTIONS[props.of]);
</script>

<template>
  <details class="caution">
    <summary><b>Take care.</b> {{ caution.line }} <span class="more">more</span></summary>
    <p>{{ caution.more }}</p>
  </details>
</template>

<style scoped>
.caution {
  font-size: 13.5px;
  margin-top: 10px;
  padding: 5px 0;
  border-top: 1px solid var(--line2);
  border-bottom: 1px solid var(--line2);
}
summary {
  cursor: pointer;
  list-style: none;
}
summary::-webkit-details-marker {
  display: none;
}
.more {
  color: var(--wax);
  text-decoration: underline;
  text-underline-offset: 3px;
}
p {
  padding-top: 4px;
  color: var(--mute);
  max-width: 80ch;
}
</style>
