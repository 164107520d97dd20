<script setup lang="ts">
import { STAGES } from '@zero-pour/core';

const open = defineModel<boolean>({ required: true });
const KEYS = [
  ['N', 'New pour'],
  ['C', 'Note something at the bench: a line, a photo'],
  ['Q', 'Quick sums'],
  ['/', 'Find'],
  ['B', 'Bench mode, at Clean, Invest, Pour and a mold'],
  ['E', 'Enter counts: castings of a pour, a coupon at Tune'],
  ['Ctrl Z', 'Undo, when not typing'],
  ['Esc', 'Back'],
  ['?', 'These keys'],
] as const;
const shown = (shortcut: string): string => (shortcut === '-' ? '−' : shortcut);
</script>

<template>
  <v-dialog v-model="open" max-width="620" aria-label="Keys">
    <section class="keys">
      <h1>Keys</h1>
      <div class="columns">
        <dl aria-label="Stages of a pour">
          <template v-for="stage in STAGES" :key="stage.key">
            <dt>
              <kbd>{{ shown(stage.shortcut) }}</kbd>
            </dt>
            <dd>{{ stage.name }}</dd>
          </template>
        </dl>
        <dl aria-label="Everywhere">
          <template v-for="[key, what] in KEYS" :key="key">
            <dt>
              <kbd>{{ key }}</kbd>
            </dt>
            <dd>{{ what }}</dd>
          </template>
        </dl>
      </div>
      <p class="mute">Keys are never taken while you type.</p>
      <v-btn class="mt-3" @click="open = false">Close</v-btn>
    </section>
  </v-dialog>
</template>

<style scoped>
.keys {
  background: var(--sheet);
  border: 1px solid var(--line2);
  padding: 18px 20px;
}
.columns {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 40px;
  margin: 12px 0;
}
dl {
  display: grid;
  grid-template-columns: 62px auto;
  gap: 5px 6px;
  margin: 0;
  align-content: start;
}
dd {
  margin: 0;
}
</style>
