import { randomUUID } from 'node:crypto';
import type { Pattern, Pour, PourDoc } from '@zero-pour/contracts';
import { createDemoShop } from '@zero-pour/demo';
import { seededRandom } from '@zero-pour/core';
import type { Database } from '../server/src/db/database';
import { addPattern } from '../server/src/db/patternStore';
import { addPour } from '../server/src/db/pourStore';
import { snapshotUsed } from '../server/src/services/usedItems';

const DAY_MS = 86_400_000;
const MOMENT = /\d{4}-\d{2}-\d{2}T\d{2}:\d{2}:\d{2}(\.\d+)?Z/g;

/** A document with all its moments so many days earlier. */
const shifted = (doc: PourDoc, days: number): PourDoc =>
  JSON.parse(JSON.stringify(doc).replace(MOMENT, (at) => new Date(Date.parse(at) - days * DAY_MS).toISOString())) as PourDoc; // prettier-ignore

/** Notes that few pours have, so that something rare can be looked for. */
const noted = (doc: PourDoc, n: number): PourDoc =>
  n % 50 === 0 ? { ...doc, result: { ...doc.result, note: 'a word that few pours have: regatta' } } : doc;

/** Puts more pours, alike to the demo's past ones and older, and more patterns, alike to its own, into a shop that has the demo. */
export async function fillYears(db: Database, pours: number, patterns: number): Promise<void> {
  const { file } = await createDemoShop(new Date());
  const past = file.pours.filter(({ doc }) => doc.result.doneAt !== undefined);
  const random = seededRandom(22);
  const perDay = 4;
  for (let n = 0; n < pours; n += 200)
    await db.transaction(async (tx) => {
      for (let k = n; k < Math.min(n + 200, pours); k++) {
        const like = past[Math.floor(random.uniform() * past.length)] as Pour;
        const doc = noted(shifted(like.doc, 30 + Math.floor((pours - k) / perDay)), k);
        await addPour(tx, { id: randomUUID(), doc, used: await snapshotUsed(tx, doc), at: new Date(Date.parse(like.createdAt) - ((pours - k) / perDay) * DAY_MS).toISOString() }); // prettier-ignore
      }
    });
  await db.transaction(async (tx) => {
    for (let n = 0; n < patterns; n++) {
      const { createdAt, ...like } = file.patterns[n % file.patterns.length] as Pattern;
      await addPattern(tx, { ...like, id: randomUUID(), name: `${like.name} ${n}` }, createdAt);
    }
  });
  await db.exec('ANALYZE');
}
