import { describe, expect, it } from 'vitest';
import reference from '../../reference/metal.json';
import { readFeedField } from '../gate';
import { BOOK_ALLOYS, meltOf } from '../metal';
import { formatPhrase, METRIC, seededRandom } from '../numeric';
import { measured } from '../testing/analysed';
import { box, lathe, moved, together, torus, type TestMesh } from '../testing/solids';
import {
  capillaryPa,
  drivePressurePa,
  FLASK_MOST_C,
  fillMargins,
  flowSpeed,
  judgeFill,
  nodeNear,
  readFill,
  readFillField,
  SPEED_MOST,
  stopTimeS,
  SUPERHEAT_MOST_C,
  type Drive,
  type FillField,
  type FillingGate,
  type PouredHeat,
} from './index';

const passageOf = (kind: string, sizeMm: number) => ({
  widthMm: sizeMm,
  modulusMm: kind === 'wire' ? sizeMm / 4 : sizeMm / 2,
});
const heatOf = (row: (typeof reference.flow)[number]): PouredHeat => ({
  densityKgPerM3: row.density,
  latentJPerKg: row.latent,
  heatJPerKgK: row.c,
  surfaceNPerM: 0.92,
  liquidusC: row.liquidus_c,
  metalC: row.liquidus_c + row.superheat_c,
  flaskC: row.flask_c,
});
const STERLING = heatOf(reference.flow[2]!);
const GRAVITY: Drive = { way: 'gravity', headMm: 50 };
const VACUUM: Drive = { way: 'vacuum', headMm: 50, vacuumKpa: 70 };

describe('flow until it freezes', () => {
  it.each(reference.flow)('$kind of $size_mm mm into $flask_c °C agrees with the reference', (row) => {
    const seconds = stopTimeS(passageOf(row.kind, row.size_mm), heatOf(row));
    expect(seconds).toBeCloseTo(row.t_stop_s, 9);
    expect((row.speed_mps * seconds) / (row.distance_mm / 1000)).toBeCloseTo(row.margin, 9);
  });
  it('lasts longer in hotter flasks, hotter metal and thicker passages', () => {
    const { uniform: random } = seededRandom(3);
    for (let n = 0; n < 200; n++) {
      const widthMm = 0.2 + 3 * random();
      const passage = { widthMm, modulusMm: widthMm * (1 / 6 + random() / 3) };
      const heat = { ...STERLING, flaskC: 400 + 300 * random(), metalC: 900 + 100 * random() };
      const now = stopTimeS(passage, heat);
      expect(stopTimeS(passage, { ...heat, flaskC: heat.flaskC + 10 })).toBeGreaterThan(now);
      expect(stopTimeS(passage, { ...heat, metalC: heat.metalC + 10 })).toBeGreaterThan(now);
      const thicker = { widthMm: 1.2 * widthMm, modulusMm: 1.2 * passage.modulusMm };
      expect(stopTimeS(thicker, heat)).toBeGreaterThan(now);
    }
  });
  it('is none for metal under its liquidus, and has no end in a mold as hot as that', () => {
    const wire = passageOf('wire', 1);
    expect(stopTimeS(wire, { ...STERLING, metalC: 880 })).toBe(0);
    expect(stopTimeS(wire, { ...STERLING, flaskC: 893 })).toBe(Infinity);
  });
});

describe('pressure', () => {
  const { capillary } = reference;
  it('lets the reference’s thinnest wires be entered, by gravity and under vacuum', () => {
    const headMm = 1000 * capillary.head_m;
    const at = (drive: Drive): number =>
      capillaryPa(passageOf('wire', 1), capillary.gamma) / drivePressurePa(drive, capillary.density);
    expect(at({ way: 'gravity', headMm })).toBeCloseTo(capillary.gravity_wire_mm, 6);
    const vacuumKpa = capillary.vacuum_pa / 1000;
    expect(at({ way: 'vacuum', headMm, vacuumKpa })).toBeCloseTo(capillary.vacuum_wire_mm, 6);
  });
  it('needs half as much for a slot as for a hole, and no more vacuum than a pump pulls', () => {
    expect(capillaryPa(passageOf('plate', 0.5), 1)).toBeCloseTo(
      capillaryPa(passageOf('wire', 0.5), 1) / 2,
      9,
    );
    const at = (vacuumKpa: number): number => drivePressurePa({ ...VACUUM, vacuumKpa } as Drive, 9300);
    expect(at(100)).toBe(at(80));
  });
  it('of a centrifuge grows with the square of its turns', () => {
    const at = (turnsPerMin: number): number =>
      drivePressurePa({ way: 'centrifuge', headMm: 40, armMm: 300, turnsPerMin }, 9300);
    expect(at(400) / at(200)).toBeCloseTo(4, 9);
    expect(at(300)).toBeCloseTo(9300 * (10 * Math.PI) ** 2 * 0.3 * 0.04, 6);
  });
  it('runs no metal into a wire that is too thin for it, and none faster than the way of pouring', () => {
    expect(flowSpeed(passageOf('wire', 1.2), GRAVITY, STERLING)).toBe(0);
    expect(flowSpeed(passageOf('wire', 3), GRAVITY, STERLING)).toBeLessThanOrEqual(SPEED_MOST.gravity);
    expect(flowSpeed(passageOf('wire', 0.5), VACUUM, STERLING)).toBe(SPEED_MOST.vacuum);
  });
});

