import { expect, describe, it } from 'vitest';
import { METRIC } from '@zero-pour/core';
import { patternJob, pieceOf } from '@zero-pour/jobs';
import type { Pattern } from '@zero-pour/contracts';
import { planPour, stageLine, valueOf } from '../index';
import { NO_READINGS } from '../readings';
import { blockPattern, fullDoc, LINE, ofOneFlask, planShop } from '../testing/planShop';

const ZERO = new Date(2026, 10, 26, 9, 15);

/** The block with a fifth of its file a sprue of 3 mm. */
function sprued(): Pattern {
  const whole = blockPattern({ volumeMm3: 2000, areaMm2: 1000 });
  return {
    ...whole,
    sprues: {
      marks: [{ by: 'cut', at: [10, 5, 9], shiftMm: 0 }],
      sections: [{ at: [10, 5, 8], axis: [0, 0, 1], diameterMm: 3.04, volumeMm3: 400 }],
      pieceHash: 'b'.repeat(64),
      piece: blockPattern().measure,
    },
  };
}
const planOf = (pattern: Pattern, gates = true) => {
  const doc = fullDoc(ZERO);
  if (!gates) doc.wayUp.lines = { [LINE]: {} };
  const asked: unknown[] = [];
  const readings = {
    ...NO_READINGS,
    of: (job: { name: string }, input: unknown) => {
      if (job.name === patternJob.name) asked.push(input);
      return { status: 'unread' as const };
    },
  };
  const plan = ofOneFlask(
    planPour({ doc }, { ...planShop(), patterns: [pattern], readings: readings as never }),
  );
  return { plan, asked };
};

describe('sprues in the file', () => {
  it('hang, are weighed and cast with the patterns, and are named in the charge', () => {
    const { plan } = planOf(sprued());
    const [tree, charge] = [valueOf(plan.tree)!, valueOf(plan.charge)!];
    const scaled = valueOf(plan.scale)!.inFlask.value / 100;
    expect(tree.patterns.value).toBeCloseTo(2 * 2 * scaled ** 3, 9);
    expect(tree.inFile!.value).toBeCloseTo(2 * 0.4 * scaled ** 3, 9);
    expect(charge.inFile!.value / charge.patterns.value).toBeCloseTo(0.2, 9);
    const without = valueOf(planOf(blockPattern({ volumeMm3: 2000, areaMm2: 1000 })).plan.charge)!;
    expect(without.inFile).toBeUndefined();
    expect(charge.total.value).toBeCloseTo(without.total.value, 9);
  });

  it('are no part of the piece: its volume, modulus and reading are told without them', () => {
    const { plan, asked } = planOf(sprued());
    expect(stageLine('pattern', plan, METRIC)).toBe('closed, 3.20 cm³');
    expect(plan.gates[0]!.advice.value).toBeCloseTo(planOf(blockPattern()).plan.gates[0]!.advice.value, 9);
    expect(asked).toContainEqual(pieceOf(sprued()));
    expect(asked).not.toContainEqual(expect.objectContaining({ file: sprued().fileHash }));
  });

  it('are the gates until others are set, and add no metal of their own', () => {
    const { plan } = planOf(sprued(), false);
    expect(plan.gates[0]).toMatchObject({
      gates: { count: 1, diameterMm: 3, lengthMm: 0 },
      proposed: true,
      inFile: 1,
    });
    expect(plan.gates[0]!.judgements.map(({ rule }) => rule)).toContain('gate thin');
    const { plan: bare } = planOf(blockPattern(), false);
    expect(bare.gates[0]).toMatchObject({ inFile: 0, gates: { lengthMm: expect.closeTo(12, -1) } });
  });
});
