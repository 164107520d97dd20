export { default as CaptureButton } from './CaptureButton.vue';
export { captureOpen } from './captureOpen';
export { default as InboxLine } from './InboxLine.vue';
export { default as SlipsAbout } from './SlipsAbout.vue';
