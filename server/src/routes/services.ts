import type { Logger } from 'pino';
import type { BackupKeeper } from '../backup/backupKeeper';
import type { ShopLook } from '../damage/watch';
import type { Database } from '../db/database';
import type { KilnWatch } from '../devices/kilnWatch';
import type { BlobFiles } from '../files/blobFiles';
import type { NetworkDoor } from '../network/networkDoor';
import type { ReadingRuns } from '../services/readings';
import type { ChangesTold } from '../services/changesTold';
import type { ShopBundle } from '../services/importShop';

/** What the routes stand on; put together once in main. */
export interface Services {
  db: Database;
  files: BlobFiles;
  readings: ReadingRuns;
  /** Follows the kilns that have a device. */
  devices: KilnWatch;
  /** Where the stand-ins of devices answer, when they run beside this server. */
  standIns: string | undefined;
  /** The way in from the shop's own network. */
  network: NetworkDoor;
  /** Tells pages what others kept. */
  changes: ChangesTold;
  /** Backups by themselves. */
  backups: BackupKeeper;
  /** Reads all that is kept, once a day. */
  look: ShopLook;
  dataFolder: string;
  /** On a PostgreSQL server, not in the data folder. */
  isServer: boolean;
  startedAt: Date;
  /** Whether what is accepted is written down beside the database. */
  keepsJournal: boolean;
  migration: number;
  /** On every answer, so that a page knows whose it is. */
  shopId: string;
  log: Logger;
  /** Address of a feed of metal prices; undefined: the stand-in that ships with the application. */
  priceFeed: string | undefined;
  /** Makes the demo shop, dated from now. */
  demoShop: () => Promise<ShopBundle>;
}
