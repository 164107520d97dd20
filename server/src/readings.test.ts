import { createHash, randomUUID } from 'node:crypto';
import { emptyPourDoc, type KnownPart, type Pattern } from '@zero-pour/contracts';
import type { PatternAnalysis, PatternMeasure } from '@zero-pour/core';
import { jobKey, partOf, patternJob, standingInput, standingJob, type PatternOutput } from '@zero-pour/jobs';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openTestShop, type TestShop } from './testing/testShop';

let test: TestShop;
/** What the API answers, as any of the shapes below. */
let ask: (...given: Parameters<TestShop['ask']>) => Promise<{ status: number; body: Answer }>;
interface Answer extends Pattern {
  output: any; // eslint-disable-line @typescript-eslint/no-explicit-any
  status: string;
  sentence: string;
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
/** What the job "pattern" says of a part, with its shape's bytes kept. */
const said = async (thinnestMm: number, change: Partial<PatternOutput> = {}): Promise<PatternOutput> => ({
  measure,
  result: {
    status: 'analysed',
    analysis: analysis(thinnestMm),
    shapeHash: await keepBytes(`shape ${thinnestMm}`),
  },
  ...change,
});
const keyOf = (pattern: Pattern): Promise<string> => jobKey(patternJob, partOf(pattern));
const keep = async (pattern: Pattern, output: unknown, key?: string) =>
  ask('PUT', `/readings/${key ?? (await keyOf(pattern))}`, {
    job: 'pattern',
    input: partOf(pattern),
    output,
  });
const found = async (pattern: Pattern): Promise<PatternOutput | null> =>
  (await ask('GET', `/readings/${await keyOf(pattern)}`)).body.output;

describe('a reading', () => {
  it('is not there at first, and is as it was sent once it is kept', async () => {
    const pattern = await newPattern('one');
    expect(await found(pattern)).toBeNull();
    const sent = await said(0.4);
    expect((await keep(pattern, sent)).status).toBe(200);
    expect(await found(pattern)).toEqual(sent);
    expect((await keep(pattern, sent)).status).toBe(200);
  });
  it('belongs to the bytes: another pattern with the same file has it, one in another unit has not', async () => {
    await keep(await newPattern('same file'), await said(0.5));
    expect(await found(await newPattern('same file', { name: 'twin' }))).not.toBeNull();
    expect(await found(await newPattern('same file', { measure: { ...measure, unitMm: 25.4 } }))).toBeNull();
  });
  it('under a key that is not its own is refused', async () => {
    const [one, other] = [await newPattern('keyed'), await newPattern('not keyed')];
    expect((await keep(one, await said(0.6), await keyOf(other))).status).toBe(422);
    expect(await found(other)).toBeNull();
  });
  it('brings its measure to the pattern', async () => {
    const pattern = await newPattern('measured anew');
    await keep(pattern, await said(0.8, { measure: { ...measure, volumeMm3: 900, overlapMm3: 100 } }));
    const { body } = await ask('GET', `/patterns/${pattern.id}`);
    expect(body.measure).toMatchObject({ volumeMm3: 900, overlapMm3: 100 });
  });
  it('of a part too open for one is kept without a shape', async () => {
    const pattern = await newPattern('too open');
    const sent = { measure, result: { status: 'too open' as const, openShare: 0.3 } };
    expect((await keep(pattern, sent)).status).toBe(200);
    expect((await found(pattern))?.result).toEqual(sent.result);
  });
  it.each([
    ['whose shape was never sent', async () => ({ measure, result: { status: 'analysed', analysis: analysis(1), shapeHash: 'a'.repeat(64) } }), 404],
    ['with a place that is none', async () => ({ measure, result: { status: 'analysed', shapeHash: 'a'.repeat(64), analysis: { ...analysis(1), thin: [{ at: [1, 2], sizeMm: 1 }] } } }), 422],
    ['with a negative thickness', async () => said(-1), 422],
    ['of a job that is none', async () => undefined, 422],
  ])('%s is refused and changes nothing', async (what, make, status) => {
    const pattern = await newPattern(`refused ${what}`);
    expect((await keep(pattern, await make())).status).toBe(status);
    expect(await found(pattern)).toBeNull();
  }); // prettier-ignore
  it('as large as a part can make it goes through', async () => {
    const pattern = await newPattern('many places');
    const many = await said(0.9);
    if (many.result.status !== 'analysed') throw new Error('analysed');
    const spot = { at: [12.345, -6.789, 10.111] as [number, number, number], sizeMm: 0.321, depthMm: 1.234 };
    many.result.analysis.gaps = new Array(3000).fill(spot);
    many.result.analysis.thin = new Array(3000).fill(spot);
    expect((await keep(pattern, many)).status).toBe(200);
    expect((await found(pattern))?.result).toEqual(many.result);
  });
});

describe('a reading that the server is asked for', () => {
  /** Polls as a page does. */
  async function answer(job: string, input: unknown) {
    for (;;) {
      const { status, body } = await ask('POST', '/readings', { job, input });
      if (status !== 200 || body.status !== 'working') return { status, body };
      await new Promise((resolve) => setTimeout(resolve, 100));
    }
  }
  const CUBE = ['o cube', ...[0, 1, 2, 3, 4, 5, 6, 7].map((i) => `v ${i & 1 ? 10 : 0} ${i & 2 ? 10 : 0} ${i & 4 ? 10 : 0}`), 'f 1 3 4 2', 'f 5 6 8 7', 'f 1 2 6 5', 'f 3 7 8 4', 'f 1 5 7 3', 'f 2 4 8 6'].join('\n'); // prettier-ignore
  const standingOf = (pattern: Pattern, xDeg = 0) =>
    standingInput({ part: partOf(pattern), rotation: { xDeg, yDeg: 0, zDeg: 0 }, layerMm: 0.1 });

  it('is worked out in a thread, kept, and there at once the next time', async () => {
    const input = standingOf(await newPattern(CUBE, { name: 'cube' }));
    const { body } = await answer('standing', input);
    expect(body).toMatchObject({ status: 'known', output: { islands: [], more: false } });
    expect(body.output.direction.firstLayerMm2).toBeCloseTo(100, 0);
    const kept = await ask('GET', `/readings/${await jobKey(standingJob, input)}`);
    expect(kept.body.output).toEqual(body.output);
    expect((await ask('POST', '/readings', { job: 'standing', input })).body.status).toBe('known');
  }, 60_000);

  it('of bytes that are no part, or not there, fails with a sentence, and goes on with the next', async () => {
    const broken = await answer('standing', standingOf(await newPattern('not a mesh at all')));
    expect(broken.body).toMatchObject({ status: 'failed' });
    expect(broken.body.sentence).toMatch(/export/i);
    const gone = { ...standingOf(await newPattern(CUBE, { name: 'gone' })) };
    const nowhere = await answer('standing', { ...gone, part: { ...gone.part, file: 'b'.repeat(64) } });
    expect(nowhere.body.status).toBe('failed');
    const next = await answer('standing', standingOf(await newPattern(CUBE, { name: 'again' }), 90));
    expect(next.body.status).toBe('known');
  }, 60_000);

  it('of a job that is none, or of an input that makes no sense, is refused', async () => {
    const input = standingOf(await newPattern(CUBE, { name: 'refused' }));
    expect((await answer('boil', input)).status).toBe(422);
    expect((await answer('standing', { ...input, layerMm: 0 })).status).toBe(422);
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

describe('sprues in the file', () => {
  it('are kept with the bytes of the piece, stay when an older window says nothing of them, and go when it says none', async () => {
    const pattern = await newPattern('sprued');
    const piece = await newPattern('its piece');
    const fields = { name: 'sprued', note: '', classOverride: null };
    const sprues = {
      marks: [{ by: 'body', at: [1, 2, 3], shiftMm: 0 }],
      sections: [{ at: [1, 2, 3], axis: [0, 0, 1], diameterMm: 3, volumeMm3: 20 }],
      pieceHash: piece.fileHash,
      piece: piece.measure,
    };
    let revision = 1;
    const put = async (change: object) => {
      const answer = await ask('PUT', `/patterns/${pattern.id}`, { ...fields, ...change }, { 'If-Match': `"${revision}"` }); // prettier-ignore
      if (answer.status === 200) revision++;
      return answer;
    };
    expect((await put({ sprues: { ...sprues, pieceHash: 'f'.repeat(64) } })).status).toBe(404);
    expect((await put({ sprues: { ...sprues, marks: [] } })).status).toBe(422);
    expect((await put({ sprues })).body.sprues).toEqual(sprues);
    expect((await put({ note: 'from before' })).body).toMatchObject({ note: 'from before', sprues });
    expect((await put({ sprues: null })).body.sprues).toBeNull();
  });
  it('are not what a known part is known by', async () => {
    const pattern = await newPattern('known by its piece');
    const piece = await newPattern('the piece');
    await keep(pattern, await said(0.31));
    await keep(piece, await said(0.92));
    const sprues = {
      marks: [{ by: 'body', at: [1, 2, 3], shiftMm: 0 }],
      sections: [{ at: [1, 2, 3], axis: [0, 0, 1], diameterMm: 3, volumeMm3: 20 }],
      pieceHash: piece.fileHash,
      piece: piece.measure,
    };
    await ask(
      'PUT',
      `/patterns/${pattern.id}`,
      { name: 'p', note: '', classOverride: null, sprues },
      { 'If-Match': '"1"' },
    );
    const { body } = await ask('GET', '/patterns/known');
    expect(body.parts.find((part: { patternId: string }) => part.patternId === pattern.id)).toMatchObject({ thinnestMm: 0.92 }); // prettier-ignore
  });
});

describe('known parts', () => {
  it('carry class, thinnest place and what became of their castings', async () => {
    const [fine, stout] = [await newPattern('fine part'), await newPattern('stout part')];
    await keep(fine, await said(0.31));
    await keep(stout, await said(0.92));
    const doc = emptyPourDoc();
    doc.brief.lines = [{ key: 'l1', patternId: stout.id, count: 1 }, { key: 'l2', patternId: fine.id, count: 2 }]; // prettier-ignore
    doc.result.castings = {
      'l1/1': { outcome: 'sellable', flaws: [], photos: [] },
      'l2/1': { outcome: 'scrap', flaws: [{ kind: 'misrun', place: 'rim' }], photos: [] },
      'l2/2': { outcome: 'sellable', flaws: [], photos: [] },
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
