import { profileName, usualProfile, type Profile } from '@zero-pour/contracts';
import type { CastClass } from '@zero-pour/core';
import { demoId } from '../demoId';
import { PRINTERS } from './printers';
import { RESINS } from './resins';

const named = <T extends { name: string }>(list: readonly T[], name: string): T => {
  const found = list.find((item) => item.name === name);
  if (!found) throw new Error(`no ${name} in the demo shop`);
  return found;
};

function profile(
  resinName: string,
  printerName: string,
  castClass: CastClass,
  layerMm: number,
  exposureS: number,
  provenance: string,
  fields: Partial<Profile> = {},
): Profile {
  const [resin, printer] = [named(RESINS, resinName), named(PRINTERS, printerName)];
  const name = profileName(resin, printer, castClass, layerMm, fields.version ?? 1);
  return {
    ...usualProfile(resin, printer, castClass, layerMm),
    id: demoId(name),
    name,
    exposureS,
    baseExposureS: Math.round(exposureS * 8),
    tested: !provenance.startsWith('maker'),
    provenance,
    ...fields,
  };
}

const FIRST_FILIGREE = profile('Skerry Wax 55', 'Printer A', 'filigree', 0.05, 3.0, 'maker’s sheet', {
  replaced: true,
});

export const PROFILES: Profile[] = [
  FIRST_FILIGREE,
  profile('Skerry Wax 55', 'Printer A', 'filigree', 0.05, 3.7, '4 coupons, 28 °C', {
    version: 2,
    formerId: FIRST_FILIGREE.id,
    vatC: 28,
    printAddsMm: 0.015,
  }),
  profile('Skerry Wax 55', 'Printer A', 'standard', 0.05, 3.4, '4 coupons, 28 °C', { vatC: 28 }),
  profile('Skerry Wax 55', 'Printer A', 'heavy', 0.05, 3.0, '2 coupons, 26 °C', { vatC: 26 }),
  profile('Skerry Low-Ash', 'Printer A', 'standard', 0.05, 2.6, '3 coupons, 23 °C'),
  profile('Skerry Low-Ash', 'Printer B', 'filigree', 0.035, 2.2, '3 coupons, 28 °C', { vatC: 28 }),
  profile('Skerry Low-Ash Fine', 'Printer B', 'filigree', 0.03, 1.9, 'maker’s sheet'),
  profile('Brine Clear-Out', 'Printer C', 'standard', 0.05, 1.8, '2 coupons, 22 °C'),
  profile('Brine Clear-Out', 'Printer A', 'heavy', 0.05, 2.8, 'maker’s sheet'),
];
