import { describe, expect, it } from 'vitest';
import { judgeStepTime, protocolHours, USUAL_PROTOCOL } from '../clean';
import { judgeProfile } from '../exposure';
import { BOOK_ALLOYS } from '../metal';
import { judgeTemperature, pourTemperatures } from '../pour';
import { countOutcomes, piecesMeant } from './index';

describe('counts in a word', () => {
  it('leave one out of most and keep one of few, whatever the number', () => {
    for (let n = 1; n <= 30; n++) {
      expect(piecesMeant('all', n)).toBe(n);
      expect(piecesMeant('none', n)).toBe(0);
      expect(piecesMeant('most', n)).toBeLessThan(n);
      expect(piecesMeant('few', n)).toBeGreaterThan(0);
    }
    expect([piecesMeant('most', 8), piecesMeant('half', 8), piecesMeant('few', 8)]).toEqual([7, 4, 1]);
  });
  it('do not count what nobody has looked at', () => {
    expect(countOutcomes(['sellable', undefined, 'scrap'])).toEqual({
      total: 3,
      judged: 2,
      sellable: 1,
      repairable: 0,
      scrap: 1,
    });
  });
});

describe('temperatures at the pour', () => {
  const sterling = BOOK_ALLOYS[0]!;
  it('are hotter in the flask for thin parts, cooler for heavy ones', () => {
    const at = (c: Parameters<typeof pourTemperatures>[1]) => pourTemperatures(sterling, c).flaskC;
    expect(at('filigree')).toBeGreaterThan(at('standard'));
    expect(at('standard')).toBeGreaterThan(at('heavy'));
    expect(at('mixed')).toBe(at('standard'));
  });
  it('are judged against their range, ends included', () => {
    const { flask } = pourTemperatures(sterling, 'standard');
    const weights = [flask.lowC - 1, flask.lowC, flask.highC, flask.highC + 1].map(
      (t) => judgeTemperature('flask', t, flask).weight,
    );
    expect(weights).toEqual(['watch', 'ok', 'ok', 'watch']);
  });
});

describe('cleaning, profile, cost', () => {
  it('judges a step’s time with half a minute of grace', () => {
    const bath = USUAL_PROTOCOL.find((s) => s.key === 'bath1')!;
    expect([2.4, 2.6, 4.4, 4.6].map((m) => judgeStepTime(bath, m))).toEqual([
      'short',
      'kept',
      'kept',
      'long',
    ]);
    expect(protocolHours(USUAL_PROTOCOL, 0)).toBeCloseTo((5 + 3 + 2 + 2 + 30 + 10) / 60, 9);
  });
  it('catches slipped decimals in a profile', () => {
    const rules = (p: Partial<Parameters<typeof judgeProfile>[0]>) =>
      judgeProfile({ layerMm: 0.05, exposureS: 3, baseExposureS: 25, baseLayers: 6, ...p }).map(
        (j) => j.rule,
      );
    expect(rules({})).toEqual([]);
    expect(rules({ layerMm: 0.5 })).toEqual(['layer odd']);
    expect(rules({ exposureS: 37 })).toEqual(['exposure odd', 'base short']);
  });
});
