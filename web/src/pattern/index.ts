import { defineAsyncComponent } from 'vue';

export { default as PatternDrop } from './PatternDrop.vue';
export { useAnalyses } from './jobs/analysisStore';
export { findingsOf } from './jobs/findingsOf';
export { saveScaled, scaledName } from './jobs/savePattern';
export type { ViewShape } from './jobs/shapes';
export { default as AnalysisProgress } from './page/AnalysisProgress.vue';
export { default as FindingList } from './page/FindingList.vue';
export { default as PatternNumbers } from './page/PatternNumbers.vue';
export { saveFile } from './saveFile';
export { default as PartSilhouette } from './view/PartSilhouette.vue';
export { default as SceneMarks } from './view/SceneMarks.vue';
export { default as ColourLegend } from './view/ColourLegend.vue';
export { fillRamp, paintFill, paintUndercuts, type PaintName } from './view/paint';
export { PartScene, type Point } from './view/partScene';
export { onSceneKey, SCENE_KEYS_HELP } from './view/sceneKeys';

/** Models and charts are loaded when they are first shown. */
export const PatternViewer = defineAsyncComponent(() => import('./view/PatternViewer.vue'));
export const PartView = defineAsyncComponent(() => import('./view/PartView.vue'));
export const LayerChart = defineAsyncComponent(() => import('./layers/LayerChart.vue'));
