import { defineAsyncComponent } from 'vue';

export { default as AlongsideFields } from './AlongsideFields.vue';
export { default as AtTheKiln } from './AtTheKiln.vue';
export { default as BurnEvents } from './BurnEvents.vue';
export { default as FlaskSection } from './FlaskSection.vue';
export { default as HouseChoice } from './HouseChoice.vue';
export { default as MakerProgrammeRecord } from './MakerProgrammeRecord.vue';
export { MIDDLING } from './middling';
export { default as OtherProgrammes } from './OtherProgrammes.vue';
export { default as SegmentTable } from './SegmentTable.vue';
export { default as StretchHolds } from './StretchHolds.vue';
export { default as TypeProgramme } from './TypeProgramme.vue';
/** Loaded when it is first shown: it draws with the charts' package. */
export const BurnoutChart = defineAsyncComponent(() => import('./BurnoutChart.vue'));
