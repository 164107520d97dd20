import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { emptyPourDoc, FACT_NAMES, type Casting, type PourDoc } from '@zero-pour/contracts';
import { CAST_FAULTS, FLAW_KINDS, FLAW_ZONES, seededRandom } from '@zero-pour/core';
import pino from 'pino';
import { startShop } from '../server/src/start';
import { ms, table } from './table';

const POURS = 10_000;
const ASKED = 60;
const LIMIT_MS = 100;

/** A made-up past pour of four castings, with what is usually known of one. */
function madeUp(n: number, ids: { alloys: string[]; resins: string[] }, random: ReturnType<typeof seededRandom>): PourDoc {
  const { uniform } = random;
  const between = (low: number, high: number): number => low + (high - low) * uniform();
  const of = <T>(list: readonly T[]): T => list[Math.floor(between(0, list.length))]!;
  const doc = emptyPourDoc();
  doc.brief.alloyId = of(ids.alloys);
  doc.resin = { resinId: of(ids.resins) };
  const pour = doc.flasks[0]!.pour;
  const at = new Date(Date.UTC(2016, 0, 1) + n * 8 * 3_600_000).toISOString();
  pour.pouredAt = at;
  pour.flaskRead = { state: 'measured', value: Math.round(between(380, 660)) };
  pour.metalRead = { state: 'measured', value: Math.round(between(900, 1100)) };
  pour.chargeRead = { state: 'measured', value: Math.round(between(20, 400)) };
  const fault = of(CAST_FAULTS);
  for (let copy = 1; copy <= 4; copy++) {
    const isBad = uniform() < 0.2;
    const casting: Casting = { outcome: isBad ? 'scrap' : 'sellable', flaws: isBad ? [{ kind: fault.key, zone: of(FLAW_ZONES), place: '' }] : [], photos: [] };
    doc.result.castings[`l1/${copy}`] = casting;
  }
  if (uniform() < 0.3) doc.result.why = { [fault.key]: { confirmed: of(fault.causes).key, ruledOut: [] } };
  doc.result.doneAt = at;
  doc.result.note = n % 50 === 0 ? 'a word that few pours have: regatta' : '';
  return doc;
} // prettier-ignore

const percentile = (sorted: readonly number[], share: number): number =>
  sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? NaN;

/** A record of years: how long a page waits for a list, a search, what came out best, and what causes were found. */
export async function measureRecord(): Promise<string> {
  const folder = await mkdtemp(path.join(tmpdir(), 'zero-pour-bench-'));
  const { createDemoShop } = await import('@zero-pour/demo');
  const shop = await startShop({ dataFolder: folder, webFolder: path.join(folder, 'no-page'), port: 0, databaseUrl: undefined, priceFeed: undefined, demoShop: async () => createDemoShop(new Date()), log: pino({ level: 'silent' }) }); // prettier-ignore
  const api = `${shop.address}/api`;
  const headers = { 'Content-Type': 'application/json' };
  await fetch(`${api}/demo`, { method: 'POST', headers });
  const state = (await (await fetch(`${api}/shop`)).json()) as { lists: Record<'alloy' | 'resin', { id: string }[]> }; // prettier-ignore
  const ids = { alloys: state.lists.alloy.map(({ id }) => id), resins: state.lists.resin.map(({ id }) => id) }; // prettier-ignore
  const random = seededRandom(20);
  const filling = performance.now();
  for (let n = 0; n < POURS; n++) {
    const body = JSON.stringify({ id: crypto.randomUUID(), doc: madeUp(n, ids, random) });
    const answer = await fetch(`${api}/pours`, { method: 'POST', headers, body });
    const { status } = answer;
    if (status !== 201) throw new Error(`pour ${n} was refused: ${status} ${await answer.text()}`);
  }
  const filledMs = performance.now() - filling;
  const ask = async (what: string, addressOf: (n: number) => string): Promise<Record<string, string>> => {
    const times: number[] = [];
    let bytes = 0;
    for (let n = 0; n < ASKED; n++) {
      const began = performance.now();
      const answer = await fetch(`${api}${addressOf(n)}`);
      bytes = (await answer.text()).length;
      times.push(performance.now() - began);
      if (!answer.ok) throw new Error(`${addressOf(n)}: ${answer.status}`);
    }
    times.sort((a, b) => a - b);
    const p95 = percentile(times, 0.95);
    return { asked: what, median: ms(percentile(times, 0.5)), p95: ms(p95), [`within ${LIMIT_MS} ms`]: p95 <= LIMIT_MS ? 'yes' : 'no', answer: `${Math.round(bytes / 1024)} kB` }; // prettier-ignore
  };
  const rows = [
    await ask('the newest 30', () => '/pours?limit=30'),
    await ask('30 from the middle', (n) => `/pours?limit=30&offset=${5000 + 30 * (n % 20)}`),
    await ask('30 by the share sellable', () => '/pours?limit=30&sort=sharePercent&down=false'),
    await ask('with a flaw', (n) => `/pours?limit=30&flaw=${encodeURIComponent(FLAW_KINDS[n % FLAW_KINDS.length]!)}`),
    await ask('a flaw’s place and the flask under 450 °C', (n) => `/pours?limit=30&zone=${encodeURIComponent(FLAW_ZONES[n % FLAW_ZONES.length]!)}&fact=flaskC&to=450`),
    await ask('a word of a note', () => '/pours?limit=30&text=regatta'),
    await ask('a number of a pour', (n) => `/pours?limit=30&text=${100 + 83 * n}`),
    await ask('find: a number of a pour', (n) => `/find?words=${100 + 83 * n}`),
    await ask('find: a word of a note', () => '/find?words=regatta'),
    await ask('find: a metal and a flaw', () => '/find?words=sterling%20porosity'),
    await ask('find: a word that is misspelt', () => '/find?words=regata'),
    await ask('find: what is nowhere', () => '/find?words=xylophone'),
    await ask('what causes were found', () => '/casts/lessons'),
    await ask('what came out best', () => '/casts/made-with'),
    await ask('by months', () => '/pours/groups?by=month'),
    await ask('a trend of the share sellable', () => '/pours/points?of=sharePercent&along=day'),
  ]; // prettier-ignore
  await shop.stop();
  await rm(folder, { recursive: true, force: true });
  return `${table(rows)}\n\n${POURS} pours with ${FACT_NAMES.length} numbers at most, put in at ${ms(filledMs / POURS)} each; ${ASKED} asked of each`;
}
