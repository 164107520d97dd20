import {
  castingModulusMm,
  gateDiameterForModulusMm,
  gatesVolumeMm3,
  judgeGates,
  type Gates,
  type Judgement,
} from '@zero-pour/core';
import type { PourContext } from './context';
import type { Part } from './part';
import { figure, formula, type Figure, type Given } from './figure';

export interface PartGates {
  part: Part;
  gates: Gates;
  /** Nobody has set them: they follow the modulus rule. */
  proposed: boolean;
  advice: Figure;
  judgements: Judgement[];
  volumeMm3: number;
}

const volumeGiven = ({ pattern }: Part): Given => ({
  symbol: 'V',
  name: 'Volume of the pattern',
  value: pattern.measure.volumeMm3 / 1000,
  unit: 'cm3',
  source: 'pattern file',
  stage: 'pattern',
  guessed: !pattern.measure.closed,
});

/** Proposed length of a gate: short, 1 to 2 D (handbook 05). */
const proposedLength = (diameterMm: number): number => Math.round(diameterMm * 1.5 * 2) / 2;

function planPart(context: PourContext, part: Part): PartGates {
  const { volumeMm3, areaMm2 } = part.pattern.measure;
  const modulus = castingModulusMm(volumeMm3, areaMm2);
  const value = gateDiameterForModulusMm(modulus);
  const area: Given = {
    symbol: 'A',
    name: 'Surface of the pattern',
    value: areaMm2 / 100,
    unit: 'cm2',
    source: 'pattern file',
    stage: 'pattern',
  };
  const advice = figure(
    {
      name: 'Gate by the modulus rule',
      value,
      unit: 'mm',
      digits: 1,
      note: 'A round gate’s own V/A is a quarter of its diameter; it must freeze after the part, so 1.1 × as large. Never under 1.5 mm.',
    },
    formula`4 × 1.1 × 10 × ${volumeGiven(part)} / ${area}`,
  );
  const set = context.doc.wayUp.lines[part.key]?.gates;
  // Rounded up to 0.2 mm: the steps that wax wire comes in.
  const diameterMm = Math.ceil(value * 5 - 1e-9) / 5;
  const gates = set ?? { count: 1, diameterMm, lengthMm: proposedLength(diameterMm) };
  return {
    part,
    gates,
    proposed: set === undefined,
    advice,
    judgements: judgeGates(gates, modulus),
    volumeMm3: gatesVolumeMm3(gates),
  };
}

/** Gates of every part: as set, or as the modulus rule proposes. Patterns without volume get none. */
export function planGates(context: PourContext): PartGates[] {
  return context.parts
    .filter((part) => part.pattern.measure.volumeMm3 > 0)
    .map((part) => planPart(context, part));
}
