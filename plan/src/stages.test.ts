import { coolingHours, HOUR_MS, layerCount, METRIC, ringDiameterMm, STAGES } from '@zero-pour/core';
import type { PourDoc } from '@zero-pour/contracts';
import { describe, expect, it } from 'vitest';
import { judgeTimes, planPour, stageLine, valueOf, type Planned } from './index';
import { blockPattern, flaskOf, fullDoc, id, LINE, ofOneFlask, planShop, wanted } from './testing/planShop';

/** A Thursday, 09:15 local. */
const ZERO = new Date(2026, 10, 26, 9, 15);
const planOf = (change: (doc: PourDoc) => void = () => {}, shop = planShop()) =>
  ofOneFlask(planPour({ doc: fullDoc(ZERO, change) }, shop));
function known<T>(planned: Planned<T>): T {
  const value = valueOf(planned);
  if (value === undefined) throw new Error(JSON.stringify(planned));
  return value;
}
const rules = (judgements: readonly { rule: string; weight: string }[]): string[] =>
  judgements.map((j) => `${j.rule} ${j.weight}`);

describe('scale', () => {
  it('makes up for the steps alone when no size is held', () => {
    const scale = known(planOf().scale);
    expect(scale.percent.value).toBeCloseTo(100 / (0.997 * 1.01 * 0.981), 9);
    expect([scale.printMm, scale.ringSizes]).toEqual([undefined, []]);
    expect(scale.percent.note).toContain('No size is to be held');
  });

  it('holds an outer size with its skin, by the finish', () => {
    const at = (finish: PourDoc['brief']['finish']) =>
      known(planOf((doc) => {
        doc.brief.sizes = [wanted()];
        doc.brief.finish = finish;
      }).scale).printMm!.value; // prettier-ignore
    const product = 0.997 * 1.01 * 0.981;
    expect(at('full')).toBeCloseTo(20.1 / product, 9);
    expect(at('one face')).toBeCloseTo(20.1 / product, 9);
    expect(at('as cast')).toBeCloseTo(20 / product, 9);
  });

  it('prints a bore smaller for the skin that polishing takes, and names it in every ring system', () => {
    const scale = known(planOf((doc) => {
      const mm = ringDiameterMm('US', '7');
      doc.brief.sizes = [wanted({ of: 'bore', finishedMm: mm, ring: { system: 'US', size: '7' } })];
      doc.scale.printAddsMm = 0.02;
    }).scale); // prettier-ignore
    expect(scale.printMm!.value).toBeCloseTo((17.3196 - 0.1) / (0.997 * 1.01 * 0.981) + 0.02, 6);
    expect(scale.ringSizes.find((r) => r.system === 'US')).toMatchObject({ size: '7' });
    expect(scale.percent.value).toBeCloseTo((100 * scale.printMm!.value) / 17.3196, 6);
  });

  it('takes what the profile’s coupons measured, unless something is typed', () => {
    const shop = planShop();
    const profile = [{ ...shop.lists.profile[0]!, printAddsMm: 0.03 }];
    const withProfile = (typed?: number) =>
      known(planOf((doc) => {
        doc.brief.sizes = [wanted()];
        if (typed !== undefined) doc.scale.printAddsMm = typed;
      }, { ...shop, lists: { ...shop.lists, profile } }).scale); // prettier-ignore
    expect(withProfile().printMm!.value - withProfile(0).printMm!.value).toBeCloseTo(-0.03, 9);
    expect(withProfile(0.01).printMm!.value - withProfile(0).printMm!.value).toBeCloseTo(-0.01, 9);
  });

  it('lets the shop’s own numbers win over the book', () => {
    const scale = known(planOf((doc) => {
      doc.scale = { way: 'chain', own: { resin: 0, investment: 0, metal: -2 } };
    }).scale); // prettier-ignore
    expect(scale.percent.value).toBeCloseTo(100 / 0.98, 9);
    expect(scale.chain!.steps.map((s) => s.given.source)).toEqual(['typed here', 'typed here', 'typed here']);
  });

  it('waits for a percent in the quick way, and refuses a size that finishing uses up', () => {
    expect(planOf((doc) => void (doc.scale = { way: 'percent', own: {} })).scale.status).toBe('missing');
    const tiny = planOf((doc) => {
      doc.brief.sizes = [wanted({ of: 'bore', finishedMm: 0.05 })];
      doc.scale.skinMm = 0.05;
    });
    expect(tiny.scale.status).toBe('impossible');
  });
});

