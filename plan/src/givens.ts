import type { Resin } from '@zero-pour/contracts';
import { castsWax, curedDensity, CURED_DENSER_PERCENT, isEstimate } from '@zero-pour/core';
import type { PourContext } from './context';
import type { Input } from './figure';

/** Wax on the balance (handbook 06): its density at room temperature. */
const WAX_G_PER_CM3 = 0.95;

/** The density of sprue wax. */
export const waxDensity: Input = {
  name: 'Density of the wax',
  value: WAX_G_PER_CM3,
  unit: 'gPerCm3',
  source: 'book',
  stage: 'sprue',
};

/** The density of what hangs on the tree. */
export const patternDensity = ({ doc, resin }: PourContext): Input | undefined =>
  castsWax(doc.brief.route) ? waxDensity : resin && curedInput(resin);

/** The resin that burns in the flask; none where wax does, whatever its master was printed in. */
export const burntResin = ({ doc, resin }: PourContext): Resin | undefined =>
  castsWax(doc.brief.route) ? undefined : resin;

/** The density of a printed pattern on the balance: cured, and denser than what stands in the bottle. */
const curedInput = (resin: Resin): Input => {
  const isKnown = resin.curedGPerMl != null;
  return {
    name: 'Density of the cured resin',
    value: curedDensity(resin.densityGPerMl, resin.curedGPerMl),
    unit: 'gPerCm3',
    source: isKnown
      ? `resin record ${resin.name}`
      : `resin record ${resin.name}, liquid, and ${CURED_DENSER_PERCENT} % (book)`,
    stage: 'resin',
    ...(isKnown ? {} : { guessed: true }),
  };
};

/** The density of the liquid: bottle, vat and what a plate uses. */
export const resinDensity = (resin: Resin): Input => ({
  name: 'Density of the liquid resin',
  value: resin.densityGPerMl,
  unit: 'gPerCm3',
  source: `resin record ${resin.name}`,
  stage: 'resin',
});

/** Whether the patterns' volume is only an estimate: a file among them is open by more than a little. */
export const volumeIsEstimate = ({ parts }: PourContext): boolean =>
  parts.some((part) => isEstimate(part.pattern.measure));
