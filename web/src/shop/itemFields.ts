import type { ShopKind } from '@zero-pour/contracts';
import { fieldsOf, NAME, NOTE, number, type ItemField } from './itemField';
import { PRINTER_FIELDS, PROFILE_FIELDS, RESIN_FIELDS } from './printFields';

type Fields = { [K in ShopKind]: readonly ItemField<K>[] };

/** Fields of each kind, in the order of the form. Lists inside an item (protocol, segments) have their own editors. */
export const ITEM_FIELDS: Fields = {
  resin: RESIN_FIELDS,
  printer: PRINTER_FIELDS,
  profile: PROFILE_FIELDS,
  powder: fieldsOf('powder', [
    NAME,
    { field: 'grade', label: 'Grade', type: 'choice', options: ['standard', 'resin'] },
    number('ratioLeast'),
    number('ratioUsual'),
    number('ratioMost'),
    number('workingMinAt22C'),
    number('otherWaterC'),
    number('workingMinAtOther'),
    number('setH'),
    number('ceilingC'),
    number('strengthKpa'),
    number('settingPercent'),
    number('thermalPercent'),
    number('pricePerKg'),
    NOTE,
  ]),
  flask: fieldsOf('flask', [
    NAME,
    number('innerDiameterMm'),
    number('heightMm'),
    number('coneDiameterMm'),
    number('coneHeightMm'),
    { field: 'perforated', label: 'Perforated', type: 'yes' },
    NOTE,
  ]),
  kiln: fieldsOf('kiln', [
    NAME,
    number('litres'),
    number('maxC'),
    number('maxRampCPerH'),
    number('coolTauH'),
    number('openTauH'),
    number('powerKw'),
    number('flasksMost'),
    number('floorWideMm'),
    number('floorDeepMm'),
    number('costPerH'),
    NOTE,
  ]),
  alloy: fieldsOf('alloy', [
    NAME,
    number('densityGPerCm3'),
    number('liquidusC'),
    number('solidusC'),
    number('shrinkPercent'),
    number('lossPercent'),
    number('latentJPerG'),
    number('heatJPerGK'),
    number('surfaceNPerM'),
    number('newPercent'),
    { field: 'divest', label: 'Opened by', type: 'choice', options: ['quench', 'break out'] },
    number('pricePerG'),
    { field: 'caution', label: 'Caution', type: 'text' },
    NOTE,
  ]),
  programme: fieldsOf('programme', [
    NAME,
    { field: 'suits', label: 'For', type: 'text' },
    number('flaskMaxMm'),
    NOTE,
  ]),
};
