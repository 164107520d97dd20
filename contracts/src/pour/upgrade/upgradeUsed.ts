import { FIRST_FLASK } from '../pourFlask';
import { isTree, without } from './tree';

/** What a resin was said to hold, before resins said so themselves: the figures that were given to all of them then. */
const RESIN_BEFORE_LIMITS = { finestMm: 0.3, thickestMm: 4 };
const THICKEST_WAX_FREE_MM = 8;

/**
 * Copies of what a pour was made with, of any wording, in the present one. Unchecked: the caller parses them.
 */
export function upgradeUsed(json: unknown): unknown {
  return flaskByKey(resinWithLimits(json));
}

/** The one flask of version 1 is the first of several. */
function flaskByKey(json: unknown): unknown {
  if (!isTree(json) || !isTree(json['flask'])) return json;
  return { ...without(json, 'flask'), flasks: { [FIRST_FLASK]: json['flask'] } };
}

function resinWithLimits(json: unknown): unknown {
  if (!isTree(json) || !isTree(json['resin']) || 'finestMm' in json['resin']) return json;
  const thickest = json['resin']['family'] === 'wax-free' ? { thickestMm: THICKEST_WAX_FREE_MM } : {};
  return { ...json, resin: { ...RESIN_BEFORE_LIMITS, ...thickest, ...json['resin'] } };
}
