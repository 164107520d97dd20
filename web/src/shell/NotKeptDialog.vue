<script setup lang="ts">
import { useNotKept } from '../state/notKept';
import NotKeptLines from '../components/NotKeptLines.vue';

const open = defineModel<boolean>({ required: true });
const notKept = useNotKept();
</script>

<template>
  <v-dialog v-model="open" max-width="620" aria-label="Not kept" scrollable>
    <section class="panel">
      <h1>Not kept</h1>
      <p class="mute mb-3">
        Typed in this browser and refused by the shop. Everything else of the same sitting is kept. Type it
        anew at its place, or let it go.
      </p>
      <NotKeptLines
        v-if="notKept.entries.length > 0"
        :entries="notKept.entries"
        links
        @leave="open = false"
      />
      <p v-else>Nothing is left here.</p>
      <v-btn class="mt-3" @click="open = false">Close</v-btn>
    </section>
  </v-dialog>
</template>

<style scoped>
.panel {
  background: var(--sheet);
  border: 1px solid var(--line2);
  padding: 18px 20px;
  max-height: 80vh;
  overflow-y: auto;
}
</style>
