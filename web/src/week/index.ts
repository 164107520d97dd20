export { default as WeekPlanner } from './WeekPlanner.vue';
