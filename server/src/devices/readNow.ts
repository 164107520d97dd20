import { Refusal, type DeviceReading, type HandDevice, type HandReading } from '@zero-pour/contracts';
import type { Database } from '../db/database';
import { readSettings } from '../db/settingsStore';
import { deviceAddress, httpDevice, type DevicePort } from './devicePort';

/** It reads anew and comes to rest by then, or is not read. ms */
const REST_MS = 12_000;
const ASK_EVERY_MS = 400;

const wait = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));

/** What the shop's balance or thermometer reads now. Throws a Refusal where none is known, none answers, or none reads. */
export async function readNow(db: Database, kind: HandDevice, restMs = REST_MS): Promise<HandReading> {
  const { settings } = await readSettings(db);
  const typed = settings.readers?.[`${kind}Url`]?.trim() ?? '';
  if (typed === '') throw new Refusal('READER_NONE', { kind });
  const port = httpDevice(deviceAddress(typed), kind);
  const { name, standIn } = await port.hello();
  const reading = await readAnew(port, restMs);
  if (!reading) throw nothing('it reads nothing new');
  const { value, steady, at } = reading;
  if (value === null) throw nothing('its sensor is lost');
  if (!steady) throw nothing('it does not come to rest');
  return { value, at, device: name, standIn };
}

const nothing = (why: string): Refusal => new Refusal('READER_NOTHING', { why });

/**
 * The first reading of after the press that is at rest, or the newest of after it when it should have been; undefined without any. What it read before
 * may be of what lay on it before.
 */
async function readAnew(port: DevicePort, restMs: number): Promise<DeviceReading | undefined> {
  const newest = async (): Promise<DeviceReading | undefined> => (await port.readings(-1)).at(-1);
  const before = (await newest())?.n ?? 0;
  const until = Date.now() + restMs;
  for (;;) {
    await wait(ASK_EVERY_MS);
    const read = await newest();
    const anew = read && read.n > before ? read : undefined;
    if ((anew?.steady && anew.value !== null) || Date.now() >= until) return anew;
  }
}
