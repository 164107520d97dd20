import { Refusal, type DeviceHello, type DeviceReading, type DeviceState } from '@zero-pour/contracts';
import type { Database } from '../db/database';
import { appendReadings, endDeviceRun, goingRun, type GoingRun } from '../db/deviceRunStore';
import { clockJump } from './clockJump';
import type { KilnPort } from './devicePort';

/** Tried again after so long, a little later each time. ms */
const AGAIN_MS = [500, 1000, 2000, 5000, 10_000];
/** Readings are written together so often. ms */
const WRITE_EVERY_MS = 400;
const HUNG_UP = 'The device hung up.';
const LOST_RUN =
  'The device was started anew and knows nothing of the run: what it does now, and how hot it is, is not known from here.';

/**
 * Follows one kiln's device for as long as the server runs: reads only, writes down the readings of the run that goes on, and says when the link is
 * lost. After a loss it asks for what the device remembers, so that nothing is missing that could be had, and nothing comes twice.
 */
export class KilnLink {
  private readonly over = new AbortController();
  private readonly loop: Promise<void>;
  private link: DeviceState['link'] = 'asking';
  private since = new Date();
  private sentence: string | null = null;
  private jump: string | null = null;
  private hello: DeviceHello | undefined;
  private clockOffS = 0;
  private reading: DeviceReading | null = null;
  private readAt: Date | null = null;
  private run: GoingRun | undefined;
  private waiting: DeviceReading[] = [];
  private writing: Promise<void> | undefined;
  private written: Promise<void> = Promise.resolve();

  constructor(
    private readonly db: Database,
    readonly kilnId: string,
    readonly address: string,
    readonly port: KilnPort,
    private readonly changed: () => void,
    private readonly failed: (error: unknown) => void,
  ) {
    this.loop = this.follow();
  }

  state(): DeviceState {
    const { hello } = this;
    return {
      kilnId: this.kilnId,
      link: this.link,
      since: this.since.toISOString(),
      sentence: this.sentence ?? this.jump,
      device: hello
        ? { name: hello.name, standIn: hello.standIn, pace: hello.pace, clockOffS: this.clockOffS }
        : null,
      reading: this.reading,
      readAt: this.readAt?.toISOString() ?? null,
      runId: this.run?.id ?? null,
    };
  }

  /** What goes on is read anew from the database: a run was begun, or ended. */
  async lookAtRun(): Promise<void> {
    await this.write();
    this.run = undefined;
    this.jump = null;
    await this.takeUp(await goingRun(this.db, this.kilnId));
    this.changed();
  }

  async stop(): Promise<void> {
    this.over.abort();
    await this.loop;
    await this.write();
  }

  private async follow(): Promise<void> {
    const { signal } = this.over;
    for (let tries = 0; !signal.aborted; tries++) {
      try {
        await this.greet(await goingRun(this.db, this.kilnId));
        await this.catchUp();
        tries = 0;
        await this.port.follow(this.reading?.n ?? 0, (reading) => this.take(reading), signal);
        this.lose(HUNG_UP);
      } catch (error) {
        this.lose(error instanceof Refusal ? error.message : HUNG_UP);
        if (!(error instanceof Refusal)) this.failed(error);
      }
      await this.write();
      this.run = undefined;
      await pause(AGAIN_MS[Math.min(tries, AGAIN_MS.length - 1)]!, signal);
    }
  }

  private async greet(going: GoingRun | undefined): Promise<void> {
    const hello = await this.port.hello();
    if (hello.deviceId !== this.hello?.deviceId) this.reading = null;
    this.hello = hello;
    this.clockOffS = Math.round((Date.parse(hello.now) - Date.now()) / 1000);
    if (going && going.deviceId !== hello.deviceId) {
      await endDeviceRun(this.db, going.id);
      this.run = undefined;
      this.jump = LOST_RUN;
    }
    this.set('on', null);
  }

  /** What the device remembers of the run since it was last written; without a run only its newest. */
  private async catchUp(): Promise<void> {
    const run = await goingRun(this.db, this.kilnId);
    if (run) return this.takeUp(run);
    for (const reading of await this.port.readings(-1)) this.take(reading);
  }
  /** From here on the run is written: first what came before this, then each reading as it comes. */
  private async takeUp(run: GoingRun | undefined): Promise<void> {
    for (let after = run?.deviceN ?? 0; run;) {
      const readings = await this.port.readings(after);
      this.waiting.push(...readings);
      after = readings.at(-1)?.n ?? after;
      const last = readings.at(-1);
      // The stream may be ahead of what was asked for: then there is more to ask for.
      if (last && after < (this.reading?.n ?? 0)) continue;
      this.run = run;
      if (last && last.n > (this.reading?.n ?? 0)) [this.reading, this.readAt] = [last, new Date()];
      break;
    }
    await this.write();
  }

  private take(reading: DeviceReading): void {
    if (this.reading !== null && reading.n <= this.reading.n) return;
    this.jump = clockJump(this.reading, reading, this.hello?.pace ?? 1) ?? this.jump;
    this.reading = reading;
    this.readAt = new Date();
    if (this.run) this.waiting.push(reading);
    this.writing ??= pause(WRITE_EVERY_MS, this.over.signal).then(() => this.write());
    this.changed();
  }

  /** One after the other, in order. */
  private write(): Promise<void> {
    this.writing = undefined;
    return (this.written = this.written.then(() => this.writeNow()));
  }
  private async writeNow(): Promise<void> {
    const { run } = this;
    const readings = this.waiting.splice(0);
    if (!run || readings.length === 0) return;
    const own = readings.filter(({ runId, n }) => runId === run.id && n > run.deviceN);
    // What it read before it heard of the run is not its end: the newest tells.
    const newest = readings.at(-1)!;
    const ended = newest.n > run.deviceN && newest.runId !== run.id;
    try {
      await this.db.transaction((tx) => appendReadings(tx, run.id, own));
      if (ended) await endDeviceRun(this.db, run.id);
    } catch (error) {
      this.waiting.unshift(...readings);
      return this.failed(error);
    }
    if (!ended || this.run !== run) return;
    this.run = undefined;
    this.changed();
  }

  private lose(sentence: string): void {
    if (!this.over.signal.aborted) this.set('lost', sentence);
  }
  private set(link: DeviceState['link'], sentence: string | null): void {
    if (link !== this.link) this.since = new Date();
    [this.link, this.sentence] = [link, sentence];
    this.changed();
  }
}

const pause = (ms: number, signal: AbortSignal): Promise<void> =>
  new Promise((resolve) => {
    if (signal.aborted) return resolve();
    const end = (): void => {
      clearTimeout(timer);
      signal.removeEventListener('abort', end);
      resolve();
    };
    const timer = setTimeout(end, ms);
    signal.addEventListener('abort', end);
  });
