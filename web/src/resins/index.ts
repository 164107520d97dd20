export { default as BeforePrint } from './page/BeforePrint.vue';
export { default as ProfileFigures } from './profiles/ProfileFigures.vue';
export { default as ProfileForm } from './profiles/ProfileForm.vue';
