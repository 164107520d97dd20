import { describe, expect, it } from 'vitest';
import { programmeCurve, type Segment } from '../burnout';
import { segment } from '../testing/segments';
import { heatFlask, judgeCore, plasterOf } from './index';

const KILN = { maxRampCPerH: 800, coolTauH: 5 };
const LIMITS = { cleanOutH: 4, castingC: 520, fastPowder: false };
const heatOf = (segments: Segment[], startC = 20) =>
  heatFlask({
    body: { innerDiameterMm: 76, heightMm: 102, shellMm: 2 },
    plaster: plasterOf(0.4),
    kiln: programmeCurve(segments, LIMITS.castingC, KILN, startC).points,
    patternsMm: 22,
  });
const stepped = (peakH: number, soakH = 2): Segment[] => [segment(130, 150, 2.5), segment(90, 370, 2), segment(100, 730, peakH), segment(null, null, soakH)]; // prettier-ignore
const said = (segments: Segment[], limits = LIMITS, startC = 20) =>
  judgeCore(heatOf(segments, startC), limits).map(({ rule, weight }) => `${rule} ${weight}`);

describe('a burnout by its core', () => {
  it('passes where the steam gets out, the core is clean and soaked through', () => {
    expect(said(stepped(4))).toEqual(['steam ok', 'core clean-out ok', 'core at pour ok']);
  });
  it('falls short though the kiln does not, and says how much longer; that much is enough', () => {
    // The kiln is over 650 °C for 0.8 h of climb, 3 h of hold and the way down; the core follows.
    const limits = { ...LIMITS, cleanOutH: 5 };
    const short = judgeCore(heatOf(stepped(3)), limits)[1]!;
    expect(short.weight).toBe('fix');
    const more = short.why.flatMap((part) => (typeof part === 'string' ? [] : [part.value])).at(-1)!;
    expect(more).toBeGreaterThan(0.3);
    expect(judgeCore(heatOf(stepped(3 + more)), limits)[1]!.weight).toBe('ok');
    expect(judgeCore(heatOf(stepped(3 + more - 0.2)), limits)[1]!.weight).toBe('fix');
  });
  it('never says that a core is clean that carbon cannot leave', () => {
    const cold = [segment(130, 150, 2.5), segment(90, 630, 8), segment(null, null, 2)];
    expect(said(cold)).toContain('core clean-out fix');
  });
  it('without a steam hold has a hot rim over a wet core; a powder made for it is told so', () => {
    const straight = [segment(600, 730, 4), segment(null, null, 2)];
    expect(said(straight)[0]).toBe('steam watch');
    expect(said(straight, { ...LIMITS, fastPowder: true })[0]).toBe('steam ok');
  });
  it('that ends wet never dries', () => {
    expect(said([segment(130, 150, 1)])[0]).toBe('steam fix');
  });
  it('without a soak is hotter inside than the kiln', () => {
    expect(said(stepped(4, 0))[2]).toBe('core at pour watch');
  });
});
