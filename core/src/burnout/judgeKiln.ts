import type { Judgement } from '../judge';
import { quantity, say, type Phrase } from '../numeric';
import { coolTo, opened, type KilnPace } from './kilnLimits';
import type { ProgrammeCurve, Segment } from './programme';

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

/** How long a fall would take with the vent opened, where the kiln's record knows. */
function openedWords(
  { vented }: Segment,
  fromC: number,
  targetC: number,
  kiln: KilnPace | undefined,
): Phrase {
  if (targetC >= fromC || vented || kiln?.openTauH == null) return say``;
  return say` With its vent opened it would take ${quantity(coolTo(fromC, targetC, null, opened(kiln)).hours, 'h', 1)}.`;
}

/** Falls with the vent or door opened: what they do to a flask, and to whoever opens it. */
export function judgeVented({ segments }: Pick<ProgrammeCurve, 'segments'>, kiln: KilnPace): Judgement[] {
  const falls = segments.filter(({ segment, fromC, targetC }) => segment.vented && targetC < fromC);
  if (falls.length === 0) return [];
  const known = kiln.openTauH != null;
  return [
    {
      rule: 'vented',
      weight: 'watch',
      lead: 'Opened, it cools unevenly.',
      why: say`${falls.map(({ segment }) => segment.name).join(', ')}: the side towards the opening is colder than the core says. Soak shut afterwards, stand aside from the hot air, gloves and eye shield on.${known ? '' : ' How fast this kiln cools opened is not in its record: a tenth of its time shut is taken.'}`,
    },
  ];
}

/** Later than this than it was asked is worth knowing before the flask is in it. h */
const LATER_H = 1 / 6;

/** Climbs and falls that ask more of the kiln than it can: each with how long it really takes. */
export function judgePaceAsked({ segments }: ProgrammeCurve, kiln?: KilnPace): Judgement[] {
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
        why: [
          ...say`${segment.name}, ${quantity(fromC, 'degC')} to ${quantity(targetC, 'degC')}: ${quantity(ownH, 'h', 1)}, not the ${quantity(askedH, 'h', 1)} that are asked. The plan counts with its own; a controller that minds it may stop with a fault.`,
          ...openedWords(segment, fromC, targetC, kiln),
        ],
      },
    ];
  });
}
