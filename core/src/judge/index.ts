export { sortJudgements, type Judgement, type Weight } from './judgement';
export { counted, PLACES_MAX, sortFindings, type Finding, type Place } from './finding';