describe('print', () => {
  it('counts layers, hours and resin from the stance as printed', () => {
    const print = known(planOf().print);
    const factor = known(planOf().scale).percent.value / 100;
    const layers = layerCount(8 * factor, 0.05);
    expect([print.layers, print.copies]).toEqual([layers, 2]);
    expect(print.hours.value).toBeCloseTo((layers * 9 + 5 * 24) / 3600, 9);
    // Two blocks of 20 × 10 mm with a rim of 1 mm, its corners drawn a little outside.
    const raftMm2 = 2 * (200 * factor ** 2 + 60 * factor + Math.PI);
    const { raftMm } = planOf().context.profile!;
    expect(print.raftMl.value / ((raftMm2 * raftMm) / 1000)).toBeCloseTo(1, 2);
    const ml = 2 * 1.6 * factor ** 3 * 1.3 + print.raftMl.value + 3;
    expect(print.resinG.value).toBeCloseTo(ml * 1.1, 6);
  });

  it('stands taller when it is turned, and so takes longer', () => {
    const upright = known(
      planOf((doc) => void (doc.wayUp.lines[LINE]!.rotation = { xDeg: 0, yDeg: 90, zDeg: 0 })).print,
    );
    const flat = known(planOf().print);
    expect(upright.heightMm / flat.heightMm).toBeCloseTo(20 / 8, 9);
    expect(upright.hours.value).toBeGreaterThan(2 * flat.hours.value);
  });

  it('prints spares of each, and takes the printer’s own word over the estimate', () => {
    const print = known(planOf((doc) => {
      doc.print.spares = 2;
      doc.print.hoursTyped = 3.5;
      doc.print.resinMlTyped = 40;
    }).print); // prettier-ignore
    expect([print.copies, print.hours.value]).toEqual([4, 3.5]);
    expect(print.resinG.value).toBeCloseTo(44, 9);
  });

  it('says when the part is too tall or the plate too small', () => {
    const small = planShop(blockPattern(), {
      printer: [{ ...planShop().lists.printer[0]!, plateZMm: 6, plateXMm: 24, plateYMm: 20 }],
    });
    expect(rules(known(planOf((doc) => void (doc.print.spares = 3), small).print).judgements)).toEqual([
      'too tall stop',
      'plate full watch',
    ]);
  });
});

describe('tree', () => {
  it('hangs as printed or along an axis of the file', () => {
    const reach = (hangs: 'as printed' | 'x' | 'y' | 'z') =>
      known(planOf((doc) => void (flaskOf(doc).sprue.hangs = hangs)).tree).cylinders!.layout.heightMm;
    const factor = known(planOf().scale).percent.value / 100;
    expect(reach('z')).toBeCloseTo(reach('as printed'), 9);
    expect(reach('x') - reach('z')).toBeCloseTo((20 - 8) * factor, 6);
    expect(reach('y') - reach('z')).toBeCloseTo((10 - 8) * factor, 6);
  });

  it('keeps more room between heavy parts', () => {
    const gap = (castClass: PourDoc['brief']['castClass']) =>
      known(planOf((doc) => void (doc.brief.castClass = castClass)).tree).cylinders!.form.betweenMm;
    expect([gap('standard'), gap('heavy')]).toEqual([4, 6]);
  });

  it('gives a small cone the button that the tree asks for', () => {
    const shop = planShop(blockPattern(), {
      flask: [{ ...planShop().lists.flask[0]!, coneDiameterMm: 4, coneHeightMm: 2 }],
    });
    const tree = known(planOf(() => {}, shop).tree);
    expect(tree.button.value).toBeCloseTo(0.25 * (tree.patterns.value + tree.sprues.value), 9);
  });
});

