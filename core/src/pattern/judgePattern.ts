import { quantity, say, type Phrase } from '../numeric';
import type { Judgement } from '../judge';
import { isEstimate, type PatternMeasure } from './readPattern';

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

const edges = (n: number): string => `${n} ${n === 1 ? 'edge is' : 'edges are'}`;

/** Open, and turned over, are two different faults with two remedies. */
function notClosedWords({ openEdges, turnedEdges, crowdedEdges }: Topology): Phrase {
  return [
    ...(openEdges > 0 ? say`${edges(openEdges)} open: faces are missing there. ` : []),
    ...(turnedEdges > 0
      ? say`Along ${turnedEdges} ${turnedEdges === 1 ? 'edge' : 'edges'} two faces run the same way: one of them is inside out. `
      : []),
    ...(openEdges === 0 && turnedEdges === 0
      ? say`Along ${crowdedEdges} edges faces end inside others. `
      : []),
  ];
}

function volumeWords(measure: Topology): Phrase {
  return isEstimate(measure)
    ? say`The volume of ${cm3(measure.volumeMm3)} is an estimate, ± ${cm3(measure.volumePlusMinusMm3)}. Mend the file, or weigh the print at Sprue.`
    : say`With that shut flat the volume is ${cm3(measure.volumeMm3)}. Mend the file before it is printed.`;
}

/** What the topology of a pattern says about its metal figure (handbook 01, "Topology and volume"). */
export function judgePattern(measure: Topology): Judgement[] {
  const judgements: Judgement[] = [];
  if (measure.closed) {
    judgements.push({
      rule: 'closed',
      weight: 'ok',
      lead: 'Closed surface.',
      why: say`Nothing is open; the volume of ${cm3(measure.volumeMm3)} can be trusted.`,
    });
  } else {
    judgements.push({
      rule: 'open',
      weight: 'fix',
      lead: measure.openEdges > 0 ? 'Not closed.' : 'Faces turned over.',
      why: [...notClosedWords(measure), ...volumeWords(measure)],
    });
  }
  if (measure.closed && measure.crowdedEdges > 0) {
    judgements.push({
      rule: 'crowded',
      weight: 'watch',
      lead: 'Bodies meet along an edge.',
      why: say`${edges(measure.crowdedEdges)} shared by four faces or more. The surface is closed and its volume stands; along such an edge what prepares the print may see one body or two. Let them overlap, or part them.`,
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
      why: say`The plain sum of ${measure.shells === 1 ? 'its body' : `${measure.shells} bodies`}, ${cm3(measure.bodySumMm3)}, counts ${cm3(measure.overlapMm3)} twice, ${quantity(100 * share, 'percent', 0)}; the solid is ${cm3(measure.volumeMm3)} and that is what is weighed.`,
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
