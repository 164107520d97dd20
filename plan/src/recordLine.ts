import {
  anyPoured,
  becameOf,
  FACT_NAMES,
  pouredAt,
  tellFacts,
  type Pour,
  type RecordLine,
} from '@zero-pour/contracts';
import { countOutcomes } from '@zero-pour/core';
import { castLines, type Named } from './part';
import { castPieces } from './pieces';
import { pourTitle } from './pourTitle';

/** What the things of a pour are called now; undefined for those that are gone. */
export interface NamesNow {
  patternOf: (id: string) => Named | undefined;
  alloy: string | undefined;
  resin: string | undefined;
}

/** A pour as a line of the record; the names of what was used are those of then. */
export function recordLine({ id, number, createdAt, doc, used }: Pour, names: NamesNow): RecordLine {
  const { brief, result, scrap, flasks } = doc;
  const parts = castLines(doc, names.patternOf);
  // Of an old record what was cast may be a name alone: then its castings are all that is told.
  const keys = scrap ? Object.keys(result.castings) : castPieces({ doc, parts }).map(({ key }) => key);
  const { judged, sellable, total } = countOutcomes(keys.map((key) => becameOf(result.castings[key])));
  const facts = tellFacts(doc);
  const read = flasks[0]?.pour.flaskRead;
  return {
    id,
    number,
    createdAt,
    title: pourTitle({ parts, doc }),
    alloy: used?.alloy?.name ?? names.alloy ?? null,
    resin: used?.resin?.name ?? names.resin ?? null,
    pouredAt: pouredAt(doc) ?? null,
    anyPoured: anyPoured(doc),
    zeroAt: brief.zeroAt ?? null,
    scrap: scrap ? (scrap.days ? { days: scrap.days } : {}) : null,
    isDone: result.doneAt !== undefined,
    castings: { judged, sellable, total },
    flaws: facts.flaws,
    facts: Object.fromEntries(
      FACT_NAMES.flatMap((name) => (facts[name] === undefined ? [] : [[name, facts[name]]])),
    ),
    felt: read?.state === 'felt' ? read.felt : null,
    change: brief.statedChange ? { againOf: brief.againOf ?? null, stated: brief.statedChange } : null,
  };
}
