import type { DeviceList, DeviceState, KilnCurve, KilnRun } from '@zero-pour/contracts';
import { randomUUID } from 'node:crypto';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, it, vi } from 'vitest';
import { startStandIns, type StandIns } from '../standIns/standInApp';
import { fakeDevice } from '../testing/fakeDevice';
import { killServer, spawnServer } from '../testing/serverProcess';
import { openTestShop, type TestShop } from '../testing/testShop';

let test: TestShop;
let standIns: StandIns;
/** Another for each test. */
let kilnId: string;
const KILN = { litres: 7, maxC: 1000, maxRampCPerH: 400, coolTauH: 4, costPerH: 0, note: '' };
const ask: TestShop['ask'] = (...args) => test.ask(...args);
const kilnWith = (change: object) =>
  ask('PUT', `/shop/kiln/${kilnId}`, { ...KILN, name: `Kiln ${kilnId}`, ...change });
async function follow(deviceUrl: string | null): Promise<void> {
  expect((await kilnWith({ deviceUrl })).status).toBe(200);
}
beforeAll(async () => {
  test = await openTestShop();
}, 60_000);
afterAll(async () => {
  await test.close();
  await rm(test.folder, { recursive: true, force: true });
});
beforeEach(async () => {
  kilnId = randomUUID();
  standIns = await startStandIns(0);
});
afterEach(async () => {
  await follow(null);
  await standIns.close();
});
/** The server is stopped; what is called back starts it again on the same shop. */
async function stopServer(): Promise<() => Promise<void>> {
  const { folder } = test;
  await test.shop.stop();
  return async () => {
    test = await openTestShop(folder);
  };
}

const state = async (): Promise<DeviceState> =>
  ((await ask('GET', '/devices')).body as DeviceList).devices.find((device) => device.kilnId === kilnId)!;
const until = (check: () => Promise<void>): Promise<void> =>
  vi.waitFor(check, { timeout: 20_000, interval: 50 });
const linkIs = (link: string) => until(async () => expect((await state()).link).toBe(link));
const runs = async (): Promise<KilnRun[]> =>
  ((await ask('GET', '/kiln-runs')).body as { runs: KilnRun[] }).runs.filter((run) => run.kilnId === kilnId);
const curve = async (id: string): Promise<KilnCurve> =>
  (await ask('GET', `/kiln-runs/${id}`)).body as KilnCurve;
const send = (id: string, targetC = 200) =>
  ask('PUT', `/kilns/${kilnId}/run`, {
    id,
    pourId: null,
    name: 'Dry and heat',
    segments: [{ rampCPerH: 300, targetC, holdS: 7200 }],
  });
const trouble = (body: object) => ask('PUT', `/kilns/${kilnId}/troubles`, body);

async function followStandIn(): Promise<void> {
  await follow(`${standIns.address}/kiln`);
  await linkIs('on');
}
/** A run to 600 °C at 600 times its time, of which something is written down already. */
async function hastenedRun(): Promise<string> {
  await followStandIn();
  await trouble({ pace: 600 });
  const id = randomUUID();
  await send(id, 600);
  await until(async () => expect((await curve(id)).atS.length).toBeGreaterThan(20));
  return id;
}

/** Every ten seconds of the kiln's own clock there is one, and no two. */
function isWhole({ atS, run }: KilnCurve): void {
  const steps = atS.slice(1).map((at, n) => at - atS[n]!);
  expect(Math.min(...steps)).toBeGreaterThan(0);
  expect(Math.max(...steps)).toBeLessThanOrEqual(20.5);
  expect(run.missing).toBe(0);
}

