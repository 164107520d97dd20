import { defineAsyncComponent } from 'vue';

export { default as BurntSection } from './BurntSection.vue';
/** Loaded when it is first shown: it draws with the charts' package. */
export const KilnLogs = defineAsyncComponent(() => import('./KilnLogs.vue'));
