import { describe, expect, it } from 'vitest';
import { segment } from '../testing/segments';
import {
  drivenSegments,
  findEvents,
  KilnBody,
  KilnDrive,
  kilnPace,
  tauOfFalls,
  USUAL_KILN,
  type KilnReadings,
  type RateAt,
} from './index';

const STEPPED = drivenSegments(
  [segment(130, 150, 2), segment(110, 370, 1), segment(null, 730, 2), segment(null, null, 1.5)],
  520,
);

interface Logged {
  everyS?: number;
  hours?: number;
  noiseC?: number;
  /** Rows that are missing, as shares of the run. */
  holes?: [number, number][];
  at?: (h: number, drive: KilnDrive) => void;
}
/** A log that a stand-in writes of a programme. */
function logOf(
  drive: KilnDrive,
  { everyS = 30, hours = 15, noiseC = 0, holes = [], at }: Logged = {},
): KilnReadings {
  const rows: [number, number, number][] = [];
  let seed = 1;
  // A plain congruential generator: any that is the same every time.
  const noise = (): number => ((seed = (seed * 16807) % 2147483647) / 2147483647 - 0.5) * 2 * noiseC;
  const count = (hours * 3600) / everyS;
  for (let n = 0; n <= count; n++) {
    const h = (n * everyS) / 3600;
    at?.(h, drive);
    if (!holes.some(([a, b]) => n >= a * count && n < b * count))
      rows.push([h, drive.readingC + noise(), drive.setC ?? NaN]);
    drive.step(everyS);
  }
  const column = (k: 0 | 1 | 2): Float64Array => Float64Array.from(rows, (row) => row[k]);
  return {
    h: column(0),
    tempC: column(1),
    setC: column(2),
    hasSet: true,
  };
}
function run(logged: Logged = {}, make = USUAL_KILN): KilnReadings {
  const drive = new KilnDrive(new KilnBody(make));
  drive.begin(STEPPED);
  return logOf(drive, logged);
}

describe('a kiln as physics', () => {
  it('keeps its heat: what it gains is what went in less what went out', () => {
    const body = new KilnBody();
    let lost = 0;
    for (let n = 0; n < 1800; n++) {
      lost += 2 * USUAL_KILN.lossWPerK * (body.heat.bricksC - 20);
      body.step(2, 0.7);
    }
    const held =
      USUAL_KILN.elementJPerK * (body.heat.chamberC - 20) + USUAL_KILN.bricksJPerK * (body.heat.bricksC - 20);
    expect(held + lost).toBeCloseTo(0.7 * USUAL_KILN.powerW * 3600, -1);
  });
  it('comes to rest where its loss is its power', () => {
    const body = new KilnBody();
    body.step(40 * 3600, 0.2);
    const bricks = (0.2 * USUAL_KILN.powerW) / USUAL_KILN.lossWPerK + 20;
    expect(body.heat.bricksC).toBeCloseTo(bricks, 0);
    expect(body.heat.probeC).toBeCloseTo(bricks + (0.2 * USUAL_KILN.powerW) / USUAL_KILN.betweenWPerK, 0);
  });
});

