import type { Judgement } from '../judge';
import { quantity, say } from '../numeric';

/** The tallest part, as printed, against the printer's height. */
export function judgeHeight(heightMm: number, printer: { name: string; plateZMm: number }): Judgement[] {
  if (heightMm <= printer.plateZMm) return [];
  return [
    {
      rule: 'too tall',
      weight: 'stop',
      lead: 'Taller than the printer.',
      why: say`${quantity(heightMm, 'mm', 1)} scaled; ${printer.name} prints ${quantity(printer.plateZMm, 'mm', 0)}. Turn the part.`,
    },
  ];
}

/** Copies against places in rows: fewer places do not yet mean that it does not fit. */
export function judgePlaces(copies: number, places: number, plate: string): Judgement[] {
  if (places < copies)
    return [
      {
        rule: 'plate full',
        weight: 'watch',
        lead: 'Perhaps more than one plate.',
        why: say`${copies} to print; ${plate} takes ${places} in rows; the plate from above may fit more. The hours are for one plate.`,
      },
    ];
  return [
    {
      rule: 'plate room',
      weight: 'ok',
      lead: 'Fits on one plate.',
      why: say`${copies} of at least ${places} places. A full plate takes no more time than one part.`,
    },
  ];
}

/** What stays in the opened bottles after a plate, ml; nothing to say where no bottle is recorded. */
export function judgeBottles(leftMl: number | undefined, resin: string): Judgement[] {
  if (leftMl === undefined || leftMl >= 0) return [];
  return [
    {
      rule: 'resin short',
      weight: 'fix',
      lead: 'Not enough resin.',
      why: say`The bottles of ${resin} are ${quantity(-leftMl, 'ml', 0)} short of this plate.`,
    },
  ];
}
