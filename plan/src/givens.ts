import type { Resin } from '@zero-pour/contracts';
import type { PourContext } from './context';
import type { Given } from './figure';

/** The density that weighed or printed resin is reckoned with. */
export const resinDensityGiven = (resin: Resin): Given => ({
  symbol: 'ρ',
  name: 'Density of the resin',
  value: resin.densityGPerMl,
  unit: 'gPerCm3',
  source: `resin record ${resin.name}`,
  stage: 'resin',
});

/** Whether the patterns' volume is only an estimate: a file among them is not closed. */
export const volumeIsEstimate = ({ parts }: PourContext): boolean =>
  parts.some((part) => !part.pattern.measure.closed);
