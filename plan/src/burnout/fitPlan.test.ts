import { heatFlask, plasterOf } from '@zero-pour/core';
import { fitProgrammeJob } from '@zero-pour/jobs';
import { describe, expect, it } from 'vitest';
import { compareBurnouts, fitWish, planPour, valueOf, type ComparedBurnout } from '../index';
import { fullDoc, planShop } from '../testing/planShop';

const ZERO = new Date(2026, 10, 26, 9, 15);

describe('a search for a programme', () => {
  it('stands on the pour’s own flask, powder, resin and kiln, and is one that the job takes', () => {
    const shop = planShop();
    const climbs = [{ tempC: 700, cPerH: 80, offCPerH: 2 }];
    const kiln = shop.lists.kiln.map((one) => ({ ...one, maxC: 720, measured: { at: ZERO.toISOString(), from: 'a', climbs, cools: [] } })); // prettier-ignore
    const doc = fullDoc(ZERO, (change) => void (change.invest.ratio = 0.38));
    const plan = planPour({ doc }, { ...shop, lists: { ...shop.lists, kiln } });
    const wish = fitWish(plan.context, valueOf(plan.burnout)!, 'shortest', ZERO.getTime())!;
    const [resin] = shop.lists.resin;
    // A kiln that goes no hotter is a ceiling too.
    expect(wish).toMatchObject({ aim: 'shortest', ratio: 0.38, ceilingC: 720, startC: 20, cleanOutH: resin!.cleanOutH, rampMaxCPerH: resin!.rampMaxCPerH, pace: { measured: { climbs } } }); // prettier-ignore
    expect(fitProgrammeJob.input.safeParse(wish).success).toBe(true);
  });
  it('is none while what fills the flask is not chosen', () => {
    const doc = fullDoc(ZERO, (change) => void (change.invest.powderId = undefined));
    const plan = planPour({ doc }, planShop());
    expect(fitWish(plan.context, valueOf(plan.burnout)!, 'mend', ZERO.getTime())).toBeUndefined();
  });
});

describe('programmes side by side', () => {
  const held = [{ h: 0, tempC: 20 }, { h: 1, tempC: 120 }, { h: 6, tempC: 120 }]; // prettier-ignore
  const curveOf = (totalH: number) => ({ points: held, segments: [], totalH });
  const kiln = planShop().lists.kiln[0]!;
  const heat = heatFlask({ body: { innerDiameterMm: 100, heightMm: 120, shellMm: 2 }, plaster: plasterOf(0.4), patternsMm: 20, kiln: held }); // prettier-ignore
  const compared: ComparedBurnout[] = [
    { curve: curveOf(6), heat },
    { curve: curveOf(5), heat: undefined },
  ];
  it('tell hours, cost and the core; what is not reckoned has no number', () => {
    const rows = compareBurnouts({ kiln: { ...kiln, costPerH: 0.5 }, compared });
    const of = (name: string) => rows.find((row) => row.name === name)!.values.map((v) => v && v.value);
    expect(of('Hours of the kiln')).toEqual([6, 5]);
    expect(of('Cost of the kiln')).toEqual([3, 2.5]);
    expect(of('Core at the end')[0]).toBeGreaterThan(90);
    expect(of('Core dry after')).toEqual([null, null]);
    expect(of('Core hot enough to burn carbon')).toEqual([0, null]);
  });
  it('tell the energy of a kiln whose power is known', () => {
    const rows = compareBurnouts({ kiln: { ...kiln, powerKw: 3 }, compared });
    const [kwh] = rows.find(({ name }) => name === 'Energy, about')!.values;
    expect(kwh!.value).toBeGreaterThan(0);
    expect(kwh!.value).toBeLessThan(18);
  });
  it('tell no cost of a kiln whose hour has none', () => {
    const none = compareBurnouts({ kiln: { ...kiln, costPerH: 0 }, compared }).map(({ name }) => name);
    expect(none).not.toContain('Cost of the kiln');
    expect(none).not.toContain('Energy, about');
  });
});
