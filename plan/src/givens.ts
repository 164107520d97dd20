import type { Resin } from '@zero-pour/contracts';
import { castsWax, isEstimate } from '@zero-pour/core';
import type { PourContext } from './context';
import type { Input } from './figure';

/** Wax on the balance (handbook 06): its density at room temperature. */
const WAX_G_PER_CM3 = 0.95;

/** The density of what hangs on the tree. */
export const patternDensity = ({ doc, resin }: PourContext): Input | undefined =>
  castsWax(doc.brief.route)
    ? {
        name: 'Density of the wax',
        value: WAX_G_PER_CM3,
        unit: 'gPerCm3',
        source: 'book',
        stage: 'sprue',
      }
    : resin && resinDensity(resin);

/** The density that printed resin is reckoned with. */
export const resinDensity = (resin: Resin): Input => ({
  name: 'Density of the resin',
  value: resin.densityGPerMl,
  unit: 'gPerCm3',
  source: `resin record ${resin.name}`,
  stage: 'resin',
});

/** Whether the patterns' volume is only an estimate: a file among them is open by more than a little. */
export const volumeIsEstimate = ({ parts }: PourContext): boolean =>
  parts.some((part) => isEstimate(part.pattern.measure));
