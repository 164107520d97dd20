import { randomUUID } from 'node:crypto';
import { emptyPourDoc, parseOrRefuse, recordQuerySchema } from '@zero-pour/contracts';
import Papa from 'papaparse';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openTestShop, type TestShop } from '../testing/testShop';
import { addPour, markDiscarded } from './pourStore';
import { recordRows } from './recordSearch';

/** More than are read at a time, by twice. */
const POURS = 1001;
const ASIDE = 500;

describe('the record as a table', () => {
  let test: TestShop;
  beforeAll(async () => {
    test = await openTestShop();
    await test.shop.services.db.transaction(async (tx) => {
      for (let n = 1; n <= POURS; n++) {
        const doc = emptyPourDoc();
        doc.brief.note = n % 400 === 0 ? '=a gannet’s "ring", filigree' : 'a ring';
        await addPour(tx, { id: randomUUID(), doc, at: new Date().toISOString() });
      }
      const { rows } = await tx.query<{ id: string }>('SELECT id::text FROM pour WHERE number = $1', [ASIDE]);
      await markDiscarded(tx, rows[0]!.id, true);
    });
  });
  afterAll(() => test.close());

  const tableOf = async (query: string): Promise<Record<string, string>[]> => {
    const { status, body } = await test.ask('GET', `/pours.csv?${query}`);
    expect(status).toBe(200);
    const { data, errors } = Papa.parse<Record<string, string>>(body as string, { header: true });
    expect(errors).toEqual([]);
    return data;
  };
  const numbers = (rows: Record<string, string>[]): number[] => rows.map(({ pour }) => Number(pour));

  it('has every pour once, in order, however many there are and whatever page is shown', async () => {
    const all = Array.from({ length: POURS }, (_, i) => i + 1).filter((n) => n !== ASIDE);
    expect(numbers(await tableOf('limit=5&offset=20&sort=number&down=false'))).toEqual(all);
  });

  it('has those that match, by words too', async () => {
    expect(numbers(await tableOf('text=gannet'))).toEqual([400, 800]);
    expect((await tableOf('text=400')).map(({ class: of }) => of)).toEqual(['standard']);
  });

  it('has its titles alone where nothing matches', async () => {
    const { body } = await test.ask('GET', '/pours.csv?text=no%20such%20pour');
    expect((body as string).startsWith('pour,poured,castings,metal,class,resin,')).toBe(true);
    expect((body as string).trim().split(/\r?\n/)).toHaveLength(1);
  });

  it('lets others have the database between what is read at a time', async () => {
    const { db } = test.shop.services;
    const sizes: number[] = [];
    for await (const rows of recordRows(db, parseOrRefuse(recordQuerySchema, {}))) {
      sizes.push(rows.length);
      // Added while it is read: what comes after the last row is found too.
      if (sizes.length === 1) await db.transaction((tx) => addPour(tx, { id: randomUUID(), doc: emptyPourDoc(), at: new Date().toISOString() })); // prettier-ignore
    }
    expect(sizes).toEqual([500, 500, 1]);
  });
});
