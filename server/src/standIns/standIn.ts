import {
  DEVICE_FORMAT,
  DEVICE_VERSION,
  type DeviceHello,
  type DeviceKind,
  type DeviceReading,
  type Troubles,
} from '@zero-pour/contracts';
import { randomUUID } from 'node:crypto';

/** It remembers so many: two days and more of one in ten seconds. */
const REMEMBERED = 20_000;
const TICK_MS = 250;

/** What a reading of its own kind says, without its number and time. */
export type Read = Pick<DeviceReading, 'value'> & Partial<DeviceReading>;

/** A device that is none: a clock of its own that may be hastened, a memory of its readings, and a link that can be lost. */
export abstract class StandIn {
  private readonly deviceId = randomUUID();
  private readonly readings: DeviceReading[] = [];
  private readonly listeners = new Set<(reading: DeviceReading) => void>();
  private readonly ticking: NodeJS.Timeout;
  private nowMs: number;
  private tickedMs: number;
  private nextMs: number;
  private pace = 1;
  private linkOutUntilMs = 0;
  protected probeLost = false;
  private n = 0;

  constructor(
    readonly kind: DeviceKind,
    private readonly name: string,
    private readonly wallMs: () => number = Date.now,
  ) {
    this.nowMs = this.tickedMs = this.nextMs = wallMs();
    this.ticking = setInterval(() => this.tick(), TICK_MS);
    this.ticking.unref();
  }

  /** Through so many seconds of its own clock. */
  protected abstract step(seconds: number): void;
  protected abstract read(): Read;

  hello(): DeviceHello {
    return {
      format: DEVICE_FORMAT,
      version: DEVICE_VERSION,
      kind: this.kind,
      deviceId: this.deviceId,
      name: this.name,
      now: new Date(this.nowMs).toISOString(),
      pace: this.pace,
      standIn: true,
    };
  }
  /** Those after the n-th; a negative n asks for the newest alone. */
  after(n: number, most: number): DeviceReading[] {
    if (n < 0) return this.readings.slice(-1);
    const first = this.readings[0]?.n ?? 1;
    return this.readings.slice(Math.max(0, n + 1 - first), Math.max(0, n + 1 - first) + most);
  }
  get lastN(): number {
    return this.n;
  }
  listen(listener: (reading: DeviceReading) => void): () => void {
    this.listeners.add(listener);
    return () => void this.listeners.delete(listener);
  }
  get linkIsOut(): boolean {
    return this.wallMs() < this.linkOutUntilMs;
  }
  trouble({ linkOutS, pace, probeLost }: Troubles): void {
    if (linkOutS !== undefined) this.linkOutUntilMs = this.wallMs() + 1000 * linkOutS;
    this.pace = pace ?? this.pace;
    this.probeLost = probeLost ?? this.probeLost;
  }
  close(): void {
    clearInterval(this.ticking);
    this.listeners.clear();
  }

  /** Goes on to the wall's clock; tests call it themselves. */
  tick(): void {
    const wall = this.wallMs();
    const until = this.nowMs + Math.max(0, wall - this.tickedMs) * this.pace;
    this.tickedMs = wall;
    // One a second, in hastened time one in ten.
    const everyMs = 1000 * Math.min(10, Math.max(1, this.pace));
    while (this.nextMs <= until) {
      this.step((this.nextMs - this.nowMs) / 1000);
      this.nowMs = this.nextMs;
      this.nextMs += everyMs;
      this.say();
    }
    this.step((until - this.nowMs) / 1000);
    this.nowMs = until;
  }
  private say(): void {
    const value = this.read();
    const reading: DeviceReading = {
      set: null,
      runId: null,
      segment: null,
      steady: true,
      ...value,
      value: this.probeLost || value.value === null ? null : Math.round(value.value * 100) / 100,
      n: ++this.n,
      at: new Date(this.nowMs).toISOString(),
    };
    this.readings.push(reading);
    if (this.readings.length > REMEMBERED) this.readings.shift();
    for (const listener of this.listeners) listener(reading);
  }
}
