import { changedFields, numberField, schemaAt, SHOP_SCHEMAS, type ShopKind } from '@zero-pour/contracts';
import { formatQuantity, type UnitChoice } from '@zero-pour/core';
import { ITEM_FIELDS } from './itemFields';

/** Fields that have their own editors. */
const OTHER_LABELS: Readonly<Record<string, string>> = {
  protocol: 'Cleaning',
  protocolName: 'Name of the protocol',
  protocolVersion: 'Version of the protocol',
  bottles: 'Bottles',
  vats: 'Vats',
  reported: 'Reported figures',
  blendOf: 'Mixed from',
  attachments: 'Attachments',
  events: 'What was done to it',
  measured: 'What its log showed',
  segments: 'Segment',
  makerProgramme: 'Maker’s programme',
  openedAt: 'Bag opened',
  deviceUrl: 'Address of its device',
  retired: 'Retired',
  flaskWay: 'Flask',
};
type Fields = Record<string, unknown>;

const numberAt = (kind: ShopKind, path: readonly string[]) => {
  const schema = schemaAt(SHOP_SCHEMAS[kind], path);
  return schema && numberField(schema);
};
/** "exposureS" → "Exposure s": a field that no form calls anything. */
const plainName = (field: string): string => {
  const words = field.replace(/[A-Z]/g, (letter) => ` ${letter.toLowerCase()}`);
  return words[0]!.toUpperCase() + words.slice(1);
};
function labelOf(kind: ShopKind, path: readonly string[]): string {
  const field = path.at(-1)!;
  const typed = path.length === 1 && ITEM_FIELDS[kind].find((one) => one.field === field);
  return (typed && typed.label) || OTHER_LABELS[field] || numberAt(kind, path)?.label || plainName(field);
}

const isNothing = (value: unknown): boolean => value === undefined || value === null || value === '';
function shown(kind: ShopKind, path: readonly string[], value: unknown, choice: UnitChoice): string {
  if (isNothing(value)) return 'nothing';
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (typeof value === 'object') return 'its list';
  const field = typeof value === 'number' ? numberAt(kind, path) : undefined;
  if (!field) return String(value);
  const { unit, digits } = field;
  return formatQuantity({ value: value as number, unit, ...(digits === undefined ? {} : { digits }) }, choice); // prettier-ignore
}

const isList = (value: unknown): value is Fields[] =>
  Array.isArray(value) && value.every((one) => typeof one === 'object' && one !== null);
/** Entries go by their key where they have one, else by their place. */
const keyed = (list: readonly Fields[]): Map<string, Fields> =>
  new Map(list.map((entry, i) => [String(entry['key'] ?? i), entry]));

/** How two lists differ, entry by entry. */
function listWords(kind: ShopKind, path: readonly string[], before: Fields[], after: Fields[], choice: UnitChoice): string[] {
  const [from, to] = [keyed(before), keyed(after)];
  const label = labelOf(kind, path);
  const nameOf = (entry: Fields, key: string): string => `${label} “${String(entry['name'] ?? key)}”`;
  const gone = [...from].filter(([key]) => !to.has(key)).map(([key, entry]) => `${nameOf(entry, key)} left out`);
  const others = [...to].flatMap(([key, entry]) => {
    const was = from.get(key);
    if (!was) return [`${nameOf(entry, key)} added`];
    return fieldWords(kind, [...path, '0'], was, entry, choice).map((words) => `${nameOf(entry, key)}: ${words}`);
  });
  const order = gone.length === 0 && others.length === 0 && [...from.keys()].join() !== [...to.keys()].join();
  return order ? [`${label}: another order`] : [...gone, ...others];
} // prettier-ignore

function fieldWords(kind: ShopKind, below: readonly string[], before: Fields, after: Fields, choice: UnitChoice): string[] {
  return changedFields(before, after).flatMap((field) => {
    const path = [...below, field];
    const [a, b] = [before[field], after[field]];
    if (isNothing(a) && isNothing(b)) return [];
    if (isList(a ?? []) && isList(b ?? []) && Array.isArray(a ?? b))
      return listWords(kind, path, (a ?? []) as Fields[], (b ?? []) as Fields[], choice);
    return [`${labelOf(kind, path)}: ${shown(kind, path, a, choice)} → ${shown(kind, path, b, choice)}`];
  });
} // prettier-ignore

/** How two states of a thing, or two things, differ: fields by what their forms call them, entries of lists by their names. */
export const changeWords = (kind: ShopKind, before: Fields, after: Fields, choice: UnitChoice): string[] =>
  fieldWords(kind, [], before, after, choice);
