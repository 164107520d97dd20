import { usualResin, type Resin } from '@zero-pour/contracts';
import { CLEAN_SCHOOLS, type CleanSchool, type CleanStep } from '@zero-pour/core';
import { demoId } from '../demoId';

/** Changed times of single steps of the usual protocol. */
function protocol(
  changes: Record<string, Partial<CleanStep>>,
  school: CleanSchool = CLEAN_SCHOOLS[0]!,
): Pick<Resin, 'protocol' | 'protocolName' | 'protocolVersion'> {
  const steps = school.steps.map((s) => ({ ...s, ...changes[s.key] }));
  return { protocol: steps, protocolName: school.name, protocolVersion: 2 };
}
const schoolOf = (key: string): CleanSchool => CLEAN_SCHOOLS.find((school) => school.key === key)!;

const resin = (name: string, family: Resin['family'], fields: Partial<Resin>): Resin => ({
  ...usualResin(family),
  id: demoId(name),
  name,
  densityGPerMl: 1.12,
  pricePerKg: 180,
  colour: 'teal',
  skin: 'dull, dry',
  ...fields,
});

export const RESINS: Resin[] = [
  resin('Skerry Wax 55', 'wax-rich', {
    densityGPerMl: 1.08,
    finestMm: 0.35,
    pricePerKg: 260,
    colour: 'blue-green',
    cleanOutH: 2.5,
    printFromC: 26,
    skin: 'waxy, dull',
    printToC: 34,
    solidBelowC: 24,
    shakeMin: 3,
    filter: true,
    primingCoats: 2,
    feelUncured: 'soft, waxy',
    feelCured: 'stiff, breaks clean',
    cutsAndSands: 'clips clean, sands to powder',
    viscosity: 'like warm honey',
    climate: 'Warm the bottle; sets in a cold room.',
    alcoholAttacks: 'no',
    leadDays: 9,
    note: 'Warm the bottle: sets below 24 °C.',
    ...protocol({ cure: { minMinutes: 5, maxMinutes: 10 } }, schoolOf('warm bath')),
  }),
  resin('Skerry Wax 40', 'wax-rich', {
    densityGPerMl: 1.09,
    pricePerKg: 235,
    colour: 'sea green',
    printFromC: 24,
    skin: 'waxy',
  }),
  resin('Skerry Low-Ash', 'low-wax', {
    pricePerKg: 210,
    colour: 'amber',
    cleanOutH: 4,
    ...protocol({ rest: { minMinutes: 40 } }),
  }),
  resin('Skerry Low-Ash Fine', 'low-wax', {
    densityGPerMl: 1.13,
    finestMm: 0.2,
    pricePerKg: 225,
    colour: 'pale amber',
    cleanOutH: 4,
  }),
  resin('Brine Clear-Out', 'wax-free', {
    densityGPerMl: 1.15,
    pricePerKg: 190,
    colour: 'clear',
    cleanOutH: 3.5,
    fastAllowed: true,
    rampMaxCPerH: 300,
    skin: 'glossy, dry',
  }),
  resin('Brine Clear-Out Amber', 'wax-free', {
    densityGPerMl: 1.15,
    pricePerKg: 195,
    colour: 'honey',
    cleanOutH: 3.5,
    fastAllowed: true,
    rampMaxCPerH: 300,
    skin: 'glossy, dry',
  }),
  resin('Basalt Master', 'heat-resistant master', {
    densityGPerMl: 1.19,
    pricePerKg: 160,
    colour: 'slate',
    supportsPercent: 20,
    curesSilicone: 'yes',
    survivesC: 165,
    note: 'For rubber molds only.',
  }),
  resin('Selkie Flex', 'flexible mold', {
    densityGPerMl: 1.1,
    pricePerKg: 140,
    colour: 'milky',
    supportsPercent: 10,
    note: 'For printed molds only.',
  }),
];
