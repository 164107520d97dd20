import { ROOM_C } from '../burnout';
import { requireNumber } from '../numeric';
import {
  flaskGrid,
  KILN_AIR,
  STEEL_J_PER_M3K,
  type FlaskBody,
  type FlaskGrid,
  type Surroundings,
} from './flaskGrid';
import { firstHeat, firstWarming, WATER, type FirstWarming, type Plaster } from './plaster';

/** A flask, what fills it, and where its patterns hang. */
export interface FlaskFilled {
  body: FlaskBody;
  plaster: Plaster;
  /** Where the patterns hang, from the axis. mm. */
  patternsMm: number;
  startC?: number;
  surroundings?: Surroundings;
  /** Cells for one along each way; 1: as the handbook. */
  finer?: number;
}

const SIGMA = 5.670374419e-8;
const KELVIN = 273.15;
/** Of the longest step that is stable (handbook 07). */
const COURANT = 0.72;

/** What is told after every step; the kiln's temperature by the second. */
export type Note = (flask: Flask, kilnC: (s: number) => number) => void;

/** Half a flask and its shell, as warm as it is. */
export class Flask {
  readonly grid: FlaskGrid;
  s = 0;
  energyInJ = 0;
  private readonly table: FirstWarming;
  private readonly plaster: Plaster;
  private readonly air: Surroundings;
  private readonly shellM: number;
  private readonly patternsM: number;
  private readonly temps: Float64Array;
  private readonly heat: Float64Array;
  private readonly peak: Float64Array;
  private readonly peakTemp: Float64Array;
  private readonly water: Float64Array;
  private readonly resist: Float64Array;
  private readonly flow: Float64Array;
  private readonly outward: Float64Array;
  private readonly upward: Float64Array;
  /** Water left since the faces were reckoned. */
  private wetter = true;
  private readonly shell: Float64Array;
  private readonly volumes: Float64Array;
  /** Of half the flask, and of it what still holds its water. */
  private readonly wholeM3: number;
  private wetM3: number;
  private readonly stepS: number;
  private readonly startJ: number;

  constructor({ body, plaster, patternsMm, startC = ROOM_C, surroundings = KILN_AIR, finer }: FlaskFilled) {
    this.grid = flaskGrid(body, finer);
    const { nr, nz, dr, dz } = this.grid;
    this.plaster = plaster;
    this.table = firstWarming(plaster);
    this.air = surroundings;
    this.shellM = requireNumber('shellMm', body.shellMm, 0, 50) / 1000;
    this.patternsM = requireNumber('patternsMm', patternsMm, 0, body.innerDiameterMm / 2) / 1000;
    const cells = nr * nz;
    this.temps = new Float64Array(cells).fill(startC);
    this.heat = new Float64Array(cells).fill(firstHeat(plaster, startC));
    this.peak = this.heat.slice();
    this.peakTemp = this.temps.slice();
    this.water = new Float64Array(cells).fill(startC < WATER.boilC && plaster.water > 0 ? 1 : 0);
    this.resist = new Float64Array(cells);
    this.flow = new Float64Array(cells);
    this.outward = new Float64Array(cells);
    this.upward = new Float64Array(cells);
    this.shell = new Float64Array(nz).fill(startC);
    this.volumes = new Float64Array(nr);
    for (let i = 0; i < nr; i++) this.volumes[i] = Math.PI * (2 * i + 1) * dr * dr * dz;
    for (let c = 0; c < cells; c++) this.resist[c] = 1 / this.conductivity(c);
    this.wholeM3 = this.volumes.reduce((sum, v) => sum + v * nz, 0);
    this.wetM3 = this.water[0]! * this.wholeM3;
    const spread = plaster.kDry / (plaster.solid * plaster.c20);
    this.stepS = COURANT / (2 * spread * (1 / (dr * dr) + 1 / (dz * dz)));
    this.startJ = this.heldJ();
  }

  private conductivity(c: number): number {
    const { kWet, kDry } = this.plaster;
    return kDry + (kWet - kDry) * this.water[c]!;
  }

