import {
  alloysFromBook,
  programmesFromBook,
  RESIN_FAMILIES,
  usualPrinter,
  usualResin,
  type ShopFields,
  type ShopItem,
  type ShopKind,
} from '@zero-pour/contracts';
import { GYPSUM_CEILING_C } from '@zero-pour/core';

/** A starting point for a new thing: from the book where the book has one, else a usual one to overwrite. */
export type Template<K extends ShopKind> = ShopFields<K>;

/** A flask by its inner size, with a cone in proportion. */
export const flaskOf = (innerDiameterMm: number, heightMm: number): Template<'flask'> => ({
  name: `${innerDiameterMm} × ${heightMm}`,
  innerDiameterMm,
  heightMm,
  coneDiameterMm: Math.round(innerDiameterMm * 0.33),
  coneHeightMm: Math.round(innerDiameterMm * 0.16),
  perforated: false,
  note: '',
});

const powder = (name: string, grade: 'standard' | 'resin'): Template<'powder'> => ({
  name,
  grade,
  ratioLeast: 0.38,
  ratioUsual: 0.4,
  ratioMost: 0.42,
  workingMinAt22C: 9.5,
  setH: grade === 'resin' ? 2.5 : 2,
  ceilingC: GYPSUM_CEILING_C,
  pricePerKg: 0,
  note: '',
});

type Templates = { [K in Exclude<ShopKind, 'profile'>]: readonly Template<K>[] };

export const TEMPLATES: Templates = {
  resin: RESIN_FAMILIES.map(usualResin),
  printer: [usualPrinter()],
  powder: [powder('New resin-grade powder', 'resin'), powder('New standard powder', 'standard')],
  flask: [flaskOf(51, 64), flaskOf(64, 76), flaskOf(76, 102), flaskOf(89, 127), flaskOf(100, 150)],
  kiln: [{ name: 'New kiln', litres: 7, maxC: 1000, maxRampCPerH: 400, coolTauH: 4, costPerH: 0, note: '' }],
  alloy: alloysFromBook(),
  programme: programmesFromBook(),
};

/** A new item from a template, its name numbered when it is taken. */
export function itemFrom<K extends ShopKind>(
  template: Template<K>,
  existing: readonly { name: string }[],
): ShopItem<K> {
  const taken = new Set(existing.map((item) => item.name));
  let { name } = template;
  for (let n = 2; taken.has(name); n++) name = `${template.name} ${n}`;
  return { ...template, name, id: crypto.randomUUID() } as ShopItem<K>;
}
