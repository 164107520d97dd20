import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import reference from '../../reference/exposure.json';
import { InputError } from '../numeric';
import {
  featureCount,
  foreseeOutcomes,
  tuneExposure,
  BASE_COUPON,
  baseTrial,
  type Settable,
  type TuningTrial,
} from './index';
import {
  edgePosterior,
  expectedAllPass,
  passChance,
  reweighted,
  systematicPoints,
  expectedPass,
} from './edgePosterior';
import { edgeQuantilesS } from './edgeQuantiles';
import { edgesOf } from './tune';
import { countChances } from './foresee';
import { everyStepS, snapS, spacedS } from './settable';

const SETTABLE: Settable = { leastS: 1, mostS: 12, stepS: 0.1 };
const COUPON = { struts: 24, slots: 24 };
const START_S = 3;

const trial = (exposureS: number, struts: number, slots: number): TuningTrial => ({
  exposureS,
  struts: { good: struts, of: 24 },
  slots: { good: slots, of: 24 },
});
const tuned = (trials: readonly TuningTrial[]) =>
  tuneExposure({ startS: START_S, trials, settable: SETTABLE, coupon: COUPON });

/** Within a share of the expected value. */
const near = (value: number, expected: number, share: number): void =>
  expect(Math.abs(value / expected - 1)).toBeLessThan(share);

describe.each(reference.tuning.map((c) => [c.verdict.verdict, c] as const))(
  'computed independently: %s',
  (_, expected) => {
    const { recommended, next, verdict } = tuned(
      expected.trials.map((t) => trial(t.exposure_s, t.struts_survived, t.slots_open)),
    );
    it('recommends the same exposure with the same shares', () => {
      expect(recommended.exposureS).toBeCloseTo(expected.recommended_s, 6);
      near(recommended.expectedStrut, expected.expected_strut, 0.01);
      near(recommended.expectedSlot, expected.expected_slot, 0.01);
      near(recommended.product, expected.product, 0.01);
      near(recommended.allStrutsStand, expected.all_struts_survive, 0.01);
      expect(recommended.bandS).toEqual(expected.band_s);
    });
    it('finds the same edges', () => {
      for (const [edge, theirs] of [
        [recommended.lowerEdge, expected.lower_edge_s],
        [recommended.upperEdge, expected.upper_edge_s],
      ] as const) {
        near(edge.q05S, theirs.q05, 0.02);
        near(edge.q50S, theirs.q50, 0.02);
        near(edge.q95S, theirs.q95, 0.02);
      }
    });
    it('would print next where as little is left uncertain', () => {
      near(next.exposureS, expected.next.next_s, 0.03);
      near(next.varianceAfter, expected.next.expected_variance_sum, 0.01);
      near(next.varianceNow, expected.next.variance_sum_now, 0.01);
    });
    it('gives the same verdict', () => {
      expect(verdict.kind).toBe(expected.verdict.verdict);
      expect(Math.abs(verdict.chanceHere - expected.verdict.p_product_at_recommended)).toBeLessThan(0.02);
      expect(Math.abs(verdict.chanceAnywhere - expected.verdict.p_any)).toBeLessThan(0.02);
      expect(Math.abs(verdict.regret - expected.verdict.regret)).toBeLessThan(0.02);
    });
  },
);