  /** To a moment, each step with the kiln as it is in its middle. */
  run(untilS: number, kilnC: (s: number) => number, note: Note): void {
    note(this, kilnC);
    while (this.s < untilS - 1e-6) {
      const stepS = Math.min(this.stepS, untilS - this.s);
      this.step(stepS, kilnC(this.s + stepS / 2));
      this.s += stepS;
      note(this, kilnC);
    }
  }

  private step(stepS: number, kilnC: number): void {
    this.flow.fill(0);
    if (this.wetter) this.conduct();
    this.between();
    this.throughSide(stepS, kilnC);
    this.throughEnd(stepS, kilnC);
    this.settleAll(stepS);
  }

  /** What each face lets through, W/K: half a cell of either side in a row. It changes only while water leaves. */
  private conduct(): void {
    const { nr, nz, dr, dz } = this.grid;
    const { resist, outward, upward, volumes } = this;
    for (let j = 0; j < nz; j++)
      for (let i = 0; i < nr; i++) {
        const c = j * nr + i;
        const side = 2 * Math.PI * (i + 1) * dr * dz;
        outward[c] = i + 1 < nr ? (2 * side) / (dr * (resist[c]! + resist[c + 1]!)) : 0;
        upward[c] = j + 1 < nz ? (2 * volumes[i]!) / (dz * dz * (resist[c]! + resist[c + nr]!)) : 0;
      }
    this.wetter = false;
  }

  /** Heat between neighbours, W. */
  private between(): void {
    const { nr, nz } = this.grid;
    const { temps, flow, outward, upward } = this;
    for (let j = 0, c = 0; j < nz; j++)
      for (let i = 0; i < nr; i++, c++) {
        const here = temps[c]!;
        if (i + 1 < nr) {
          const watts = (temps[c + 1]! - here) * outward[c]!;
          flow[c]! += watts;
          flow[c + 1]! -= watts;
        }
        if (j + 1 < nz) {
          const watts = (temps[c + nr]! - here) * upward[c]!;
          flow[c]! += watts;
          flow[c + nr]! -= watts;
        }
      }
  }

  /** What a surface takes up, W/(m² K) of the difference: by air and, in a line, by radiation. */
  private uptake(kilnC: number, surfaceC: number): number {
    const { hWPerM2K, emissivity } = this.air;
    const [a, b] = [kilnC + KELVIN, surfaceC + KELVIN];
    return hWPerM2K + emissivity * SIGMA * (a * a + b * b) * (a + b);
  }

  private throughSide(stepS: number, kilnC: number): void {
    const { nr, nz, dr, dz, radius } = this.grid;
    const area = 2 * Math.PI * radius * dz;
    // The kiln sees the shell from outside, where it is wider.
    const outside = (radius + this.shellM) / radius;
    for (let j = 0; j < nz; j++) {
      const c = j * nr + nr - 1;
      const inward = 2 / (dr * this.resist[c]!);
      const before = this.shell[j]!;
      const uptake = this.uptake(kilnC, before) * outside;
      const held = (this.shellM * STEEL_J_PER_M3K) / stepS;
      const now = (held * before + uptake * kilnC + inward * this.temps[c]!) / (held + uptake + inward);
      this.shell[j] = now;
      this.flow[c]! += inward * (now - this.temps[c]!) * area;
      this.energyInJ += uptake * (kilnC - now) * area * stepS;
    }
  }

  private throughEnd(stepS: number, kilnC: number): void {
    const { nr, nz, dz } = this.grid;
    for (let i = 0; i < nr; i++) {
      const c = (nz - 1) * nr + i;
      const inward = 2 / (dz * this.resist[c]!);
      const uptake = this.uptake(kilnC, this.temps[c]!);
      const watts = ((kilnC - this.temps[c]!) * this.volumes[i]!) / dz / (1 / inward + 1 / uptake);
      this.flow[c]! += watts;
      this.energyInJ += watts * stepS;
    }
  }

