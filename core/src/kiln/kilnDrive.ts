import { ROOM_C, type Segment } from '../burnout';
import { KilnBody } from './kilnBody';

/** A segment as a controller knows it: every target is a number. */
export interface DrivenSegment {
  /** °C/h; null: full power, or left to cool. */
  rampCPerH: number | null;
  targetC: number;
  holdS: number;
}

/** What can go wrong with a kiln, for a stand-in to be told. */
interface KilnTroubles {
  powerOut: boolean;
  /** Its relay sticks: half its power goes in, whatever is wanted. */
  stuckOn: boolean;
  /** Its thermocouple reads too low by so much. °C */
  driftC: number;
}
const NO_TROUBLES: KilnTroubles = { powerOut: false, stuckOn: false, driftC: 0 };

/** Segments for a controller; `castingC` stands in for those that end at the flask's own temperature. */
export const drivenSegments = (segments: readonly Segment[], castingC: number): DrivenSegment[] =>
  segments.map(({ rampCPerH, targetC, holdH }) => ({
    rampCPerH,
    targetC: targetC ?? castingC,
    holdS: holdH * 3600,
  }));

/** Nearer than this it has arrived, and the hold counts. */
const ARRIVED_C = 4;
/** Duty for each degree below, and for each degree and second. */
const GAIN = 0.02;
const GAIN_PER_S = 0.00004;

/** A controller that drives a kiln through a programme: set point climbs, waits for the kiln, holds. */
export class KilnDrive {
  readonly body: KilnBody;
  troubles: KilnTroubles = { ...NO_TROUBLES };
  private segments: readonly DrivenSegment[] = [];
  private at = 0;
  private heldS = 0;
  private sum = 0;
  private setPoint: number | null = null;

  constructor(body = new KilnBody()) {
    this.body = body;
  }
  /** What its thermocouple says. */
  get readingC(): number {
    return this.body.heat.probeC - this.troubles.driftC;
  }
  /** Null while nothing runs, and while it has no power. */
  get setC(): number | null {
    return this.troubles.powerOut ? null : this.setPoint;
  }
  get running(): boolean {
    return this.setPoint !== null;
  }
  /** Which segment, from 0; undefined while nothing runs. */
  get segment(): number | undefined {
    return this.running ? this.at : undefined;
  }

  begin(segments: readonly DrivenSegment[]): void {
    this.segments = segments;
    [this.at, this.heldS, this.sum] = [0, 0, 0];
    this.setPoint = segments.length > 0 ? this.readingC : null;
  }
  stop(): void {
    [this.segments, this.setPoint] = [[], null];
  }

  /** Through some seconds of its own clock. */
  step(seconds: number): void {
    const piece = 5;
    for (let left = seconds; left > 1e-9; left -= piece) this.piece(Math.min(piece, left));
  }
  private piece(dt: number): void {
    const { powerOut, stuckOn } = this.troubles;
    if (!powerOut) this.move(dt);
    const wanted = this.setPoint === null ? 0 : this.duty(dt);
    this.body.step(dt, powerOut ? 0 : stuckOn ? Math.max(wanted, 0.5) : wanted);
  }
  private duty(dt: number): number {
    const off = (this.setPoint ?? ROOM_C) - this.readingC;
    const plain = GAIN * off + this.sum;
    // It adds up only where that is not already all it has.
    if ((plain < 1 || off < 0) && (plain > 0 || off > 0)) this.sum += GAIN_PER_S * off * dt;
    return plain;
  }
  private move(dt: number): void {
    const now = this.segments[this.at];
    if (!now || this.setPoint === null) return;
    const left = now.targetC - this.setPoint;
    const most = now.rampCPerH === null ? Infinity : (now.rampCPerH * dt) / 3600;
    if (left !== 0) this.setPoint += Math.sign(left) * Math.min(Math.abs(left), most);
    else if (this.heldS > 0 || Math.abs(this.readingC - now.targetC) <= ARRIVED_C) this.heldS += dt;
    if (this.setPoint !== now.targetC || this.heldS < now.holdS || this.heldS === 0) return;
    [this.at, this.heldS] = [this.at + 1, 0];
    // After the last one it holds what it has, until somebody stops it.
    if (this.at >= this.segments.length)
      [this.at, this.segments] = [
        this.segments.length - 1,
        [...this.segments.slice(0, -1), { ...now, holdS: Infinity }],
      ];
  }
}
