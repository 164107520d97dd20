import { randomUUID } from 'node:crypto';
import { emptyPourDoc, type ChangedPour, type PourDoc } from '@zero-pour/contracts';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openTestShop, type TestShop } from '../testing/testShop';

let test: TestShop;
let ask: TestShop['ask'];
beforeAll(async () => {
  test = await openTestShop();
  ask = test.ask;
});
afterAll(() => test.close());

const sql = (text: string, values: unknown[] = []) => test.shop.services.db.query(text, values);
const addPour = async (change: (doc: PourDoc) => void = () => {}): Promise<string> => {
  const id = randomUUID();
  const doc = emptyPourDoc();
  change(doc);
  expect((await ask('POST', '/pours', { id, doc })).status).toBe(201);
  return id;
};
const change = async (
  id: string,
  changes: { path: string[]; value: unknown; version?: number; over?: unknown[] }[],
): Promise<ChangedPour> =>
  (await ask('PATCH', `/pours/${id}`, { changes: changes.map((one) => ({ version: 2, ...one })) })).body;

describe('changes of one sending', () => {
  const measured = (value: number) => ({ state: 'measured', value });

  it('are judged one by one: 200 with three bad ones among them', async () => {
    const id = await addPour();
    const pieces = Array.from({ length: 197 }, (_, n) => ({
      path: ['print', 'pieces', `l1/${n + 1}`],
      value: { outcome: 'good', note: '' },
    }));
    const bad = [
      { path: ['flasks', 'f1', 'sprue', 'flaskId'], value: randomUUID() },
      { path: ['print', 'spares'], value: -2 },
      { path: ['flasks', 'f1', 'pour', 'chargeRead'], value: measured(-5) },
    ];
    const { pour, refused } = await change(id, [bad[0]!, ...pieces, bad[1]!, bad[2]!]);
    expect(Object.keys(pour.doc.print.pieces)).toHaveLength(197);
    expect(refused.map(({ code }) => code)).toEqual(['NOT_FOUND', 'BAD_REQUEST', 'BAD_REQUEST']);
    expect(refused.map((r) => r.change)).toEqual(bad.map((one) => ({ ...one, version: 2 })));
    expect(refused[2]!.sentence).toBe(
      'This cannot be kept: Charge, as weighed: it lies between 0.1 g and 100000.0 g.',
    );
  });

  it('that only make sense together are kept together, also beside a bad one', async () => {
    const id = await addPour((doc) => {
      doc.print.startedAt = '2026-11-20T10:00:00.000Z';
      doc.print.finishedAt = '2026-11-20T14:00:00.000Z';
    });
    const { pour, refused } = await change(id, [
      { path: ['print', 'startedAt'], value: '2026-11-21T10:00:00.000Z' },
      { path: ['brief', 'count'], value: 1 },
      { path: ['print', 'finishedAt'], value: '2026-11-21T12:00:00.000Z' },
    ]);
    expect(refused.map((r) => r.change.path)).toEqual([['brief', 'count']]);
    expect(pour.doc.print).toMatchObject({
      startedAt: '2026-11-21T10:00:00.000Z',
      finishedAt: '2026-11-21T12:00:00.000Z',
    });
  });

  it('never let an older refused value overwrite a newer one of the same field', async () => {
    const id = await addPour();
    const { pour } = await change(id, [
      { path: ['print', 'finishedAt'], value: 'yesterday' },
      { path: ['print', 'finishedAt'], value: '2026-11-21T12:00:00.000Z' },
    ]);
    expect(pour.doc.print.finishedAt).toBe('2026-11-21T12:00:00.000Z');
  });

  it.each([
    [['flasks', 'f1', 'pour', 'metalRead'], measured(1e308)],
    [['print', 'humidityPercent'], measured(400)],
    [['result', 'buttonBackG'], measured(-5)],
    [['scale', 'measured'], { held: { cured: measured(-3) } }],
    [['result', 'castings', 'l1/1'], { flaws: [], photos: [], weightG: measured(-1) }],
    [['flasks', 'f1', 'pour', 'pouredAt'], '0000-01-01T00:00:00.000Z'],
  ])('refuse a reading or a time that cannot be: %j', async (at, value) => {
    const id = await addPour();
    const { pour, refused } = await change(id, [{ path: at, value }]);
    expect([refused.length, pour.doc]).toEqual([1, emptyPourDoc()]);
  });

  it.each([
    [{ startedAt: '2026-11-20T10:00:00.000Z' }, ['print', 'finishedAt'], '2026-11-20T09:00:00.000Z', /off before it was started/],
    [{}, ['clean', 'steps', 'bath1'], { startedAt: '2026-11-20T10:00:00.000Z', doneAt: '2026-11-20T09:00:00.000Z' }, /over before it was begun/],
  ])('refuse an end before its beginning', async (print, at, value, why) => {
    const id = await addPour((doc) => Object.assign(doc.print, print));
    expect((await change(id, [{ path: at, value }])).refused[0]!.sentence).toMatch(why);
  }); // prettier-ignore

  it('still take other fields of a pour that was kept with a reading that is refused today', async () => {
    const id = await addPour();
    await sql(`UPDATE pour SET doc = jsonb_set(doc, '{flasks,0,pour,chargeRead}', '{"state":"measured","value":-5}') WHERE id = $1`, [id]); // prettier-ignore
    const { pour, refused } = await change(id, [{ path: ['brief', 'note'], value: 'harbour' }]);
    expect([refused, pour.doc.brief.note, pour.doc.flasks[0]!.pour.chargeRead]).toEqual([
      [],
      'harbour',
      measured(-5),
    ]);
  });

  it('that were typed into the version before are kept where they belong now', async () => {
    const id = await addPour((doc) => {
      doc.brief.lines = [];
      doc.print.spares = 1;
    });
    const version = 1;
    const { pour, refused } = await change(id, [
      { path: ['print', 'pieces', '2'], value: { outcome: 'good', note: 'second' }, version },
      { path: ['pour', 'note'], value: 'a little early', version },
      { path: ['wayUp', 'cut', randomUUID()], value: {}, version },
      { path: ['pour', 'chargeRead'], value: measured(-5), version },
    ]);
    expect(Object.values(pour.doc.print.pieces)).toEqual([{ outcome: 'good', note: 'second' }]);
    expect(pour.doc.flasks[0]!.pour.note).toBe('a little early');
    expect(refused.map((r) => r.change.path)).toEqual([['flasks', 'f1', 'pour', 'chargeRead']]);
  });
});

