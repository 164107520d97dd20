import { defineAsyncComponent } from 'vue';

/** How the shop is kept safe, and what it runs on. */
export const AboutPage = defineAsyncComponent(() => import('./AboutPage.vue'));
export const KeptBackups = defineAsyncComponent(() => import('./KeptBackups.vue'));
export { default as SafetyLine } from './SafetyLine.vue';