  /** Temperature, water and conductivity of every cell by its heat. */
  private settleAll(stepS: number): void {
    const { nr, nz } = this.grid;
    const { heat, peak, flow, volumes, water } = this;
    const { temps: table, lowJ, stepJ, boilFromJ } = this.table;
    const lastStep = table.length - 1.001;
    const { temps, peakTemp } = this;
    for (let j = 0, c = 0; j < nz; j++)
      for (let i = 0; i < nr; i++, c++) {
        const now = heat[c]! + (flow[c]! * stepS) / volumes[i]!;
        heat[c] = now;
        if (now < peak[c]!) {
          temps[c] = this.cooled(c, peak[c]! - now);
          continue;
        }
        peak[c] = now;
        let at = (now - lowJ) / stepJ;
        if (at > lastStep) at = lastStep;
        const n = at | 0;
        temps[c] = peakTemp[c] = table[n]! + (at - n) * (table[n + 1]! - table[n]!);
        if (water[c]! > 0 && now > boilFromJ) this.boil(c, i, now);
      }
  }

  private boil(c: number, ring: number, heatJ: number): void {
    const { boilFromJ, boilToJ } = this.table;
    const left = heatJ >= boilToJ ? 0 : (boilToJ - heatJ) / (boilToJ - boilFromJ);
    this.wetM3 -= (this.water[c]! - left) * this.volumes[ring]!;
    this.water[c] = left;
    this.resist[c] = 1 / this.conductivity(c);
    this.wetter = true;
  }

  /** Below its peak: what is left of the cell gives off sensible heat only. */
  private cooled(c: number, goneJ: number): number {
    const { solid, water, c20, c700 } = this.plaster;
    const from = this.peakTemp[c]!;
    const wet = water * this.water[c]! * WATER.c;
    const flat = solid * c700 + wet;
    const overFlat = Math.max(0, from - 700);
    if (goneJ <= flat * overFlat) return from - goneJ / flat;
    // From there down the heat of the solid falls with the temperature: a·x + b·x²/2 for x = T − 20.
    const [a, b] = [solid * c20 + wet, (solid * (c700 - c20)) / 680];
    const top = from - overFlat - ROOM_C;
    const left = a * top + (b * top * top) / 2 - (goneJ - flat * overFlat);
    if (b === 0) return ROOM_C + left / a;
    return ROOM_C + (Math.sqrt(Math.max(0, a * a + 2 * b * left)) - a) / b;
  }

  private heldJ(): number {
    const { nr, nz, dz, radius } = this.grid;
    let sum = 0;
    for (let c = 0; c < this.heat.length; c++) sum += this.heat[c]! * this.volumes[c % nr]!;
    for (let j = 0; j < nz; j++)
      sum += this.shell[j]! * this.shellM * STEEL_J_PER_M3K * 2 * Math.PI * radius * dz;
    return sum;
  }
  energyOff(): number {
    const scale = Math.max(Math.abs(this.energyInJ), 1);
    return Math.abs(this.heldJ() - this.startJ - this.energyInJ) / scale;
  }

  /**
   * In the middle of the height: straight to it from the first two rows, as an even curve. Where a cell boils the curve has its
   * kink, and the cell's own temperature holds.
   */
  private atMiddle(i: number): number {
    const { nr } = this.grid;
    return this.boils(i) ? WATER.boilC : (9 * this.temps[i]! - this.temps[nr + i]!) / 8;
  }
  private boils = (c: number): boolean => this.water[c]! > 0 && this.temps[c]! >= WATER.boilC;
  coreC = (): number => (this.boils(0) ? WATER.boilC : (9 * this.atMiddle(0) - this.atMiddle(1)) / 8);
  rimC = (): number => this.atMiddle(this.grid.nr - 1);
  shellC = (): number => (this.shellM > 0 ? (9 * this.shell[0]! - this.shell[1]!) / 8 : this.shell[0]!);
  coreWater = (): number => this.water[0]!;
  patternsC(): number {
    const { nr, dr } = this.grid;
    const at = this.patternsM / dr - 0.5;
    if (at <= 0) return this.coreC() + (this.patternsM / (dr / 2)) * (this.atMiddle(0) - this.coreC());
    const i = Math.min(nr - 2, Math.floor(at));
    return this.atMiddle(i) + Math.min(1, at - i) * (this.atMiddle(i + 1) - this.atMiddle(i));
  }
  waterLeft = (): number => Math.max(0, this.wetM3 / this.wholeM3);
  section = (): { temps: Float32Array; water: Float32Array } => ({
    temps: Float32Array.from(this.temps),
    water: Float32Array.from(this.water),
  });
}
