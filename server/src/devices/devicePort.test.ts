import { setFlagsFromString } from 'node:v8';
import { runInNewContext } from 'node:vm';
import { describe, expect, it, vi } from 'vitest';
import { fakeDevice } from '../testing/fakeDevice';
import { httpDevice } from './devicePort';

describe('a link that is given up', () => {
  it('ends at once, whatever the garbage collector took meanwhile', async () => {
    setFlagsFromString('--expose-gc');
    const collect = runInNewContext('gc') as () => void;
    const device = await fakeDevice();
    device.say({});
    const over = new AbortController();
    let heard = 0;
    const link = httpDevice(device.address, 'kiln').follow(0, () => heard++, over.signal);
    await vi.waitFor(() => expect(heard).toBe(1));
    for (let n = 0; n < 5; n++) {
      collect();
      await new Promise((resolve) => setTimeout(resolve, 20));
    }
    over.abort();
    await link;
    expect(over.signal.aborted).toBe(true);
    await device.close();
  }, 10_000);
});
