import { createHash, randomUUID } from 'node:crypto';
import { emptyPourDoc, type KeptAnalysis, type KnownPart, type Pattern } from '@zero-pour/contracts';
import { ANALYSIS_VERSION, type PatternAnalysis, type PatternMeasure } from '@zero-pour/core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openTestShop, type TestShop } from './testing/testShop';

let test: TestShop;
/** What the API answers, as any of the shapes below. */
let ask: (...given: Parameters<TestShop['ask']>) => Promise<{ status: number; body: Answer }>;
interface Answer extends Pattern {
  kept: KeptAnalysis | null;
  parts: KnownPart[];
}
beforeAll(async () => {
  test = await openTestShop();
  ask = test.ask;
});
afterAll(() => test.close());

const hashOf = (bytes: Uint8Array): string => createHash('sha256').update(bytes).digest('hex');
const measure: PatternMeasure = {
  format: 'obj', unitMm: 1, triangles: 12, vertices: 8, closed: true, openEdges: 0, crowdedEdges: 0, turnedEdges: 0, degenerate: 0,
  shells: 1, inwardShells: 0, reversed: false, sizeMm: [10, 10, 10], areaMm2: 600, volumeMm3: 1000, volumePlusMinusMm3: 0, bodySumMm3: 1000, overlapMm3: 0, supportPointsMm: [0, 0, 0, 10, 10, 10],
}; // prettier-ignore
const analysis = (thinnestMm: number): PatternAnalysis => ({
  resolution: { fineMm: 0.05, midMm: 0.1, coarseMm: 0.15 },
  estimate: false,
  exactMm3: null,
  thickness: { p1Mm: 1, p10Mm: 1, p50Mm: 1, p90Mm: 1, thinnestMm, thickestMm: 2, histogramMm3: [0, 0, ...new Array<number>(20).fill(1)] },
  thin: [{ at: [1, 2, 3], sizeMm: thinnestMm }], thick: [], gaps: [], gapAreaMm2: [0, 4], gapPlaces: [null, [1, 1, 1]],
  hotSpots: [], feed: [], genus: 0, holes: [], chambers: [], bore: null, voids: [], hangs: [],
}); // prettier-ignore

async function keepBytes(text: string): Promise<string> {
  const bytes = new TextEncoder().encode(text);
  await ask('PUT', `/blobs/${hashOf(bytes)}`, bytes);
  return hashOf(bytes);
}
async function newPattern(text: string, change: Partial<Pattern> = {}): Promise<Pattern> {
  const { status, body } = await ask('POST', '/patterns', {
    id: randomUUID(), name: text, fileName: 'a.obj', fileHash: await keepBytes(text), measure, note: '', formerId: null, classOverride: null, ...change,
  }); // prettier-ignore
  expect(status).toBe(201);
  return body;
}
const kept = async (thinnestMm: number, change: Partial<KeptAnalysis> = {}): Promise<KeptAnalysis> => ({
  version: ANALYSIS_VERSION,
  measure,
  result: {
    status: 'analysed',
    analysis: analysis(thinnestMm),
    shapeHash: await keepBytes(`shape ${thinnestMm}`),
  },
  ...change,
});
const found = async (pattern: Pattern): Promise<KeptAnalysis | null> =>
  (await ask('GET', `/patterns/${pattern.id}/analysis`)).body.kept;

