import { fieldChangeSchema, pathsMeet, type FieldChange } from '@zero-pour/contracts';
import { defineStore } from 'pinia';
import { shallowRef } from 'vue';
import { z } from 'zod';
import { readKept, shopKey, whenShopKnown, writeKept } from './shopKeys';

/** Something typed that the server would not keep, with its sentence: held in this browser until somebody deals with it. */
const entrySchema = z.discriminatedUnion('of', [
  z.strictObject({
    of: z.literal('pour'),
    pourId: z.string(),
    change: fieldChangeSchema,
    sentence: z.string(),
    /** What somebody else put there meanwhile; null: they took it away. */
    stored: z.json().optional(),
  }),
  /** A whole thing, by the address it is kept at. */
  z.strictObject({
    of: z.literal('thing'),
    at: z.string(),
    value: z.record(z.string(), z.unknown()),
    sentence: z.string(),
    /** What somebody else made of it meanwhile. */
    stored: z.record(z.string(), z.unknown()).optional(),
  }),
]);
export type NotKept = z.infer<typeof entrySchema>;
export type RefusedField = Extract<NotKept, { of: 'pour' }>;
export type RefusedThing = Extract<NotKept, { of: 'thing' }>;

const NAME = 'not-kept';

/** Whether one entry is of the same place as another. */
function samePlace(a: NotKept, b: NotKept): boolean {
  if (a.of === 'pour' && b.of === 'pour')
    return a.pourId === b.pourId && a.change.path.join('\u0000') === b.change.path.join('\u0000');
  return a.of === 'thing' && b.of === 'thing' && a.at === b.at;
}

/** What was typed in this browser and refused. */
export const useNotKept = defineStore('notKept', () => {
  const entries = shallowRef<NotKept[]>([]);

  function read(): void {
    try {
      const list: unknown = JSON.parse(readKept(shopKey(NAME)) ?? '[]');
      entries.value = Array.isArray(list)
        ? list.flatMap((entry) => entrySchema.safeParse(entry).data ?? [])
        : [];
    } catch {
      entries.value = [];
    }
  }
  void whenShopKnown().then(read);
  // Another window of this browser set something aside, or dealt with it.
  addEventListener('storage', (event) => {
    if (event.key?.endsWith(NAME)) read();
  });

  function set(list: NotKept[]): void {
    entries.value = list;
    writeKept(shopKey(NAME), JSON.stringify(list));
  }
  const add = (entry: NotKept): void =>
    set([...entries.value.filter((other) => !samePlace(other, entry)), entry]);
  const letGo = (entry: NotKept): void => set(entries.value.filter((other) => !samePlace(other, entry)));

  /** A field that is typed into again has been dealt with. */
  function dealtWith(pourId: string, path: FieldChange['path']): void {
    const left = entries.value.filter(
      (entry) => entry.of !== 'pour' || entry.pourId !== pourId || !pathsMeet(entry.change.path, path),
    );
    if (left.length < entries.value.length) set(left);
  }
  /** What was typed of a whole thing and refused, for its form. */
  const thingWith = (id: string): RefusedThing | undefined =>
    entries.value.find((entry): entry is RefusedThing => entry.of === 'thing' && entry.at.endsWith(`/${id}`));
  function thingDealtWith(at: string): void {
    const left = entries.value.filter((entry) => entry.of !== 'thing' || entry.at !== at);
    if (left.length < entries.value.length) set(left);
  }
  /** Of one pour's stage, or of all. */
  const ofStage = (pourId: string, stage: string): RefusedField[] =>
    entries.value.filter(
      (entry): entry is RefusedField =>
        entry.of === 'pour' && entry.pourId === pourId && entry.change.path[0] === stage,
    );

  return { entries, add, letGo, ofStage, dealtWith, thingWith, thingDealtWith };
});
