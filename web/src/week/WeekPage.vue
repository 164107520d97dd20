<script setup lang="ts">
import { formatPhrase, type Phrase } from '@zero-pour/core';
import { ANYBODY, peopleOf, type HandsOnEntry } from '@zero-pour/plan';
import { computed } from 'vue';
import { useBoard } from '../state/boardStore';
import { useSlowNow } from '../state/clock';
import { handsOnLink } from '../state/handsOnLink';
import { useShop } from '../state/shopStore';
import { useUnits } from '../state/unitStore';
import { clockTime } from '../time/shopClock';

/** A week of what hands must do, a list for each person, to be printed and hung up. */
const DAYS = 7;
const DAY_MS = 86_400_000;
const shop = useShop();
const board = useBoard();
const units = useUnits();
const now = useSlowNow();
const plain = (phrase: Phrase): string => formatPhrase(phrase, units.choice);

const ahead = computed(() => board.next.filter(({ at }) => at < now.value + DAYS * DAY_MS));
/** By day of the shop's calendar; what is late stands under today. */
function days(entries: readonly HandsOnEntry[]): { day: string; entries: HandsOnEntry[] }[] {
  const out: { day: string; entries: HandsOnEntry[] }[] = [];
  for (const entry of entries) {
    const day = clockTime(Math.max(entry.at, now.value), 'EEEE d MMMM');
    const last = out.at(-1);
    if (last?.day === day) last.entries.push(entry);
    else out.push({ day, entries: [entry] });
  }
  return out;
}
/** Everybody who was given something, and what nobody was given. */
const lists = computed(() => {
  const people = peopleOf(shop.settings).filter(({ key }) => key !== ANYBODY);
  const known = new Set(people.map(({ key }) => key));
  const free = ahead.value.filter(({ who }) => who === undefined || !known.has(who));
  return [
    ...people.map(({ key, name }) => ({ name, days: days(ahead.value.filter(({ who }) => who === key)) })),
    { name: people.length > 0 ? 'Nobody’s yet' : 'Hands', days: days(free) },
  ].filter((list) => list.days.length > 0);
});
const print = (): void => window.print();
</script>

<template>
  <div class="page week">
    <div class="page-head">
      <h1>The week’s list</h1>
      <span class="mute"
        >{{ clockTime(now, 'd MMM yyyy HH:mm')
        }}{{ shop.settings.shopName ? ` · ${shop.settings.shopName}` : '' }}</span
      >
      <span class="spacer" />
      <v-btn class="no-print" @click="print()">Print</v-btn>
    </div>
    <p v-if="lists.length === 0" class="sheet nothing">
      Nothing waits for hands in the next {{ DAYS }} days. Pours with a wanted time and a kiln stand here;
      <router-link to="/">the board</router-link> says what they lack.
    </p>
    <section v-for="list in lists" :key="list.name" class="person" :aria-label="list.name">
      <h2>{{ list.name }}</h2>
      <div v-for="{ day, entries } in list.days" :key="day" class="day">
        <h3>{{ day }}</h3>
        <ul>
          <li v-for="(entry, n) in entries" :key="n">
            <span class="box" aria-hidden="true" />
            <span class="t num"
              >{{ clockTime(entry.at, 'HH:mm') }}<template v-if="entry.at < now">, late</template></span
            >
            <span>
              <router-link :to="handsOnLink(entry)" class="what">{{ plain(entry.what) }}</router-link>{{
                ' '
              }}
              <span class="mute">
                {{ entry.of
                }}<template v-if="entry.detail.length"> · {{ plain(entry.detail) }}</template></span
              >
            </span>
          </li>
        </ul>
      </div>
    </section>
  </div>
</template>

<style scoped>
.person {
  break-inside: avoid;
  margin-top: 18px;
}
.day {
  break-inside: avoid;
  margin-top: 10px;
}
h3 {
  border-bottom: 1px solid var(--line2);
}
ul {
  list-style: none;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: 18px 96px 1fr;
  gap: 10px;
  align-items: baseline;
  padding: 7px 0;
  break-inside: avoid;
  border-bottom: 1px solid var(--line);
}
.box {
  width: 14px;
  height: 14px;
  border: 1.5px solid var(--ink);
}
.t {
  font-weight: 700;
}
.what {
  font-weight: 650;
  color: var(--ink);
  text-decoration: none;
}
.nothing {
  padding: 28px;
}
/* A whole week of everybody hangs on one page: two columns, small rows, no page of its own for each. */
@media print {
  .week {
    columns: 2;
    column-gap: 18px;
    padding: 0;
    font-size: 10px;
    line-height: 1.25;
  }
  .page-head {
    column-span: all;
  }
  .person {
    break-inside: auto;
    margin-top: 8px;
  }
  .day {
    margin-top: 4px;
  }
  h2,
  h3 {
    font-size: 12px;
    break-after: avoid;
  }
  li {
    grid-template-columns: 11px 52px 1fr;
    gap: 6px;
    padding: 2px 0;
  }
  .box {
    width: 9px;
    height: 9px;
  }
}
</style>
