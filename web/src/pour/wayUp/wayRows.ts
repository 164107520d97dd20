import type { FoundWays, WaysInput } from '@zero-pour/jobs';
import {
  printTime,
  WAY_AIMS,
  type PrintProfile,
  type Rotation,
  type WayAim,
  type WayUp,
} from '@zero-pour/core';

/** A row of the comparison: what it is for, and what it means. */
export interface WayRow extends WayUp {
  name: string;
  why: string;
  hours: number | undefined;
}

const WHY: Readonly<Record<WayAim, string>> = {
  'cleanest face': 'least marks and steps on the faces that must stay clean',
  safest: 'least of islands, cups, overhang and pull together',
  fastest: 'the fewest layers',
};
const NO_FACES = 'no faces are pointed out: least overhang of all';

/** Tilts about x that people try by habit. */
export const TILTS: readonly Rotation[] = [20, 40, 60].map((xDeg) => ({ xDeg, yDeg: 0, zDeg: 0 }));

/** The named choices, then one's own way and the usual tilts. `factor`: print size over file size. */
export function wayRows(
  { best, compared }: FoundWays,
  job: WaysInput,
  factor: number,
  profile: PrintProfile | undefined,
  now: Rotation,
): WayRow[] {
  const row = (name: string, why: string, way: WayUp): WayRow => ({
    ...way,
    name,
    why,
    hours: profile ? printTime(way.figures.heightMm * factor, profile).seconds / 3600 : undefined,
  });
  const aims = WAY_AIMS.map((aim) =>
    row(aim, aim === 'cleanest face' && job.cleanPoints.length === 0 ? NO_FACES : WHY[aim], best[aim]),
  );
  const others = compared.map((way, i) =>
    i === 0
      ? row(sameWay(job.compare[0]!, now) ? 'as it stands now' : 'as it stood before', 'your own', way)
      : row(`tilted ${job.compare[i]!.xDeg}°`, 'about x', way),
  );
  return [...aims, ...others];
}

/** Whether two turns bring the same way up. */
export const sameWay = (a: Rotation, b: Rotation): boolean =>
  Math.abs(a.xDeg - b.xDeg) < 0.01 && Math.abs(a.yDeg - b.yDeg) < 0.01;
