<script setup lang="ts">
import { formatPhrase } from '@zero-pour/core';
import { computed, defineAsyncComponent } from 'vue';
import { useSlowNow } from '../state/clock';
import { useBoard } from '../state/boardStore';
import { useNotKept } from '../state/notKept';
import { useUnits } from '../state/unitStore';
import { handsOnLink } from '../state/handsOnLink';
import { formatLeft } from '../time/formatMoment';
import KilnChip from './KilnChip.vue';

const emit = defineEmits<{ find: []; help: []; notKept: [] }>();
const notKept = useNotKept();
const PAGES = [
  { to: '/', name: 'Board', also: 'pour' },
  { to: '/patterns', name: 'Patterns', also: 'patterns' },
  { to: '/resins', name: 'Resins', also: 'resins' },
  { to: '/sizes', name: 'Sizes', also: 'sizes' },
  { to: '/molds', name: 'Molds', also: 'molds' },
  { to: '/shop', name: 'Shop', also: 'shop' },
  { to: '/record', name: 'Record', also: 'record' },
] as const;

const UnitSwitch = defineAsyncComponent(() => import('./UnitSwitch.vue'));
const units = useUnits();
const now = useSlowNow();
const board = useBoard();
const next = computed(() => board.next[0]);
</script>

<template>
  <header class="bar no-print">
    <router-link to="/" class="brand" aria-label="Zero Pour, to the board">
      <svg width="26" height="30" viewBox="0 0 26 30" aria-hidden="true">
        <ellipse cx="13" cy="13" rx="9" ry="11" fill="none" stroke="var(--bone)" stroke-width="4" />
        <path d="M4.3 15.5a9 8.4 0 0 0 17.4 0z" fill="var(--melt)" />
        <path d="M13 24v4" stroke="var(--melt)" stroke-width="3.4" stroke-linecap="round" />
      </svg>
      <span>Zero Pour</span>
    </router-link>
    <nav aria-label="Pages">
      <router-link
        v-for="page in PAGES"
        :key="page.to"
        :to="page.to"
        :class="{ on: $route.name === page.also || $route.path === page.to }"
      >
        {{ page.name }}
      </router-link>
    </nav>
    <span class="spacer" />
    <KilnChip v-if="notKept.entries.length === 0" />
    <router-link v-if="next" class="chip" :to="handsOnLink(next)">
      <span class="next">{{ formatPhrase(next.what, units.choice) }}</span>
      <b>{{ formatLeft(next.at, now) }}</b>
    </router-link>
    <button v-if="notKept.entries.length > 0" type="button" class="chip refused" @click="emit('notKept')">
      <b>{{ notKept.entries.length }}</b> not kept
    </button>
    <UnitSwitch />
    <button type="button" class="chip" @click="emit('find')"><kbd>/</kbd> find</button>
    <button type="button" class="chip help" aria-label="Help" @click="emit('help')"><kbd>?</kbd></button>
  </header>
</template>

<style scoped>
.bar {
  min-height: 52px;
  background: var(--char);
  color: var(--bone);
  display: flex;
  align-items: center;
  flex-wrap: wrap;
  padding: 0 12px;
  gap: 0 7px;
}
.brand {
  display: flex;
  align-items: center;
  gap: 9px;
  font-weight: 700;
  font-size: 17px;
  color: inherit;
  text-decoration: none;
}
nav {
  display: flex;
  height: 52px;
}
nav a {
  color: var(--line);
  padding: 0 7px;
  display: flex;
  align-items: center;
  text-decoration: none;
}
nav a.on {
  color: var(--paper);
  box-shadow: inset 0 -4px 0 var(--melt);
}
.chip {
  border: 1px solid var(--mute);
  border-radius: 3px;
  padding: 4px 7px;
  font-size: 13.5px;
  font-family: var(--text);
  display: flex;
  gap: 8px;
  align-items: center;
  color: var(--rule);
  background: none;
  text-decoration: none;
  white-space: nowrap;
}
button.chip {
  cursor: pointer;
}
.chip b {
  font-family: var(--mono);
}
button.refused {
  background: var(--oxide);
  border-color: var(--oxide);
  color: var(--paper);
}
.next {
  max-width: 140px;
  overflow: hidden;
  text-overflow: ellipsis;
}
.chip kbd {
  background: none;
  border-color: var(--ash);
  color: var(--rule);
}
@media (max-width: 1180px) {
  .wide {
    display: none;
  }
}
@media (max-width: 480px) {
  .brand span,
  .chip:not(.help) kbd {
    display: none;
  }
}
@media (max-width: 900px) {
  .bar {
    padding: 8px 12px 0;
  }
  nav {
    order: 5;
    width: 100%;
    height: 44px;
    overflow-x: auto;
  }
  .next {
    display: none;
  }
}
</style>
