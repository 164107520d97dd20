// @vitest-environment happy-dom
import { answerJson } from '../testing/answers';
import type { Pattern } from '@zero-pour/contracts';
import { type Finding } from '@zero-pour/core';
import { createPinia, setActivePinia } from 'pinia';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { lastEmitted, mountInApp } from '../testing/mountInApp';
import LayerPicture from './layers/LayerPicture.vue';
import FindingList from './page/FindingList.vue';
import ThicknessHistogram from './page/ThicknessHistogram.vue';
import ColourLegend from './view/ColourLegend.vue';
import { lookFrom } from './view/lookFrom';
import { colourAt, coloursOf, downwardness, overhangRamp, thicknessRamp } from './view/paint';
import { placeMarks } from './view/placeMarks';
import { jobKey, partOf, patternJob } from '@zero-pour/jobs';
import { useAnalyses } from './jobs/analysisStore';

describe('marks on the part', () => {
  it('stay inside the picture and off each other, however the points lie', () => {
    const points = Array.from({ length: 9 }, (_, n) => ({ n, x: 400 + (n % 3), y: 230 + n }));
    const marks = placeMarks([...points, { n: 9, x: 2, y: 2 }, { n: 10, x: 838, y: 468 }], 842, 470);
    for (const mark of marks) {
      expect(mark.labelX).toBeGreaterThan(13);
      expect(mark.labelX).toBeLessThan(842 - 13);
      expect(mark.labelY).toBeGreaterThan(50);
      expect(mark.labelY).toBeLessThan(470 - 13);
      for (const other of marks) {
        if (other === mark) continue;
        const apart = Math.max(Math.abs(other.labelX - mark.labelX), Math.abs(other.labelY - mark.labelY));
        expect(apart).toBeGreaterThan(26);
      }
    }
  });
});

describe('colours', () => {
  const redder = ([r, , b]: readonly number[]): number => r! - b!;
  it('are brick below the limit, white at it, teal above', () => {
    const ramp = thicknessRamp(0.3);
    expect(redder(colourAt(ramp, 0.1))).toBeGreaterThan(80);
    expect(Math.abs(redder(colourAt(ramp, 0.3)))).toBeLessThan(40);
    expect(redder(colourAt(ramp, 3))).toBeLessThan(-20);
    expect(colourAt(ramp, 99)).toEqual(colourAt(ramp, 4));
  });
  it('leave out what is not known', () => {
    const rgb = coloursOf([0, 300], 1000, thicknessRamp(0.3), (um) => um === 0);
    expect([...rgb.slice(3)]).toEqual([...colourAt(thicknessRamp(0.3), 0.3)]);
    expect([...rgb.slice(0, 3)]).not.toEqual([...colourAt(thicknessRamp(0.3), 0)]);
  });
  it('of overhang follow the way up', () => {
    const face = {
      positions: Float32Array.from([0, 0, 0, 0, 1, 0, 1, 0, 0]),
      triangles: Uint32Array.from([0, 1, 2]),
    };
    const upright = [1, 0, 0, 0, 1, 0, 0, 0, 1];
    const upsideDown = [1, 0, 0, 0, -1, 0, 0, 0, -1];
    expect(downwardness(face, upright)[0]).toBeCloseTo(1, 6);
    expect(downwardness(face, upsideDown)[0]).toBeCloseTo(-1, 6);
    expect(redder(colourAt(overhangRamp(45), 1))).toBeGreaterThan(80);
    expect(redder(colourAt(overhangRamp(45), 0))).toBeLessThan(0);
  });
});

describe('the side a place is seen from', () => {
  /** Two small faces 1 mm apart that look away from each other, along x. */
  const plate = {
    positions: Float32Array.from([0, 0, 0, 0, 0, 1, 0, 1, 0, 1, 0, 0, 1, 1, 0, 1, 0, 1]),
    triangles: Uint32Array.from([0, 1, 2, 3, 4, 5]),
  };
  const place = { at: [0.5, 0.2, 0.2] as [number, number, number], sizeMm: 1 };
  it('is the one that faces the eye already', () => {
    expect(lookFrom(plate, place, [1, 0, 0], [0, 0, 0])[0]).toBeCloseTo(1, 6);
    expect(lookFrom(plate, place, [-1, 0, 0], [0, 0, 0])[0]).toBeCloseTo(-1, 6);
  });
  it('is outwards where no surface is near, and its own where it has one', () => {
    expect(lookFrom(plate, { at: [0, 0, 30], sizeMm: 1 }, [1, 0, 0], [0, 0, 0])).toEqual([0, 0, 1]);
    expect(lookFrom(plate, { ...place, from: [0, 0, -1] }, [1, 0, 0], [0, 0, 0])).toEqual([0, 0, -1]);
  });
});

