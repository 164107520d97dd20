// @vitest-environment happy-dom
import type { DeviceReading, DeviceState, Kiln } from '@zero-pour/contracts';
import { flushPromises } from '@vue/test-utils';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { nextTick } from 'vue';
import KilnChip from '../shell/KilnChip.vue';
import { useShop } from '../state/shopStore';
import { useFakeShop } from '../testing/fakeServer';
import { lastEmitted } from '../testing/mountInApp';
import { buttonOf, flatText } from '../testing/showInPour';
import KilnDevice from './KilnDevice.vue';
import SendProgramme from './SendProgramme.vue';

/** What the browser hears of the server, by hand. */
class HeardSource {
  static last: HeardSource | undefined;
  readyState = 1;
  onopen: () => void = () => {};
  onerror: () => void = () => {};
  onmessage: (event: { data: string; lastEventId: string }) => void = () => {};
  constructor() {
    HeardSource.last = this;
  }
  addEventListener(): void {}
  removeEventListener(): void {}
  close(): void {
    this.readyState = 2;
  }
}
const shop = useFakeShop();
beforeEach(() => {
  HeardSource.last = undefined;
  vi.stubGlobal('EventSource', HeardSource);
});

const kiln = (deviceUrl: string | null = 'http://127.0.0.1:4690/kiln'): Kiln => {
  const { lists } = useShop();
  const found = { ...lists.kiln.find(({ name }) => name === 'Kiln 1')!, deviceUrl };
  useShop().lists = { ...lists, kiln: [found, ...lists.kiln.filter(({ id }) => id !== found.id)] };
  return found;
};
const reading = (change: Partial<DeviceReading> = {}): DeviceReading => ({
  ...{ n: 12, at: new Date().toISOString(), value: 412.3, set: null },
  ...{ runId: null, segment: null, steady: true },
  ...change,
});
async function hear(kilnId: string, change: Partial<DeviceState> = {}): Promise<void> {
  const now = new Date().toISOString();
  const device: DeviceState = {
    ...{ kilnId, link: 'on', since: now, sentence: null, reading: reading(), readAt: now, runId: null },
    device: { name: 'Controller', standIn: false, pace: 1, clockOffS: 0 },
    ...change,
  };
  HeardSource.last!.onopen();
  await nextTick();
  HeardSource.last!.onmessage({
    data: JSON.stringify({ devices: [device], standIns: null }),
    lastEventId: '',
  });
  await nextTick();
}
const LOST: Partial<DeviceState> = { link: 'lost', sentence: 'Nothing answers.' };

describe('the kiln in the bar', () => {
  it('is as planned without a device, and nobody is asked for one', async () => {
    kiln(null);
    const chip = shop.show(KilnChip);
    expect(flatText(chip)).toMatch(/Kiln 1 \d+ °C .*planned/);
    expect(HeardSource.last).toBeUndefined();
  });
  it('is as it is read; a lost link claims no temperature', async () => {
    const { id } = kiln();
    const chip = shop.show(KilnChip);
    await hear(id);
    expect(flatText(chip)).toBe('Kiln 1 412 °C read');
    await hear(id, LOST);
    expect(flatText(chip)).toBe('Kiln 1 link lost');
    expect(chip.attributes('title')).toContain('what it is now is not known');
  });
  it('falls back to what is planned, and says so, when the server itself is not heard', async () => {
    const { id } = kiln();
    const chip = shop.show(KilnChip);
    await hear(id);
    HeardSource.last!.onerror();
    await nextTick();
    expect(flatText(chip)).toContain('planned');
    expect(flatText(chip)).not.toContain('412');
  });
});

describe('the device of a kiln', () => {
  it('is none until an address is given; the stand-in is one press away', async () => {
    const page = shop.show(KilnDevice, { kiln: kiln(null) });
    expect(flatText(page)).toContain('None: this kiln is not read');
    await flushPromises();
    await buttonOf(page, 'Use the stand-in').trigger('click');
    expect(lastEmitted(page, 'change')).toMatchObject({ deviceUrl: 'http://127.0.0.1:4690/kiln' });
  });
  it('can be stopped while it runs, and a stand-in alone can be told to suffer', async () => {
    const own = kiln();
    const page = shop.show(KilnDevice, { kiln: own });
    await hear(own.id, { reading: reading({ runId: own.id }) });
    expect(flatText(page)).toContain('was not sent from here');
    expect(flatText(page)).not.toContain('Try it');
    await buttonOf(page, 'Stop the kiln').trigger('click');
    expect(shop.server.sent.at(-1)).toMatchObject({ method: 'DELETE', at: `/api/kilns/${own.id}/run` });
    await hear(own.id, { device: { name: 'Stand-in', standIn: true, pace: 1, clockOffS: 0 } });
    await buttonOf(page, 'Power out').trigger('click');
    expect(shop.server.last('/kilns/')!.body).toEqual({ powerOut: true });
    await buttonOf(page, '360').trigger('click');
    expect(shop.server.last('/kilns/')!.body).toEqual({ pace: 360 });
  });
});

describe('a programme', () => {
  const run = { name: 'Stepped', segments: [{ rampCPerH: 100, targetC: 730, holdS: 3600 }] };
  const show = (own: Kiln, against?: string) =>
    shop.show(SendProgramme, { pourId: own.id, kiln: own, run, against });

  it('is sent by the second press only, as it is, with a new name', async () => {
    const own = kiln();
    const page = show(own);
    expect(flatText(page)).toContain('nothing can be sent');
    await hear(own.id);
    await buttonOf(page, 'Send the programme').trigger('click');
    expect(flatText(page)).toContain('hood on');
    expect(shop.server.sent).toEqual([]);
    await buttonOf(page, 'Heat it to 730 °C now').trigger('click');
    await flushPromises();
    const { at, body } = shop.server.last('/kilns/')!;
    expect(at).toBe(`/api/kilns/${own.id}/run`);
    expect(body).toMatchObject({ ...run, pourId: own.id });
    expect(page.emitted('sent')).toHaveLength(1);
  });
  it('is not sent where it was thought better of, nor over a lost link; what speaks against it is said', async () => {
    const own = kiln();
    const page = show(own, 'To mend before it is sent: too hot.');
    await hear(own.id);
    expect(flatText(page)).toContain('too hot');
    await buttonOf(page, 'Send the programme').trigger('click');
    await buttonOf(page, 'Not yet').trigger('click');
    await hear(own.id, LOST);
    expect(flatText(page)).toContain('While the link is lost nothing can be sent');
    expect(page.findAll('button')).toHaveLength(0);
    expect(shop.server.sent).toEqual([]);
  });
  it('while it runs is stopped, not sent again', async () => {
    const own = kiln();
    const page = show(own);
    await hear(own.id, { reading: reading({ runId: own.id, segment: 0, set: 430 }), runId: own.id });
    expect(flatText(page)).toContain('Set point 430 °C. Segment 1 of 1.');
    expect(page.findAll('button').map((one) => one.text())).toEqual(['Stop the kiln']);
  });
});