describe('a field that two people change', () => {
  const note = (value: unknown, over?: unknown[]) => ({
    path: ['brief', 'note'],
    value,
    ...(over ? { over } : {}),
  });
  const noteOf = ({ pour }: ChangedPour) => pour.doc.brief.note;

  it('is not written over unseen: the second is told what stands there', async () => {
    const id = await addPour();
    expect(noteOf(await change(id, [note('first', [null])]))).toBe('first');
    const second = await change(id, [note('second', [null])]);
    expect(second.refused).toMatchObject([
      { code: 'FIELD_CHANGED', stored: 'first', change: { value: 'second' } },
    ]);
    expect(noteOf(second)).toBe('first');
    expect(noteOf(await change(id, [note('second', ['first'])]))).toBe('second');
  });

  it('takes nothing else of the same sending with it', async () => {
    const id = await addPour((doc) => (doc.brief.note = 'there'));
    const sent = await change(id, [note('mine', ['before']), { path: ['print', 'spares'], value: 3 }]);
    expect([noteOf(sent), sent.pour.doc.print.spares, sent.refused.length]).toEqual(['there', 3, 1]);
  });

  it('knows its own attempts, the same value, and what went before in the same sending', async () => {
    const id = await addPour((doc) => (doc.brief.note = 'on'));
    expect((await change(id, [note('one', [null, 'on'])])).refused).toEqual([]);
    expect((await change(id, [note('one', ['long gone'])])).refused).toEqual([]);
    expect((await change(id, [note('two', ['one']), note('three', ['two'])])).refused).toEqual([]);
  });

  it('compares as JSON does: fields in another order are the same', async () => {
    const piece = { note: 'a', outcome: 'good' };
    const id = await addPour();
    const at = ['print', 'pieces', 'l1/1'];
    await change(id, [{ path: at, value: piece }]);
    const turned = {
      path: at,
      value: { outcome: 'lost', note: 'b' },
      over: [{ outcome: 'good', note: 'a' }],
    };
    expect((await change(id, [turned])).refused).toEqual([]);
  });
});
