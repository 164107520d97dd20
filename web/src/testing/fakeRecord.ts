import type { PourList, RecordLines, ShopFile } from '@zero-pour/contracts';
import { recordLine } from '@zero-pour/plan';

/** Pours by a flaw or a word of their notes and stated changes, newest first, a page of them. */
export function searchFake({ pours }: ShopFile, at: string): PourList {
  const asked = new URLSearchParams(at.split('?')[1]);
  const [text, flaw] = ['text', 'flaw'].map((key) => asked.get(key) ?? '');
  const [offset, limit] = [Number(asked.get('offset') ?? 0), Number(asked.get('limit'))];
  const found = pours
    .filter(({ doc }) => `${doc.brief.note ?? ''} ${doc.brief.statedChange ?? ''}`.includes(text!))
    .filter(
      ({ doc }) =>
        !flaw || Object.values(doc.result.castings).some((c) => c.flaws.some((f) => f.kind === flaw)),
    )
    .sort((a, b) => b.number - a.number);
  return { pours: found.slice(offset, offset + limit), total: found.length, unread: [] };
}

/** The same as lines of the record. */
export function linesFake(file: ShopFile, at: string): RecordLines {
  const { pours, ...rest } = searchFake(file, at);
  const named = <T extends { id: string }>(list: readonly T[], id: string | undefined): T | undefined =>
    list.find((one) => one.id === id);
  const lines = pours.map((pour) =>
    recordLine(pour, {
      patternOf: (id) => named(file.patterns, id),
      alloy: named(file.lists.alloy, pour.doc.brief.alloyId)?.name,
      resin: named(file.lists.resin, pour.doc.resin.resinId)?.name,
    }),
  );
  return { lines, ...rest };
}
