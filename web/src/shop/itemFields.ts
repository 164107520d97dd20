import type { ShopKind } from '@zero-pour/contracts';
import { NAME, NOTE, PRICE_KG, type ItemField } from './itemField';
import { PRINTER_FIELDS, PROFILE_FIELDS, RESIN_FIELDS } from './printFields';

type Fields = { [K in ShopKind]: readonly ItemField<K>[] };

/** Fields of each kind, in the order of the form. Lists inside an item (protocol, segments) have their own editors. */
export const ITEM_FIELDS: Fields = {
  resin: RESIN_FIELDS,
  printer: PRINTER_FIELDS,
  profile: PROFILE_FIELDS,
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
