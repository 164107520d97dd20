import {
  BENCH_RECORD_SCHEMAS,
  changedFields,
  fieldWords,
  patternChangeSchema,
  RECORD_KINDS,
  settingsSchema,
  SHOP_ITEM_SCHEMAS,
  SHOP_KINDS,
  type RecordKind,
  type ShopKind,
} from '@zero-pour/contracts';
import { useRecords } from './recordStore';
import { useShop } from './shopStore';
import type { RefusedThing } from './notKept';
import { typedWords } from './notKeptWords';

/** How the two versions of a thing differ, field by field: "height mm: yours 90, theirs 102". */
export const differences = ({ value, stored }: RefusedThing): string[] =>
  changedFields(stored ?? {}, stored ? value : {}).map(
    (field) =>
      `${fieldWords(field)}: yours ${typedWords(value[field])}, theirs ${typedWords(stored?.[field])}`,
  );

/** What an address names: a thing of the shop, a record, a pattern, or the settings. */
function nameOf(at: string) {
  const [, root, kind, id] = at.split('/');
  if (root === 'shop' && SHOP_KINDS.includes(kind as ShopKind))
    return { of: 'item', kind: kind as ShopKind } as const;
  if (root === 'records' && RECORD_KINDS.includes(kind as RecordKind))
    return { of: 'record', kind: kind as RecordKind } as const;
  return root === 'patterns'
    ? ({ of: 'pattern', id: kind ?? id ?? '' } as const)
    : ({ of: 'settings' } as const);
}

/** Keeps what was typed, over the version that is now known. */
export async function keepMine({ at, value }: RefusedThing): Promise<unknown> {
  const [shop, records, name] = [useShop(), useRecords(), nameOf(at)];
  if (name.of === 'item') return shop.keepTyped(name.kind, SHOP_ITEM_SCHEMAS[name.kind].parse(value), 0);
  if (name.of === 'record') return records.keep(name.kind, BENCH_RECORD_SCHEMAS[name.kind].parse(value));
  if (name.of === 'pattern') return shop.changePattern(name.id, patternChangeSchema.parse(value));
  return shop.keepSettings(settingsSchema.parse(value));
}

/** Shows the other version, which is the kept one. */
export function takeTheirs({ at, stored }: RefusedThing): void {
  if (!stored) return;
  const [shop, records, name] = [useShop(), useRecords(), nameOf(at)];
  if (name.of === 'item') shop.takeItem(name.kind, SHOP_ITEM_SCHEMAS[name.kind].parse(stored));
  else if (name.of === 'record') records.take(name.kind, BENCH_RECORD_SCHEMAS[name.kind].parse(stored));
  else if (name.of === 'settings') shop.takeSettings(settingsSchema.parse(stored));
  else {
    const pattern = shop.patterns.find(({ id }) => id === name.id);
    if (pattern) shop.takePattern({ ...pattern, ...patternChangeSchema.parse(stored) });
  }
}
