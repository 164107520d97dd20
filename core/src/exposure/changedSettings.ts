import { SAME_VAT_C } from './carryOver';

/** What a trial was printed at, one entry for everything that may be changed between two coupons. */
export interface TrialSettings {
  printerId: string;
  layerMm: number;
  exposureS: number;
  baseExposureS: number;
  baseLayers: number;
  vatC: number | null;
  raftMm: number | null;
  primingCoats: number | null;
}

const NAMES: Record<keyof TrialSettings, string> = {
  printerId: 'printer',
  layerMm: 'layer height',
  exposureS: 'exposure',
  baseExposureS: 'base seconds',
  baseLayers: 'base layers',
  vatC: 'vat temperature',
  raftMm: 'raft',
  primingCoats: 'priming coats',
};

/** Names of the settings in which two trials differ; a temperature within 3 °C is the same, an unknown one is no change. */
export function changedSettings(trial: TrialSettings, before: TrialSettings): string[] {
  return (Object.keys(NAMES) as (keyof TrialSettings)[])
    .filter((key) => {
      const [now, then] = [trial[key], before[key]];
      if (now === null || then === null) return false;
      return key === 'vatC' ? Math.abs(Number(now) - Number(then)) > SAME_VAT_C : now !== then;
    })
    .map((key) => NAMES[key]);
}
