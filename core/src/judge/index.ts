export { sortJudgements, type Judgement, type Weight } from './judgement';