describe('the list of findings', () => {
  const finding = (rule: string, weight: Finding['weight'], places: Finding['places'] = [{ at: [0, 0, 0], sizeMm: 1 }]): Finding => ({
    rule, weight, lead: `${rule}.`, why: ['why'], remedy: ['remedy'], places,
  }); // prettier-ignore
  const list = [finding('void', 'stop'), finding('thick', 'fix'), finding('whole part', 'note', [])];
  it('says how many are to be mended, and each with its weight in words', () => {
    const text = mountInApp(FindingList, { findings: list, status: 'analysed', chosen: undefined }).text();
    expect(text).toContain('Three findings, two to mend before printing');
    for (const word of ['stop', 'fix', 'note']) expect(text).toContain(word);
    expect(mountInApp(FindingList, { findings: [], status: 'analysed', chosen: undefined }).text()).toContain(
      'Nothing found',
    );
  });
  it.each(['asking', 'unread', 'waiting', 'working', 'failed', 'too open'] as const)(
    'gives no all-clear while the part is “%s”',
    (status) => {
      const text = (findings: Finding[]): string =>
        mountInApp(FindingList, { findings, status, chosen: undefined }).text();
      expect(text([])).not.toContain('Nothing found');
      expect(text([])).toMatch(/read|Looking/);
      expect(text(list)).toContain('Three findings of its surface.');
    },
  );
  it('chooses by click, lets go by the second, and what has no place cannot be turned to', async () => {
    const wrapper = mountInApp(FindingList, { findings: list, status: 'analysed', chosen: undefined });
    const [first, , third] = wrapper.findAll('button');
    await first!.trigger('click');
    expect(lastEmitted(wrapper, 'choose')).toBe(0);
    await wrapper.setProps({ chosen: 0 });
    await first!.trigger('click');
    expect(wrapper.emitted('choose')!.at(-1)![0]).toBeUndefined();
    expect(third!.attributes('disabled')).toBeDefined();
  });
});

describe('charts and legends', () => {
  it('the histogram draws the resin’s line and every share of the volume', () => {
    const bins = new Array<number>(240).fill(0);
    bins[6] = 10;
    bins[20] = 30;
    const wrapper = mountInApp(ThicknessHistogram, {
      histogramMm3: bins,
      finestMm: 0.3,
      resin: 'Skerry Low-Ash',
    });
    expect(wrapper.text()).toContain('Skerry Low-Ash holds 0.30 mm');
    const said = wrapper.findAll('title').map((t) => t.text());
    expect(said.filter((s) => s.endsWith('25.0 %'))).toHaveLength(1);
    expect(said.filter((s) => s.endsWith('75.0 %'))).toHaveLength(1);
  });
  it('the legend has numbers at its ends and its limit', () => {
    const show = (v: number): string => `${v.toFixed(1)} mm`;
    const text = mountInApp(ColourLegend, {
      ramp: thicknessRamp(1.2),
      from: 0,
      to: 4,
      show,
      title: 'Local thickness',
    }).text();
    for (const number of ['0.0 mm', '1.2 mm', '4.0 mm']) expect(text).toContain(number);
  });
  it('a layer’s picture says how large it is', () => {
    const stack = { layers: 1, rows: 2, columns: 3, starts: Uint32Array.from([0, 1, 1]), spans: Int32Array.from([0, 1]), pixelMm: 0.1, layerMm: 0.1, x0Mm: 0, y0Mm: 0, z0Mm: 0 }; // prettier-ignore
    const canvas = mountInApp(LayerPicture, { stack, layer: 0 }).find('canvas');
    expect(canvas.attributes('aria-label')).toBe('Layer 1, 3 by 2 pixels');
  });
});

describe('analyses', () => {
  const pattern = { id: '5f1c2a30-8a0e-4c55-9d3b-1a2b3c4d5e6f', fileHash: 'a'.repeat(64), fileName: 'a.stl', measure: { unitMm: 1 } } as Pattern; // prettier-ignore
  let answers: (() => Response)[] = [];
  const asked: string[] = [];
  beforeEach(() => {
    setActivePinia(createPinia());
    asked.length = 0;
    vi.stubGlobal('fetch', async (address: string) => {
      asked.push(address);
      const answer = answers.shift();
      if (!answer) throw new TypeError('no answer');
      return answer();
    });
  });
  afterEach(() => vi.unstubAllGlobals());

  it('that are kept are taken as they are, and asked for once', async () => {
    const measure = { format: 'obj', unitMm: 1, triangles: 12, vertices: 8, closed: false, openEdges: 3, crowdedEdges: 0, turnedEdges: 0, degenerate: 0, shells: 1, inwardShells: 0, reversed: false, sizeMm: [1, 1, 1], areaMm2: 6, volumeMm3: 1, volumePlusMinusMm3: 0.1, bodySumMm3: 1, overlapMm3: 0, supportPointsMm: [0, 0, 0] }; // prettier-ignore
    const output = { measure, result: { status: 'too open', openShare: 0.4 } };
    answers = [() => answerJson({ output })];
    const analyses = useAnalyses();
    expect(analyses.of(pattern).status).toBe('asking');
    await Promise.all([analyses.ensure(pattern), analyses.look(pattern)]);
    expect(analyses.of(pattern)).toEqual({ status: 'too open', openShare: 0.4 });
    expect(asked).toEqual([`/api/readings/${await jobKey(patternJob, partOf(pattern))}`]);
  });
  it('that cannot be asked for say so, and are asked for again', async () => {
    answers = [];
    const analyses = useAnalyses();
    await analyses.look(pattern);
    expect(analyses.of(pattern)).toMatchObject({ status: 'failed' });
    answers = [() => answerJson({ output: null })];
    await analyses.look(pattern);
    expect(analyses.of(pattern).status).toBe('unread');
  });
});
