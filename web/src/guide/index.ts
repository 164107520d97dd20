export { useGuided, useStartGuide } from './guidedPour';
export { default as NewHere } from './NewHere.vue';
/** What opens over a page comes when it is first asked for. */
export const loadHelp = async () => (await import('./HelpDialog.vue')).default;
export const loadGuidedPour = async () => (await import('./GuidedPour.vue')).default;
