export { default as TopBar } from './TopBar.vue';
export { useAppKeys } from './useAppKeys';
