import type { Judgement } from '../judge';
import { quantity, say } from '../numeric';
import type { ProgrammeCurve } from './programme';

/** The widest flask against what the programme is written for, mm. */
export function judgeFlaskSize(widestMm: number, flaskMaxMm: number): Judgement[] {
  if (widestMm <= flaskMaxMm) return [];
  return [
    {
      rule: 'flask size',
      weight: 'watch',
      lead: 'Flask larger than the programme.',
      why: say`${quantity(widestMm, 'mm', 0)} across; it is written for ${quantity(flaskMaxMm, 'mm', 0)}. Hold longer, or take the larger one.`,
    },
  ];
}

/** The programme's hottest against what the kiln reaches. */
export function judgePeak(peakC: number, kiln: { name: string; maxC: number }): Judgement[] {
  if (peakC <= kiln.maxC) return [];
  return [
    {
      rule: 'kiln max',
      weight: 'stop',
      lead: `Hotter than ${kiln.name} goes.`,
      why: say`${quantity(peakC, 'degC')} asked; it reaches ${quantity(kiln.maxC, 'degC')}.`,
    },
  ];
}

/** Later than this than it was asked is worth knowing before the flask is in it. h */
const LATER_H = 1 / 6;

/** Climbs and falls that ask more of the kiln than it can: each with how long it really takes. */
export function judgePaceAsked({ segments }: ProgrammeCurve): Judgement[] {
  return segments.flatMap(({ segment, startH, holdFromH, fromC, targetC }) => {
    if (segment.rampCPerH === null) return [];
    const askedH = Math.abs(targetC - fromC) / segment.rampCPerH;
    const ownH = holdFromH - startH;
    if (ownH - askedH <= LATER_H) return [];
    const way = targetC > fromC ? 'climbs' : 'cools';
    return [
      {
        rule: 'kiln pace',
        weight: 'watch',
        lead: `The kiln ${way} more slowly.`,
        why: say`${segment.name}, ${quantity(fromC, 'degC')} to ${quantity(targetC, 'degC')}: ${quantity(ownH, 'h', 1)}, not the ${quantity(askedH, 'h', 1)} that are asked. The plan counts with its own; a controller that minds it may stop with a fault.`,
      },
    ];
  });
}