describe('a kiln on the wire', () => {
  it('runs what it is sent, is written down, and ends when it is stopped', async () => {
    await follow(`${standIns.address}/kiln/`);
    await linkIs('on');
    expect((await state()).device).toMatchObject({ name: 'Stand-in kiln', standIn: true });
    await trouble({ pace: 1800 });
    const id = randomUUID();
    expect((await send(id)).status).toBe(200);
    await until(async () => expect((await state()).reading?.value).toBeGreaterThan(150));
    expect((await state()).runId).toBe(id);
    expect((await runs())[0]).toMatchObject({
      id,
      going: true,
      source: 'device',
      sent: { name: 'Dry and heat', segments: [{ targetC: 200, holdS: 7200 }] },
    });
    // The same press arrives twice: nothing begins anew.
    expect((await send(id)).status).toBe(200);
    expect((await send(randomUUID())).body).toMatchObject({ error: { code: 'DEVICE_BUSY' } });
    expect((await ask('DELETE', `/kilns/${kilnId}/run`)).status).toBe(204);
    await until(async () => expect((await runs())[0]).toMatchObject({ going: false }));
    const kept = await curve(id);
    isWhole(kept);
    // At 300 °C/h from a cold kiln: what was written down is what such a kiln does.
    const after30min = kept.tempC[kept.atS.findIndex((at) => at >= 1800)]!;
    expect(after30min).toBeGreaterThan(140);
    expect(after30min).toBeLessThan(175);
  }, 60_000);

  it('loses its link in mid-ramp: said, no temperature claimed anew, and nothing doubled or missing after', async () => {
    const id = await hastenedRun();
    await trouble({ linkOutS: 2 });
    await linkIs('lost');
    const lost = await state();
    expect(lost.sentence).toContain('Look whether the device is on');
    expect((await state()).readAt).toBe(lost.readAt);
    await linkIs('on');
    await until(async () => expect((await curve(id)).atS.length).toBeGreaterThan(200));
    isWhole(await curve(id));
  }, 60_000);

  it('runs on while the server is stopped and started again: what the device remembers is had', async () => {
    const id = await hastenedRun();
    const startAgain = await stopServer();
    const before = standIns.kiln.lastN;
    await vi.waitFor(() => expect(standIns.kiln.lastN).toBeGreaterThan(before + 50), 20_000);
    await startAgain();
    await until(async () => expect((await state()).runId).toBe(id));
    await until(async () => expect((await curve(id)).atS.length).toBeGreaterThan(120));
    isWhole(await curve(id));
  }, 60_000);

  it('runs on while the server is killed: started again, it goes on writing where it was cut off', async () => {
    const folder = await mkdtemp(path.join(tmpdir(), 'zero-pour-killed-'));
    const inProcess = test;
    const start = async () => {
      const { child, first } = spawnServer(folder);
      const started = await first;
      if ('code' in started) throw new Error(started.said);
      test = {
        ...inProcess,
        ask: async (method, at, body) => {
          const init: RequestInit = { method, headers: { 'Content-Type': 'application/json' } };
          if (body !== undefined) init.body = JSON.stringify(body);
          const response = await fetch(`${started.address}/api${at}`, init);
          return { status: response.status, body: (await response.json().catch(() => null)) as never };
        },
      };
      return child;
    };
    let child = await start();
    try {
      const id = await hastenedRun();
      await killServer(child);
      const before = standIns.kiln.lastN;
      await vi.waitFor(() => expect(standIns.kiln.lastN).toBeGreaterThan(before + 50), 20_000);
      child = await start();
      await until(async () => expect((await curve(id)).atS.length).toBeGreaterThan(120));
      isWhole(await curve(id));
    } finally {
      await killServer(child);
      test = inProcess;
      await rm(folder, { recursive: true, force: true });
    }
  }, 90_000);

  it('that was started anew knows nothing of its run: the run is over and that is said', async () => {
    await followStandIn();
    const id = randomUUID();
    await send(id);
    await until(async () => expect((await curve(id)).atS.length).toBeGreaterThan(0));
    const { port } = new URL(standIns.address);
    await standIns.close();
    await linkIs('lost');
    standIns = await startStandIns(Number(port));
    await linkIs('on');
    expect((await state()).sentence).toContain('knows nothing of the run');
    expect(await runs()).toMatchObject([{ id, going: false }]);
  }, 60_000);
});