describe('a controller', () => {
  it('holds what it is told, within its play, and reaches the last target', () => {
    const log = run();
    const at = (h: number): number => log.tempC[Math.round(h * 120)]!;
    expect(at(2.5)).toBeCloseTo(150, -1);
    expect(Math.max(...log.tempC)).toBeLessThan(745);
    expect(log.tempC.at(-1)!).toBeCloseTo(520, -1);
    expect(log.setC.at(-1)).toBe(520);
    expect(findEvents(log)).toEqual([]);
  });
  it('has no set point without power, and goes on where it was after it', () => {
    const out = (h: number, drive: KilnDrive): void =>
      void (drive.troubles = { ...drive.troubles, powerOut: h >= 7 && h < 7.5 });
    const log = run({ at: out });
    const [cut, ...others] = findEvents(log);
    expect(others).toEqual([]);
    expect([cut!.kind, cut!.fromH, cut!.toH]).toEqual([
      'power',
      expect.closeTo(7, 1),
      expect.closeTo(7.5, 1),
    ]);
    expect(cut!.fellC).toBeGreaterThan(50);
    expect(log.tempC.at(-1)!).toBeCloseTo(520, -1);
  });
  it('loses heat through a door though it is driven', () => {
    const door = (h: number, drive: KilnDrive): void => void (drive.body.doorOpen = h >= 7 && h < 7.1);
    const [event] = findEvents(run({ at: door }));
    expect(event!.kind).toBe('heat lost');
  });
  it('reads colder than it is when its thermocouple drifts, and is driven hotter by as much', () => {
    const drive = new KilnDrive();
    drive.troubles = { ...drive.troubles, driftC: 40 };
    drive.begin(STEPPED);
    drive.step(8 * 3600);
    expect(drive.readingC).toBeCloseTo(730, -1);
    expect(drive.body.heat.chamberC).toBeCloseTo(770, -1);
  });
  it('cannot be cooled while its relay sticks', () => {
    const drive = new KilnDrive();
    drive.begin(STEPPED);
    drive.step(8 * 3600);
    drive.troubles = { ...drive.troubles, stuckOn: true };
    drive.step(7 * 3600);
    expect(drive.setC).toBe(520);
    expect(drive.readingC).toBeGreaterThan(700);
  });
  it('stops, and cools by itself', () => {
    const drive = new KilnDrive(new KilnBody(USUAL_KILN, 600));
    drive.begin(STEPPED);
    drive.stop();
    drive.step(3600);
    expect([drive.running, drive.setC]).toEqual([false, null]);
    expect(drive.readingC).toBeLessThan(560);
  });
});

describe('a kiln’s pace out of noisy logs with holes', () => {
  const makes = [
    ['usual', USUAL_KILN],
    ['weak', { ...USUAL_KILN, powerW: 1700 }],
    ['light', { ...USUAL_KILN, bricksJPerK: 7000, lossWPerK: 2.4 }],
  ] as const;
  it.each(makes)('is that of the %s kiln, within the errors that are said', (_, make) => {
    const clean = kilnPace(run({}, make));
    const noisy = kilnPace(run({ noiseC: 1.5, holes: [[0.1, 0.12], [0.3, 0.31]] }, make)); // prettier-ignore
    const pairs = (['climbs', 'cools'] as const).flatMap((of) =>
      noisy[of].flatMap((found): [RateAt, RateAt][] => {
        const known = clean[of].find(({ tempC }) => tempC === found.tempC);
        return known ? [[found, known]] : [];
      }),
    );
    expect(pairs.length).toBeGreaterThanOrEqual(5);
    for (const [found, known] of pairs) {
      expect(Math.abs(found.cPerH - known.cPerH), `${found.tempC}`).toBeLessThan(
        3.5 * found.offCPerH + 0.02 * known.cPerH,
      );
      expect(found.offCPerH).toBeGreaterThan(0);
    }
  });
});

describe('one time constant of several falls', () => {
  const rate = (tempC: number, tau: number, offCPerH = 0.5) => ({
    tempC,
    cPerH: (tempC - 20) / tau,
    offCPerH,
  });
  it('is that of a kiln which falls by one, and says how sure it is by how far its falls differ', () => {
    const same = tauOfFalls([300, 400, 500, 600].map((t) => rate(t, 1.25)))!;
    expect(same.tauH).toBeCloseTo(1.25, 9);
    const spread = tauOfFalls([rate(300, 1), rate(450, 1.3), rate(600, 1.6)])!;
    expect(spread.tauH).toBeGreaterThan(1);
    expect(spread.tauH).toBeLessThan(1.6);
    expect(spread.offH).toBeGreaterThan(5 * same.offH);
  });
  it('goes by the surer ones, and is none of a single fall or of none', () => {
    expect(tauOfFalls([rate(300, 1, 0.1), rate(500, 2, 200)])!.tauH).toBeCloseTo(1, 1);
    expect(tauOfFalls([rate(400, 1)])).toBeUndefined();
    expect(tauOfFalls([])).toBeUndefined();
    expect(tauOfFalls([rate(25, 1), rate(28, 1)])).toBeUndefined();
  });
});
