import { quantity, say, type Phrase } from '../numeric';

/** A bath hotter than this spoils resin and bursts closed bottles, °C (handbook 02). */
export const BATH_MAX_C = 40;

/** What the checklist is filled from. `null`: nobody noted it. */
export interface BeforePrint {
  resin: {
    name: string;
    solidBelowC: number | null;
    printFromC: number;
    printToC: number;
    shakeMin: number;
    filter: boolean;
    primingCoats: number;
  };
  printer: { name: string; heatedVat: boolean; needsLevelling: boolean };
  roomC: number | null;
}

export const BEFORE_KEYS = [
  'warm',
  'shake',
  'filter',
  'vat',
  'level',
  'prime',
  'enclosure',
  'light',
  'note',
] as const;
export type BeforeKey = (typeof BEFORE_KEYS)[number];

/** One thing to do before a print, or the reason why it is not needed today. */
export interface BeforeStep {
  key: BeforeKey;
  needed: boolean;
  lead: string;
  how: Phrase;
}

const warm = ({ resin, printer, roomC }: BeforePrint): BeforeStep => {
  const range = say`${quantity(resin.printFromC, 'degC', 0)} to ${quantity(resin.printToC, 'degC', 0)}`;
  const bath = say`, bath not above ${quantity(BATH_MAX_C, 'degC', 0)}, cap loosened.`;
  if (roomC !== null && roomC >= resin.printFromC) {
    return {
      key: 'warm',
      needed: false,
      lead: 'No warming.',
      how: [...say`The room is at ${quantity(roomC, 'degC', 0)}; it prints from `, ...range, '.'],
    };
  }
  const vat = printer.heatedVat
    ? say` The heated vat keeps it there.`
    : say` Without a heated vat it cools as it prints.`;
  return {
    key: 'warm',
    needed: true,
    lead: 'Warm the bottle.',
    how: [...say`To `, ...range, ...bath, ...vat],
  };
};

const enclosure = ({ resin, roomC }: BeforePrint): BeforeStep => {
  const key = 'enclosure';
  if (resin.solidBelowC === null)
    return { key, needed: false, lead: 'No heated enclosure.', how: say`It stays liquid in the cold.` };
  const solid = quantity(resin.solidBelowC, 'degC', 0);
  if (roomC === null)
    return {
      key,
      needed: true,
      lead: 'Measure the room.',
      how: say`Below ${solid} it sets: heat the enclosure then.`,
    };
  return roomC < resin.solidBelowC
    ? {
        key,
        needed: true,
        lead: 'Heat the enclosure.',
        how: say`The room is at ${quantity(roomC, 'degC', 0)}; below ${solid} the resin sets in the vat.`,
      }
    : {
        key,
        needed: false,
        lead: 'No heated enclosure.',
        how: say`The room is at ${quantity(roomC, 'degC', 0)}; it sets below ${solid}.`,
      };
};

/** The checklist before a print, from the resin's and printer's records and the room (handbook 02). */
export function beforePrint(given: BeforePrint): BeforeStep[] {
  const { resin, printer } = given;
  return [
    warm(given),
    resin.shakeMin > 0
      ? {
          key: 'shake',
          needed: true,
          lead: 'Shake.',
          how: say`${quantity(resin.shakeMin, 'min', 0)}, then let the bubbles rise.`,
        }
      : { key: 'shake', needed: false, lead: 'No shaking.', how: say`${resin.name} does not settle.` },
    resin.filter
      ? {
          key: 'filter',
          needed: true,
          lead: 'Filter.',
          how: say`Pour it through a fine filter: cured flakes print as holes.`,
        }
      : { key: 'filter', needed: false, lead: 'No filtering.', how: say`Unless something floats in it.` },
    {
      key: 'vat',
      needed: true,
      lead: 'Wipe the vat, look at the film.',
      how: say`No cloud, crease, dent or cured spot; change it if there is.`,
    },
    printer.needsLevelling
      ? { key: 'level', needed: true, lead: 'Level the plate.', how: say`${printer.name} needs it.` }
      : { key: 'level', needed: false, lead: 'No levelling.', how: say`${printer.name} keeps its level.` },
    resin.primingCoats > 0
      ? {
          key: 'prime',
          needed: true,
          lead: 'Prime the plate.',
          how: say`${resin.primingCoats} thin brushed ${resin.primingCoats === 1 ? 'coat' : 'coats'}: let level, cure.`,
        }
      : { key: 'prime', needed: false, lead: 'No priming.', how: say`${resin.name} holds without.` },
    enclosure(given),
    {
      key: 'light',
      needed: true,
      lead: 'Keep daylight and lamps off the vat.',
      how: say`Stray UV cures resin.`,
    },
    {
      key: 'note',
      needed: true,
      lead: 'Note room temperature and humidity.',
      how: say`They explain odd prints later.`,
    },
  ];
}
