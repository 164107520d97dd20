import { formatNumber, InputError, requirePositive } from '../numeric';

/**
 * Ring-size systems (handbook 03, "Ring sizes"); inner diameters in mm.
 * US/Canada: d = 11.63 + 0.8128 n. UK/Australia (BS 6820): circumference 37.5 mm at A, +1.25 a letter.
 * ISO 8653: the number is the circumference. CH (Switzerland, Italy, Spain): circumference − 40.
 * Japan: d = 12⅔ + n/3.
 */
export const RING_SYSTEMS = ['US', 'UK', 'ISO', 'CH', 'JP'] as const;
export type RingSystem = (typeof RING_SYSTEMS)[number];

export const RING_SYSTEM_NAMES: Readonly<Record<RingSystem, string>> = {
  US: 'US, Canada',
  UK: 'UK, Australia',
  ISO: 'Europe (ISO)',
  CH: 'Switzerland, Italy, Spain',
  JP: 'Japan',
};

const UK_AT_A_MM = 37.5;
const UK_PER_LETTER_MM = 1.25;

/** "A" is 0, "A½" 0.5, "Z" 25, "Z+1" 26. Null when it is not a UK size. */
function ukSteps(size: string): number | null {
  const match = /^([A-Z])\s*(?:\+\s*(\d{1,2}))?\s*(½|1\/2|\.5)?$/i.exec(size.trim());
  if (!match) return null;
  const letter = match[1]!.toUpperCase().charCodeAt(0) - 65;
  const beyond = Number(match[2] ?? 0);
  if (beyond > 0 && letter !== 25) return null;
  return letter + beyond + (match[3] ? 0.5 : 0);
}

function ukName(steps: number): string {
  const halves = Math.round(steps * 2);
  const whole = Math.floor(halves / 2);
  const letter = whole <= 25 ? String.fromCharCode(65 + whole) : `Z+${whole - 25}`;
  return halves % 2 === 1 ? `${letter}½` : letter;
}

/** "7", "7.5", "7½", "7 1/4" or "7-3/4" as a number; NaN otherwise. */
function readSize(size: string): number {
  const text = size.trim().replace(',', '.');
  const mixed = /^(\d{1,2})(?:[\s-]+(1\/2|1\/4|3\/4)|\s*([½¼¾]))?$/.exec(text);
  if (mixed) {
    const part = mixed[2] ?? mixed[3] ?? '';
    return Number(mixed[1]) + (PARTS[part] ?? 0);
  }
  return /^-?(\d+\.?\d*|\.\d+)$/.test(text) ? Number(text) : Number.NaN;
}
const PARTS: Readonly<Record<string, number>> = {
  '1/2': 0.5,
  '½': 0.5,
  '1/4': 0.25,
  '¼': 0.25,
  '3/4': 0.75,
  '¾': 0.75,
};

/** Inner diameter in mm of a written ring size. Throws InputError when it is not one of the system. */
export function ringDiameterMm(system: RingSystem, size: string): number {
  const diameter = diameterOf(system, size);
  if (!Number.isFinite(diameter) || diameter < 8 || diameter > 40) {
    throw new InputError('size', `a ${RING_SYSTEM_NAMES[system]} ring size`, size);
  }
  return diameter;
}

function diameterOf(system: RingSystem, size: string): number {
  if (system === 'UK') {
    const steps = ukSteps(size);
    return steps === null ? Number.NaN : (UK_AT_A_MM + UK_PER_LETTER_MM * steps) / Math.PI;
  }
  const n = readSize(size);
  switch (system) {
    case 'US':
      return 11.63 + 0.8128 * n;
    case 'ISO':
      return n / Math.PI;
    case 'CH':
      return (n + 40) / Math.PI;
    case 'JP':
      return 38 / 3 + n / 3;
  }
}

/** "US 7", "uk n½", "ISO 54" as an inner diameter in mm: what a ring stick says; undefined for anything else. */
export function readRingSize(text: string): number | undefined {
  const match = /^(us|uk|iso|ch|jp)\s+(.+)$/i.exec(text.trim());
  if (!match) return undefined;
  try {
    return ringDiameterMm(match[1]!.toUpperCase() as RingSystem, match[2]!);
  } catch (error) {
    if (error instanceof InputError) return undefined;
    throw error;
  }
}

export interface RingSizeName {
  system: RingSystem;
  /** Nearest size that the system names (quarters in US, halves in UK and Japan). */
  size: string;
  /** Diameter of that named size minus the given one, mm. */
  offMm: number;
}

const rounded = (n: number, step: number): number => Math.round(n / step) * step;

/** 10.25 as the trade writes it: "10¼". */
const inQuarters = (n: number): string =>
  `${Math.floor(n)}${['', '¼', '½', '¾'][Math.round(4 * (n - Math.floor(n)))]!}`;

function nearestName(system: RingSystem, diameterMm: number): string {
  const circumference = Math.PI * diameterMm;
  switch (system) {
    case 'US':
      return inQuarters(rounded((diameterMm - 11.63) / 0.8128, 0.25));
    case 'UK':
      return ukName((circumference - UK_AT_A_MM) / UK_PER_LETTER_MM);
    case 'ISO':
      return formatNumber(rounded(circumference, 0.5), 1).replace(/\.0$/, '');
    case 'CH':
      return formatNumber(rounded(circumference - 40, 0.5), 1).replace(/\.0$/, '');
    case 'JP':
      return formatNumber(rounded(3 * diameterMm - 38, 0.5), 1).replace(/\.0$/, '');
  }
}

/** The nearest named size in every system; systems that do not reach the diameter are left out. */
export function ringSizesNear(diameterMm: number): RingSizeName[] {
  return RING_SYSTEMS.flatMap((system) => {
    const size = nearestName(system, diameterMm);
    const named = diameterOf(system, size.replace('−', '-'));
    if (!Number.isFinite(named) || named < 8 || named > 40) return [];
    return [{ system, size, offMm: named - diameterMm }];
  });
}

/** A band wider than this wears tight (handbook 03, "Ring sizes"; shop defaults). mm. */
export const WIDE_BAND_MM = 6;
const WIDE_BAND_ADDS = { leastMm: 0.1, mostMm: 0.25, mostFromMm: 12 } as const;

/** What the bore of a wide band is opened by: none to 6 mm, then 0.1 mm rising to 0.25 mm at 12 mm and over. */
export function wideBandAllowanceMm(widthMm: number): number {
  requirePositive('widthMm', widthMm);
  if (widthMm <= WIDE_BAND_MM) return 0;
  const { leastMm, mostMm, mostFromMm } = WIDE_BAND_ADDS;
  const share = Math.min(1, (widthMm - WIDE_BAND_MM) / (mostFromMm - WIDE_BAND_MM));
  return leastMm + (mostMm - leastMm) * share;
}
