export { castsWax, FINISHES, ROUTES, STAGES, type Finish, type Route, type StageKey } from './choices';
