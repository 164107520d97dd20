export { sortJudgements, type Judgement, type Weight } from './judgement';
export { counted, countWord, PLACES_MAX, sortFindings, type Finding, type Place } from './finding';
