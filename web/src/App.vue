<script setup lang="ts">
import { onMounted } from 'vue';
import { useRoute } from 'vue-router';
import { useNotices } from './state/notices';
import { useShop } from './state/shopStore';
import FindDialog from './shell/FindDialog.vue';
import KeysDialog from './shell/KeysDialog.vue';
import NoticeLine from './shell/NoticeLine.vue';
import TopBar from './shell/TopBar.vue';
import { useAppKeys } from './shell/useAppKeys';

const route = useRoute();
const shop = useShop();
const notices = useNotices();
const { finding, showingKeys } = useAppKeys();

const load = (): Promise<void> => shop.load().catch((error: unknown) => notices.wrong(error));
onMounted(load);
</script>

<template>
  <v-app>
    <a class="skip" href="#content">Skip to the page</a>
    <TopBar v-if="!route.meta['bare']" @find="finding = true" @keys="showingKeys = true" />
    <main id="content">
      <router-view v-if="shop.loading === 'ready'" />
      <div v-else-if="shop.loading === 'failed'" class="page">
        <h1>Zero Pour does not answer</h1>
        <p class="mute">Start it again where it ran (npm start), then ask once more.</p>
        <v-btn class="mt-4" @click="load">Ask again</v-btn>
      </div>
      <p v-else class="page mute">Fetching the shop …</p>
    </main>
    <FindDialog v-model="finding" />
    <KeysDialog v-model="showingKeys" />
    <NoticeLine />
  </v-app>
</template>

<style scoped>
.skip {
  position: absolute;
  left: -999px;
}
.skip:focus {
  left: 8px;
  top: 8px;
  background: var(--paper);
  padding: 8px;
  z-index: 3000;
}
</style>
