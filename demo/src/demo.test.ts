import { pouredAt, shopFileSchema } from '@zero-pour/contracts';
import { findEvents } from '@zero-pour/core';
import { beforeAll, describe, expect, it } from 'vitest';
import { createDemoShop } from './index';
import { createDemoPours } from './pours/createPours';

const NOW = new Date(2026, 10, 24, 16, 54);
let demo: Awaited<ReturnType<typeof createDemoShop>>;
beforeAll(async () => {
  demo = await createDemoShop(NOW);
});

describe('the demo shop', () => {
  it('pours when its shop is open, whatever the hour it is started at', () => {
    const patterns = demo.file.patterns;
    const { benchHours } = demo.file.settings;
    for (const hour of [0, 3, 7, 9, 12, 14, 16, 19, 23])
      for (const date of [22, 24, 27, 28]) {
        const now = new Date(2026, 10, date, hour, 33);
        for (const { doc, number } of createDemoPours(patterns, now)) {
          if (!doc.brief.zeroAt) continue;
          const zero = new Date(doc.brief.zeroAt);
          const minutes = 60 * zero.getHours() + zero.getMinutes();
          const { open, fromMin, toMin } = benchHours[zero.getDay()]!;
          expect(open && minutes >= fromMin && minutes <= toMin, `pour ${number} at ${zero.toString()}`).toBe(
            true,
          );
        }
      }
  });
  it('is a whole shop by its own schema', () => {
    expect(shopFileSchema.safeParse(demo.file).success).toBe(true);
  });

  it('has six real patterns: closed, one body, jewelry-sized, 5,000 to 150,000 triangles', () => {
    expect(demo.file.patterns).toHaveLength(6);
    for (const { name, measure, fileHash } of demo.file.patterns) {
      expect([name, measure.closed, measure.shells, measure.reversed]).toEqual([name, true, 1, false]);
      expect(measure.triangles).toBeGreaterThan(5_000);
      expect(measure.triangles).toBeLessThan(150_000);
      expect(Math.max(...measure.sizeMm)).toBeLessThan(45);
      expect(demo.bytes.has(fileHash)).toBe(true);
    }
  });

  it('has two nights of its kiln, one of them with a power cut, from kiln in to the pour', () => {
    const cuts = demo.file.kilnRuns.map(({ log }) => {
      const pour = demo.file.pours.find(({ id }) => id === log.pourId)!;
      expect(log.startedAt).toBe(pour.doc.burnout.startedAt);
      const lastAt = Date.parse(log.startedAt) + log.atS.at(-1)! * 1000;
      expect(Math.abs(Date.parse(pouredAt(pour.doc)!) - lastAt)).toBeLessThanOrEqual(60_000);
      const column = (of: readonly (number | null)[]) => Float64Array.from(of, (v) => v ?? NaN);
      const readings = { h: column(log.atS.map((s) => s / 3600)), tempC: column(log.tempC), setC: column(log.setC), hasSet: true }; // prettier-ignore
      return findEvents(readings).map(({ kind }) => kind);
    });
    expect(cuts).toEqual([['power'], []]);
  });

  it('names only things that it has', () => {
    const { lists, patterns, pours } = demo.file;
    const ids = new Set([...Object.values(lists).flat(), ...patterns].map((item) => item.id));
    for (const { doc } of pours) {
      const named = [
        doc.brief.alloyId,
        doc.resin.resinId,
        doc.resin.printerId,
        doc.resin.profileId,
        doc.flasks[0]!.sprue.flaskId,
        doc.invest.powderId,
        doc.burnout.kilnId,
        doc.burnout.programmeId,
      ];
      for (const id of [...named, ...doc.brief.lines.map((p) => p.patternId)])
        expect(id !== undefined && ids.has(id)).toBe(true);
    }
    const { trial, testSetRun } = demo.file.records;
    for (const { resinId, printerId } of [...trial, ...testSetRun])
      expect([ids.has(resinId), ids.has(printerId)]).toEqual([true, true]);
    for (const { patternId } of testSetRun.flatMap((run) => run.pieces))
      expect(ids.has(patternId!)).toBe(true);
    expect(demo.file.settings.testSet).toHaveLength(4);
  });

  it('has twelve pours behind and three ahead, none on a Sunday, in the order of their numbers', () => {
    const past = demo.file.pours.filter((p) => p.doc.result.doneAt !== undefined);
    expect([past.length, demo.file.pours.length - past.length]).toEqual([12, 3]);
    const zeros = past.map((p) => Date.parse(pouredAt(p.doc)!));
    expect([...zeros].sort((a, b) => a - b)).toEqual(zeros);
    for (const at of zeros) expect([at < NOW.getTime(), new Date(at).getDay()]).not.toEqual([true, 0]);
    for (const { doc } of past)
      expect(Object.keys(doc.result.castings)).toHaveLength(doc.brief.lines[0]!.count);
  });

  it('is the same each time, but for its dates', async () => {
    const again = await createDemoShop(NOW);
    expect(again.file).toEqual(demo.file);
    const later = await createDemoShop(new Date(2027, 2, 3, 12, 0));
    expect(later.file.pours.map((p) => p.id)).toEqual(demo.file.pours.map((p) => p.id));
    const names = (file: typeof demo.file) => file.lists.profile.map((p) => [p.id, p.name, p.exposureS]);
    expect(names(later.file)).toEqual(names(demo.file));
    expect(later.file.records.trial.map((t) => t.counts)).toEqual(
      demo.file.records.trial.map((t) => t.counts),
    );
    expect(later.file.lists.kiln).toEqual(demo.file.lists.kiln);
  });
});
