import { describe, expect, it } from 'vitest';
import { usualCoupon } from '@zero-pour/core';
import type { Trial } from '@zero-pour/contracts';
import { newPartSeen, partTrials, readSeconds, seenOf } from './partTrials';

const FROM: Trial = {
  id: '00000000-0000-4000-8000-000000000001',
  resinId: '00000000-0000-4000-8000-000000000002',
  printerId: '00000000-0000-4000-8000-000000000003',
  printedAt: '2026-11-20T10:00:00.000Z',
  layerMm: 0.05,
  exposureS: 3,
  baseExposureS: 25,
  baseLayers: 6,
  vatC: { state: 'measured', value: 27 },
  roomC: { state: 'not measured' },
  raftMm: 1,
  primingCoats: 1,
  coupon: usualCoupon(''),
  counts: { filigree: { struts: { good: 3 }, slots: null } },
  base: null,
  flaws: [],
  widths: [],
  photos: [],
  note: '',
};

describe('seconds as people write them', () => {
  it.each([
    ['10', [10]],
    ['10, 15, 20', [10, 15, 20]],
    ['10, 15 and 20 s', [10, 15, 20]],
    ['10s 15s', [10, 15]],
    ['3,5', [3.5]],
    ['2.4 2.4', [2.4]],
  ])('%s', (text, seconds) => {
    expect(readSeconds(text)).toEqual({ status: 'read', seconds });
  });
  it.each(['', 'soon', '-3', '0', '1 2 3 4 5 6 7 8 9 10 11 12 13'])('"%s" is asked again', (text) => {
    expect(readSeconds(text).status).toBe('unreadable');
  });
});

describe('parts as trials', () => {
  it('are one for each exposure, without the coupon’s counts', () => {
    const seen = {
      ...newPartSeen('filigree', FROM),
      name: ' Lace ring ',
      seconds: '10, 15, 20',
      good: 3,
      of: 15,
    };
    const made = partTrials(FROM, seen);
    expect(made.map((t) => t.exposureS)).toEqual([10, 15, 20]);
    expect(new Set(made.map((t) => t.id)).size).toBe(3);
    for (const trial of made) {
      expect(trial.part).toEqual({ patternId: null, name: 'Lace ring', castClass: 'filigree', thinnestMm: null, good: 3, of: 15 }); // prettier-ignore
      expect([trial.counts, trial.coupon.classes, trial.vatC]).toEqual([{}, [], FROM.vatC]);
    }
  });
  it('are none while a number is missing, and change in place', () => {
    expect(partTrials(FROM, newPartSeen('base', FROM))).toEqual([]);
    const kept = partTrials(FROM, { ...newPartSeen('heavy', FROM), name: 'Signet', good: 0, of: 2 })[0]!;
    const again = partTrials(kept, { ...seenOf({ ...kept, part: kept.part! }), good: 1 });
    expect(again).toHaveLength(1);
    expect([again[0]!.id, again[0]!.part!.good]).toEqual([kept.id, 1]);
  });
});
