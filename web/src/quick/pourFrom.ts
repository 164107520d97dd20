import { shopDate } from '../time/shopClock';
import { emptyPourDoc, FIRST_SIZE, type PourDoc } from '@zero-pour/contracts';
import { ringSizesNear, type QuickSum } from '@zero-pour/core';
import type { Shop } from '@zero-pour/plan';

/** Flasks are told by their size in whole millimetres. */
const SAME_FLASK_MM = 0.5;

/** What a quick sum already says of a pour; undefined for sums that say nothing of one. */
export function pourFrom(sum: QuickSum, { lists }: Shop, now: Date): PourDoc | undefined {
  const doc = emptyPourDoc();
  switch (sum.kind) {
    case 'slurry': {
      const same = (a: number, b: number): boolean => Math.abs(a - b) <= SAME_FLASK_MM;
      const flask = lists.flask.find(
        (f) => same(f.innerDiameterMm, sum.diameterMm) && same(f.heightMm, sum.heightMm),
      );
      if (flask) doc.flasks[0]!.sprue.flaskId = flask.id;
      doc.invest.ratio = sum.ratio;
      if (sum.boricPercent) doc.invest.boric = { school: 'powder', percent: sum.boricPercent };
      // Which pieces hang in which flask nobody has said: the others are noted, not made.
      if (sum.flasks && sum.flasks > 1) doc.brief.note = `${sum.flasks} flasks alike.`;
      return doc;
    }
    case 'metal from weight':
    case 'metal from volume': {
      const alloy = lists.alloy.find((a) => a.name === sum.metal.name);
      if (alloy) doc.brief.alloyId = alloy.id;
      if (sum.kind === 'metal from weight') {
        const { sprue } = doc.flasks[0]!;
        sprue.weighBy = 'weight';
        sprue.weighedPatternsG = { state: 'measured', value: sum.modelG };
      }
      return doc;
    }
    case 'ring': {
      const us = ringSizesNear(sum.diameterMm).find(
        (size) => size.system === 'US' && Math.abs(size.offMm) < 0.005,
      );
      doc.brief.sizes = [
        {
          key: FIRST_SIZE,
          name: 'Bore',
          lineKey: null,
          of: 'bore',
          finishedMm: sum.diameterMm,
          holds: true,
          ...(us ? { ring: { system: 'US', size: us.size } } : {}),
        },
      ];
      return doc;
    }
    case 'pour time': {
      const zero = shopDate(now.getTime());
      zero.setHours(0, Math.round(sum.startMin + sum.hours * 60), 0, 0);
      if (zero <= now) zero.setDate(zero.getDate() + 1);
      doc.brief.zeroAt = new Date(zero.getTime()).toISOString();
      return doc;
    }
    case 'units':
    case 'karat':
    case 'print':
      return undefined;
  }
}
