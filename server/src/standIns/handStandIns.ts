import { StandIn, type Read } from './standIn';

/** A probe follows what it stands in with this time constant; what it stands in cools to the room. s */
const PROBE_S = 4;
const BATH_S = 1800;
const ROOM_C = 21;

/** A thermometer in a bath that cools: what it is dipped into is told. */
export class ThermometerStandIn extends StandIn {
  private bathC = ROOM_C;
  private probeC = ROOM_C;
  constructor(wallMs?: () => number) {
    super('thermometer', 'Stand-in thermometer', wallMs);
  }
  /** Puts it into something of that temperature. */
  put(tempC: number): void {
    this.bathC = tempC;
  }
  protected step(seconds: number): void {
    this.bathC += (ROOM_C - this.bathC) * (1 - Math.exp(-seconds / BATH_S));
    this.probeC += (this.bathC - this.probeC) * (1 - Math.exp(-seconds / PROBE_S));
  }
  protected read(): Read {
    return { value: this.probeC, steady: Math.abs(this.probeC - this.bathC) < 0.2 };
  }
}

/** The pan swings with this period and comes to rest with this time constant. s */
const SWING_S = 0.8;
const REST_S = 0.35;
/** Its last digit. g */
const DIGIT_G = 0.01;

/** A balance whose pan swings when something is put on it. */
export class BalanceStandIn extends StandIn {
  private loadG = 0;
  private offG = 0;
  private sinceS = 0;
  constructor(wallMs?: () => number) {
    super('balance', 'Stand-in balance', wallMs);
  }
  /** Puts so much on it, in all. */
  put(grams: number): void {
    [this.offG, this.sinceS, this.loadG] = [this.loadG - grams, 0, grams];
  }
  protected step(seconds: number): void {
    this.sinceS += seconds;
  }
  protected read(): Read {
    const widest = Math.abs(this.offG) * Math.exp(-this.sinceS / REST_S);
    const swing = Math.sign(this.offG) * widest * Math.cos((2 * Math.PI * this.sinceS) / SWING_S);
    return {
      value: Math.round((this.loadG + swing) / DIGIT_G) * DIGIT_G,
      // By how far it still swings, not by where it is just now.
      steady: widest < DIGIT_G / 2,
    };
  }
}
