import { defineAsyncComponent } from 'vue';

export { default as SegmentTable } from './SegmentTable.vue';
/** Loaded when it is first shown: it draws with the charts' package. */
export const BurnoutChart = defineAsyncComponent(() => import('./BurnoutChart.vue'));
