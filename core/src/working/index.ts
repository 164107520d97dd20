export { Formula, formula, inNumbers, joinFormula, sumFormula } from './formula';
