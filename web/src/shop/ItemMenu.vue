<script setup lang="ts" generic="T extends { id: string; name: string }">
/** The list at the left of a page of things: each with a line below its name. */
defineProps<{ items: readonly T[]; shown: string | undefined; title: string; to: (item: T) => string }>();
</script>

<template>
  <aside class="menu">
    <h2>{{ title }}</h2>
    <ul>
      <li v-for="item in items" :key="item.id">
        <router-link :to="to(item)" :class="{ on: item.id === shown }">
          {{ item.name }} <span class="mute"><slot name="line" :item="item" /></span>
        </router-link>
      </li>
    </ul>
    <p v-if="items.length === 0" class="mute none">None yet.</p>
    <slot />
  </aside>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 6px 0 12px;
  padding: 0;
}
a {
  display: block;
  padding: 8px 10px;
  border-bottom: 1px solid var(--line);
  color: var(--ink);
  text-decoration: none;
}
a .mute {
  display: block;
  font-size: 13px;
}
a.on {
  background: var(--paper);
  box-shadow: inset 3px 0 0 var(--wax);
}
.none {
  margin: 6px 0 12px;
}
</style>
