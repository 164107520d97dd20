import { alloysFromBook, scrapBatchSchema, type ScrapBatch, type TakeScraps } from '@zero-pour/contracts';
import type { CastClass } from '@zero-pour/core';
import { sha256 } from '@zero-pour/jobs';
import { pourOfScrap } from '@zero-pour/plan';
import { computed, shallowRef, watch } from 'vue';
import { z } from 'zod';
import { request } from '../api/request';
import { useRecords } from '../state/recordStore';
import { useShop } from '../state/shopStore';
import { noonOf } from '../time/scrapDay';
import { resolveNames } from './resolveNames';
import { chosenKey, saidNames, type Meant, type SaidName } from './scrapNames';
import { keepNamedPhotos, photoOf } from './scrapPhotos';
import { useScrapTable } from './useScrapTable';

/** Old records on their way into the shop: the table, what its names mean, and what it becomes. */
export function useScraps() {
  const [shop, records] = [useShop(), useRecords()];
  const table = useScrapTable();
  const { name, columns, grid, pours } = table;
  const chosen = shallowRef<ReadonlyMap<string, Meant>>(new Map());
  const castClass = shallowRef<CastClass>();
  /** Pictures that rows may name. */
  const photos = shallowRef<ReadonlyMap<string, File>>(new Map());
  watch(table.headings, () => (chosen.value = new Map()));

  const patterns = computed(() => shop.patterns.map(({ id, name: called }) => ({ id, name: called })));
  const book = computed(() =>
    alloysFromBook().filter((alloy) => !shop.lists.alloy.some((own) => own.name === alloy.name)),
  );
  const names = computed(() =>
    saidNames(
      pours.value,
      {
        things: { metal: shop.lists.alloy, resin: shop.lists.resin, what: patterns.value },
        book: book.value,
      },
      chosen.value,
    ),
  );
  const choose = (said: SaidName, meant: Meant): void => {
    chosen.value = new Map([...chosen.value, [chosenKey(said), meant]]);
  };

  /** Pictures that rows name, and how many of those are here. */
  const pictured = computed(() => {
    const named = pours.value.flatMap(({ photo }) => photo ?? []);
    return { named: named.length, here: named.filter((name) => photoOf(name, photos.value)).length };
  });

  /** Takes them in: all or none. */
  async function take(): Promise<ScrapBatch> {
    const now = new Date().toISOString();
    const id = crypto.randomUUID();
    const { ids, alloys, resins } = resolveNames(names.value);
    const named = pours.value.flatMap(({ photo }) => photo ?? []);
    const kept = await keepNamedPhotos(named, photos.value);
    const choices = { batchId: id, photos: kept, names: ids, castClass: castClass.value!, noonOf, now };
    const text = JSON.stringify([columns.value.map(({ role }) => role), grid.rows.value]);
    const made = [
      ...alloys.map((one) => ({ kind: 'alloy' as const, id: one.id, name: one.name })),
      ...resins.map((one) => ({ kind: 'resin' as const, id: one.id, name: one.name })),
    ];
    const given: TakeScraps = {
      batch: { id, name: name.value, takenAt: now, hash: await sha256(new TextEncoder().encode(text).buffer), pours: pours.value.length, made }, // prettier-ignore
      alloys,
      resins,
      pours: pours.value.map((row) => ({ id: crypto.randomUUID(), doc: pourOfScrap(row, choices) })),
    };
    const batch = await request(scrapBatchSchema.safeExtend({ id: z.uuid() }), 'POST', '/scraps', given);
    records.take('scrapBatch', batch as ScrapBatch);
    await Promise.all([shop.loadAgain(), records.loadAgain()]);
    table.begin();
    return batch as ScrapBatch;
  }

  return { ...table, names, castClass, book, patterns, photos, pictured, choose, take };
}
