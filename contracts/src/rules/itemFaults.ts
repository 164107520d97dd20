import { RECORD_SCHEMAS, type RecordKind, type RecordLists } from '../record/kinds';
import { settingsSchema, type Settings } from '../settings';
import {
  SHOP_SCHEMAS,
  type Alloy,
  type Flask,
  type Printer,
  type Resin,
  type ShopItem,
  type ShopKind,
} from '../shop/kinds';
import { unless, type Fault } from './fault';
import { quantityFaults } from './quantityFaults';

/** Shares of an alloy, rounded as a sheet rounds them, add up to 1 within this. */
const COMPOSITION_SLACK = 0.005;

function alloyFaults(alloy: Alloy): Fault[] {
  const sum = Object.values(alloy.composition).reduce((total, share) => total + share, 0);
  const ranges = (['flask', 'metal'] as const).flatMap((of) =>
    Object.entries(alloy[of]).flatMap(([castClass, { lowC, highC }]) =>
      unless(lowC <= highC, [of, castClass, 'lowC'], 'the lower temperature is above the upper'),
    ),
  );
  return [
    ...unless(
      alloy.solidusC <= alloy.liquidusC,
      ['solidusC'],
      'it would be solid above where it is all liquid',
    ),
    ...unless(
      sum === 0 || Math.abs(sum - 1) <= COMPOSITION_SLACK,
      ['composition'],
      `the shares add up to ${Math.round(sum * 1000) / 10} %, not to 100 %`,
    ),
    ...unless(
      alloy.quenchWaitMin.least <= alloy.quenchWaitMin.most,
      ['quenchWaitMin', 'least'],
      'the least wait is above the most',
    ),
    ...ranges,
  ];
}

const flaskFaults = (flask: Flask): Fault[] => [
  ...unless(
    flask.coneDiameterMm < flask.innerDiameterMm,
    ['coneDiameterMm'],
    'the cone is as wide as the flask, or wider',
  ),
  ...unless(
    flask.coneHeightMm < flask.heightMm,
    ['coneHeightMm'],
    'the cone is as high as the flask, or higher',
  ),
];

const printerFaults = (printer: Printer): Fault[] =>
  unless(
    printer.exposureLeastS < printer.exposureMostS,
    ['exposureLeastS'],
    'the shortest exposure is not below the longest',
  );

function resinFaults(resin: Resin): Fault[] {
  const { solidBelowC, printFromC, printToC, blendOf, id, protocol } = resin;
  return [
    ...unless(printFromC <= printToC, ['printFromC'], 'the lower printing temperature is above the upper'),
    ...unless(
      solidBelowC === null || solidBelowC <= printFromC,
      ['solidBelowC'],
      'it would be set where it prints',
    ),
    ...unless(
      blendOf.every((share) => share.resinId !== id),
      ['blendOf'],
      'nothing can be mixed of itself',
    ),
    ...protocol.flatMap((step, i) =>
      unless(
        step.minMinutes <= step.maxMinutes,
        ['protocol', i + 1, 'minMinutes'],
        'the least is above the most',
      ),
    ),
  ];
}

/** What an item of the shop says that cannot be: of a number, or between its fields. */
export const itemFaults = <K extends ShopKind>(kind: K, item: ShopItem<K>): Fault[] => [
  ...quantityFaults(SHOP_SCHEMAS[kind], item),
  ...betweenFields(kind, item),
];

function betweenFields<K extends ShopKind>(kind: K, item: ShopItem<K>): Fault[] {
  switch (kind as ShopKind) {
    case 'alloy':
      return alloyFaults(item as Alloy);
    case 'flask':
      return flaskFaults(item as Flask);
    case 'printer':
      return printerFaults(item as Printer);
    case 'resin':
      return resinFaults(item as Resin);
    case 'powder':
    case 'kiln':
    case 'profile':
    case 'programme':
      return [];
  }
}

export function recordFaults<K extends RecordKind>(kind: K, record: RecordLists[K][number]): Fault[] {
  return quantityFaults(RECORD_SCHEMAS[kind], record);
}

export const settingsFaults = (settings: Settings): Fault[] => quantityFaults(settingsSchema, settings);
