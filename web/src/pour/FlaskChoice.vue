<script setup lang="ts">
import { usePour } from '../state/usePour';

/** Which flask of the pour is shown, where it fills several. */
const { plan, flask, chooseFlask } = usePour();
</script>

<template>
  <div v-if="plan.flasks.length > 1" class="flask-choice" role="group" aria-label="Flask shown">
    <v-btn
      v-for="(other, i) in plan.flasks"
      :key="other.context.decided.key"
      size="small"
      :variant="other === flask ? 'flat' : 'outlined'"
      @click="chooseFlask(other.context.decided.key)"
      >Flask {{ i + 1 }}{{ other.context.flask ? `, ${other.context.flask.name}` : '' }}</v-btn
    >
  </div>
</template>

<style scoped>
.flask-choice {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin-bottom: 12px;
}
</style>
