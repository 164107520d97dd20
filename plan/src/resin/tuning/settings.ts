import {
  readingValue,
  type CureTest,
  type Printer,
  type RecordLists,
  type Resin,
  type ShopLists,
  type Trial,
} from '@zero-pour/contracts';
import {
  fitWorkingCurve,
  type ExposureSetting,
  type ReportedExposure,
  type Settable,
  type TrialSettings,
  type WorkingCurve,
} from '@zero-pour/core';

/** What is being tuned: one resin on one printer at one layer height. */
export interface TuningKey {
  resinId: string;
  printerId: string;
  layerMm: number;
}

/** The things that a key names; undefined when one of them is gone. */
export interface TuningThings {
  resin: Resin;
  printer: Printer;
  layerMm: number;
}

export function tuningThings(lists: ShopLists, key: TuningKey): TuningThings | undefined {
  const resin = lists.resin.find((r) => r.id === key.resinId);
  const printer = lists.printer.find((p) => p.id === key.printerId);
  return resin && printer && { resin, printer, layerMm: key.layerMm };
}

export const settableOf = (printer: Printer): Settable => ({
  leastS: printer.exposureLeastS,
  mostS: printer.exposureMostS,
  stepS: printer.exposureStepS,
});

/** What a trial was exposed at, for carrying it over. */
export function trialSetting(trial: Trial, printers: readonly Printer[]): ExposureSetting | undefined {
  const printer = printers.find((p) => p.id === trial.printerId);
  if (!printer) return undefined;
  return {
    printerId: printer.id,
    wavelengthNm: printer.wavelengthNm,
    irradianceMwPerCm2: printer.irradianceMwPerCm2,
    layerMm: trial.layerMm,
    vatC: readingValue(trial.vatC) ?? null,
  };
}

/** The setting that figures are wanted for. */
export const wantedSetting = ({ printer, layerMm }: TuningThings, vatC: number | null): ExposureSetting => ({
  printerId: printer.id,
  wavelengthNm: printer.wavelengthNm,
  irradianceMwPerCm2: printer.irradianceMwPerCm2,
  layerMm,
  vatC,
});

/** Everything that may be changed from one trial to the next. */
export const changeable = (trial: Trial): TrialSettings => ({
  printerId: trial.printerId,
  layerMm: trial.layerMm,
  exposureS: trial.exposureS,
  baseExposureS: trial.baseExposureS,
  baseLayers: trial.baseLayers,
  vatC: readingValue(trial.vatC) ?? null,
  raftMm: trial.raftMm,
  primingCoats: trial.primingCoats,
});

/** A cure-depth test with its fit, or why it has none. */
export type FittedTest = { test: CureTest; curve: WorkingCurve } | { test: CureTest; problem: string };

export function fitTest(test: CureTest): FittedTest {
  try {
    return { test, curve: fitWorkingCurve(test.discs) };
  } catch {
    return { test, problem: 'Needs three discs at two energies, thicker with more light.' };
  }
}

/** The newest working curve of a resin at a wavelength. */
export function curveOf(records: RecordLists, resinId: string, wavelengthNm: number): WorkingCurve | null {
  const fitted = records.cureTest
    .filter((test) => test.resinId === resinId && test.wavelengthNm === wavelengthNm)
    .sort((a, b) => b.measuredAt.localeCompare(a.measuredAt))
    .map(fitTest)
    .find((fit) => 'curve' in fit);
  return fitted && 'curve' in fitted ? fitted.curve : null;
}

/** Exposures that makers, others and the shop's own profiles report for a resin. */
export function reportsOf(lists: ShopLists, { resin, printer, layerMm }: TuningThings): ReportedExposure[] {
  const nameOf = (id: string | null): string =>
    lists.printer.find((p) => p.id === id)?.name ?? 'a printer of that light';
  const reported = resin.reported.map((r): ReportedExposure => ({
    source: r.from,
    name:
      r.from === 'maker'
        ? `maker’s figure for ${nameOf(r.printerId)}`
        : `another user’s figure for ${nameOf(r.printerId)}`,
    exposureS: r.exposureS,
    setting: {
      printerId: r.printerId ?? '',
      wavelengthNm: r.wavelengthNm,
      irradianceMwPerCm2:
        r.irradianceMwPerCm2 ?? lists.printer.find((p) => p.id === r.printerId)?.irradianceMwPerCm2 ?? null,
      layerMm: r.layerMm,
      vatC: r.vatC,
    },
  }));
  const tuned = lists.profile
    .filter((p) => p.resinId === resin.id && p.tested && !p.replaced)
    // Its own profile for this printer and layer height is what the trials here say already.
    .filter((p) => p.printerId !== printer.id || p.layerMm !== layerMm)
    .flatMap((p): ReportedExposure[] => {
      const from = lists.printer.find((other) => other.id === p.printerId);
      if (!from) return [];
      const setting = wantedSetting({ resin, printer: from, layerMm: p.layerMm }, p.vatC);
      return [
        {
          source: 'this shop',
          name: `tuned here, ${p.castClass} on ${from.name}`,
          exposureS: p.exposureS,
          setting,
        },
      ];
    });
  return [...reported, ...tuned];
}