describe('the melt of an alloy', () => {
  it('is its metals mixed, unless its own figures are known, and says which', () => {
    const sterling = BOOK_ALLOYS[0]!.composition;
    const mixed = meltOf(sterling);
    expect(mixed.densityKgPerM3).toBeGreaterThan(9000);
    expect(mixed.densityKgPerM3).toBeLessThan(9320);
    expect(mixed.surfaceNPerM).toBeCloseTo(0.925 * 0.92 + 0.075 * 1.25, 9);
    expect(mixed.estimated).toHaveLength(3);
    const known = meltOf(sterling, { latentJPerG: 105, heatJPerGK: 0.31 });
    expect(known).toMatchObject({ latentJPerKg: 105_000, heatJPerKgK: 310, estimated: ['surfaceNPerM'] });
  });
  it('does not follow from a composition of nothing', () => {
    expect(() => meltOf({})).toThrow('composition');
  });
});

const netOf = (mesh: TestMesh, cellMm = 0.1): FillField => {
  const read = measured(mesh);
  return readFillField(readFeedField(read.mesh, read.measure.volumeMm3, { cellMm, medianMm: 0 }));
};
const gate = (at: FillingGate['at'], diameterMm: number): FillingGate => ({ at, diameterMm, lengthMm: 0 });
const fast: Drive = { way: 'vacuum', headMm: 50, vacuumKpa: 80 };
const speed = SPEED_MOST.vacuum;

describe('margin along a part', () => {
  it.each([
    ['wire', lathe([[0, 0], [0.5, 0], [0.5, 25], [0, 25]], 40), [0, 0, 0], 25, 1], // prettier-ignore
    ['plate', box([25, 12, 1]), [0, 6, 0.5], 25, 1],
    ['plate', box([20, 10, 0.5]), [0, 5, 0.25], 20, 0.5],
  ] as const)('of a %s falls with the way, as the closed form says', (kind, mesh, at, lengthMm, sizeMm) => {
    const net = netOf(mesh);
    const margins = fillMargins(net, [gate([...at], sizeMm)], { heat: STERLING, drive: fast });
    const stop = stopTimeS(passageOf(kind, sizeMm), STERLING);
    const far = net.nodes.at.reduce(
      (best, v, k) => (k % 3 === (kind === 'wire' ? 2 : 0) ? Math.max(best, v) : best),
      0,
    );
    // Places along the middle only: the corners of a plate are further.
    for (let n = 0; n < net.nodes.count; n++) {
      const place = [0, 1, 2].map((k) => net.nodes.at[3 * n + k]!);
      const along = kind === 'wire' ? place[2]! : place[0]!;
      const aside = kind === 'wire' ? 0 : Math.abs(place[1]! - at[1]);
      if (along < 0.5 * lengthMm || aside > 1.5) continue;
      const closed = (1000 * speed * stop) / along;
      expect(margins[n]! / closed).toBeGreaterThan(0.75);
      expect(margins[n]! / closed).toBeLessThan(1.2);
    }
    expect(far).toBeGreaterThan(0.9 * lengthMm);
  });

  it('is the same by either way round a ring, and least opposite the gate', () => {
    const net = netOf(torus(9, 0.6, 96, 24));
    const reading = readFill(net, [gate([9.6, 0, 0], 1.2)], { heat: STERLING, drive: fast })!;
    expect(reading.last.at[0]).toBeLessThan(-8);
    const margins = fillMargins(net, [gate([9.6, 0, 0], 1.2)], { heat: STERLING, drive: fast });
    const at = (x: number, y: number): number => margins[nodeNear(net, x, y, 0)]!;
    expect(at(0, 9) / at(0, -9)).toBeCloseTo(1, 1);
  });

  it('does not charge a thick feeder with the time of the thin end', () => {
    // 10 mm of 3 mm rod before 5 mm of 0.6 mm wire.
    const outline = [[0, 0], [1.5, 0], [1.5, 10], [0.3, 10], [0.3, 15], [0, 15]] as const; // prettier-ignore
    const margin = (mesh: TestMesh, z: number): number =>
      readFill(netOf(mesh), [gate([0, 0, z], 1)], { heat: STERLING, drive: fast })!.last.margin;
    const whole = margin(lathe(outline, 40), 0);
    const alone = margin(lathe([[0, 0], [0.3, 0], [0.3, 5], [0, 5]], 40), 0); // prettier-ignore
    expect(whole / alone).toBeGreaterThan(0.6);
    expect(whole / alone).toBeLessThan(1.05);
  });

  it('is never better for colder flasks, and no gate more ever harms', () => {
    const net = netOf(box([14, 10, 0.4]));
    const { uniform: random } = seededRandom(8);
    for (let n = 0; n < 20; n++) {
      const first = gate([14 * random(), 10 * random(), 0], 0.8);
      const second = gate([14 * random(), 10 * random(), 0], 0.8);
      const heat = { ...STERLING, flaskC: 420 + 200 * random() };
      const one = fillMargins(net, [first], { heat, drive: fast });
      const two = fillMargins(net, [first, second], { heat, drive: fast });
      const cold = fillMargins(net, [first], { heat: { ...heat, flaskC: 400 }, drive: fast });
      one.forEach((margin, k) => {
        expect(two[k]!).toBeGreaterThanOrEqual(margin);
        expect(cold[k]!).toBeLessThanOrEqual(margin);
      });
    }
  });
});

