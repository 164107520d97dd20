import { quantity, say } from '../numeric';
import type { Judgement } from '../judge';
import { STRAIGHT_MAX, type TreeForm, type TreeLayout } from './treeLayout';

/** Least investment round the patterns (*shop defaults*, handbook 05). */
export const CLEARANCE_MM = { wall: 8, top: 15, between: 4, betweenHeavy: 6, sprue: 2 } as const;

const mm = (value: number) => quantity(value, 'mm', 1);

/** Wall, top and mutual clearance of a tree in a flask, each with its limit and the way out. */
export function judgeClearance(
  layout: TreeLayout,
  form: TreeForm,
  flask: { innerDiameterMm: number; heightMm: number },
): Judgement[] {
  const wall = flask.innerDiameterMm / 2 - layout.reachMm;
  const top = flask.heightMm - layout.heightMm;
  const out: Judgement[] = [judgeWall(wall), judgeTop(top)];
  const count = layout.rings * layout.perRing;
  if (form.arrangement === 'straight' && count > STRAIGHT_MAX) {
    out.push({
      rule: 'straight many',
      weight: 'fix',
      lead: 'Too many straight up.',
      why: say`${count} on one base; more than ${STRAIGHT_MAX} go in rings round a main sprue.`,
    });
  }
  if (form.arrangement === 'rings' && layout.sprueNeededMm > form.mainSprueLengthMm) {
    out.push({
      rule: 'sprue short',
      weight: 'fix',
      lead: 'Main sprue too short.',
      why: say`${layout.rings} rings of ${layout.perRing} need ${mm(layout.sprueNeededMm)}; it is ${mm(form.mainSprueLengthMm)}.`,
    });
  }
  if (layout.gapMm !== null && layout.gapMm < form.betweenMm - 1e-6) {
    out.push({
      rule: 'gap',
      weight: 'fix',
      lead: 'Patterns too close.',
      why: say`${mm(layout.gapMm)} between neighbours; ${mm(form.betweenMm)} wanted. Hang fewer in a ring or use longer gates.`,
    });
  }
  return out;
}

export function judgeWall(wall: number, wanted: number = CLEARANCE_MM.wall): Judgement {
  const limit = mm(wanted);
  if (wall < 0)
    return {
      rule: 'wall',
      weight: 'stop',
      lead: 'Does not go in.',
      why: say`The tree is ${mm(-wall)} wider than the flask each side. Take a wider flask, steeper tilt or shorter gates.`,
    };
  if (wall < wanted - 1e-6)
    return {
      rule: 'wall',
      weight: 'fix',
      lead: `Too near the wall.`,
      why: say`${mm(wall)} of investment; ${limit} wanted, or the wall breaks. Wider flask, steeper tilt or shorter gates.`,
    };
  return {
    rule: 'wall',
    weight: 'ok',
    lead: 'Clear of the wall.',
    why: say`${mm(wall)} at the narrowest; ${limit} wanted.`,
  };
}

export function judgeTop(top: number, wanted: number = CLEARANCE_MM.top): Judgement {
  const limit = mm(wanted);
  if (top < 0)
    return {
      rule: 'top',
      weight: 'stop',
      lead: 'Stands out of the flask.',
      why: say`The tree is ${mm(-top)} taller than the flask. Take a taller flask or a shorter sprue.`,
    };
  if (top < wanted - 1e-6)
    return {
      rule: 'top',
      weight: 'fix',
      lead: 'Too little above.',
      why: say`${mm(top)} of investment over the tree; ${limit} wanted against blow-out. Taller flask or shorter sprue.`,
    };
  return {
    rule: 'top',
    weight: 'ok',
    lead: 'Enough above.',
    why: say`${mm(top)} over the tree; ${limit} wanted.`,
  };
}

/** What a perforated flask asks while it is invested and poured. */
export function judgePerforated({ perforated }: { perforated: boolean }): Judgement[] {
  if (!perforated) return [];
  return [
    {
      rule: 'perforated',
      weight: 'watch',
      lead: 'Perforated flask.',
      why: say`Sleeve or tape it while the slurry sets. Before the pour its holes and the gasket under its rim are free of powder, or the vacuum does not reach the mold.`,
    },
  ];
}
