import type { Printer, Profile, Resin, ShopLists } from '@zero-pour/contracts';
import { demoId } from '../demoId';

const DAY_MS = 24 * 3_600_000;

/** Opened bottles and filled vats: days ago, and ml left. */
const STOCK: Record<string, { bottles: [number, number][]; vats?: [string, number][] }> = {
  'Skerry Wax 55': { bottles: [[70, 180]], vats: [['Printer A', 9]] },
  'Skerry Low-Ash': { bottles: [[120, 310]] },
  'Skerry Low-Ash Fine': { bottles: [[3, 470]], vats: [['Printer B', 2]] },
  'Brine Clear-Out': { bottles: [[45, 260]], vats: [['Printer C', 16]] },
  'Basalt Master': { bottles: [[400, 90]] },
};

/** Makers' figures: printer, layer, seconds, base seconds. */
const REPORTED: Record<string, [string, number, number, number][]> = {
  'Skerry Wax 55': [['Printer A', 0.05, 3.0, 25]],
  'Skerry Low-Ash': [['Printer A', 0.05, 2.3, 20], ['Printer B', 0.035, 1.6, 16]],
  'Skerry Low-Ash Fine': [['Printer B', 0.03, 1.9, 16]],
  'Brine Clear-Out': [['Printer A', 0.05, 2.8, 22], ['Printer C', 0.05, 1.7, 14]],
}; // prettier-ignore

/** The demo shop's things with the dates that they have when the demo begins `now`. */
export function datedLists(lists: ShopLists, now: Date): ShopLists {
  const ago = (days: number): string => new Date(now.getTime() - days * DAY_MS).toISOString();
  const printerOf = (name: string): Printer => lists.printer.find((printer) => printer.name === name)!;
  const resin = (item: Resin): Resin => {
    const stock = STOCK[item.name];
    return {
      ...item,
      bottles: (stock?.bottles ?? []).map(([days, mlLeft], i) => ({
        key: `b${i}`,
        openedAt: ago(days),
        mlLeft,
        note: '',
      })),
      vats: (stock?.vats ?? []).map(([name, days], i) => ({
        key: `v${i}`,
        printerId: demoId(name),
        filledAt: ago(days),
        note: '',
      })),
      reported: (REPORTED[item.name] ?? []).map(([name, layerMm, exposureS, baseExposureS], i) => ({
        key: `r${i}`,
        from: 'maker',
        printerId: demoId(name),
        wavelengthNm: printerOf(name).wavelengthNm,
        irradianceMwPerCm2: null,
        layerMm,
        exposureS,
        baseExposureS,
        baseLayers: 6,
        vatC: null,
      })),
    };
  };
  const printer = (item: Printer): Printer => ({
    ...item,
    irradianceAt: ago(80),
    events:
      item.name === 'Printer A'
        ? [
            { key: 'e0', at: ago(150), what: 'screen changed', note: '' },
            { key: 'e1', at: ago(12), what: 'film changed', note: 'Cloudy corner.' },
          ]
        : [],
  });
  const found: Record<string, number> = { 'maker’s sheet': 75 };
  const profile = (item: Profile): Profile => ({
    ...item,
    foundAt: ago(found[item.provenance] ?? (item.name.includes('Printer B') ? 29 : 60)),
  });
  return {
    ...lists,
    resin: lists.resin.map(resin),
    printer: lists.printer.map(printer),
    profile: lists.profile.map(profile),
  };
}
