<script setup lang="ts">
import { ref } from 'vue';
import MomentField from '../components/MomentField.vue';

/** Asked once, when a flask is to be poured that was never put in the kiln here. */
const emit = defineEmits<{ kilnIn: [at: string]; notNoted: []; notPoured: [] }>();
const at = ref<string>();
</script>

<template>
  <section class="ask" role="alertdialog" aria-label="Was it burnt out?">
    <p><b>This flask was never put in the kiln here.</b> A flask that is not burnt out must not be poured.</p>
    <div class="when">
      <MomentField v-model="at" past label="It went into the kiln" hint="If you know it" />
      <v-btn :disabled="at === undefined" variant="flat" @click="at && emit('kilnIn', at)"
        >Poured, so noted</v-btn
      >
    </div>
    <v-btn size="small" @click="emit('notNoted')">Burnt out, nobody noted when: poured</v-btn>
    <v-btn size="small" @click="emit('notPoured')">Not poured</v-btn>
  </section>
</template>

<style scoped>
.ask {
  padding: 12px 14px;
  margin-bottom: 14px;
  border-left: 4px solid var(--oxide);
  background: var(--sheet);
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
}
.ask > p,
.when {
  flex: 1 0 100%;
}
.when {
  display: grid;
  grid-template-columns: minmax(0, 300px) auto;
  justify-content: start;
  gap: 12px;
}
.when .v-btn {
  height: 48px;
}
</style>
