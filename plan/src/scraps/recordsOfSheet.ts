import type { Alloy, Printer, Resin, SizeSeries, Trial } from '@zero-pour/contracts';
import {
  findLike,
  middleDay,
  usualCoupon,
  type BaseResult,
  type DayRange,
  type SheetKind,
  type SheetRow,
  type SizeStage,
  type TunedClass,
} from '@zero-pour/core';

export type ReportedFigure = Resin['reported'][number];
/** What a sheet comes to: records, and figures that go to resins. */
export interface SheetTaken {
  trials: Trial[];
  series: SizeSeries[];
  figures: { resinId: string; figure: ReportedFigure }[];
  /** Of each row, in their order: what it still lacks; empty where it is taken. */
  lacks: string[][];
}
export interface SheetChoices {
  resins: readonly Resin[];
  printers: readonly Printer[];
  alloys: readonly Alloy[];
  /** A moment of a day, by the shop's clock. */
  noonOf: (day: string) => string;
  newId: () => string;
}

/** A row's things of the shop; one that it names and that is not there is lacking, never guessed to be another. */
function thingsOf({ values }: SheetRow, { resins, printers, alloys }: SheetChoices) {
  const lacks: string[] = [];
  const find = <T extends { id: string; name: string }>(field: string, kind: string, list: readonly T[]): T | undefined => {
    const said = values[field];
    if (typeof said !== 'string') return undefined;
    const found = findLike(said, list)?.thing;
    if (!found) lacks.push(`a ${kind} of the shop that is “${said}”`);
    return found;
  }; // prettier-ignore
  return {
    resin: find('resin', 'resin', resins),
    printer: find('printer', 'printer', printers),
    alloy: find('metal', 'metal', alloys),
    lacks,
  };
}
type Things = ReturnType<typeof thingsOf>;
const orNull = (value: unknown): number | null => (typeof value === 'number' ? value : null);
const reading = (value: unknown): Trial['vatC'] =>
  typeof value === 'number' ? { state: 'measured', value } : { state: 'not measured' };
const noteOf = ({ values, unread }: SheetRow): string =>
  [values['note'], ...unread.map(({ heading, text }) => `${heading}: ${text}`)].filter(Boolean).join('; ').slice(0, 2000); // prettier-ignore

function trialOf(row: SheetRow, { resin, printer }: Things, { noonOf, newId }: SheetChoices): Trial {
  const { values } = row;
  const [struts, slots] = [values['struts'], values['slots']] as { good: number; of: number }[];
  const castClass = values['castClass'] as TunedClass;
  return {
    id: newId(),
    resinId: resin!.id,
    printerId: printer!.id,
    printedAt: noonOf(middleDay(values['day'] as DayRange)),
    layerMm: values['layer'] as number,
    exposureS: values['exposure'] as number,
    baseExposureS: values['baseS'] as number,
    baseLayers: values['baseLayers'] as number,
    vatC: reading(values['vat']),
    roomC: { state: 'not measured' },
    raftMm: null,
    primingCoats: null,
    coupon: {
      ...usualCoupon(''),
      extras: [],
      classes: [{ castClass, featureMm: values['feature'] as number, struts: struts!.of, slots: slots!.of }],
    },
    counts: { [castClass]: { struts: { good: struts!.good }, slots: { good: slots!.good } } },
    base: (values['base'] as BaseResult | undefined) ?? null,
    flaws: [],
    widths: [],
    photos: [],
    note: noteOf(row),
  };
}

/** Sizes of one day, resin, printer, metal, stage and lot are one series. */
function addSize(series: Map<string, SizeSeries>, row: SheetRow, things: Things, choices: SheetChoices): void {
  const { values } = row;
  const day = choices.noonOf(middleDay(values['day'] as DayRange));
  const lot = String(values['lot'] ?? '').slice(0, 60);
  const key = [things.resin!.id, things.printer?.id, things.alloy?.id, values['stage'], day, lot].join(' ');
  const one = series.get(key) ?? {
    id: choices.newId(),
    resinId: things.resin!.id,
    printerId: things.printer?.id ?? null,
    profileId: null,
    alloyId: things.alloy?.id ?? null,
    powderId: null,
    route: 'burn out the print' as const,
    moldMaterial: null,
    flaskC: null,
    stage: values['stage'] as SizeStage,
    measuredAt: day,
    lot,
    pairs: [],
    note: '',
  };
  const note = [one.note, noteOf(row)].filter(Boolean).join('; ').slice(0, 2000);
  series.set(key, {
    ...one,
    note,
    pairs: [
      ...one.pairs,
      { key: `p${one.pairs.length + 1}`, axis: values['axis'] as 'XY', printMm: values['drawn'] as number, readingsMm: values['measured'] as number[], leftOut: false },
    ],
  });
} // prettier-ignore

/** The light that a figure is for: its own number, or its printer's. */
function figureOf({ values }: SheetRow, { printer }: Things, newId: () => string): ReportedFigure | string {
  const light = values['light'] ?? printer?.wavelengthNm;
  if (typeof light !== 'number') return 'a printer, or a wavelength';
  return {
    key: newId().slice(0, 8),
    from: (values['from'] as ReportedFigure['from'] | undefined) ?? 'maker',
    printerId: printer?.id ?? null,
    wavelengthNm: light,
    irradianceMwPerCm2: null,
    layerMm: values['layer'] as number,
    exposureS: values['exposure'] as number,
    baseExposureS: orNull(values['baseS']),
    baseLayers: orNull(values['baseLayers']),
    vatC: orNull(values['vat']),
  };
}

/** What rows of old notes become. A row that lacks something becomes nothing, and says what. */
export function recordsOfSheet(
  kind: SheetKind,
  rows: readonly SheetRow[],
  choices: SheetChoices,
): SheetTaken {
  const taken: SheetTaken = { trials: [], series: [], figures: [], lacks: [] };
  const series = new Map<string, SizeSeries>();
  for (const row of rows) {
    const things = thingsOf(row, choices);
    const lacks = [...row.lacks, ...things.lacks];
    if (kind !== 'resin sheets' && row.values['day'] === undefined) lacks.push('a day');
    if (lacks.length === 0) {
      if (kind === 'coupons') taken.trials.push(trialOf(row, things, choices));
      else if (kind === 'sizes') addSize(series, row, things, choices);
      else {
        const figure = figureOf(row, things, choices.newId);
        if (typeof figure === 'string') lacks.push(figure);
        else taken.figures.push({ resinId: things.resin!.id, figure });
      }
    }
    taken.lacks.push(lacks);
  }
  taken.series.push(...series.values());
  return taken;
}
