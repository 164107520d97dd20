import { quantity, say } from '../numeric';
import type { Judgement } from '../judge';
import { sizeAfter, type Shifts, type SizePath } from './sizePath';

export interface WallAfter {
  drawnMm: number;
  printMm: number;
  finishedMm: number;
}

/** A wall of the file as it is printed and as it is worn. `factor` is print size over file size. */
export function wallAfter(drawnMm: number, factor: number, path: SizePath, shifts?: Shifts): WallAfter {
  const printMm = drawnMm * factor;
  return { drawnMm, printMm, finishedMm: sizeAfter(path, printMm, shifts) };
}

const mm = (value: number) => quantity(value, 'mm', 2);

/** The thinnest wall against what the resin holds, and against what wears well once it is finished (handbook 01). */
export function judgeWall(
  wall: WallAfter,
  limits: { finestMm: number; wearMm: number; wearName: string; resinName: string },
): Judgement[] {
  const judgements: Judgement[] = [];
  if (wall.printMm < limits.finestMm) {
    judgements.push({
      rule: 'wall under the resin',
      weight: 'fix',
      lead: 'Thinner than the resin holds.',
      why: say`${mm(wall.drawnMm)} drawn is printed ${mm(wall.printMm)}; ${limits.resinName} holds ${mm(limits.finestMm)}. Thicken it in the file by ${mm(limits.finestMm - wall.printMm)}, or take a finer resin.`,
    });
  }
  judgements.push(
    wall.finishedMm < limits.wearMm
      ? {
          rule: 'wall for wear',
          weight: 'watch',
          lead: 'Thin for wear.',
          why: say`${mm(wall.drawnMm)} drawn is worn ${mm(wall.finishedMm)} after shrinkage and finishing; a ${limits.wearName} wears well from ${mm(limits.wearMm)}. Thicken it in the file by ${mm(limits.wearMm - wall.finishedMm)}.`,
        }
      : {
          rule: 'wall for wear',
          weight: 'ok',
          lead: 'Wall will wear.',
          why: say`The thinnest, ${mm(wall.drawnMm)} drawn, is worn ${mm(wall.finishedMm)}; ${mm(limits.wearMm)} is the least for a ${limits.wearName}.`,
        },
  );
  return judgements;
}
