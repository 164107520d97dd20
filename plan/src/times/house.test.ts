import type { House, Pour, PourDoc } from '@zero-pour/contracts';
import { formatPhrase, HOUR_MS, METRIC, solveWeek } from '@zero-pour/core';
import { createDemoShop } from '@zero-pour/demo';
import { beforeAll, describe, expect, it } from 'vitest';
import { boardRows, nextHandsOn } from '../board';
import type { Shop } from '../context';
import { planWeeks, proposalProblem, readAnswer, takingOf } from '../week/weekPlan';

const NOW = new Date(2026, 10, 24, 16, 54).getTime();
const HOUSE: House = { key: 'h', name: 'Harbour House', daysThere: 1, daysWithIt: 3, daysBack: 1, takes: 'prints', accepts: 'wax-rich resins' }; // prettier-ignore
const BACK = new Date(2026, 11, 3, 10).getTime();
let shop: Shop;
let open: Pour[];
beforeAll(async () => {
  const { file } = await createDemoShop(new Date(NOW));
  open = file.pours.filter(({ number }) => number === 31);
  shop = { settings: file.settings, lists: file.lists, patterns: file.patterns };
});
const withHouse = (house: House = HOUSE): Shop => ({
  ...shop,
  settings: { ...shop.settings, houses: [house] },
});
const away = (change: (doc: PourDoc) => void = () => undefined): Pour[] =>
  structuredClone(open).map((pour) => {
    pour.doc.burnout.houseKey = 'h';
    pour.doc.brief.zeroAt = new Date(BACK).toISOString();
    change(pour.doc);
    return pour;
  });
const rowOf = (pours = away(), of = withHouse()) => boardRows(pours, of)[0]!;

describe('a pour that a casting house does', () => {
  it('is counted back from when it is wanted back: days away, packing, and what is done here', () => {
    const { times, plan } = rowOf();
    expect(times!.zero).toBe(BACK);
    expect(times!.kilnIn).toBe(BACK - 5 * 24 * HOUR_MS);
    expect(times!.blocks.map(({ work, name }) => name ?? work)).toEqual(['warm the bottle', 'print', 'clean', 'pack for Harbour House', 'at Harbour House']); // prettier-ignore
    // Its burnout is nobody's knowledge here, and no kiln is taken for it.
    expect(plan.context.kiln).toBeUndefined();
    expect(plan.burnout).toMatchObject({ status: 'impossible' });
  });
  it('asks hands to hand it over, by what the house accepts, and to take it back', () => {
    const entries = nextHandsOn([rowOf()]).map(({ what, detail }) => [formatPhrase(what, METRIC), formatPhrase(detail, METRIC)]); // prettier-ignore
    expect(entries).toContainEqual(['Hand over to Harbour House', 'it accepts: wax-rich resins']);
    expect(entries).toContainEqual(['Back from Harbour House', '']);
    expect(entries.flat().join()).not.toMatch(/Melt|Kiln in|Zero/);
  });
  it('is sprued here where the house takes trees', () => {
    const { times } = rowOf(away(), withHouse({ ...HOUSE, takes: 'trees' }));
    expect(times!.blocks.map(({ work }) => work)).toContain('sprue');
  });
  it('has no times while nobody has said how long the house has it', () => {
    const { daysWithIt: _unknown, ...house } = HOUSE;
    const { times, plan } = rowOf(away(), withHouse(house));
    expect(times).toBeUndefined();
    expect(plan.times).toMatchObject({
      status: 'missing',
      needs: [{ what: 'how many days Harbour House has it' }],
    });
    expect(planWeeks([rowOf(away(), withHouse(house))], [], withHouse(house), 'wanted', NOW).leftOut[0]!.why).toContain('how many days'); // prettier-ignore
  });
  it('is back so long after it was handed over, whenever it was wanted', () => {
    const sent = BACK - 2 * 24 * HOUR_MS;
    const { times } = rowOf(away((doc) => (doc.burnout.startedAt = new Date(sent).toISOString())));
    expect(times!.zero).toBe(sent + 5 * 24 * HOUR_MS);
    expect(times!.kilnStarted).toBe(true);
  });
  it('names a handing over while the bench is closed', () => {
    const sunday = rowOf(away((doc) => (doc.brief.zeroAt = new Date(2026, 11, 4, 10).toISOString())));
    expect(sunday.times!.conflicts.map(({ what }) => what)).toContain('Handing over to Harbour House');
  });
  it('is planned with the others, takes no kiln, and is taken without one', () => {
    const of = withHouse();
    const planning = planWeeks([rowOf()], [], of, 'earliest', NOW);
    const answer = solveWeek(proposalProblem(planning));
    if (answer.status !== 'planned') throw new Error(answer.status);
    const [one] = readAnswer(planning, answer);
    expect(one!.kiln).toBeUndefined();
    expect(one!.zero).toBeLessThan(BACK);
    const taking = takingOf(one!, of.settings)!;
    expect(taking.kilnId).toBeUndefined();
    expect(Object.keys(taking.plannedWeek.steps)).toContain('send');
  });
  it('is burnt out here once the house is gone from the shop', () => {
    expect(rowOf(away(), shop).plan.burnout.status).toBe('known');
  });
});