describe('what is sent', () => {
  it('is nothing by itself: not by opening the shop, changing the kiln, or coming back', async () => {
    const device = await fakeDevice();
    device.say({});
    await follow(device.address);
    await linkIs('on');
    await kilnWith({ note: 'New bricks', deviceUrl: device.address });
    await (
      await stopServer()
    )();
    await linkIs('on');
    expect(device.asked.length).toBeGreaterThan(4);
    expect(device.asked.filter((line) => !line.startsWith('GET '))).toEqual([]);
    await device.close();
  }, 60_000);

  it('is not sent where it is hotter than the kiln may be, or where no device is known', async () => {
    await follow(null);
    expect((await send(randomUUID())).body).toMatchObject({ error: { code: 'DEVICE_NONE' } });
    await followStandIn();
    expect((await send(randomUUID(), 1100)).body).toMatchObject({
      error: {
        code: 'DEVICE_TOO_HOT',
        sentence: '1100 °C is hotter than this kiln may be (1000 °C). Nothing was sent.',
      },
    });
    await until(async () => expect((await state()).reading).toMatchObject({ runId: null, set: null }));
    expect(await runs()).toEqual([]);
  }, 60_000);

  it('whose answer is lost may have been heard: it is said, and the readings tell', async () => {
    const device = await fakeDevice();
    const id = randomUUID();
    device.say({});
    await follow(device.address);
    await until(async () => expect((await state()).reading?.n).toBe(1));
    device.loseAnswers();
    expect((await send(id)).body).toMatchObject({ error: { code: 'DEVICE_SILENT' } });
    const at = Date.now();
    for (const s of [10, 20, 30])
      device.say({ runId: id, value: 25 + s, at: new Date(at + 1000 * s).toISOString() });
    await until(async () =>
      expect((await runs())[0]).toMatchObject({ id, going: true, rows: 3, missing: 0 }),
    );
    device.say({ at: new Date(at + 40_000).toISOString() });
    await until(async () => expect((await runs())[0]).toMatchObject({ going: false, rows: 3 }));
    await device.close();
  }, 60_000);
  it('a stop that nobody hears is said, with what to do', async () => {
    await followStandIn();
    await send(randomUUID());
    await until(async () => expect((await state()).reading?.runId).not.toBeNull());
    await trouble({ linkOutS: 30 });
    const { status, body } = await ask('DELETE', `/kilns/${kilnId}/run`);
    expect(status).toBe(502);
    expect(JSON.stringify(body)).toContain('switch it off there');
  }, 60_000);
  it('goes to a stand-in only, where it is a trouble', async () => {
    const device = await fakeDevice();
    await follow(device.address);
    await linkIs('on');
    expect((await trouble({ powerOut: true })).status).toBe(409);
    expect(device.asked.filter((line) => line.includes('troubles'))).toEqual([]);
    await device.close();
  }, 60_000);
});

describe('a wrong address', () => {
  const sentenceAt = async (address: string): Promise<string> => {
    await follow(address);
    await linkIs('lost');
    return (await state()).sentence!;
  };
  it('is told for what it is: none at all, nobody there, another’s words, another kind', async () => {
    expect(await sentenceAt('kiln one')).toContain('begins with http://');
    expect(await sentenceAt('file:///etc/hosts')).toContain('begins with http://');
    expect(await sentenceAt('http://127.0.0.1:9')).toContain('Nothing answers at http://127.0.0.1:9');
    const other = await fakeDevice({ status: 'ok' });
    expect(await sentenceAt(other.address)).toMatch(/does not speak as a kiln should: format/);
    await other.close();
    expect(await sentenceAt(`${standIns.address}/thermometer`)).toContain('it is a thermometer');
    expect((await state()).reading).toBeNull();
  }, 60_000);
});

describe('a clock that jumps', () => {
  it('back or ahead is said; what it reads of before is not written down', async () => {
    const device = await fakeDevice();
    const id = randomUUID();
    const at = (s: number) => new Date(Date.parse('2026-11-20T18:00:00Z') + 1000 * s).toISOString();
    device.say({ at: at(0) });
    await follow(device.address);
    await linkIs('on');
    await send(id);
    for (const s of [10, 20, -7000, -6990, 30, 40]) device.say({ at: at(s), value: 25, runId: id });
    await until(async () => expect((await state()).reading?.n).toBe(7));
    expect((await state()).sentence).toContain('jumped ahead by 1 h 57 min');
    await until(async () => expect((await curve(id)).atS).toEqual([0, 10, 20, 30]));
    device.say({ at: at(-100), runId: id });
    await until(async () => expect((await state()).sentence).toContain('went back by 2 min'));
    await device.close();
  }, 60_000);
  it('with numbers left out it is a hole that is counted, and a lost thermocouple is no temperature', async () => {
    const device = await fakeDevice();
    const id = randomUUID();
    const now = Date.now();
    device.say({});
    await follow(device.address);
    await linkIs('on');
    await send(id);
    const say = (n: number, value: number | null) =>
      device.say({ n, value, runId: id, at: new Date(now + 10_000 * n).toISOString() });
    say(2, 30);
    say(3, null);
    say(8, 40);
    await until(async () => expect((await runs())[0]).toMatchObject({ rows: 2, missing: 4 }));
    expect((await curve(id)).tempC).toEqual([30, 40]);
    say(9, null);
    await until(async () => expect((await state()).reading).toMatchObject({ n: 9, value: null }));
    await device.close();
  }, 60_000);
});