describe('an analysis', () => {
  it('is not there at first, and is as it was sent once it is kept', async () => {
    const pattern = await newPattern('one');
    expect(await found(pattern)).toBeNull();
    const sent = await kept(0.4);
    expect((await ask('PUT', `/patterns/${pattern.id}/analysis`, sent)).status).toBe(200);
    expect(await found(pattern)).toEqual(sent);
  });
  it('belongs to the bytes: another pattern with the same file has it, one in another unit has not', async () => {
    const first = await newPattern('same file');
    await ask('PUT', `/patterns/${first.id}/analysis`, await kept(0.5));
    expect(await found(await newPattern('same file', { name: 'twin' }))).not.toBeNull();
    expect(await found(await newPattern('same file', { measure: { ...measure, unitMm: 25.4 } }))).toBeNull();
  });
  it('of another reading is not shown, and an older one does not take the place of a newer', async () => {
    const pattern = await newPattern('other reading');
    const newer = await kept(0.6, { version: ANALYSIS_VERSION + 1 });
    await ask('PUT', `/patterns/${pattern.id}/analysis`, newer);
    expect(await found(pattern)).toBeNull();
    await ask('PUT', `/patterns/${pattern.id}/analysis`, await kept(0.7));
    expect(await found(pattern)).toBeNull();
  });
  it('brings its measure to the pattern', async () => {
    const pattern = await newPattern('measured anew');
    const sent = await kept(0.8, { measure: { ...measure, volumeMm3: 900, overlapMm3: 100 } });
    const { body } = await ask('PUT', `/patterns/${pattern.id}/analysis`, sent);
    expect(body.measure).toMatchObject({ volumeMm3: 900, overlapMm3: 100 });
  });
  it('of a part too open for one is kept without a shape', async () => {
    const pattern = await newPattern('too open');
    const sent = { version: ANALYSIS_VERSION, measure, result: { status: 'too open', openShare: 0.3 } };
    expect((await ask('PUT', `/patterns/${pattern.id}/analysis`, sent)).status).toBe(200);
    expect((await found(pattern))?.result).toEqual(sent.result);
  });
  it.each([
    ['whose shape was never sent', async () => ({ ...(await kept(1)), result: { status: 'analysed', analysis: analysis(1), shapeHash: 'a'.repeat(64) } }), 404],
    ['with a place that is none', async () => ({ ...(await kept(1)), result: { status: 'analysed', shapeHash: 'a'.repeat(64), analysis: { ...analysis(1), thin: [{ at: [1, 2], sizeMm: 1 }] } } }), 422],
    ['with a negative thickness', async () => kept(-1), 422],
  ])('%s is refused and changes nothing', async (what, make, status) => {
    const pattern = await newPattern(`refused ${what}`);
    expect((await ask('PUT', `/patterns/${pattern.id}/analysis`, await make())).status).toBe(status);
    expect(await found(pattern)).toBeNull();
  }); // prettier-ignore
  it('as large as a part can make it goes through', async () => {
    const pattern = await newPattern('many places');
    const many = await kept(0.9);
    if (many.result.status !== 'analysed') throw new Error('analysed');
    const spot = { at: [12.345, -6.789, 10.111] as [number, number, number], sizeMm: 0.321, depthMm: 1.234 };
    many.result.analysis.gaps = new Array(3000).fill(spot);
    many.result.analysis.thin = new Array(3000).fill(spot);
    expect((await ask('PUT', `/patterns/${pattern.id}/analysis`, many)).status).toBe(200);
    expect((await found(pattern))?.result).toEqual(many.result);
  });
});

describe('versions', () => {
  it('name the one before, which must be there', async () => {
    const first = await newPattern('version 1');
    const second = await newPattern('version 2', { formerId: first.id });
    expect(second.formerId).toBe(first.id);
    const lost = await ask('POST', '/patterns', {
      ...second,
      id: randomUUID(),
      formerId: randomUUID(),
      createdAt: undefined,
    });
    expect(lost.status).toBe(404);
  });
  it('keep the shop’s own class', async () => {
    const pattern = await newPattern('classed');
    const classed = { name: 'classed', note: '', classOverride: 'filigree' };
    const { body } = await ask('PUT', `/patterns/${pattern.id}`, classed, { 'If-Match': '"1"' });
    expect(body.classOverride).toBe('filigree');
    const stale = { ...classed, note: 'by another' };
    expect(await ask('PUT', `/patterns/${pattern.id}`, stale, { 'If-Match': '"1"' })).toMatchObject({
      status: 409,
      body: { stored: classed },
    });
    expect(
      (await ask('PUT', `/patterns/${pattern.id}`, { name: 'classed', note: '', classOverride: 'lace' }))
        .status,
    ).toBe(422);
  });
});

describe('known parts', () => {
  it('carry class, thinnest place and what became of their castings', async () => {
    const [fine, stout] = [await newPattern('fine part'), await newPattern('stout part')];
    await ask('PUT', `/patterns/${fine.id}/analysis`, await kept(0.31));
    await ask('PUT', `/patterns/${stout.id}/analysis`, await kept(0.92));
    const doc = emptyPourDoc();
    doc.brief.patterns = [{ patternId: stout.id, count: 1 }, { patternId: fine.id, count: 2 }]; // prettier-ignore
    doc.result.castings = {
      1: { outcome: 'sellable', flaws: [], photos: [] },
      2: { outcome: 'scrap', flaws: [{ kind: 'misrun', place: 'rim' }], photos: [] },
      3: { outcome: 'sellable', flaws: [], photos: [] },
    };
    const pour = (await ask('POST', '/pours', { id: randomUUID(), doc })).body;
    const before: KnownPart[] = (await ask('GET', '/patterns/known')).body.parts;
    expect(before.find(({ patternId }) => patternId === fine.id)).toMatchObject({
      castings: 0,
      partClass: 'filigree',
    });
    const done = [{ path: ['result', 'doneAt'], value: new Date().toISOString() }];
    expect((await ask('PATCH', `/pours/${pour.id}`, { changes: done })).status).toBe(200);
    const parts: KnownPart[] = (await ask('GET', '/patterns/known')).body.parts;
    expect(parts.find(({ patternId }) => patternId === fine.id)).toMatchObject({
      thinnestMm: 0.31,
      castings: 2,
      broke: 1,
      clean: 1,
    });
    expect(parts.find(({ patternId }) => patternId === stout.id)).toMatchObject({
      castings: 1,
      broke: 0,
      clean: 1,
    });
    expect(parts.map(({ thinnestMm }) => thinnestMm)).toEqual(
      parts.map(({ thinnestMm }) => thinnestMm).sort((a, b) => a - b),
    );
  });
});
