import {
  CONVERTED,
  USUAL_MOTION_S,
  USUAL_RATIO,
  WAX_G_PER_ML,
  type QuickKind,
  type QuickMetal,
  type QuickSum,
  type Unit,
} from '@zero-pour/core';

/** One number of a sum's form. */
export interface SumField {
  key: string;
  label: string;
  unit: Unit;
  digits?: number;
  min: number;
  max: number;
}
interface SumForm {
  title: string;
  /** The same typed in one line. */
  example: string;
  fields: readonly SumField[];
}

const field = (
  key: string,
  label: string,
  unit: Unit,
  min: number,
  max: number,
  digits?: number,
): SumField => ({
  key,
  label,
  unit,
  min,
  max,
  ...(digits === undefined ? {} : { digits }),
});

/** Every sum with its form, in the order they are offered. */
export const QUICK_FORMS: Record<QuickKind, SumForm> = {
  slurry: {
    title: 'Powder and water',
    example: 'flask 76x102 tree 12 g wax',
    fields: [
      field('diameterMm', 'Flask, inside', 'mm', 15, 400, 0),
      field('heightMm', 'Flask, height', 'mm', 15, 600, 0),
      field('treeMl', 'Tree', 'ml', 0, 5000, 1),
      field('ratio', 'Water ÷ powder', 'ratio', 0.2, 1),
    ],
  },
  'metal from weight': {
    title: 'Metal for a weighed model',
    example: 'sterling 12 g wax',
    fields: [
      field('modelG', 'Model weighs', 'g', 0.01, 5000, 2),
      field('modelGPerMl', 'Its density', 'gPerCm3', 0.5, 3),
    ],
  },
  'metal from volume': {
    title: 'Metal for a volume',
    example: 'sterling 1.4 cm3',
    fields: [field('volumeCm3', 'Volume', 'cm3', 0.001, 5000)],
  },
  ring: {
    title: 'Ring size',
    example: 'ring US 7',
    fields: [field('diameterMm', 'Inner diameter', 'mm', 8, 40)],
  },
  units: { title: 'Other units', example: '1350 F', fields: [] },
  karat: {
    title: 'Change the karat',
    example: '10 g 24 to 14 ct',
    fields: [
      field('massG', 'Metal', 'g', 0.01, 10_000, 2),
      field('fromCt', 'From, ct', 'count', 0, 24, 1),
      field('toCt', 'To, ct', 'count', 1, 24, 1),
    ],
  },
  print: {
    title: 'Hours of a print',
    example: 'print 20 mm 0.05 mm 3 s',
    fields: [
      field('heightMm', 'Height', 'mm', 0.1, 500, 1),
      field('layerMm', 'Layers', 'mm', 0.005, 0.5, 3),
      field('exposureS', 'Exposure', 's', 0.1, 600),
      field('motionS', 'Motion', 's', 0, 120),
    ],
  },
  'pour time': {
    title: 'When it pours',
    example: '21:00 + 12:30',
    fields: [
      field('startMin', 'Start, minutes after midnight', 'count', 0, 1439, 0),
      field('hours', 'Takes', 'h', 0, 500),
    ],
  },
};
export const QUICK_KINDS = Object.keys(QUICK_FORMS) as QuickKind[];

const NO_METAL: QuickMetal = { name: 'metal', densityGPerCm3: 10.36, lossPercent: 1 };

/** A sum to begin the form with. */
export function usualSum(kind: QuickKind, metal: QuickMetal = NO_METAL): QuickSum {
  switch (kind) {
    case 'slurry':
      return { kind, diameterMm: 76, heightMm: 102, treeMl: 10, ratio: USUAL_RATIO };
    case 'metal from weight':
      return { kind, modelG: 10, modelGPerMl: WAX_G_PER_ML, metal };
    case 'metal from volume':
      return { kind, volumeCm3: 1, metal };
    case 'ring':
      return { kind, diameterMm: 17.32 };
    case 'units':
      return { kind, value: 730, unit: CONVERTED[0] };
    case 'karat':
      return { kind, massG: 10, fromCt: 24, toCt: 18 };
    case 'print':
      return { kind, heightMm: 20, layerMm: 0.05, exposureS: 3, motionS: USUAL_MOTION_S };
    case 'pour time':
      return { kind, startMin: 21 * 60, hours: 12 };
  }
}

const PROBLEMS: Readonly<Record<string, string>> = {
  treeMl: 'The tree is larger than the flask. Check its weight and the size of the flask.',
  diameterMm: 'Rings are 8 to 40 mm wide inside. Check the diameter.',
  toCt: 'Nothing that is added makes it pure: 24 ct is reached by refining. Ask for less.',
};

/** What is wrong with a sum, by the figure that does not go with the others. */
export const sumProblem = (argument: string): string =>
  PROBLEMS[argument] ?? 'These figures do not go together. Check them one by one.';
