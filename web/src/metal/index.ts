import { defineAsyncComponent } from 'vue';

export { default as ChargeLots } from './ChargeLots.vue';
export { default as MetalBack } from './MetalBack.vue';
export const LotsView = defineAsyncComponent(() => import('./LotsView.vue'));
