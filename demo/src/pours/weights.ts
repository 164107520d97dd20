import type { Pattern, PourDoc } from '@zero-pour/contracts';
import { buttonVolumeCm3, chargeByVolume, CONE_ML, GATES_CM3, ROUND_ML } from '@zero-pour/core';
import { DEMO_LISTS } from '../shop';
import { DEMO_LINE } from './pourStory';

export interface DemoWeights {
  /** Metal weighed out, a little over what is needed. */
  chargeG: number;
  /** One casting, cut off. */
  castingG: number;
  /** Button and sprues that came back. */
  backG: number;
}

/** Patterns are printed about this much larger. */
const SCALE = 1.0125;
/** A careful caster weighs out a little more than the sum. */
const OVER = 1.015;
const tenth = (grams: number): number => Math.round(grams * 10) / 10;

/** What the balance would have said at a demo pour, from its own patterns, tree and metal. */
export function demoWeights(doc: PourDoc, pattern: Pattern): DemoWeights {
  const sprue = doc.flasks[0]?.sprue;
  const alloy = DEMO_LISTS.alloy.find((a) => a.id === doc.brief.alloyId);
  const flask = DEMO_LISTS.flask.find((f) => f.id === sprue?.flaskId);
  const gates = doc.wayUp.lines[DEMO_LINE]?.gates;
  if (!alloy || !sprue || !flask || !gates) throw new Error('a demo pour without metal, flask or gates');
  const count = doc.brief.lines[0]?.count ?? 0;
  const castingCm3 = (pattern.measure.volumeMm3 / 1000) * SCALE ** 3;
  const spruesCm3 =
    GATES_CM3.of({ n: count * gates.count, D: gates.diameterMm, L: gates.lengthMm }) +
    ROUND_ML.of({ D: sprue.mainSprueDiameterMm, H: sprue.mainSprueLengthMm });
  const patternsCm3 = castingCm3 * count;
  const coneCm3 = CONE_ML.of({ D: flask.coneDiameterMm, H: flask.coneHeightMm });
  const buttonCm3 = buttonVolumeCm3(coneCm3, patternsCm3, spruesCm3);
  const charge = chargeByVolume(
    { patternsCm3, spruesCm3, buttonCm3 },
    alloy.densityGPerCm3,
    alloy.lossPercent,
  );
  return {
    chargeG: tenth(charge.totalG * OVER),
    castingG: castingCm3 * alloy.densityGPerCm3 * 0.97,
    backG: tenth((charge.spruesG + charge.buttonG) * OVER),
  };
}
