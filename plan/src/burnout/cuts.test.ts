import type { BurnEvent, PourDoc } from '@zero-pour/contracts';
import { formatPhrase, heatFlask, HOUR_MS, METRIC, plasterOf, type FlaskHeat } from '@zero-pour/core';
import { heatJob, type HeatInput } from '@zero-pour/jobs';
import { describe, expect, it } from 'vitest';
import { fitWish, planPour, valueOf, waysOn, type Readings } from '../index';
import { fullDoc, planShop } from '../testing/planShop';

const ZERO = new Date(2026, 10, 26, 9, 15);
const IN = ZERO.getTime() - 19 * HOUR_MS;
const known = new Map<string, FlaskHeat>();
const reckoned: Readings = {
  of: (job, input) => {
    if (job.name !== heatJob.name) return { status: 'unread' };
    const { kiln, ratio, patternsMm, ...body } = input as HeatInput;
    const text = JSON.stringify(input);
    const heat = known.get(text) ?? heatFlask({ body, plaster: plasterOf(ratio), kiln: kiln.map(([h, tempC]) => ({ h, tempC })), patternsMm }); // prettier-ignore
    known.set(text, heat);
    return { status: 'known', value: heat as never };
  },
};
interface Befell {
  kind?: BurnEvent;
  atH: number;
  hours?: number;
}
function planWith(befell: readonly Befell[], readings?: Readings, started = true) {
  const at = (h: number): string => new Date(IN + h * HOUR_MS).toISOString();
  const doc = fullDoc(ZERO, (change: PourDoc) => {
    if (started) change.burnout.startedAt = at(0);
    change.burnout.events = befell.map(({ kind = 'power out', atH, hours }, n) => ({
      ...{ key: `e${n}`, kind, at: at(atH) },
      ...(hours === undefined ? {} : { until: at(atH + hours) }),
    }));
  });
  const plan = planPour({ doc }, { ...planShop(), ...(readings ? { readings } : {}) });
  return { doc, plan, burnout: valueOf(plan.burnout)!, times: valueOf(plan.times)! };
}
const said = (...args: Parameters<typeof planWith>): string[] =>
  planWith(...args)
    .burnout.judgements.filter(({ rule }) => rule === 'event' || rule === 'came down')
    .map(({ lead, why }) => `${lead} ${formatPhrase(why, METRIC)}`);
const CUT = { atH: 10, hours: 2 / 3 };

describe('what befell a burnout', () => {
  it('moves zero by what the kiln lost, and says what kiln and core fell to', () => {
    const before = planWith([]);
    const after = planWith([CUT], reckoned);
    const laterH = after.burnout.curve.totalH - before.burnout.curve.totalH;
    expect(laterH).toBeGreaterThan(2 / 3);
    expect(after.times.kilnEnds - before.times.kilnEnds).toBeCloseTo(laterH * HOUR_MS, -3);
    const [event, later] = said([CUT], reckoned);
    expect(event).toMatch(/^The power was out\. 10 h after kiln in, for 40 min: the kiln falls to \d+ °C, the core to \d+ °C\.$/); // prettier-ignore
    expect(later).toContain('It is ready later.');
    expect(said([CUT])[0]).toContain('what the core falls to is not reckoned');
  });
  it('is nothing that cools when the flask was turned or moved, nor before it went in', () => {
    expect(said([{ kind: 'turned', atH: 2 }, { kind: 'moved', atH: 5 }])).toEqual([]); // prettier-ignore
    expect(planWith([CUT], undefined, false).burnout.cuts).toEqual([]);
    expect(planWith([{ atH: -2, hours: 1 }]).burnout.cuts).toEqual([]);
  });
  it('that lasts still is reckoned by nobody, and said so', () => {
    const { burnout } = planWith([{ atH: 10 }]);
    expect(burnout.cuts).toEqual([]);
    expect(said([{ atH: 10 }])).toEqual([expect.stringMatching(/^The kiln is not driven\. Until it is over nobody knows/)]); // prettier-ignore
    const { judgements } = planWith([{ atH: 10 }], reckoned).burnout;
    expect(judgements.filter(({ rule }) => rule.startsWith('core') || rule === 'steam')).toEqual([]);
    expect(said([{ kind: 'door open', atH: 10 }])[0]).toContain('The door is open.');
  });
  it('that took the rim down through where silica turns over may have cracked the mold', () => {
    expect(said([{ atH: 11, hours: 9 }], reckoned).at(-1)).toContain('may have cracked');
    expect(said([CUT], reckoned).join(' ')).not.toContain('cracked');
    // Never hot yet: nothing turned over.
    expect(said([{ atH: 2, hours: 9 }], reckoned).join(' ')).not.toContain('cracked');
  });
});

describe('the ways on', () => {
  const leads = (befell: readonly Befell[], nowH: number, readings = reckoned): string[] => {
    const { doc, burnout } = planWith(befell, readings);
    return waysOn(doc, burnout, IN + nowH * HOUR_MS).map(({ lead }) => lead);
  };
  it('are none while nothing befell it', () => {
    expect(leads([], 11)).toEqual([]);
  });
  it('are to go on, or to pour at once in the soak, or to give it up', () => {
    expect(leads([CUT], 11)).toEqual([expect.stringMatching(/^Go on as it is, ready in \d+ h \d\d\.$/)]);
    const { burnout } = planWith([CUT]);
    const soak = burnout.curve.segments.at(-1)!;
    expect(leads([CUT], soak.holdFromH + 0.5)).toContain('Pour now.');
    expect(leads([{ atH: 11, hours: 9 }], 21)).toContain('Give it up.');
  });
  it('are none while something lasts, whatever is over', () => {
    expect(leads([CUT, { atH: 11.5 }], 12)).toEqual([]);
  });
  it('promise nothing of a core that is not reckoned', () => {
    const { doc, burnout } = planWith([CUT]);
    expect(formatPhrase(waysOn(doc, burnout, IN + 11 * HOUR_MS)[0]!.why, METRIC)).toContain('not known');
  });
});

describe('a search while it burns', () => {
  it('stands on what befell it and leaves what is past', () => {
    const { plan, burnout } = planWith([CUT]);
    const wish = fitWish(plan.context, burnout, 'mend', IN + 11 * HOUR_MS)!;
    expect(wish).toMatchObject({ begun: 3, ended: 2, cuts: [{ atH: expect.closeTo(10, 6), kind: 'power' }] });
    const later = fitWish(plan.context, burnout, 'mend', IN + 11.01 * HOUR_MS)!;
    // The same question a minute later: what was found still answers it.
    expect(later).toEqual(wish);
  });
});
