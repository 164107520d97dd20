<script setup lang="ts">
import { STAGES } from '@zero-pour/core';

/** The keys that hold on every page. */
const KEYS = [
  ['N', 'New pour'],
  ['C', 'Note something at the bench: a line, a photo'],
  ['Q', 'Quick sums'],
  ['/', 'Find'],
  ['B', 'Bench mode, at Clean, Invest, Pour and a mold'],
  ['E', 'Enter counts: castings of a pour, a coupon at Tune'],
  ['Ctrl Z', 'Undo, when not typing'],
  ['Esc', 'Back'],
  ['?', 'Help for this page, and these keys'],
] as const;
const shown = (shortcut: string): string => (shortcut === '-' ? '−' : shortcut);
</script>

<template>
  <section aria-label="Keys">
    <div class="columns">
      <dl aria-label="Everywhere">
        <template v-for="[key, what] in KEYS" :key="key">
          <dt>
            <kbd>{{ key }}</kbd>
          </dt>
          <dd>{{ what }}</dd>
        </template>
      </dl>
      <dl aria-label="Stages of a pour">
        <template v-for="stage in STAGES" :key="stage.key">
          <dt>
            <kbd>{{ shown(stage.shortcut) }}</kbd>
          </dt>
          <dd>{{ stage.name }}</dd>
        </template>
      </dl>
    </div>
    <p class="mute">Keys are never taken while you type.</p>
  </section>
</template>

<style scoped>
.columns {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 40px;
  margin: 4px 0 8px;
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
