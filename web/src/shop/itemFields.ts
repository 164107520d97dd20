import type { ShopFields, ShopKind } from '@zero-pour/contracts';
import { RESIN_FAMILIES } from '@zero-pour/contracts';
import { CAST_CLASSES, type Unit } from '@zero-pour/core';

/** How one field of a thing of the shop is typed. */
export type ItemField<K extends ShopKind> = {
  field: keyof ShopFields<K> & string;
  label: string;
  hint?: string;
} & (
  | { type: 'text'; long?: boolean }
  | { type: 'number'; unit: Unit; digits?: number; min?: number; max?: number; whole?: boolean }
  | { type: 'choice'; options: readonly string[] }
  | { type: 'yes' }
);

type Fields = { [K in ShopKind]: readonly ItemField<K>[] };

const NAME = { field: 'name', label: 'Name', type: 'text' } as const;
const NOTE = { field: 'note', label: 'Note', type: 'text', long: true } as const;
const PRICE_KG = { field: 'pricePerKg', label: 'Price a kilogram', type: 'number', unit: 'money' } as const;

/** Fields of each kind, in the order of the form. Lists inside an item (protocol, segments) have their own editors. */
export const ITEM_FIELDS: Fields = {
  resin: [
    NAME,
    { field: 'family', label: 'Family', type: 'choice', options: RESIN_FAMILIES },
    { field: 'forBurnout', label: 'Can be burnt out', type: 'yes' },
    { field: 'fastAllowed', label: 'May go into a hot kiln', type: 'yes' },
    { field: 'densityGPerMl', label: 'Density', type: 'number', unit: 'gPerCm3', min: 0.5, max: 5 },
    {
      field: 'curePercent',
      label: 'Size change on cure',
      type: 'number',
      unit: 'percent',
      min: -10,
      max: 10,
      hint: 'minus shrinks',
    },
    {
      field: 'supportsPercent',
      label: 'Supports, of the part',
      type: 'number',
      unit: 'percent',
      digits: 0,
      max: 500,
    },
    {
      field: 'finestMm',
      label: 'Finest feature it holds',
      type: 'number',
      unit: 'mm',
      digits: 2,
      min: 0.05,
      max: 5,
    },
    {
      field: 'thickestMm',
      label: 'Thickest it burns out',
      type: 'number',
      unit: 'mm',
      digits: 1,
      min: 0.5,
      max: 100,
    },
    { field: 'printFromC', label: 'Prints from', type: 'number', unit: 'degC', max: 60 },
    { field: 'cleanOutH', label: 'Core above 650 °C', type: 'number', unit: 'h', max: 48 },
    {
      field: 'rampMaxCPerH',
      label: 'Steepest climb, 150 to 400 °C',
      type: 'number',
      unit: 'degCPerH',
      min: 1,
      max: 2000,
    },
    { field: 'bottleG', label: 'Bottle', type: 'number', unit: 'g', min: 1 },
    PRICE_KG,
    { field: 'colour', label: 'Colour', type: 'text' },
    { field: 'skin', label: 'A finished skin looks', type: 'text' },
    NOTE,
  ],
  printer: [
    NAME,
    { field: 'light', label: 'Light', type: 'choice', options: ['screen', 'projector'] },
    { field: 'wavelengthNm', label: 'Wavelength, nm', type: 'number', unit: 'count', min: 300, max: 500 },
    { field: 'pixelUm', label: 'Pixel, µm', type: 'number', unit: 'count', digits: 1, min: 1, max: 500 },
    { field: 'plateXMm', label: 'Plate, long side', type: 'number', unit: 'mm', min: 10, max: 2000 },
    { field: 'plateYMm', label: 'Plate, short side', type: 'number', unit: 'mm', min: 10, max: 2000 },
    { field: 'plateZMm', label: 'Tallest print', type: 'number', unit: 'mm', min: 10, max: 2000 },
    { field: 'motionS', label: 'Motion, each layer', type: 'number', unit: 's', max: 120 },
    { field: 'heatedVat', label: 'Heated vat', type: 'yes' },
    { field: 'costPerH', label: 'Cost an hour', type: 'number', unit: 'money' },
    NOTE,
  ],
  profile: [
    NAME,
    { field: 'castClass', label: 'Class', type: 'choice', options: CAST_CLASSES },
    { field: 'layerMm', label: 'Layer height', type: 'number', unit: 'mm', digits: 3, min: 0.005, max: 0.5 },
    { field: 'exposureS', label: 'Exposure', type: 'number', unit: 's', digits: 2, min: 0.1, max: 600 },
    { field: 'baseExposureS', label: 'Base exposure', type: 'number', unit: 's', min: 0.1, max: 1200 },
    { field: 'baseLayers', label: 'Base layers', type: 'number', unit: 'count', max: 200, whole: true },
    {
      field: 'transitionLayers',
      label: 'Transition layers',
      type: 'number',
      unit: 'count',
      max: 200,
      whole: true,
    },
    { field: 'raftMl', label: 'Raft', type: 'number', unit: 'ml', digits: 1, max: 200 },
    { field: 'tested', label: 'Tested here', type: 'yes' },
    { field: 'provenance', label: 'Where the figures come from', type: 'text' },
  ],
  powder: [
    NAME,
    { field: 'grade', label: 'Grade', type: 'choice', options: ['standard', 'resin'] },
    { field: 'ratioLeast', label: 'Water ÷ powder, least', type: 'number', unit: 'ratio', min: 0.2, max: 1 },
    { field: 'ratioUsual', label: 'Water ÷ powder, usual', type: 'number', unit: 'ratio', min: 0.2, max: 1 },
    { field: 'ratioMost', label: 'Water ÷ powder, most', type: 'number', unit: 'ratio', min: 0.2, max: 1 },
    {
      field: 'workingMinAt22C',
      label: 'Working time at 22 °C',
      type: 'number',
      unit: 'min',
      digits: 1,
      min: 1,
      max: 60,
    },
    { field: 'setH', label: 'Set, undisturbed', type: 'number', unit: 'h', min: 0.25, max: 72 },
    { field: 'ceilingC', label: 'Ceiling', type: 'number', unit: 'degC', min: 500, max: 1300 },
    PRICE_KG,
    NOTE,
  ],
  flask: [
    NAME,
    { field: 'innerDiameterMm', label: 'Inner diameter', type: 'number', unit: 'mm', min: 15, max: 400 },
    { field: 'heightMm', label: 'Height', type: 'number', unit: 'mm', min: 15, max: 600 },
    {
      field: 'coneDiameterMm',
      label: 'Sprue base cone, diameter',
      type: 'number',
      unit: 'mm',
      min: 3,
      max: 400,
    },
    { field: 'coneHeightMm', label: 'Sprue base cone, height', type: 'number', unit: 'mm', min: 1, max: 200 },
    { field: 'perforated', label: 'Perforated', type: 'yes' },
    NOTE,
  ],
  kiln: [
    NAME,
    { field: 'litres', label: 'Litres inside', type: 'number', unit: 'count', digits: 1, min: 0.1 },
    { field: 'maxC', label: 'Hottest', type: 'number', unit: 'degC', min: 300, max: 1300 },
    { field: 'maxRampCPerH', label: 'Fastest climb', type: 'number', unit: 'degCPerH', min: 10, max: 5000 },
    {
      field: 'coolTauH',
      label: 'Cooling time constant',
      type: 'number',
      unit: 'h',
      min: 0.2,
      max: 100,
      hint: 'hours to lose two thirds of its heat, shut',
    },
    { field: 'costPerH', label: 'Cost an hour', type: 'number', unit: 'money' },
    NOTE,
  ],
  alloy: [
    NAME,
    { field: 'densityGPerCm3', label: 'Density', type: 'number', unit: 'gPerCm3', min: 1, max: 25 },
    { field: 'liquidusC', label: 'Liquidus', type: 'number', unit: 'degC', min: 30, max: 1300 },
    { field: 'solidusC', label: 'Solidus', type: 'number', unit: 'degC', min: 30, max: 1300 },
    {
      field: 'shrinkPercent',
      label: 'Size change, freezing to room',
      type: 'number',
      unit: 'percent',
      min: -10,
      max: 10,
      hint: 'minus shrinks',
    },
    { field: 'lossPercent', label: 'Melt loss', type: 'number', unit: 'percent', digits: 1, max: 50 },
    { field: 'divest', label: 'Opened by', type: 'choice', options: ['quench', 'break out'] },
    { field: 'pricePerG', label: 'Price a gram', type: 'number', unit: 'money' },
    { field: 'caution', label: 'Caution', type: 'text' },
    NOTE,
  ],
  programme: [
    NAME,
    { field: 'suits', label: 'For', type: 'text' },
    { field: 'flaskMaxMm', label: 'Largest flask', type: 'number', unit: 'mm', digits: 0, min: 20, max: 400 },
    NOTE,
  ],
};
