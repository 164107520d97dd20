import {
  emptyPourDoc,
  usualProfile,
  type PourDoc,
  type ShopItem,
  type ShopKind,
  type ShopLists,
} from '@zero-pour/contracts';
import { readSum } from '@zero-pour/core';
import { flaskOf, itemFrom, TEMPLATES, type Template } from './bookItems';

/** What somebody says is in the shop: names out of the book, flasks as they are typed. */
export interface WhatYouHave {
  metals: string[];
  /** "76 x 102; 3 x 4 in". */
  flasks: string;
  powder: string | null;
  programme: string | null;
  kiln: boolean;
  resin: string | null;
  printer: boolean;
  /** Seconds a layer that are printed at; undefined: not told. */
  exposureS: number | undefined;
}
export const NOTHING_SAID: WhatYouHave = {
  metals: [],
  flasks: '',
  powder: null,
  programme: null,
  kiln: false,
  resin: null,
  printer: false,
  exposureS: undefined,
};

/** A flask that was typed: its size, or why it is none. */
export type TypedFlask = { text: string } & ({ diameterMm: number; heightMm: number } | { why: string });

const tenth = (mm: number): number => Math.round(mm * 10) / 10;

/** Flasks as people write them, parted by semicolons, lines, "and", or a comma before a blank. */
export const readFlasks = (text: string): TypedFlask[] =>
  text
    .split(/;|\n|\band\b|,\s/)
    .map((one) => one.trim())
    .filter((one) => one !== '')
    .map((one) => {
      const read = readSum(`flask ${one}`, { metals: [], resins: [] });
      return read.status === 'read' && read.sum.kind === 'slurry'
        ? { text: one, diameterMm: tenth(read.sum.diameterMm), heightMm: tenth(read.sum.heightMm) }
        : { text: one, why: 'Write its inner diameter and its height: 76 x 102, or 3 x 4 in.' };
    });

/** One thing to be kept. */
export interface NewThing {
  kind: ShopKind;
  item: ShopItem<ShopKind>;
}

/** What is to be kept, in the order in which things name each other; names that are there are numbered. */
export function thingsToKeep(have: WhatYouHave, lists: ShopLists): NewThing[] {
  const things: NewThing[] = [];
  const add = <K extends ShopKind>(kind: K, template: Template<K> | undefined): ShopItem<K> | undefined => {
    if (!template) return undefined;
    const there = [...lists[kind], ...things.filter((thing) => thing.kind === kind).map(({ item }) => item)];
    const item = itemFrom<K>(template, there);
    things.push({ kind, item });
    return item;
  };
  const fromBook = <K extends Exclude<ShopKind, 'profile'>>(kind: K, name: string | null) =>
    (TEMPLATES[kind] as readonly Template<K>[]).find((one) => one.name === name);

  for (const metal of have.metals) add('alloy', fromBook('alloy', metal));
  for (const flask of readFlasks(have.flasks))
    if ('diameterMm' in flask) add('flask', flaskOf(flask.diameterMm, flask.heightMm));
  add('powder', fromBook('powder', have.powder));
  if (have.kiln) add('kiln', TEMPLATES.kiln[0]);
  add('programme', fromBook('programme', have.programme));
  const resin = add('resin', fromBook('resin', have.resin));
  const printer = have.printer ? add('printer', TEMPLATES.printer[0]) : undefined;
  if (resin && printer) {
    const profile = usualProfile(resin, printer, 'standard');
    add('profile', { ...profile, exposureS: have.exposureS ?? profile.exposureS });
  }
  return things;
}

/** A pour that has chosen whatever there is only one of. */
export function firstPour(lists: ShopLists, patternIds: readonly string[]): PourDoc {
  const doc = emptyPourDoc();
  const only = (kind: ShopKind): string | undefined => (lists[kind].length === 1 ? lists[kind][0]!.id : undefined); // prettier-ignore
  const chosen = <T extends object>(fields: T): T =>
    Object.fromEntries(Object.entries(fields).filter(([, value]) => value !== undefined)) as T;
  const [patternId] = patternIds.length === 1 ? patternIds : [];
  const [flask, ...others] = doc.flasks;
  return {
    ...doc,
    brief: {
      ...doc.brief,
      ...chosen({ alloyId: only('alloy') }),
      lines: patternId ? [{ key: 'l1', patternId, count: 1 }] : [],
    },
    resin: chosen({ resinId: only('resin'), printerId: only('printer'), profileId: only('profile') }),
    invest: { ...doc.invest, ...chosen({ powderId: only('powder') }) },
    burnout: { ...doc.burnout, ...chosen({ kilnId: only('kiln'), programmeId: only('programme') }) },
    flasks: [{ ...flask!, sprue: { ...flask!.sprue, ...chosen({ flaskId: only('flask') }) } }, ...others],
  } as PourDoc;
}
