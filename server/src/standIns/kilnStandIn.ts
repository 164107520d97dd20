import { type DeviceRun, type Troubles } from '@zero-pour/contracts';
import { KilnDrive } from '@zero-pour/core';
import { StandIn, type Read } from './standIn';

/** A small kiln with its controller. It runs what it is sent, holds the last segment until it is stopped, and suffers what it is told. */
export class KilnStandIn extends StandIn {
  private readonly drive = new KilnDrive();
  private run: { id: string; sentAfter: number } | undefined;

  constructor(wallMs?: () => number) {
    super('kiln', 'Stand-in kiln', wallMs);
  }
  protected step(seconds: number): void {
    this.drive.step(seconds);
  }
  protected read(): Read {
    const { readingC, setC, segment } = this.drive;
    const running = this.run !== undefined;
    return {
      value: readingC,
      set: running && setC !== null ? Math.round(setC * 100) / 100 : null,
      runId: this.run?.id ?? null,
      segment: segment ?? null,
    };
  }

  /** Resolves with the number of the last reading before it; undefined while another run goes on. */
  begin(id: string, { segments }: DeviceRun): number | undefined {
    if (this.run?.id === id) return this.run.sentAfter;
    if (this.run) return undefined;
    this.tick();
    this.drive.begin(segments);
    this.run = { id, sentAfter: this.lastN };
    return this.lastN;
  }
  /** Only what it runs can be stopped by its id. */
  stop(id: string): void {
    if (this.run?.id !== id) return;
    this.tick();
    this.drive.stop();
    this.run = undefined;
  }
  override trouble(troubles: Troubles): void {
    super.trouble(troubles);
    const { drive } = this;
    const { powerOut, stuckOn, driftC, doorOpen, failsToCool } = troubles;
    drive.troubles = {
      powerOut: powerOut ?? drive.troubles.powerOut,
      stuckOn: stuckOn ?? drive.troubles.stuckOn,
      driftC: driftC ?? drive.troubles.driftC,
    };
    drive.body.doorOpen = doorOpen ?? drive.body.doorOpen;
    drive.body.failsToCool = failsToCool ?? drive.body.failsToCool;
  }
}
