import { defineAsyncComponent } from 'vue';

export { default as BurntSection } from './BurntSection.vue';
export { default as KilnDevice } from './KilnDevice.vue';
export { default as SendProgramme } from './SendProgramme.vue';
/** Loaded when it is first shown: it draws with the charts' package. */
export const KilnLogs = defineAsyncComponent(() => import('./KilnLogs.vue'));
