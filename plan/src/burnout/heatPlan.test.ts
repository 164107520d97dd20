import type { PourDoc } from '@zero-pour/contracts';
import { heatFlask, plasterOf, SHELL_MM, type FlaskHeat } from '@zero-pour/core';
import { heatJob, type HeatInput } from '@zero-pour/jobs';
import { describe, expect, it } from 'vitest';
import { planPour, valueOf, type Reading, type Readings } from '../index';
import { flaskOf, fullDoc, planShop } from '../testing/planShop';

const ZERO = new Date(2026, 10, 26, 9, 15);
/** Readings in which the heat of every flask is so. */
const heatReadings = (of: (wish: HeatInput) => Reading<FlaskHeat>): Readings => ({
  of: (job, input) =>
    job.name === heatJob.name ? (of(input as HeatInput) as Reading<never>) : { status: 'unread' },
});
const reckoned = heatReadings((wish) => ({
  status: 'known',
  value: heatFlask({
    body: { innerDiameterMm: wish.innerDiameterMm, heightMm: wish.heightMm, shellMm: wish.shellMm },
    plaster: plasterOf(wish.ratio),
    kiln: wish.kiln.map(([h, tempC]) => ({ h, tempC })),
    patternsMm: wish.patternsMm,
  }),
}));
const planOf = (readings?: Readings, change: (doc: PourDoc) => void = () => {}, shop = planShop()) =>
  planPour({ doc: fullDoc(ZERO, change) }, readings ? { ...shop, readings } : shop);
const judged = (...args: Parameters<typeof planOf>): string[] =>
  valueOf(planOf(...args).burnout)!.judgements.map(({ rule, weight }) => `${rule} ${weight}`);

describe('a burnout by the flask', () => {
  it('says nothing good of a core that was not reckoned, or could not be', () => {
    const of = (reading?: Reading<FlaskHeat>) =>
      judged(reading && heatReadings(() => reading)).filter((said) => said.includes('core'));
    expect(of()).toEqual(['core watch']);
    expect(of({ status: 'working', share: 0 })).toEqual(['core watch']);
    expect(of({ status: 'failed', sentence: 'No worker.' })).toEqual(['core watch']);
    const unchosen = (doc: PourDoc) => void (doc.invest.powderId = undefined);
    expect(judged(reckoned, unchosen)).toContain('core watch');
  });
  it('is judged by its core once that is known: steam, clean-out, soak', () => {
    expect(judged(reckoned)).toEqual(['swell ramp ok', 'steam ok', 'core clean-out ok', 'core at pour ok']);
  });
  it('falls short in the core where the kiln’s hours would do', () => {
    const hold = (hours: number) => (doc: PourDoc) => {
      const { segments } = valueOf(planOf().burnout)!;
      doc.burnout.segments = segments.map((one) => ({
        ...one,
        hands: [...one.hands],
        ...(one.targetC === 730 ? { holdH: hours } : {}),
      }));
    };
    // A wide flask and a short peak: the kiln has its 1.5 h, the core hardly comes there.
    const shop = planShop();
    const flask = shop.lists.flask.map((one) => ({ ...one, innerDiameterMm: 180, heightMm: 220 }));
    const resin = shop.lists.resin.map((one) => ({ ...one, cleanOutH: 1.5 }));
    const said = judged(reckoned, hold(0.3), { ...shop, lists: { ...shop.lists, flask, resin } });
    expect(said).not.toContain('clean-out fix');
    expect(said).toContain('core clean-out fix');
  });
  it('asks for the widest flask, by the mix and the programme as they are, of a poured pour too', () => {
    const shop = planShop();
    const [flask] = shop.lists.flask;
    const wide = {
      ...flask!,
      id: '00000000-0000-4000-8000-0000000000aa',
      name: 'wide',
      innerDiameterMm: 125,
    };
    const two = { ...shop, lists: { ...shop.lists, flask: [flask!, wide] } };
    const both = (doc: PourDoc): void => {
      const second = structuredClone(flaskOf(doc));
      doc.flasks.push({ ...second, key: 'second', pieces: [], sprue: { ...second.sprue, flaskId: wide.id } });
      doc.invest.ratio = 0.38;
    };
    const plan = planOf(undefined, both, two);
    const { wish, flask: of } = valueOf(plan.burnout)!.heat!;
    expect(of.name).toBe('wide');
    expect(wish).toMatchObject({ innerDiameterMm: 125, ratio: 0.38, shellMm: SHELL_MM, patternsMm: 37.5 });
    expect(wish.kiln.at(-1)![0]).toBeCloseTo(valueOf(plan.burnout)!.curve.totalH, 9);
    expect(plan.wants.map(({ job }) => job)).toContain('heat');
    const poured = planOf(undefined, (doc) => void (flaskOf(doc).pour.pouredAt = ZERO.toISOString()));
    // Nobody else would reckon it: what is said of it there would stay “not yet”.
    expect(poured.wants.map(({ job }) => job)).toContain('heat');
  });
});
