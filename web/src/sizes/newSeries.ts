import type { ShopLists, SizeSeries } from '@zero-pour/contracts';

/** A series as it is most likely: like the newest one, with nothing measured yet. */
export function newSeries(
  lists: ShopLists,
  newest: SizeSeries | undefined,
  now: Date,
): SizeSeries | undefined {
  const resin = lists.resin.find((r) => !r.retired && r.forBurnout) ?? lists.resin[0];
  const printer = lists.printer.find((p) => !p.retired);
  if (!newest && !resin) return undefined;
  const like: Omit<SizeSeries, 'id' | 'measuredAt' | 'pairs' | 'note'> = newest ?? {
    resinId: resin!.id,
    printerId: printer?.id ?? null,
    profileId: profilesOf(lists, resin!.id, printer?.id ?? null)[0]?.id ?? null,
    alloyId: null,
    powderId: lists.powder[0]?.id ?? null,
    route: 'burn out the print',
    moldMaterial: null,
    flaskC: null,
    stage: 'cured',
    lot: '',
  };
  return { ...like, id: crypto.randomUUID(), measuredAt: now.toISOString(), pairs: [], note: '' };
}

/** Profiles in use of a resin on a printer. */
export const profilesOf = (lists: ShopLists, resinId: string, printerId: string | null) =>
  lists.profile.filter(
    (p) => p.resinId === resinId && (printerId === null || p.printerId === printerId) && !p.replaced,
  );

/** "9,97 9.98" as readings; undefined where a word is no size. */
export function readReadings(text: string): number[] | undefined {
  const words = text
    .trim()
    .split(/[\s;]+/)
    .filter(Boolean);
  const values = words.map((word) => Number(word.replace(',', '.')));
  return values.every((v) => Number.isFinite(v) && v > 0 && v <= 400) && values.length <= 20
    ? values
    : undefined;
}
