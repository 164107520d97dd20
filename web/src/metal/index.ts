import { defineAsyncComponent } from 'vue';

export { default as ChargeLots } from './ChargeLots.vue';
export { default as ButtonBack } from './ButtonBack.vue';
export const LotsView = defineAsyncComponent(() => import('./LotsView.vue'));
