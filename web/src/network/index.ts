import { defineAsyncComponent } from 'vue';

/** How the shop is opened to its own network, for the machine that it runs on. */
export const NetworkPage = defineAsyncComponent(() => import('./NetworkPage.vue'));
export { useScanAddress } from './scanAddress';
export { default as SignIn } from './SignIn.vue';
