import type { DeviceReading, HandReading, Settings } from '@zero-pour/contracts';
import { afterEach, beforeAll, afterAll, describe, expect, it } from 'vitest';
import { startStandIns, type StandIns } from '../standIns/standInApp';
import { fakeDevice, HELLO } from '../testing/fakeDevice';
import { readNow } from './readNow';
import { openTestShop, type TestShop } from '../testing/testShop';

let shop: TestShop;
let standIns: StandIns;
let device: Awaited<ReturnType<typeof fakeDevice>> | undefined;
beforeAll(async () => {
  shop = await openTestShop();
  standIns = await startStandIns(0);
});
afterAll(async () => {
  await standIns.close();
  await shop.close();
});
afterEach(async () => {
  await device?.close();
  device = undefined;
});

async function readersAre(readers: NonNullable<Settings['readers']>): Promise<void> {
  const { body } = await shop.ask('GET', '/shop');
  const { settings } = body as { settings: Settings };
  expect((await shop.ask('PUT', '/settings', { ...settings, readers })).status).toBe(200);
}
const wait = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));
const put = (kind: string, value: number): Promise<Response> =>
  fetch(`${standIns.address}/${kind}/put`, {
    method: 'PUT',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ value }),
  });
async function read(kind: string): Promise<Partial<HandReading> & { code?: string; sentence?: string }> {
  const { body } = await shop.ask('GET', `/readers/${kind}`);
  const { error } = body as { error?: { code: string; sentence: string } };
  return error ?? (body as HandReading);
}

describe('a balance or thermometer, read by a press', () => {
  it('is not there until its address is given, and any other kind never', async () => {
    expect(await read('balance')).toMatchObject({ code: 'READER_NONE' });
    expect((await shop.ask('GET', '/readers/kiln')).status).toBe(422);
  });
  it('tells what lies on it once it has come to rest', async () => {
    await readersAre({ balanceUrl: `${standIns.address}/balance` });
    await put('balance', 612.34);
    expect(await read('balance')).toMatchObject({ value: 612.34, standIn: true });
  }, 30_000);
  it('is refused where another kind of device answers', async () => {
    await readersAre({ thermometerUrl: `${standIns.address}/balance` });
    expect(await read('thermometer')).toMatchObject({ code: 'DEVICE_OTHER' });
  });
  it('reads nothing of a lost sensor, of one that does not rest, and of before the press', async () => {
    device = await fakeDevice({ ...HELLO, kind: 'balance', now: new Date().toISOString() });
    await readersAre({ balanceUrl: device.address });
    // What it read before the press may be of what lay on it before.
    device.say({ value: 12 });
    const soon = (): Promise<Partial<HandReading> & { message?: string }> =>
      readNow(shop.shop.services.db, 'balance', 1500).catch((error: Error) => error);
    expect((await soon()).message).toContain('it reads nothing new');
    const saying = async (given: Partial<DeviceReading>) => {
      const [answer] = await Promise.all([soon(), wait(700).then(() => device!.say(given))]);
      return answer;
    };
    expect((await saying({ value: null })).message).toContain('its sensor is lost');
    expect((await saying({ value: 12, steady: false })).message).toContain('does not come to rest');
    expect(await saying({ value: 12.5 })).toMatchObject({ value: 12.5, standIn: false });
    expect(device.asked.every((asked) => asked.startsWith('GET'))).toBe(true);
  }, 60_000);
  it('that is switched off, or no address at all, is said', async () => {
    await readersAre({ balanceUrl: 'http://127.0.0.1:9' });
    expect(await read('balance')).toMatchObject({ code: 'DEVICE_SILENT' });
    await readersAre({ balanceUrl: 'the grey one' });
    expect(await read('balance')).toMatchObject({ code: 'DEVICE_ADDRESS' });
  });
});
