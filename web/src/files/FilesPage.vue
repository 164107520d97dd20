<script setup lang="ts">
import { z } from 'zod';
import { useAsked } from '../api/useAsked';
import { useShop } from '../state/shopStore';
import CauseTables from './CauseTables.vue';
import ShareThing from './ShareThing.vue';
import TakeShopIn from './TakeShopIn.vue';

const shop = useShop();
const { told: tables, notRead } = useAsked(z.array(z.string()), () => '/tables');
</script>

<template>
  <section class="files">
    <h1>Out and in</h1>
    <section class="stage-block">
      <h2>The whole shop</h2>
      <p class="mb-3">
        One zip with everything: settings, things with their history, patterns and photos, records, pours with
        what each was poured with, logs of kilns. Plain JSON inside, described in docs/formats.md.
      </p>
      <v-btn href="/api/archive.zip" download variant="flat">Take the whole shop out (zip)</v-btn>
      <div class="in">
        <TakeShopIn v-if="shop.isEmpty" />
        <p v-else class="mute">
          A shop is taken in where there is none yet: start Zero Pour with a data folder of its own (ZP_DATA),
          and take it in there.
        </p>
      </div>
    </section>
    <ShareThing />
    <CauseTables />
    <section class="stage-block">
      <h2>Tables (CSV)</h2>
      <p v-if="notRead" class="mute">{{ notRead }}</p>
      <ul class="tables">
        <li><a href="/api/pours.csv" download="record.csv">pours</a></li>
        <li v-for="table in tables ?? []" :key="table">
          <a :href="`/api/tables/${encodeURIComponent(table)}.csv`" :download="`${table}.csv`">{{ table }}</a>
        </li>
      </ul>
      <p class="mute">
        Parts, coupons and trees are saved as STL or 3MF, mold halves as STL, where they are shown; the
        calendar from the board.
      </p>
    </section>
  </section>
</template>

<style scoped>
.files {
  max-width: 900px;
}
.in {
  margin-top: 14px;
}
.tables {
  columns: 4 150px;
  padding-left: 18px;
  margin-bottom: 10px;
}
</style>
