import {
  nestPlate,
  raftAreaMm2,
  rotatePoints,
  rotationMatrix,
  shadowOf,
  type NestedPlate,
  type NestItem,
} from '@zero-pour/core';
import { sparesOf } from '@zero-pour/contracts';
import type { PourContext } from '../context';

export interface PlateLayout extends NestedPlate {
  plateMm: readonly [number, number];
  /** Copies of the brief's first pattern that would still fit, at no more time. */
  moreOfFirst: number;
}

/** More than stand on any plate. */
const MANY = 150;

/** The parts' outlines from above, as they are printed. */
function itemsOf({ parts, doc }: PourContext, factor: number): NestItem[] {
  return parts.map(({ key, pattern, prints, rotation }) => {
    const turned = rotatePoints(pattern.measure.supportPointsMm, rotationMatrix(rotation));
    return { key, outline: shadowOf(turned, factor), count: prints + sparesOf(doc, key) };
  });
}

/** What rafts under all copies cover as they stand, mm², sized by `factor`. */
export const raftMm2Of = (context: PourContext, factor: number): number =>
  itemsOf(context, factor).reduce((sum, { outline, count }) => sum + count * raftAreaMm2(outline), 0);

/** Where each copy stands on the plate, by its real outline; undefined without a printer or a pattern. */
export function layOutPlate(context: PourContext, factor: number): PlateLayout | undefined {
  const { printer } = context;
  const items = itemsOf(context, factor);
  const first = items[0];
  if (!printer || !first) return undefined;
  const plateMm = [printer.plateXMm, printer.plateYMm] as const;
  const nested = nestPlate(plateMm, items);
  const filled = nestPlate(plateMm, [{ ...first, count: MANY }, ...items.slice(1)]);
  const firsts = ({ placed }: NestedPlate): number => placed.filter((p) => p.key === first.key).length;
  return { ...nested, plateMm, moreOfFirst: Math.max(0, firsts(filled) - firsts(nested)) };
}
