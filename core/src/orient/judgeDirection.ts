import type { Judgement } from '../judge';
import { quantity, say } from '../numeric';
import type { PrintDirection } from './printDirection';

/** A jump in area larger than this share of the mean leaves a line (shop default). */
const JUMP_SHARE = 0.5;

/** What a print direction means at the plate (handbook 04, "Way up"). */
export function judgeDirection(direction: PrintDirection, layerMm: number): Judgement[] {
  const found: Judgement[] = [];
  const mm = (value: number) => quantity(value, 'mm', 2);
  const height = (layer: number) => mm(layer * layerMm);
  const { islands, cups, jump } = direction;
  const first = islands[0];
  if (first) {
    found.push({
      rule: 'islands',
      weight: 'fix',
      lead: islands.length === 1 ? 'One island.' : `${islands.length} islands.`,
      why: say`Detail begins in mid-air, the first at ${height(first.layer)}: without a support there it is lost.`,
    });
  }
  const cup = cups[0];
  if (cup) {
    found.push({
      rule: 'suction',
      weight: 'fix',
      lead: cups.length === 1 ? 'A suction cup.' : `${cups.length} suction cups.`,
      why: say`${quantity(cup.areaMm2, 'mm2', 1)} of mouth pulls a vacuum up to ${height(cup.lastLayer + 1)}: it tears off or bends. Turn it, or vent the closed end before that height.`,
    });
  }
  if (direction.overhangMm2 > 0) {
    found.push({
      rule: 'overhang',
      weight: 'watch',
      lead: 'Overhang.',
      why: say`${quantity(direction.overhangMm2, 'mm2', 0)} looks down more steeply than 45° and needs supports.`,
    });
  }
  if (Math.abs(jump.changeMm2) > JUMP_SHARE * direction.meanAreaMm2) {
    found.push({
      rule: 'jump',
      weight: 'watch',
      lead: 'Area jumps.',
      why: say`${quantity(Math.abs(jump.changeMm2), 'mm2', 0)} from one layer to the next at ${height(jump.layer)}: a line shows there.`,
    });
  }
  return found;
}
