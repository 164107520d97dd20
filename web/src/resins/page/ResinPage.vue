<script setup lang="ts">
import type { Resin } from '@zero-pour/contracts';
import { computed, defineAsyncComponent } from 'vue';
import { useRoute } from 'vue-router';
import ResinActions from './ResinActions.vue';
import ResinRecord from '../record/ResinRecord.vue';

/** One resin: what it is, its seconds, its coupon, its profiles, its test sets. */
const props = defineProps<{ resin: Resin; view: string | undefined }>();
const route = useRoute();

const VIEWS = {
  tune: { name: 'Tune', page: defineAsyncComponent(() => import('../tune/TuneView.vue')) },
  coupon: { name: 'Coupon', page: defineAsyncComponent(() => import('../coupon/CouponView.vue')) },
  profiles: { name: 'Profiles', page: defineAsyncComponent(() => import('../profiles/ProfilesView.vue')) },
  curve: { name: 'Working curve', page: defineAsyncComponent(() => import('../curve/CurveView.vue')) },
  tests: { name: 'Test set', page: defineAsyncComponent(() => import('../testset/TestSetView.vue')) },
  before: { name: 'Before the print', page: defineAsyncComponent(() => import('./BeforeView.vue')) },
  record: { name: 'Record', page: ResinRecord },
} as const;
type View = keyof typeof VIEWS;
const isView = (view: string | undefined): view is View => view !== undefined && view in VIEWS;
const shown = computed<View>(() => (isView(props.view) ? props.view : 'record'));
/** Printer, layer and class go along from view to view. */
const to = (view: View) => ({ path: `/resins/${props.resin.id}/${view}`, query: route.query });
</script>

<template>
  <div class="page resin">
    <div class="page-head no-print">
      <router-link to="/resins" class="back">Resins</router-link>
      <h1>{{ resin.name }}</h1>
      <span class="mute"
        >{{ resin.family }}{{ resin.forBurnout ? '' : ' · not for burnout'
        }}{{ resin.retired ? ' · retired' : '' }}</span
      >
      <span class="spacer" />
      <ResinActions :resin="resin" />
    </div>
    <nav class="views no-print" aria-label="Views of this resin">
      <router-link
        v-for="(entry, key) in VIEWS"
        :key="key"
        :to="to(key)"
        :aria-current="key === shown ? 'page' : undefined"
        >{{ entry.name }}</router-link
      >
    </nav>
    <component :is="VIEWS[shown].page" :resin="resin" />
  </div>
</template>

<style scoped>
.back {
  padding-top: 4px;
}
.back::after {
  content: ' /';
  color: var(--mute);
}
.views {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 18px;
  border-bottom: 1px solid var(--line2);
  margin-bottom: 16px;
}
.views a {
  padding: 8px 0 7px;
  color: var(--mute);
  text-decoration: none;
}
.views a[aria-current] {
  color: var(--ink);
  font-weight: 650;
  box-shadow: inset 0 -3px 0 var(--wax);
}
</style>
