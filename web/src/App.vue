<script setup lang="ts">
import { computed, defineAsyncComponent, nextTick, shallowRef, watch } from 'vue';
import { useRoute } from 'vue-router';
import { resendPhotos } from './api/keepPhoto';
import { keepsNothing } from './api/keepsNothing';
import { signedOut } from './api/signedOut';
import { forgetCopies } from './state/keptCopies';
import { followChanges } from './state/changesHeard';
import { useNotices } from './state/notices';
import { knownShop, whenShopKnown } from './state/shopKeys';
import { usePrints } from './state/printStore';
import { useShop } from './state/shopStore';
import { useSizes } from './state/sizeStore';
import { clockOffMs } from './time/clockOff';
import { TopBar, useAppKeys } from './shell';
import { CaptureButton, captureOpen } from './capture';
import { useGuided } from './guide';
import { quickSumsOpen } from './quick';

// What opens over the page comes when it is first asked for.
const FindDialog = defineAsyncComponent(() => import('./shell/FindDialog.vue'));
const CaptureDialog = defineAsyncComponent(() => import('./capture/CaptureDialog.vue'));
const HelpDialog = defineAsyncComponent(() => import('./guide').then((guide) => guide.loadHelp()));
const GuidedPour = defineAsyncComponent(() => import('./guide').then((guide) => guide.loadGuidedPour()));
const QuickSums = defineAsyncComponent(() => import('./quick/QuickSums.vue'));
const NotKeptDialog = defineAsyncComponent(() => import('./shell/NotKeptDialog.vue'));
const KeepsNothingLine = defineAsyncComponent(() => import('./shell/KeepsNothingLine.vue'));
const ClockLine = defineAsyncComponent(() => import('./shell/ClockLine.vue'));
const NoticeLine = defineAsyncComponent(() => import('./shell/NoticeLine.vue'));

const SignIn = defineAsyncComponent(() => import('./network').then((network) => network.SignIn));

const route = useRoute();
const shop = useShop();
const notices = useNotices();
const { finding, showingHelp } = useAppKeys();
const guided = useGuided();
const showingNotKept = shallowRef(false);

followChanges();
// What was read of the shop does not stay with a device that may not read it any more; what was typed there does.
watch(signedOut, (out) => void (out ? forgetCopies().catch(() => {}) : load()));
const learnt = [useSizes(), usePrints()];
/** Whether the page that is gone to is known yet, and shows a choice of all patterns: at once, or later. */
const wantsAll = computed(() => route.name !== undefined && route.meta.patterns !== 'named');
const isShown = computed(() => shop.loading === 'ready' && (route.meta.patterns !== undefined || !shop.wantsMore)); // prettier-ignore
watch(
  () => shop.loading === 'ready' && shop.wantsMore && wantsAll.value,
  (wanted) => void (wanted && shop.loadPatterns().catch(notices.wrong)),
);
async function load(): Promise<void> {
  try {
    await shop.load();
  } catch (error) {
    if (!signedOut.value) notices.wrong(error);
    return;
  }
  // Plans begin with the book and take in what was measured as soon as it is there; nothing of it goes before the board.
  await nextTick();
  for (const store of learnt) void store.load().catch(() => {});
}
void load();
void whenShopKnown().then(() => resendPhotos(knownShop(), notices.wrong));
</script>

<template>
  <v-app>
    <a class="skip" href="#content">Skip to the page</a>
    <TopBar
      v-if="!route.meta['bare'] && !signedOut"
      @find="finding = true"
      @help="showingHelp = true"
      @not-kept="showingNotKept = true"
    />
    <KeepsNothingLine v-if="keepsNothing && !signedOut" />
    <ClockLine v-if="clockOffMs !== 0 && !signedOut" />
    <main id="content">
      <SignIn v-if="signedOut" />
      <router-view v-else-if="isShown" />
      <div v-else-if="shop.loading === 'failed'" class="page">
        <h1>Zero Pour does not answer</h1>
        <p class="mute">Start it again where it ran (npm start), then ask once more.</p>
        <v-btn class="mt-4" @click="load">Ask again</v-btn>
      </div>
      <p v-else class="page mute">Fetching the shop …</p>
    </main>
    <FindDialog v-if="finding" v-model="finding" />
    <QuickSums v-if="quickSumsOpen" v-model="quickSumsOpen" />
    <CaptureDialog v-if="captureOpen" v-model="captureOpen" />
    <CaptureButton v-if="!signedOut && !route.meta['bare'] && !captureOpen" class="no-print" />
    <HelpDialog v-if="showingHelp" v-model="showingHelp" />
    <GuidedPour v-if="guided && shop.loading === 'ready' && !signedOut && !route.meta['bare']" />
    <NotKeptDialog v-if="showingNotKept" v-model="showingNotKept" />
    <NoticeLine v-if="notices.current" />
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
