import { quantity, say } from '../numeric';
import type { Judgement } from '../judge';
import type { PatternMeasure } from './readPattern';

type Topology = Pick<
  PatternMeasure,
  | 'closed'
  | 'openEdges'
  | 'crowdedEdges'
  | 'turnedEdges'
  | 'shells'
  | 'inwardShells'
  | 'reversed'
  | 'volumeMm3'
  | 'volumePlusMinusMm3'
  | 'bodySumMm3'
  | 'overlapMm3'
>;

/** An overlap above this share of the solid is named (handbook 01, "Topology and volume"). */
const OVERLAP_SHARE = 0.01;
const cm3 = (mm3: number) => quantity(mm3 / 1000, 'cm3');

/** What the topology of a pattern says about its metal figure (handbook 01, "Topology and volume"). */
export function judgePattern(measure: Topology): Judgement[] {
  const judgements: Judgement[] = [];
  if (measure.closed) {
    judgements.push({
      rule: 'closed',
      weight: 'ok',
      lead: 'Closed surface.',
      why: say`Every edge has two faces; the volume of ${cm3(measure.volumeMm3)} can be trusted.`,
    });
  } else {
    judgements.push({
      rule: 'open',
      weight: 'fix',
      lead: 'Not closed.',
      why: say`${measure.openEdges} open, ${measure.crowdedEdges} crowded and ${measure.turnedEdges} turned edges: the volume of ${cm3(measure.volumeMm3)} is an estimate, ± ${cm3(measure.volumePlusMinusMm3)}. Mend the file, or weigh the print at Sprue.`,
    });
  }
  if (measure.reversed) {
    judgements.push({
      rule: 'reversed',
      weight: 'watch',
      lead: 'Was inside out.',
      why: say`All faces pointed inwards; it has been taken the right way round. Check that it prints solid.`,
    });
  }
  const outward = measure.shells - measure.inwardShells;
  if (measure.inwardShells > 0) {
    judgements.push({
      rule: 'hollow',
      weight: 'watch',
      lead: 'Hollow inside.',
      why: say`${measure.inwardShells} inner ${measure.inwardShells === 1 ? 'surface' : 'surfaces'}: a sealed hollow keeps wet resin and bursts the mold. Give it drain holes.`,
    });
  }
  const share = measure.overlapMm3 / measure.volumeMm3;
  if (share > OVERLAP_SHARE) {
    judgements.push({
      rule: 'overlap',
      weight: 'watch',
      lead: 'Bodies overlap.',
      why: say`The plain sum of ${measure.shells} bodies, ${cm3(measure.bodySumMm3)}, counts ${cm3(measure.overlapMm3)} twice, ${quantity(100 * share, 'percent', 0)}; the solid is ${cm3(measure.volumeMm3)} and that is what is weighed.`,
    });
  } else if (outward > 1) {
    judgements.push({
      rule: 'bodies',
      weight: 'watch',
      lead: `${outward} separate bodies.`,
      why: say`They do not overlap: check that they hang together, or each needs its own sprue.`,
    });
  }
  return judgements;
}
