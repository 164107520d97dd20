import { Refusal, type DeviceState, type SendRun, type Troubles } from '@zero-pour/contracts';
import type { Logger } from 'pino';
import type { Database } from '../db/database';
import {
  beginDeviceRun,
  endDeviceRun,
  goingRun,
  kilnsWithDevices,
  runBeganAfter,
  type KilnWithDevice,
} from '../db/deviceRunStore';
import { deviceAddress, httpDevice } from './devicePort';
import { KilnLink } from './kilnLink';

/** An address that is none is followed nowhere, and said. */
interface Unfollowed {
  kilnId: string;
  since: string;
  sentence: string;
}

/** Follows every kiln of the shop that has a device, and passes on what a press sends. Nothing is ever sent by itself. */
export class KilnWatch {
  private links = new Map<string, KilnLink>();
  private unfollowed: Unfollowed[] = [];
  private readonly listeners = new Set<() => void>();
  private readonly over = new AbortController();
  private looking: Promise<void> = Promise.resolve();

  constructor(
    private readonly db: Database,
    private readonly log: Logger,
  ) {}

  private follows = false;
  /** Whether this process is the one that follows devices. */
  follow(follows: boolean): Promise<void> {
    this.follows = follows;
    return this.look();
  }
  /** Follows the devices as the shop's kilns name them now. */
  look(): Promise<void> {
    return (this.looking = this.looking.then(() => this.lookNow()));
  }
  private async lookNow(): Promise<void> {
    const kilns = this.follows ? await kilnsWithDevices(this.db) : [];
    const wanted = new Map(kilns.map((kiln) => [kiln.id, kiln]));
    for (const link of [...this.links.values()]) {
      if (wanted.get(link.kilnId)?.deviceUrl.replace(/\/+$/, '') === link.address) continue;
      this.links.delete(link.kilnId);
      await link.stop();
    }
    this.unfollowed = [];
    for (const kiln of kilns) if (!this.links.has(kiln.id)) this.followKiln(kiln);
    this.tell();
  }
  private followKiln({ id, deviceUrl }: KilnWithDevice): void {
    try {
      const address = deviceAddress(deviceUrl);
      const port = httpDevice(address, 'kiln');
      const failed = (error: unknown): void => this.log.error({ err: error }, 'a kiln was not written down');
      this.links.set(id, new KilnLink(this.db, id, address, port, () => this.tell(), failed));
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      this.unfollowed.push({ kilnId: id, since: new Date().toISOString(), sentence: error.message });
    }
  }

  states(): DeviceState[] {
    const none = { link: 'lost', device: null, reading: null, readAt: null, runId: null } as const;
    return [
      ...[...this.links.values()].map((link) => link.state()),
      ...this.unfollowed.map((one) => ({ ...none, ...one })),
    ];
  }

  /** Nothing is told any more once this is aborted. */
  get stopped(): AbortSignal {
    return this.over.signal;
  }

  /** Called whenever a state may have changed; the answer ends it. */
  listen(listener: () => void): () => void {
    this.listeners.add(listener);
    return () => void this.listeners.delete(listener);
  }
  private tell(): void {
    for (const listener of this.listeners) listener();
  }

  /** Sends a programme. What would be hotter than the kiln's record allows is not sent. */
  async send(kilnId: string, run: SendRun): Promise<void> {
    const link = this.linkOf(kilnId);
    const kiln = (await kilnsWithDevices(this.db)).find(({ id }) => id === kilnId);
    const targetC = Math.max(...run.segments.map((segment) => segment.targetC));
    if (kiln && targetC > kiln.maxC)
      throw new Refusal('DEVICE_TOO_HOT', { targetC: Math.round(targetC), maxC: Math.round(kiln.maxC) });
    const { deviceId } = await link.port.hello();
    const lastN = link.state().reading?.n ?? 0;
    await beginDeviceRun(this.db, kilnId, { deviceId, lastN }, run);
    try {
      await runBeganAfter(
        this.db,
        run.id,
        await link.port.send(run.id, { name: run.name, segments: run.segments }),
      );
    } catch (error) {
      // Whether it was heard is not known where nobody answered: then the link tells, by what the device reads.
      const unheard = error instanceof Refusal && error.code === 'DEVICE_SILENT';
      if (!unheard) await endDeviceRun(this.db, run.id);
      else await link.lookAtRun().catch(() => undefined);
      throw error;
    }
    await link.lookAtRun();
  }

  /** Stops whatever the kiln runs. That it was not heard is said as such. */
  async stopRun(kilnId: string): Promise<void> {
    const link = this.linkOf(kilnId);
    const runId = link.state().reading?.runId ?? (await goingRun(this.db, kilnId))?.id;
    if (runId === undefined) return;
    await link.port.stop(runId).catch((error: unknown) => {
      if (!(error instanceof Refusal)) throw error;
      throw new Refusal('STOP_NOT_HEARD', { address: link.address });
    });
  }

  /** Tells a stand-in what to suffer. A device is never asked for that. */
  async trouble(kilnId: string, troubles: Troubles): Promise<void> {
    const link = this.linkOf(kilnId);
    if (!link.state().device?.standIn) throw new Refusal('DEVICE_NONE');
    const sent = await fetch(`${link.address}/troubles`, {
      method: 'PUT',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(troubles),
    }).catch(() => undefined);
    if (!sent?.ok) throw new Refusal('DEVICE_SILENT', { address: link.address });
  }

  private linkOf(kilnId: string): KilnLink {
    const link = this.links.get(kilnId);
    if (!link) throw new Refusal('DEVICE_NONE');
    return link;
  }

  async stop(): Promise<void> {
    this.over.abort();
    await this.looking;
    this.listeners.clear();
    await Promise.all([...this.links.values()].map((link) => link.stop()));
    this.links.clear();
  }
}