describe('mix', () => {
  it('takes the powder’s ratio, or the pour’s own, and judges it', () => {
    expect(known(planOf().mix).ratio).toBe(0.4);
    const own = known(planOf((doc) => void (doc.invest.ratio = 0.5)).mix);
    expect(rules(own.judgements)).toContain('ratio fix');
  });

  it('shortens the working time in warm water and says that it is warm', () => {
    const warm = known(planOf((doc) => void (doc.invest.waterTempC = { state: 'measured', value: 27 })).mix);
    expect(warm.workingMin).toBeCloseTo(9.5 * Math.exp(-0.045 * 5), 9);
    expect([warm.waterKnown, rules(warm.judgements)]).toEqual([true, ['water watch']]);
    const felt = known(planOf((doc) => void (doc.invest.waterTempC = { state: 'felt', felt: 'hot' })).mix);
    expect([felt.waterKnown, felt.workingMin]).toEqual([false, 9.5]);
  });

  it('doses boric acid by either school and warns of the divest', () => {
    const dose = (school: 'powder' | 'water') =>
      known(planOf((doc) => void (doc.invest.boric = { school, percent: 2 })).mix);
    const mix = known(planOf().mix);
    expect(dose('powder').boric!.value).toBeCloseTo(mix.powder.value * 0.02, 9);
    expect(dose('water').boric!.value).toBeCloseTo(mix.water.value * 0.02, 9);
    expect([mix.boric, rules(dose('water').judgements)]).toEqual([undefined, ['boric hard watch']]);
  });

  it('names ordinary powder under resin', () => {
    const shop = planShop(blockPattern(), {
      powder: [{ ...planShop().lists.powder[0]!, grade: 'standard' }],
    });
    expect(rules(known(planOf(() => {}, shop).mix).judgements)).toEqual(['grade watch']);
  });
});

describe('burnout', () => {
  it('runs the programme in this kiln to this metal’s flask temperature', () => {
    const burnout = known(planOf().burnout);
    expect(burnout.curve.totalH).toBeCloseTo(
      1 + 2.5 + 220 / 90 + 2 + 360 / 105 + 4 + coolingHours(730, 510, 5) + 2,
      9,
    );
    expect(burnout.edited).toBe(false);
  });

  it('takes the pour’s own segments and flask temperature', () => {
    const burnout = known(planOf((doc) => {
      flaskOf(doc).pour.flaskTempC = 600;
      doc.burnout.segments = [{ name: 'x', rampCPerH: 100, targetC: 700, holdH: 5, flaskWay: 'button up', hands: [], note: '' }, { name: 'y', rampCPerH: null, targetC: null, holdH: 1, flaskWay: 'button up', hands: [], note: '' }];
    }).burnout); // prettier-ignore
    expect(burnout.edited).toBe(true);
    expect(burnout.curve.points.at(-1)).toMatchObject({ tempC: 600 });
  });

  it('stops resins that are not for burnout and peaks that the kiln does not reach', () => {
    const shop = planShop(blockPattern(), {
      resin: [{ ...planShop().lists.resin[0]!, forBurnout: false }],
      kiln: [{ ...planShop().lists.kiln[0]!, maxC: 700 }],
      flask: [{ ...planShop().lists.flask[0]!, innerDiameterMm: 100 }],
    });
    const found = rules(known(planOf(() => {}, shop).burnout).judgements);
    expect(found).toEqual(
      expect.arrayContaining(['not for burnout stop', 'kiln max stop', 'flask size watch']),
    );
  });
});