describe('edge posterior', () => {
  it('is the prior before the first coupon', () => {
    const [q05, q50, q95] = edgeQuantilesS(edgePosterior('lower', 3, []), [0.05, 0.5, 0.95]);
    // μ ~ N(ln 2.4, 0.45), edge = μ + σ·ln 9 with σ about 0.12.
    expect(q50).toBeGreaterThan(2.4 * 9 ** 0.1);
    expect(q50).toBeLessThan(2.4 * 9 ** 0.16);
    expect(Math.log(q95! / q05!)).toBeGreaterThan(2 * 1.645 * 0.45);
  });
  it('has weights that sum to one, and a chance that rises or falls with light', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 20, noNaN: true }),
        fc.array(fc.tuple(fc.double({ min: 0.4, max: 30, noNaN: true }), fc.integer({ min: 0, max: 12 })), {
          maxLength: 6,
        }),
        (startS, counts) => {
          const seen = counts.map(([exposureS, good]) => ({ exposureS, good, of: 12 }));
          for (const side of ['lower', 'upper'] as const) {
            const edge = edgePosterior(side, startS, seen);
            expect(edge.weight.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 9);
            const shares = [0.5, 1, 2, 4, 8].map((factor) => expectedPass(edge, startS * factor));
            const rising = [...shares].sort((a, b) => (side === 'lower' ? a - b : b - a));
            expect(shares).toEqual(rising);
            expect(Math.max(...shares)).toBeLessThanOrEqual(0.98);
          }
        },
      ),
      { seed: 11, numRuns: 40 },
    );
  });
  it('comes to the same whichever order the coupons came in', () => {
    const counts = [
      { exposureS: 2, good: 3, of: 24 },
      { exposureS: 3, good: 20, of: 24 },
      { exposureS: 4, good: 24, of: 24 },
    ];
    const a = edgeQuantilesS(edgePosterior('lower', 3, counts), [0.5])[0]!;
    const b = edgeQuantilesS(edgePosterior('lower', 3, [...counts].reverse()), [0.5])[0]!;
    expect(a).toBeCloseTo(b, 9);
  });
  it('finds the true edge from plenty of coupons', () => {
    const [mu, sigma] = [Math.log(3.2), 0.1];
    const counts = [2, 2.5, 3, 3.5, 4, 5].map((exposureS) => ({
      exposureS,
      good: 4000 * passChance('lower', Math.log(exposureS), mu, sigma),
      of: 4000,
    }));
    const [median] = edgeQuantilesS(edgePosterior('lower', 3, counts), [0.5]);
    near(median!, 3.2 * 9 ** 0.1, 0.005);
  });
  it('is reweighted to what a new grid finds', () => {
    const first = { exposureS: 3, good: 12, of: 24 };
    const second = { exposureS: 3.4, good: 20, of: 24 };
    const whole = edgePosterior('lower', 3, [first, second]);
    const stepped = reweighted(edgePosterior('lower', 3, [first]), second);
    near(expectedPass(stepped, 3.6), expectedPass(whole, 3.6), 0.002);
  });
  it('refuses exposures that are not there', () => {
    expect(() => edgePosterior('lower', 0, [])).toThrow(InputError);
    expect(() => edgePosterior('upper', 3, [{ exposureS: -1, good: 1, of: 2 }])).toThrow(InputError);
  });
  it('samples its points so that their mean is its mean', () => {
    const edge = edgePosterior('lower', 3, [{ exposureS: 3, good: 12, of: 24 }]);
    const { mu } = systematicPoints(edge, 500);
    const mean = edge.mu.reduce((sum, m, i) => sum + m * edge.weight[i]!, 0);
    expect(mu.reduce((a, b) => a + b, 0) / 500).toBeCloseTo(mean, 2);
  });
  it('makes a whole coupon less likely than one strut', () => {
    const edge = edgePosterior('lower', 3, [{ exposureS: 3, good: 20, of: 24 }]);
    expect(expectedAllPass(edge, 4, 1)).toBeCloseTo(expectedPass(edge, 4), 12);
    expect(expectedAllPass(edge, 4, 24)).toBeLessThan(expectedPass(edge, 4));
  });
});

describe('verdict', () => {
  it('never comes after one coupon', () => {
    expect(tuned([trial(3, 24, 24)]).verdict.kind).toBe('next coupon');
  });
  it('stops after eight that do not settle it', () => {
    // Nothing was counted: eight coupons tell as little as none.
    const empty: TuningTrial = { exposureS: 3, struts: { good: 0, of: 0 }, slots: { good: 0, of: 0 } };
    expect(tuned(Array.from({ length: 8 }, () => empty)).verdict.kind).toBe('not settled');
    expect(tuned(Array.from({ length: 7 }, () => empty)).verdict.kind).toBe('next coupon');
  });
  it('knows when more coupons cannot bring much', () => {
    const { verdict } = tuned([trial(3, 20, 20), trial(2.6, 16, 23), trial(3.4, 23, 16)]);
    expect(verdict.kind).toBe('as good as it gets');
    expect(verdict.regret).toBeLessThanOrEqual(0.01);
  });
  it('keeps to what the printer can be set to', () => {
    const coarse = tuneExposure({
      startS: 3,
      trials: [trial(2, 2, 24), trial(4, 24, 20)],
      settable: { leastS: 1, mostS: 8, stepS: 0.5 },
      coupon: COUPON,
    });
    for (const s of [coarse.recommended.exposureS, coarse.next.exposureS])
      expect((s * 2) % 1).toBeCloseTo(0, 9);
  });
});

describe('next coupon', () => {
  it('always leaves less to be known', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 24 }), fc.integer({ min: 0, max: 24 }), (s, o) => {
        const { next } = tuned([trial(3, s, o)]);
        expect(next.varianceAfter).toBeLessThan(next.varianceNow);
        expect(next.varianceAfter).toBeGreaterThan(0);
      }),
      { seed: 5, numRuns: 12 },
    );
  });
});

