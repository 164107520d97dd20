import { InputError, requirePositive } from '../numeric';

/** Whether the size is measured over metal (a band's outside) or across a hole (a bore). */
export type Surface = 'outer' | 'inner';

/** A step that changes every size by a share of itself. Steps with the same key are the same unknown to the shop. */
export interface Change {
  key: string;
  /** What is taken before anything was measured, percent; negative shrinks. */
  percent: number;
  /** One standard deviation of it. */
  sdPercent: number;
  /** How far the size lies along this change: 1, or less where a step differs along the axes of the print. */
  share: number;
}

/** A fixed amount, whatever the size: what printing adds, the skin that finishing takes. */
export interface Amount {
  key: string;
  mm: number;
  sdMm: number;
  /** How often it counts: +1 on an outer size, −1 on a bore, 2 for a skin on both surfaces. */
  times: number;
}

/**
 * What happens to a size on its way (handbook 03, "Chain"): size after = (n + Σ adds)·Π(1 + eᵢ)^share − Σ takes,
 * n the size in the printed file.
 */
export interface SizePath {
  changes: readonly Change[];
  adds: readonly Amount[];
  takes: readonly Amount[];
}

/** By how much a step is believed to differ from what the path says: percent for changes, mm for amounts. */
export type Shifts = (key: string) => number;
export const NO_SHIFTS: Shifts = () => 0;

const sum = (amounts: readonly Amount[], shifts: Shifts): number =>
  amounts.reduce((total, { key, mm, times }) => total + times * (mm + shifts(key)), 0);

const factorOf = ({ key, percent }: Change, shifts: Shifts): number => {
  const factor = 1 + (percent + shifts(key)) / 100;
  if (!(factor > 0.5 && factor < 1.5)) throw new InputError('percent', 'a step within ±50 %', percent);
  return factor;
};

/** Π(1 + eᵢ)^share. */
export const productOf = ({ changes }: SizePath, shifts: Shifts = NO_SHIFTS): number =>
  changes.reduce((product, change) => product * factorOf(change, shifts) ** change.share, 1);

/** What the fixed amounts come to, before and after the changes. mm. */
export const amountsOf = ({ adds, takes }: SizePath, shifts: Shifts = NO_SHIFTS) => ({
  addsMm: sum(adds, shifts),
  takesMm: sum(takes, shifts),
});

/** The size that a printed one comes out at. */
export function sizeAfter(path: SizePath, printMm: number, shifts: Shifts = NO_SHIFTS): number {
  const { addsMm, takesMm } = amountsOf(path, shifts);
  return (printMm + addsMm) * productOf(path, shifts) - takesMm;
}

/**
 * The size to print for a wanted one: P = (F + takes)/Π(1 + eᵢ)^share − adds. Throws InputError when the wanted size
 * is smaller than what finishing and printing take.
 */
export function sizeToPrint(path: SizePath, finishedMm: number, shifts: Shifts = NO_SHIFTS): number {
  requirePositive('finishedMm', finishedMm);
  const { addsMm, takesMm } = amountsOf(path, shifts);
  const printMm = (finishedMm + takesMm) / productOf(path, shifts) - addsMm;
  if (printMm <= 0)
    throw new InputError('finishedMm', 'larger than what finishing and printing take', finishedMm);
  return printMm;
}

/** How much the size after moves with each unknown: mm a percent for changes, mm a mm for amounts. */
export function slopesOf(
  path: SizePath,
  printMm: number,
  shifts: Shifts = NO_SHIFTS,
): { key: string; sd: number; slope: number }[] {
  const product = productOf(path, shifts);
  const before = (printMm + amountsOf(path, shifts).addsMm) * product;
  return [
    ...path.changes.map((change) => ({
      key: change.key,
      sd: change.sdPercent,
      slope: (before * change.share) / (100 * factorOf(change, shifts)),
    })),
    ...path.adds.map(({ key, sdMm, times }) => ({ key, sd: sdMm, slope: times * product })),
    ...path.takes.map(({ key, sdMm, times }) => ({ key, sd: sdMm, slope: -times })),
  ];
}
