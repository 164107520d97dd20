import { BASE_RESULTS, TUNED_CLASSES } from '../exposure';
import type { Unit } from '../numeric';
import { SIZE_STAGES } from '../scale';

/** Tables of old notes that are no pours: coupons that were printed, sizes that were measured, figures off resin sheets. */
export const SHEET_KINDS = ['coupons', 'sizes', 'resin sheets'] as const;
export type SheetKind = (typeof SHEET_KINDS)[number];

/** How a cell is read. `least` and `most` are in the unit; outside of them it is a slip of the pen. */
export type SheetReads =
  | { as: 'text' }
  | { as: 'day' }
  /** "13 of 16". */
  | { as: 'of' }
  | { as: 'number' | 'numbers'; unit: Unit; least: number; most: number; whole?: true }
  | { as: 'choice'; of: readonly (readonly [said: RegExp, value: string])[] };

export interface SheetField {
  label: string;
  /** Headings that name it. */
  heading: RegExp;
  reads: SheetReads;
  /** A row without it is not taken in, and says so. */
  needed?: true;
}
export type SheetFields = Readonly<Record<string, SheetField>>;

const text = (label: string, heading: RegExp, needed?: true): SheetField => ({
  label,
  heading,
  reads: { as: 'text' },
  ...(needed ? { needed } : {}),
});
const number = (
  label: string,
  heading: RegExp,
  unit: Unit,
  [least, most]: readonly [number, number],
  more: { needed?: true; whole?: true } = {},
): SheetField => ({
  label,
  heading,
  reads: { as: 'number', unit, least, most, ...(more.whole ? { whole: true as const } : {}) },
  ...(more.needed ? { needed: true as const } : {}),
});
/** Words for a list: each by itself, and what people write for it. */
const oneOf = (
  label: string,
  heading: RegExp,
  values: readonly string[],
  said: readonly (readonly [RegExp, string])[] = [],
  needed?: true,
): SheetField => ({
  label,
  heading,
  reads: { as: 'choice', of: [...values.map((value) => [new RegExp(`^${value}$`, 'i'), value] as const), ...said] }, // prettier-ignore
  ...(needed ? { needed } : {}),
});

const RESIN = text('resin', /resin|material/, true);
const DAY: SheetField = { label: 'day', heading: /date|^day$|when|printed on/, reads: { as: 'day' } }; // prettier-ignore
const NOTE = text('a note', /note|remark|comment|memo/);
const LAYER = number('layer height', /layer(?!s)|height of (?:a )?layer/, 'mm', [0.005, 1], { needed: true });
const BASE_S = number('base seconds', /(?:base|bottom|burn.?in).*(?:s\b|sec|exp|time)/, 's', [0.1, 1200]);
const BASE_N = number('base layers', /(?:base|bottom|burn.?in).*(?:layer|count|n\b|no)/, 'count', [0, 200], { whole: true }); // prettier-ignore
const EXPOSURE = number('seconds a layer', /exp|^s$|sec|cure time|^time/, 's', [0.1, 600], { needed: true });
const VAT = number('vat', /vat|resin temp|temp/, 'degC', [0, 90]);
const PRINTER = (needed?: true): SheetField => text('printer', /printer|machine/, needed);

/** Tried in this order: what is narrower stands before what is wider ("base layers" before "layer"). */
export const SHEET_FIELDS: Readonly<Record<SheetKind, SheetFields>> = {
  coupons: {
    day: DAY,
    resin: RESIN,
    printer: PRINTER(true),
    baseS: { ...BASE_S, needed: true },
    baseLayers: { ...BASE_N, needed: true },
    base: oneOf('base', /^base$|base result|stuck|plate/, BASE_RESULTS, [
      [/fell|lost|off/i, 'fell off'],
      [/hard|stuck fast/i, 'held, hard to free'],
      [/curl|lift|warp/i, 'curled'],
      [/held|ok|good|fine/i, 'held'],
    ]),
    layer: LAYER,
    exposure: EXPOSURE,
    castClass: oneOf('class', /class|kind/, TUNED_CLASSES, [], true),
    feature: number('width of struts and slots', /feature|width|strut mm|size/, 'mm', [0.08, 2], { needed: true }), // prettier-ignore
    struts: { label: 'struts that stood', heading: /strut|pin|stood/, reads: { as: 'of' }, needed: true },
    slots: { label: 'slots that are open', heading: /slot|gap|hole|open/, reads: { as: 'of' }, needed: true },
    vat: VAT,
    note: NOTE,
  },
  sizes: {
    day: DAY,
    resin: RESIN,
    printer: PRINTER(),
    metal: text('metal', /metal|alloy/),
    stage: oneOf('measured on', /stage|on what|measured (?:on|as)|state/, SIZE_STAGES, [[/print|green/i, 'printed'], [/cast|metal|raw/i, 'cast'], [/cure/i, 'cured'], [/finish|polish/i, 'finished']], true),
    axis: oneOf('how it lies', /axis|lies|direction|way/, ['XY', 'Z', 'bore'], [[/bore|hole|ring|inside|id\b/i, 'bore'], [/^z|up|height|tall/i, 'Z'], [/x|y|across|width|length|diam/i, 'XY']], true),
    drawn: number('in the printed file', /drawn|file|nominal|design|cad|target|should/, 'mm', [0.05, 400], { needed: true }),
    measured: { label: 'measured', heading: /measur|caliper|actual|came|reading|is\b/, reads: { as: 'numbers', unit: 'mm', least: 0.05, most: 400 }, needed: true },
    lot: text('bottle or lot', /lot|bottle|batch/),
    note: NOTE,
  },
  'resin sheets': {
    resin: RESIN,
    from: oneOf('whose figure', /from|source|who|whose/, ['maker', 'another user'], [[/sheet|maker|manufact|label|bottle/i, 'maker'], [/user|forum|friend|other/i, 'another user']]),
    printer: PRINTER(),
    light: number('wavelength', /nm|wave|light/, 'count', [300, 500]),
    baseS: BASE_S,
    baseLayers: BASE_N,
    layer: LAYER,
    exposure: EXPOSURE,
    vat: VAT,
  },
}; // prettier-ignore
