import { CAST_FAULTS, confirmCause, startingCounts, type Fault } from '@zero-pour/core';
import { calibrationError, madeUpFlaws, tellChances } from '../core/src/testing/syntheticFaults';
import { table } from './table';

const FLAWS = 2000;
const FAULTS: readonly Fault[] = CAST_FAULTS;
/** What is rare by the book is often there, and the other way round. */
const turned = (fault: Fault): number[] => Object.values(startingCounts(fault)).map((count) => 1 / count);

/** How far told chances of causes are off, and how often the first is the one, on made-up pours. */
export function measureWhy(): string {
  const row = (shop: string, told: ReturnType<typeof tellChances>) => ({
    'pours drawn from': shop,
    'told chances are off by': calibrationError(told).toFixed(3),
    'the first is the one': `${Math.round((100 * told.filter(({ first, was }) => first && was).length) / FLAWS)} %`,
  });
  const other = madeUpFlaws(FAULTS, 2 * FLAWS, 12, { rateOf: turned });
  const [seen, later] = [other.slice(0, FLAWS), other.slice(FLAWS)];
  const learnt = new Map(FAULTS.map((fault) => [fault.key, startingCounts(fault)]));
  for (const { fault, cause } of seen) learnt.set(fault.key, confirmCause(learnt.get(fault.key)!, cause));
  const rows = [
    row('the model itself', tellChances(madeUpFlaws(FAULTS, FLAWS, 11))),
    row('the model, every sign looked at', tellChances(madeUpFlaws(FAULTS, FLAWS, 13, { looked: 1 }))),
    row('a shop whose causes are turned round', tellChances(later)),
    row(
      `… after it confirmed ${FLAWS}`,
      tellChances(later, ({ key }) => learnt.get(key)!),
    ),
  ];
  const began = performance.now();
  tellChances(later);
  const each = (performance.now() - began) / FLAWS;
  return `${table(rows)}\n\n${FLAWS} flaws each; ${(1000 * each).toFixed(0)} µs to rank one`;
}