describe('progress', () => {
  const done = (change: (doc: PourDoc) => void) => planOf(change).current;
  const moment = '2026-11-25T08:00:00.000Z';

  it('goes from stage to stage as the work is done', () => {
    expect(done(() => {})).toBe('print');
    expect(done((doc) => void (doc.print.finishedAt = moment))).toBe('clean');
    const cleaned = (doc: PourDoc): void => {
      doc.print.finishedAt = moment;
      doc.clean.steps = Object.fromEntries(
        planShop().lists.resin[0]!.protocol.map((s, i) => [
          s.key,
          i % 2 ? { skipped: true } : { doneAt: moment },
        ]),
      );
    };
    expect(done(cleaned)).toBe('sprue');
    expect(done((doc) => { cleaned(doc); flaskOf(doc).sprue.doneAt = moment; doc.invest.doneAt = moment; })).toBe('burnout'); // prettier-ignore
    expect(done((doc) => { cleaned(doc); flaskOf(doc).sprue.doneAt = moment; doc.invest.doneAt = moment; flaskOf(doc).pour.pouredAt = moment; })).toBe('result'); // prettier-ignore
  });

  it('passes over what is left unknown', () => {
    const plan = planOf((doc) => void (doc.left = ['print', 'clean']));
    expect([plan.states.print, plan.current]).toEqual(['left', 'sprue']);
    expect(stageLine('print', plan, METRIC)).toBe('left unknown');
  });

  it('is over when every casting has been looked at', () => {
    const castings = {
      'l1/1': { outcome: 'sellable' as const, flaws: [], photos: [] },
      'l1/2': { outcome: 'scrap' as const, flaws: [], photos: [] },
    };
    const plan = planOf((doc) => {
      doc.left = ['print', 'clean', 'sprue', 'invest'];
      flaskOf(doc).pour.pouredAt = moment;
      doc.result.castings = castings;
    });
    expect([plan.states.result, stageLine('result', plan, METRIC)]).toEqual(['done', '1 of 2 sellable']);
  });

  it('has a line for every stage of a full plan', () => {
    const plan = planOf();
    const lines = Object.fromEntries(STAGES.map((s) => [s.key, stageLine(s.key, plan, METRIC)]));
    expect(lines).toMatchObject({
      brief: '2 wanted, Sterling silver',
      pattern: 'closed, 3.20 cm³',
      resin: 'Skerry Low-Ash',
      wayUp: '1 × 8.0 mm',
      scale: '+1.23 %',
      sprue: '2 in 76 × 102',
      pour: '510 / 975 °C',
    });
  });
});

describe('the clock', () => {
  const words = (at: number): string => new Date(at).toISOString();

  it('says nothing of a plan that fits and has not begun to be late', () => {
    const times = known(planOf().times);
    expect(judgeTimes(times, times.start - HOUR_MS, words)).toEqual([]);
  });

  it('says when the first step should have begun', () => {
    const times = known(planOf().times);
    expect(rules(judgeTimes(times, times.start + HOUR_MS, words))).toEqual(['late start fix']);
  });

  it('names hands that are needed at night, with an hour that mends it only while the kiln is cold', () => {
    const night = known(
      planOf((doc) => void (doc.brief.zeroAt = new Date(2026, 10, 26, 3, 0).toISOString())).times,
    );
    const [first] = judgeTimes(night, night.start - HOUR_MS, words);
    expect(first?.rule).toBe('bench closed 0');
    expect(JSON.stringify(first?.why)).toContain('instead');
    const started = known(planOf((doc) => {
      doc.brief.zeroAt = undefined;
      doc.burnout.startedAt = new Date(2026, 10, 25, 22, 0).toISOString();
    }).times); // prettier-ignore
    expect(JSON.stringify(judgeTimes(started, started.kilnIn, words))).not.toContain('instead');
  });

  it('is later than wanted when the kiln went in late', () => {
    const late = known(
      planOf((doc) => void (doc.burnout.startedAt = new Date(2026, 10, 25, 18, 0).toISOString())).times,
    );
    expect(rules(judgeTimes(late, late.kilnIn, words))).toContain('later watch');
    expect(late.zero).toBeGreaterThan(ZERO.getTime());
  });

  it('has nothing to say once poured', () => {
    const poured = known(planOf((doc) => void (flaskOf(doc).pour.pouredAt = ZERO.toISOString())).times);
    expect([judgeTimes(poured, ZERO.getTime() + 99 * HOUR_MS, words), poured.conflicts]).toEqual([[], []]);
  });
});

it('looks up nothing that is gone: a missing thing is a need, not a fault', () => {
  const gone = planOf((doc) => {
    flaskOf(doc).sprue.flaskId = id(99);
    doc.brief.lines.push({ key: 'gone', patternId: id(98), count: 3 });
  });
  expect(gone.context.castings).toBe(2);
  expect(gone.tree.status === 'missing' && gone.tree.needs.map((n) => n.what)).toEqual(['a flask']);
});
