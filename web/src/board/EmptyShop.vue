<script setup lang="ts">
import { shallowRef } from 'vue';
import { TakeShopIn } from '../files';
import { WhatYouHave } from '../shop';
import BeginWith from './BeginWith.vue';
import { useNotices } from '../state/notices';
import { useShop } from '../state/shopStore';

const shop = useShop();
const notices = useNotices();
const filling = shallowRef(false);

async function fill(): Promise<void> {
  filling.value = true;
  await shop.loadDemo().catch((error: unknown) => notices.wrong(error));
  filling.value = false;
}
</script>

<template>
  <section class="empty-shop">
    <h1>An empty shop</h1>
    <p class="lead">
      Zero is the moment of the pour. Say when it is to be, and everything before it is counted back: what to
      weigh, mix, set, and when to put the flask in.
    </p>
    <div class="ways">
      <div>
        <h2>Say what you have</h2>
        <WhatYouHave />
        <BeginWith class="mt-4" />
      </div>
      <div>
        <h2>Or look around first</h2>
        <p>
          A made-up casting room with its resins, flasks and kilns, twelve pours in the record and three in
          work.
        </p>
        <v-btn class="mt-3" :loading="filling" @click="fill">Fill with the demo shop</v-btn>
        <p class="mute mt-2">It goes into this data folder. Use another folder for your own work.</p>
        <h2 class="mt-4">Or go on with what you have</h2>
        <TakeShopIn />
        <p class="mt-3">
          <router-link to="/record/old">Take in old records</router-link>, off paper or a spreadsheet: yields
          and causes count from the first day.
        </p>
      </div>
    </div>
  </section>
</template>

<style scoped>
.lead {
  max-width: 62ch;
  font-size: 17px;
  margin: 8px 0 22px;
}
.ways {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(290px, 1fr));
  gap: 28px 48px;
}
h2 {
  border-bottom: 1px solid var(--line2);
  padding-bottom: 4px;
  margin-bottom: 8px;
}
</style>
