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
>;

/** What the topology of a pattern says about its metal figure (handbook 01, "Topology and volume"). */
export function judgePattern(measure: Topology): Judgement[] {
  const judgements: Judgement[] = [];
  if (measure.closed) {
    const volume = quantity(measure.volumeMm3 / 1000, 'cm3');
    judgements.push({
      rule: 'closed',
      weight: 'ok',
      lead: 'Closed surface.',
      why: say`Every edge has two faces; the volume of ${volume} can be trusted as far as the bodies do not overlap.`,
    });
  } else {
    judgements.push({
      rule: 'open',
      weight: 'fix',
      lead: 'Not closed.',
      why: say`${measure.openEdges} open, ${measure.crowdedEdges} crowded and ${measure.turnedEdges} turned edges: the volume is an estimate. Mend the file, or weigh the print at Sprue.`,
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
  if (outward > 1) {
    judgements.push({
      rule: 'bodies',
      weight: 'watch',
      lead: `${outward} separate bodies.`,
      why: say`Where bodies overlap their metal is counted twice, so the figure can only be too high. Join them into one solid, or weigh the print at Sprue.`,
    });
  }
  return judgements;
}
