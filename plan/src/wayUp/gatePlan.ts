import {
  CASTING_MODULUS,
  GATE_DIAMETER,
  GATE_MIN_MM,
  GATE_MODULUS_FACTOR,
  judgeGates,
  proposedGates,
  type Gates,
  type Judgement,
} from '@zero-pour/core';
import { pieceMeasure } from '@zero-pour/contracts';
import type { PourContext } from '../context';
import type { Part } from '../part';
import { figure, fromFigure, type Figure } from '../figure';

export interface PartGates {
  part: Part;
  gates: Gates;
  /** Nobody has set them: they follow the modulus rule. */
  proposed: boolean;
  /** How many of them the file holds already. */
  inFile: number;
  advice: Figure;
  judgements: Judgement[];
}

const modulusOf = ({ pattern }: Part): Figure => {
  const measure = pieceMeasure(pattern);
  const from = { source: 'pattern file', stage: 'pattern', guessed: !measure.closed } as const;
  return figure({ name: 'V/A of the pattern', unit: 'mm' }, CASTING_MODULUS, {
    V: { name: 'Volume of the pattern', value: measure.volumeMm3 / 1000, unit: 'cm3', ...from },
    A: { name: 'Surface of the pattern', value: measure.areaMm2 / 100, unit: 'cm2', ...from },
  });
};

const adviceOf = (modulus: Figure): Figure =>
  figure(
    {
      name: 'Gate by the modulus rule',
      unit: 'mm',
      digits: 1,
      note: 'A round gate’s own V/A is a quarter of its diameter; it must freeze after the part.',
    },
    GATE_DIAMETER,
    {
      M: fromFigure(modulus),
      k: {
        name: 'Longer than the part',
        value: GATE_MODULUS_FACTOR,
        unit: 'ratio',
        digits: 1,
        source: 'book',
      },
      d: { name: 'The thinnest that runs', value: GATE_MIN_MM, unit: 'mm', digits: 1, source: 'book' },
    },
  );

/** Sprues that the file holds are its gates, the thinnest for all; their volume is the file's already, so they add no length. */
function gatesInFile({ pattern }: Part): Gates | undefined {
  const sections = pattern.sprues?.sections;
  if (!sections) return undefined;
  const diameterMm = Math.round(10 * Math.min(...sections.map((s) => s.diameterMm))) / 10;
  return { count: sections.length, diameterMm, lengthMm: 0 };
}

function planPart(context: PourContext, part: Part): PartGates {
  const modulus = modulusOf(part);
  const advice = adviceOf(modulus);
  const set = context.doc.wayUp.lines[part.key]?.gates;
  const gates = set ?? gatesInFile(part) ?? proposedGates(advice.value);
  return {
    part,
    gates,
    proposed: set === undefined,
    inFile: part.pattern.sprues?.sections.length ?? 0,
    advice,
    judgements: judgeGates(gates, modulus.value),
  };
}

/** Gates of every part: as set, or as the modulus rule proposes. Patterns without volume get none. */
export function planGates(context: PourContext): PartGates[] {
  return context.parts
    .filter((part) => part.pattern.measure.volumeMm3 > 0)
    .map((part) => planPart(context, part));
}
