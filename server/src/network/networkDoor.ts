import { Refusal, type NetworkState } from '@zero-pour/contracts';
import type { Express } from 'express';
import { createServer, type Server } from 'node:https';
import type { Logger } from 'pino';
import type { Database } from '../db/database';
import { keepDoor, readDoor } from '../db/networkStore';
import type { Door } from '../routes/guard';
import { certificateFor } from './certificate';
import type { LocalAddress } from './localAddresses';
import { hashPasscode } from './passcode';
import { Sessions } from './sessions';

/** What it needs to be opened: where certificates are kept, what answers behind it, and which addresses there are. */
export interface DoorParts {
  db: Database;
  folder: string;
  log: Logger;
  addresses: () => LocalAddress[];
  now: () => Date;
}

const TROUBLES: Record<string, string> = {
  EADDRINUSE: 'Another program has that port: choose another one.',
  EADDRNOTAVAIL: 'This machine does not have that address any more: choose another one.',
  EACCES: 'That port needs rights that Zero Pour does not have: choose another one.',
};
const troubleOf = (error: unknown): string =>
  TROUBLES[(error as NodeJS.ErrnoException).code ?? ''] ??
  'It could not be opened; the log of Zero Pour says why.';

/** The way in from the shop's own network: closed until it is opened on this machine, and then only on one address of it. */
export class NetworkDoor {
  readonly sessions: Sessions;
  private server: Server | undefined;
  private opened: { url: string; fingerprint: string } | undefined;
  private trouble: string | null = null;
  private serve: (door: Door) => Express = () => {
    throw new Error('the network was opened before there was anything behind it');
  };
  /** One opening or closing after the other. */
  private turning: Promise<void> = Promise.resolve();

  constructor(private readonly parts: DoorParts) {
    this.sessions = new Sessions(parts.db, parts.now);
  }

  /** Opens it again as it was left, with the application that answers behind it. */
  async begin(serve: (door: Door) => Express): Promise<void> {
    this.serve = serve;
    const { isOn, address, port } = await readDoor(this.parts.db);
    if (isOn && address !== null) await this.inTurn(() => this.open(address, port).catch(this.noteTrouble));
  }

  passcodeHash = async (): Promise<string | null> => (await readDoor(this.parts.db)).passcodeHash;

  /** A new passcode lets nobody stay who came in with the former one. */
  async setPasscode(passcode: string): Promise<void> {
    await keepDoor(this.parts.db, { passcodeHash: await hashPasscode(passcode) });
    await this.sessions.end(null);
  }

  /** Opens it on one address of this machine. Refuses another's, a port that is taken, and a shop without a passcode. */
  async turnOn(address: string, port: number): Promise<void> {
    if (!this.parts.addresses().some((one) => one.address === address))
      throw new Refusal('ADDRESS_NOT_HERE', { address });
    if ((await this.passcodeHash()) === null) throw new Refusal('PASSCODE_FIRST');
    await this.inTurn(async () => {
      await this.close();
      await keepDoor(this.parts.db, { isOn: true, address, port });
      await this.open(address, port).catch(this.noteTrouble);
    });
  }

  async turnOff(): Promise<void> {
    await this.inTurn(async () => {
      await this.close();
      await keepDoor(this.parts.db, { isOn: false });
    });
  }

  stop = (): Promise<void> => this.inTurn(() => this.close());

  async state(): Promise<NetworkState> {
    const { address, port, passcodeHash } = await readDoor(this.parts.db);
    return {
      url: this.opened?.url ?? null,
      trouble: this.trouble,
      address,
      port,
      hasPasscode: passcodeHash !== null,
      fingerprint: this.opened?.fingerprint ?? null,
      addresses: this.parts.addresses(),
      devices: await this.sessions.list(),
    };
  }

  private inTurn(work: () => Promise<void>): Promise<void> {
    const next = this.turning.then(work);
    this.turning = next.catch(() => undefined);
    return next;
  }

  private readonly noteTrouble = (error: unknown): void => {
    this.parts.log.error({ err: error }, 'the network was not opened');
    this.trouble = troubleOf(error);
  };

  private async open(address: string, port: number): Promise<void> {
    const { key, cert, fingerprint } = await certificateFor(this.parts.folder, address, this.parts.now());
    const host = `${address}:${port}`;
    const app = this.serve({ protocol: 'https', isOurs: (named) => named === host });
    const server = createServer({ key, cert, minVersion: 'TLSv1.2' }, app);
    await new Promise<void>((resolve, reject) => {
      server.once('error', reject).listen(port, address, resolve);
    });
    this.server = server;
    this.opened = { url: `https://${host}/`, fingerprint };
  }

  private async close(): Promise<void> {
    const { server } = this;
    [this.server, this.opened, this.trouble] = [undefined, undefined, null];
    if (!server) return;
    await new Promise<void>((resolve) => {
      server.close(() => resolve());
      server.closeAllConnections();
    });
  }
}
