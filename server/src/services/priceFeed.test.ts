import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { priceFeedSchema } from '@zero-pour/contracts';
import { afterEach, describe, expect, it } from 'vitest';
import { askPrices, standInPrices } from './priceFeed';

const NOON = new Date('2026-11-24T12:00:00Z');
let server: Server | undefined;
afterEach(() => void server?.close());

/** A feed on this machine that answers this. */
async function feedOf(status: number, body: string): Promise<string> {
  server = createServer((_request, response) => response.writeHead(status).end(body));
  await new Promise<void>((resolve) => server!.listen(0, '127.0.0.1', resolve));
  return `http://127.0.0.1:${(server.address() as AddressInfo).port}/`;
}

describe('prices of metals', () => {
  it('of the stand-in are a feed’s answer, the same all day and others the next', () => {
    const today = standInPrices(NOON);
    expect(priceFeedSchema.parse(today)).toEqual(today);
    expect(standInPrices(new Date('2026-11-24T23:59:00Z'))).toEqual(today);
    expect(standInPrices(new Date('2026-11-25T00:01:00Z')).perG).not.toEqual(today.perG);
    expect(today.source).toContain('stand-in');
  });
  it('of a feed are taken as it gives them', async () => {
    const told = { source: 'Bench feed', at: NOON.toISOString(), currency: 'P', perG: { Ag: 1.5 } };
    expect(await askPrices(await feedOf(200, JSON.stringify(told)), NOON)).toEqual(told);
  });
  it.each([
    ['is not there', 500, '{}'],
    ['answers no prices', 200, '{"perG": {"Ag": "much"}}'],
    ['answers a page', 200, '<html>'],
  ])('of a feed that %s are refused with a sentence', async (_, status, body) => {
    await expect(askPrices(await feedOf(status, body), NOON)).rejects.toMatchObject({
      code: 'PRICES_UNREAD',
    });
  });
});
