import { formatPhrase, METRIC } from '@zero-pour/core';
import type { PourDoc } from '@zero-pour/contracts';
import { describe, expect, it } from 'vitest';
import { judgeStaleVat, resolvePour } from '../index';
import { fullDoc, planShop } from '../testing/planShop';

const ZERO = new Date(2026, 10, 26, 9, 15);
const NOW = Date.parse('2026-11-24T12:00:00Z');
const STARTED = '2026-11-20T08:00:00.000Z';

function judged(filledAt: string | null, change: (doc: PourDoc) => void) {
  const shop = planShop();
  const [resin] = shop.lists.resin;
  const vats = filledAt ? [{ key: 'v', printerId: shop.lists.printer[0]!.id, filledAt, note: '' }] : [];
  const lists = { ...shop.lists, resin: [{ ...resin!, vatLifeDays: 7, vats }] };
  const context = resolvePour({ doc: fullDoc(ZERO, change) }, { ...shop, lists });
  return judgeStaleVat(context, NOW).map((j) => `${j.weight} ${j.lead} ${formatPhrase(j.why, METRIC)}`);
}

describe('a stale vat', () => {
  const printed = (doc: PourDoc) => void (doc.print.startedAt = STARTED);
  const had = (doc: PourDoc) => void (doc.left = ['print']);

  it('is told of what was printed from it, with what it does to castings', () => {
    expect(judged('2026-11-01T08:00:00.000Z', printed)).toEqual([
      'fix Printed from a stale vat. It stood 19 days, for a life of 7. Such prints look fine and cast badly: cast one as a test before all of them.',
    ]);
  });
  it('is asked of prints that were there already', () => {
    expect(judged('2026-11-01T08:00:00.000Z', had)[0]).toMatch(/^watch From a stale vat\? .* stands 23 days/);
  });
  it('is not told of a fresh one, of one filled afterwards, or of what is not known', () => {
    expect(judged('2026-11-18T08:00:00.000Z', printed)).toEqual([]);
    expect(judged('2026-11-22T08:00:00.000Z', printed)).toEqual([]);
    expect(judged(null, printed)).toEqual([]);
    expect(judged('2026-11-01T08:00:00.000Z', () => {})).toEqual([]);
  });
  it('is that of the print, though it was filled anew since', () => {
    const plate = { printerId: planShop().lists.printer[0]!.id, profileId: planShop().lists.profile[0]!.id, layers: 100, exposureS: 300, partsMl: 1, raftMl: 1, vatFilledAt: '2026-11-01T08:00:00.000Z' }; // prettier-ignore
    expect(
      judged(
        '2026-11-22T08:00:00.000Z',
        (doc) => void Object.assign(doc.print, { startedAt: STARTED, plate }),
      )[0],
    ).toContain('19 days');
  });
});
