import type { Judgement } from '../judge';
import { quantity, say } from '../numeric';
import { BEARS_PERCENT, type MoldKind } from './material';
import type { Undercut } from './undercut';

const mm = (value: number) => quantity(value, 'mm', 1);
const cm3 = (mm3: number) => quantity(mm3 / 1000, 'cm3', 2);
const percent = (value: number) => quantity(value, 'percent', value < 10 ? 1 : 0);

/** What was read of a part along one pull. */
export interface ReleaseReading {
  undercuts: readonly Undercut[];
  trappedMm3: number;
  /** Finer than this nothing is seen. mm. */
  cellMm: number;
}

const springs = ({ undercuts }: ReleaseReading): readonly Undercut[] =>
  undercuts.filter(({ kind }) => kind === 'springs');

/** The kinds of mold that spring off all of it, by what they bear; none where a core is in the way. */
export function kindsThatRelease(reading: ReleaseReading): MoldKind[] {
  if (reading.undercuts.some(({ kind }) => kind === 'core')) return [];
  const most = Math.max(0, ...springs(reading).map(({ strainPercent }) => strainPercent));
  return (Object.keys(BEARS_PERCENT) as MoldKind[]).filter((kind) => most <= BEARS_PERCENT[kind]);
}

/**
 * Whether two halves of a material let the wax go, where they do not, how deep, and the ways out that were tried on this part: the
 * pull that was found best, a material that gives way, and the undercut filled.
 */
export function judgeRelease(
  reading: ReleaseReading,
  kind: MoldKind,
  best: ReleaseReading | null,
): Judgement[] {
  const cores = reading.undercuts.filter((one) => one.kind === 'core');
  const [worst] = springs(reading);
  if (cores.length === 0 && !worst)
    return [
      {
        rule: 'release',
        weight: 'ok',
        lead: 'Two halves let it go.',
        why: say`Nothing is caught between them; steps under ${quantity(1.5 * reading.cellMm, 'mm', 2)} are finer than the grid sees.`,
      },
    ];
  const bears = BEARS_PERCENT[kind];
  if (cores.length === 0 && worst!.strainPercent <= bears)
    return [
      {
        rule: 'release',
        weight: worst!.strainPercent > 0.7 * bears ? 'watch' : 'ok',
        lead: `Springs off in ${kind}.`,
        why: say`The deepest undercut holds ${mm(worst!.depthMm)} of ${mm(worst!.widthMm)}: ${percent(worst!.strainPercent)}, ${kind} bears ${percent(bears)}. Let the mold rest between shots.`,
      },
    ];
  const where =
    cores.length > 0
      ? say`${String(cores.length)} ${cores.length === 1 ? 'hollow leads' : 'hollows lead'} out nowhere sideways: two halves cannot reach in. `
      : say`${mm(worst!.depthMm)} of ${mm(worst!.widthMm)} is caught: ${percent(worst!.strainPercent)}, ${kind} bears ${percent(bears)}. `;
  return [
    {
      rule: 'release',
      weight: 'stop',
      lead: `Two halves of ${kind} do not let it go.`,
      why: [...where, ...waysOut(reading, best)],
    },
  ];
}

/** Each was tried on this part: what it would bring. */
function waysOut(reading: ReleaseReading, best: ReleaseReading | null): Judgement['why'] {
  const kinds = kindsThatRelease(reading);
  const other =
    best === null
      ? []
      : best.trappedMm3 < 0.9 * reading.trappedMm3
        ? best.undercuts.length === 0
          ? say`Pulled the other way that was found, nothing is caught. `
          : say`Pulled the other way that was found, ${cm3(best.trappedMm3)} is caught in place of ${cm3(reading.trappedMm3)}. `
        : say`No other pull that was tried catches less. `;
  const soft =
    kinds.length > 0
      ? say`A mold of ${kinds.join(' or ')} springs off it. `
      : say`No mold springs off it: a core that is drawn by itself, or the part in two pieces. `;
  return [
    ...other,
    ...soft,
    ...say`Filled with ${cm3(reading.trappedMm3)} it would let go, and the casting be so much heavier there.`,
  ];
}
