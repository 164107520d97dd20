import { quantity, say, type Phrase } from '../numeric';
import { carryOver, type ExposureSetting } from './carryOver';
import { firstGuessS, OVERCURE_MM, type WorkingCurve } from './workingCurve';

/** Who found a figure. */
type FigureSource = 'maker' | 'another user' | 'this shop';

/** Somebody's exposure, and what it was for. */
export interface ReportedExposure {
  source: FigureSource;
  /** "maker’s sheet for Printer A". */
  name: string;
  exposureS: number;
  setting: ExposureSetting;
}

/** A figure to begin with, how it came about, and what it does not know. */
export interface StartingFigure {
  way: 'maker for this printer' | 'another user’s' | 'tuned here' | 'like printer' | 'working curve';
  /** Who found it; a curve was measured here. */
  source: FigureSource;
  name: string;
  exposureS: number;
  reasoning: Phrase[];
  unknown: Phrase[];
}

/** A figure that cannot be used, and why. */
export interface RefusedFigure {
  name: string;
  why: Phrase;
}

const TOO_OLD = say`how old lamp, film and resin were when it was found`;

function fromReport(
  report: ReportedExposure,
  target: ExposureSetting,
  dpMm: number | null,
): StartingFigure | RefusedFigure {
  const { setting, exposureS, name, source } = report;
  // The maker's vat is seldom told; a figure to begin with may differ in it, a trial may not.
  const carried = carryOver({ ...setting, vatC: null }, target, dpMm);
  if (carried.status === 'refused') return { name, why: carried.why };
  const same = setting.printerId === target.printerId;
  const way = !same
    ? 'like printer'
    : source === 'maker'
      ? 'maker for this printer'
      : source === 'this shop'
        ? 'tuned here'
        : 'another user’s';
  const unknown: Phrase[] = [TOO_OLD];
  if (setting.vatC === null) unknown.push(say`how warm the vat was`);
  if (!same)
    unknown.push(say`whether both lights were measured the same way, and how their screens spread it`);
  if (source === 'another user') unknown.push(say`whether the other user’s parts are like yours`);
  return {
    way,
    source,
    name,
    exposureS: exposureS * carried.factor,
    reasoning: [
      say`${name}: ${quantity(exposureS, 's', 2)} at ${quantity(setting.layerMm, 'mm', 3)}`,
      ...carried.laws,
    ],
    unknown,
  };
}

function fromCurve(curve: WorkingCurve, target: ExposureSetting): StartingFigure | RefusedFigure {
  const name = 'working curve';
  if (target.irradianceMwPerCm2 === null)
    return { name, why: say`The light of this printer has not been measured.` };
  return {
    way: 'working curve',
    source: 'this shop',
    name,
    exposureS: firstGuessS(curve, target.irradianceMwPerCm2, target.layerMm),
    reasoning: [
      say`Ec/I · exp((h + o)/Dp) = ${curve.ecMjPerCm2.toFixed(2)} / ${target.irradianceMwPerCm2} · exp((${target.layerMm} + ${OVERCURE_MM}) / ${curve.dpMm.toFixed(3)})`,
      say`${curve.n} discs, R² ${curve.r2.toFixed(3)}`,
    ],
    unknown: [
      say`how much your finest struts need beyond binding layer to layer (${quantity(OVERCURE_MM, 'mm', 2)} assumed)`,
      say`how light spreads sideways under thin features`,
    ],
  };
}

const ORDER: readonly StartingFigure['way'][] = [
  'tuned here',
  'maker for this printer',
  'like printer',
  'another user’s',
  'working curve',
];

/** Figures to begin with, best first, and those that cannot be used with the reason (handbook 02). */
export function startingFigures(
  target: ExposureSetting,
  reports: readonly ReportedExposure[],
  curve: WorkingCurve | null,
): { figures: StartingFigure[]; refused: RefusedFigure[] } {
  const all = reports.map((report) => fromReport(report, target, curve?.dpMm ?? null));
  if (curve) all.push(fromCurve(curve, target));
  const figures = all.filter((f): f is StartingFigure => 'way' in f);
  // Of two maker's figures for this printer, the one for this very layer height comes first.
  const carriedSteps = (f: StartingFigure): number => f.reasoning.length;
  figures.sort((a, b) => ORDER.indexOf(a.way) - ORDER.indexOf(b.way) || carriedSteps(a) - carriedSteps(b));
  return { figures, refused: all.filter((f): f is RefusedFigure => !('way' in f)) };
}

/** A tuned figure this far from what others report deserves a look at the machine. */
const FAR_SHARE = 1 / 3;

export interface FarFromOthers {
  name: string;
  reportedS: number;
  /** Tuned over reported. */
  ratio: number;
  /** It was told for another printer or layer height. */
  carried: boolean;
}

/**
 * Figures of makers and other users, carried over to these settings by law where they were for others, that the tuned
 * exposure is more than a third away from.
 */
export const farFromOthers = (tunedS: number, figures: readonly StartingFigure[]): FarFromOthers[] =>
  figures
    .filter(({ source }) => source !== 'this shop')
    .map(({ name, exposureS, reasoning }) => ({
      name,
      reportedS: exposureS,
      ratio: tunedS / exposureS,
      // The first line is the figure itself.
      carried: reasoning.length > 1,
    }))
    .filter(({ ratio }) => Math.abs(ratio - 1) > FAR_SHARE);
