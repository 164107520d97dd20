import type { StandingCut } from '@zero-pour/contracts';
import { judgeAdhesion, NO_ROTATION, type Judgement, type PlateLoad } from '@zero-pour/core';
import { type Part, type PourContext } from '../context';
import { heldPlates, supportsOf } from './knowPrints';

/** Turns closer than this are one. */
const SAME_DEG = 0.01;

/** What the layers of a part said, if it was cut as it stands now. */
export function cutOf({ doc }: Pick<PourContext, 'doc'>, { pattern }: Part): StandingCut | undefined {
  const cut = doc.wayUp.cut?.[pattern.id];
  const now = doc.wayUp.rotations[pattern.id] ?? NO_ROTATION;
  const same =
    cut &&
    Math.abs(cut.rotation.xDeg - now.xDeg) < SAME_DEG &&
    Math.abs(cut.rotation.yDeg - now.yDeg) < SAME_DEG;
  return same ? cut : undefined;
}

const plateParts = (context: PourContext) =>
  context.parts.map((part) => ({
    cut: cutOf(context, part),
    copies: part.prints + context.doc.print.spares,
    volumeMm3: part.pattern.measure.volumeMm3,
  }));

/** Islands, cups, overhang and areas of one copy of each part; undefined until every part was cut as it stands. */
export function cutOfPlate(
  context: PourContext,
): Pick<StandingCut, 'islands' | 'cups' | 'overhangMm2' | 'areaMm2'> | undefined {
  const parts = plateParts(context);
  if (parts.length === 0 || parts.some(({ cut }) => !cut)) return undefined;
  const sum = (field: 'islands' | 'cups' | 'overhangMm2' | 'areaMm2'): number =>
    parts.reduce((total, { cut }) => total + cut![field], 0);
  return {
    islands: sum('islands'),
    cups: sum('cups'),
    overhangMm2: sum('overhangMm2'),
    areaMm2: sum('areaMm2'),
  };
}

/** What hangs on the plate, and by what: the raft where there is one, else the first layers. */
export function loadOf(context: PourContext): PlateLoad | undefined {
  const { resin, profile, prints } = context;
  const parts = plateParts(context);
  if (!resin || !profile || parts.length === 0 || parts.some(({ cut }) => !cut)) return undefined;
  const sum = (of: (part: (typeof parts)[number]) => number): number =>
    parts.reduce((total, part) => total + of(part) * part.copies, 0);
  const share = 1 + supportsOf(prints, resin).value / 100;
  const raftMm2 = (profile.raftMl * 1000) / profile.raftMm;
  const heldMm2 = Math.max(
    raftMm2,
    sum(({ cut }) => cut!.firstMm2),
  );
  const peakMm2 = sum(({ cut }) => cut!.peakMm2);
  const hangingG = (sum(({ volumeMm3 }) => volumeMm3) / 1000) * resin.densityGPerMl * share;
  return heldMm2 > 0 && peakMm2 > 0 && hangingG > 0 ? { hangingG, peakMm2, heldMm2 } : undefined;
}

/** Whether the plate holds it, beside what held before on this printer with this resin. */
export function judgeLoad(context: PourContext): Judgement | undefined {
  const load = loadOf(context);
  const { resin, printer, prints, pourId } = context;
  if (!load || !resin || !printer) return undefined;
  const others = { ...prints, prints: prints.prints.filter((p) => p.pourId !== pourId) };
  return judgeAdhesion(load, heldPlates(others, resin.id, printer.id));
}
