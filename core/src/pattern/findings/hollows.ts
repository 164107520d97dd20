import { formatNumber, quantity, say, type Phrase } from '../../numeric';
import { rotatePoints, rotationMatrix, transposed, type Rotation } from '../../orient';
import type { PatternAnalysis } from '../analysePattern';
import { groupSpots } from '../spots';
import { counted, PLACES_MAX, type Finding } from '../../judge';
import type { PatternLimits } from './limits';

const mm = (value: number) => quantity(value, 'mm', 2);
const mm3 = (value: number): string => `${formatNumber(value, value < 10 ? 1 : 0)} mm³`;
const ballOf = (volumeMm3: number): number => 2 * Math.cbrt((3 * volumeMm3) / (4 * Math.PI));

/** Wet resin that cannot leave. */
export function findVoids({ voids, resolution }: PatternAnalysis): Finding[] {
  if (voids.length === 0) return [];
  const total = voids.reduce((sum, v) => sum + v.volumeMm3, 0);
  return [
    {
      rule: 'sealed void',
      weight: 'stop',
      lead: voids.length === 1 ? 'Sealed hollow.' : `${counted(voids.length, 'sealed hollow')}.`,
      why: say`${mm3(total)} of wet resin would stay inside and burst the mold. Walls under ${mm(2 * resolution.fineMm)} are not told from none.`,
      remedy: say`Open each with two holes of at least 1 mm, or fill it.`,
      places: voids.slice(0, PLACES_MAX).map(({ at, volumeMm3 }) => ({ at, sizeMm: ballOf(volumeMm3) })),
    },
  ];
}

/** Cups that keep a bubble of slurry air, hung at a tilt (degrees); other tilts are named when they are better. */
export function findCups({ hangs }: PatternAnalysis, tiltDeg: number): Finding[] {
  const hang = hangs.find(({ rotation }) => rotation.xDeg === tiltDeg);
  if (!hang || hang.pockets.length === 0) return [];
  const volume = (pockets: typeof hang.pockets): number => pockets.reduce((sum, p) => sum + p.volumeMm3, 0);
  const here = volume(hang.pockets);
  const best = hangs.reduce((a, b) => (volume(b.pockets) < volume(a.pockets) ? b : a));
  const better: Phrase =
    volume(best.pockets) < here
      ? say`Hang it at ${best.rotation.xDeg}°: ${best.pockets.length === 0 ? 'none stays' : `${mm3(volume(best.pockets))} stay`}. Or vent each cup.`
      : say`Turn it so that each cup opens upward, or vent it.`;
  return [
    {
      rule: 'air pocket',
      weight: 'watch',
      lead:
        hang.pockets.length === 1 ? 'A cup keeps air.' : `${counted(hang.pockets.length, 'cup')} keep air.`,
      why: say`${mm3(here)} of bubble when it hangs ${tiltDeg === 0 ? 'as in the file' : `at ${tiltDeg}°`}: metal fills it as a lump.`,
      remedy: better,
      places: hang.pockets
        .slice(0, PLACES_MAX)
        .map(({ at, volumeMm3 }) => ({ at, sizeMm: ballOf(volumeMm3), from: below(hang.rotation) })),
    },
  ];
}

/** From under a part that is turned so, in the part's own axes: where a cup that keeps air is open. */
function below(rotation: Rotation): [number, number, number] {
  const [x, y, z] = rotatePoints([0, 0, -1], transposed(rotationMatrix(rotation)));
  return [x!, y!, z!];
}

/** The narrowest way in or through that holds investment, and how deep the deepest of such gaps goes, mm; null: none is that narrow. */
export function narrowestWay(
  analysis: PatternAnalysis,
  narrowMm: number,
): { widthMm: number; depthMm: number } | null {
  const widths = [
    ...analysis.holes.map(({ widthMm }) => widthMm),
    ...analysis.chambers.map(({ entranceMm }) => entranceMm),
  ].filter((width) => width < narrowMm);
  if (widths.length === 0) return null;
  const deep = groupSpots(analysis.gaps, analysis.resolution.midMm, ({ sizeMm }) => sizeMm < narrowMm);
  const depthMm = Math.max(0, ...deep.map(({ deepestMm, shallowestMm }) => deepestMm - shallowestMm));
  return { widthMm: Math.min(...widths), depthMm };
}

/** Ways in and through that investment does not leave again. */
export function findHardToDivest(analysis: PatternAnalysis, limits: PatternLimits): Finding[] {
  const holes = analysis.holes.filter(({ widthMm }) => widthMm < limits.divestMm);
  const chambers = analysis.chambers.filter(({ entranceMm }) => entranceMm < limits.divestMm);
  if (holes.length + chambers.length === 0) return [];
  const places = [
    ...chambers.map((c) => ({ at: c.entranceAt, sizeMm: c.entranceMm })),
    ...holes.map((h) => ({ at: h.at, sizeMm: h.widthMm, from: h.axis })),
  ];
  const deep = groupSpots(analysis.gaps, analysis.resolution.midMm, ({ sizeMm }) => sizeMm < limits.divestMm);
  const depth = deep.reduce((sum, { deepestMm, shallowestMm }) => sum + deepestMm - shallowestMm, 0);
  return [
    {
      rule: 'hard to divest',
      weight: 'watch',
      lead: `${counted(places.length, 'narrow way')} to clear.`,
      why: say`${mm(Math.min(...places.map((p) => p.sizeMm)))} at the narrowest, under ${mm(limits.divestMm)}${depth > 0.1 ? `; ${formatNumber(depth, 1)} mm deep in all` : ''}: investment stays inside.`,
      remedy: say`Widen them, or plan a soak and a fine drill after casting.`,
      places: places.slice(0, PLACES_MAX),
    },
  ];
}