describe('what each outcome would mean', () => {
  const trials = [trial(2.4, 5, 24), trial(3.6, 20, 23)];
  const edges = edgesOf(START_S, trials);
  const outcomes = foreseeOutcomes(edges, 3.8, SETTABLE, COUPON, trials.length);
  it('gives chances that add up to nearly everything', () => {
    const sum = outcomes.reduce((total, o) => total + o.chance, 0);
    expect(sum).toBeGreaterThan(0.9);
    expect(sum).toBeLessThanOrEqual(1 + 1e-9);
  });
  it('says what the verdict then really is', () => {
    for (const outcome of outcomes) {
      const middle = (r: { from: number; to: number }) => Math.round((r.from + r.to) / 2);
      const after = tuned([...trials, trial(3.8, middle(outcome.struts), middle(outcome.slots))]);
      expect(after.verdict.kind).toBe(outcome.kind);
    }
  });
  it('starts with the likeliest', () => {
    expect(outcomes.map((o) => o.chance)).toEqual(outcomes.map((o) => o.chance).sort((a, b) => b - a));
    expect(outcomes[0]).toMatchObject({ kind: 'prints' });
  });
  it('predicts counts whose chances sum to one', () => {
    expect(countChances(edges.lower, 3.8, 24).reduce((a, b) => a + b, 0)).toBeCloseTo(1, 9);
  });
});

describe('counts in words', () => {
  it('weigh a quarter of counting', () => {
    expect(featureCount({ word: 'most' }, 24)).toEqual({ good: 5.1, of: 6 });
    expect(featureCount({ word: 'none' }, 20)).toEqual({ good: 0, of: 5 });
    expect(featureCount({ good: 7 }, 24)).toEqual({ good: 7, of: 24 });
    expect(featureCount(undefined, 24)).toEqual({ good: 0, of: 0 });
  });
  it('leave more doubt than counting', () => {
    const width = (of: number): number => {
      const edge = edgePosterior('lower', 3, [{ exposureS: 3, good: of * 0.85, of }]);
      const [low, high] = edgeQuantilesS(edge, [0.05, 0.95]);
      return high! / low!;
    };
    expect(width(6)).toBeGreaterThan(width(24));
  });
  it('refuses more than there are', () => {
    expect(() => featureCount({ good: 25 }, 24)).toThrow(InputError);
  });
});

describe('base layers', () => {
  const bases = (results: [number, Parameters<typeof baseTrial>[1]][]) =>
    tuneExposure({
      startS: 25,
      trials: results.map(([s, result]) => baseTrial(s, result)),
      settable: { leastS: 5, mostS: 90, stepS: 1 },
      coupon: BASE_COUPON,
    });
  it('go up when the print fell off and down when it curled', () => {
    const before = bases([]).recommended.exposureS;
    expect(bases([[25, 'fell off']]).recommended.exposureS).toBeGreaterThan(before);
    expect(bases([[25, 'curled']]).recommended.exposureS).toBeLessThan(before);
    expect(bases([[25, 'held, hard to free']]).recommended.exposureS).toBeLessThan(before);
  });
  it('lie between what fell off and what curled', () => {
    const { recommended } = bases([
      [15, 'fell off'],
      [45, 'curled'],
      [28, 'held'],
    ]);
    expect(recommended.exposureS).toBeGreaterThan(18);
    expect(recommended.exposureS).toBeLessThan(40);
  });
});

describe('settable exposures', () => {
  it('snap to steps within the limits', () => {
    expect(snapS(SETTABLE, 3.6999)).toBe(3.7);
    expect(snapS(SETTABLE, 0.2)).toBe(1);
    expect(snapS(SETTABLE, 99)).toBe(12);
    expect(snapS({ leastS: 0.5, mostS: 2.2, stepS: 0.5 }, 9)).toBe(2);
  });
  it('are spaced by ratio and ascend without doubles', () => {
    const list = spacedS(SETTABLE, 40);
    expect(list[0]).toBe(1);
    expect(list.at(-1)).toBe(12);
    expect(new Set(list).size).toBe(list.length);
    expect(everyStepS(SETTABLE, 3, 3.3)).toEqual([3, 3.1, 3.2, 3.3]);
  });
  it('refuse limits the wrong way round', () => {
    expect(() => spacedS({ leastS: 3, mostS: 2, stepS: 0.1 }, 10)).toThrow(InputError);
  });
});