describe('whether a part fills', () => {
  const wire = netOf(lathe([[0, 0], [0.2, 0], [0.2, 34], [0, 34]], 32)); // prettier-ignore
  const end = gate([0, 0, 0], 0.4);
  const cold = { heat: { ...STERLING, flaskC: 340 }, drive: { ...fast, headMm: 40 } };
  const hottest = { flaskC: FLASK_MOST_C, metalC: 893 + SUPERHEAT_MOST_C };
  const read = readFill(wire, [end], cold, hottest)!;
  const said = (reading: typeof read): string => {
    const [first] = judgeFill(reading, { flaskHighC: 540, metalHighC: 990, estimated: false });
    return `${first!.weight}: ${first!.lead} ${formatPhrase(first!.why, METRIC)}`;
  };

  it('names the last place, and offers that do fill it when they are tried', () => {
    expect(read.last.at[2]).toBeGreaterThan(33);
    expect(read.last.because).toBe('late');
    expect(said(read)).toMatch(/^fix: It does not fill\./);
    const { flaskC, metalC, gate: second } = read.offers!;
    const again = (change: Partial<PouredHeat>): number =>
      readFill(wire, [end], { ...cold, heat: { ...cold.heat, ...change } })!.last.margin;
    expect(flaskC).not.toBeNull();
    expect(again({ flaskC: flaskC! })).toBeGreaterThanOrEqual(2);
    expect(again({ flaskC: flaskC! - 5 })).toBeLessThan(2);
    if (metalC !== null) expect(again({ metalC })).toBeGreaterThanOrEqual(2);
    const two = readFill(wire, [end, { ...second!, lengthMm: 0 }], cold)!;
    expect(two.last.margin).toBeCloseTo(second!.margin, 5);
    expect(second!.margin).toBeGreaterThan(1.5 * read.last.margin);
  });
  it('says what keeps the metal out: freezing, pressure or no way', () => {
    const slow = readFill(wire, [end], { heat: STERLING, drive: GRAVITY })!;
    expect(slow.last).toMatchObject({ because: 'narrow', margin: 0 });
    expect(said(slow)).toContain('surface tension');
    const bodies = netOf(together(box([4, 4, 4]), moved(box([2, 2, 2]), [10, 0, 0])));
    const far = readFill(bodies, [gate([0, 2, 2], 2)], { heat: STERLING, drive: fast }, hottest)!;
    expect(far.last).toMatchObject({ because: 'no way', margin: 0 });
    expect(far.last.at[0]).toBeGreaterThan(9);
    expect(said(far)).toContain('Set a gate on that body.');
    expect(readFill(wire, [], { heat: STERLING, drive: fast })!.last.because).toBe('no way');
  });
  it('is offered no hotter than powder and metal bear', () => {
    const warm = readFill(wire, [end], cold, { flaskC: 400, metalC: 940 })!;
    expect(warm.offers).toMatchObject({ flaskC: null, metalC: null });
    expect(said(warm)).toMatch(/Ways out: one more gate/);
    expect(readFill(wire, [end], cold)!.offers).toBeNull();
  });
  it('is said with its margin where it fills', () => {
    const block = readFill(netOf(box([6, 6, 6])), [gate([3, 3, 0], 3)], { heat: STERLING, drive: fast })!;
    expect(block.offers).toBeNull();
    expect(block.last.margin).toBeGreaterThan(10);
    expect(said(block)).toMatch(/^ok: It fills\./);
  });
});
