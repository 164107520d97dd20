import { emptyPourDoc } from '@zero-pour/contracts';
import { describe, expect, it } from 'vitest';
import { findingContext } from './findingContext';
import { planShop, wanted } from './testing/planShop';

describe('what a pour judges its parts by', () => {
  const resin = planShop().lists.resin[0]!;

  it('is nothing of its own while nothing is chosen', () => {
    expect(findingContext({ doc: emptyPourDoc(), resin: undefined })).toEqual({});
  });
  it('is the resin’s finest and thickest, and the bore of the brief with its ring size', () => {
    const doc = emptyPourDoc();
    doc.brief.sizes = [wanted({ of: 'bore', finishedMm: 17.32, ring: { system: 'US', size: '7' } })];
    expect(findingContext({ doc, resin })).toEqual({
      limits: { finestMm: resin.finestMm, thickestMm: resin.thickestMm },
      resinName: resin.name,
      wantedBore: { diameterMm: 17.32, toleranceMm: 0.1, name: 'US 7' },
    });
  });
  it('leaves an outer size alone: it is no bore', () => {
    const doc = emptyPourDoc();
    doc.brief.sizes = [wanted({ toleranceMm: 0.3 })];
    expect(findingContext({ doc, resin }).wantedBore).toBeUndefined();
  });
});
