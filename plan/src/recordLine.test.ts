import { emptyPourDoc, recordLineSchema, type Pour, type PourDoc } from '@zero-pour/contracts';
import { createDemoShop } from '@zero-pour/demo';
import { countOutcomes } from '@zero-pour/core';
import { becameOf } from '@zero-pour/contracts';
import { describe, expect, it } from 'vitest';
import { castPieces } from './pieces';
import { planPour } from './planPour';
import { pourTitle } from './pourTitle';
import { recordLine, type NamesNow } from './recordLine';

const ID = '00000000-0000-4000-8000-000000000001';
const NONE: NamesNow = { patternOf: () => undefined, alloy: undefined, resin: undefined };
const pourOf = (change: (doc: PourDoc) => void): Pour => {
  const doc = emptyPourDoc();
  change(doc);
  const at = '2026-11-26T08:00:00.000Z';
  return { id: ID, number: 7, createdAt: at, changedAt: at, discarded: false, doc };
};

describe('a line of the record', () => {
  it('says of the demo’s pours what their plans say, and reads', async () => {
    const { file } = await createDemoShop(new Date('2026-11-26T08:00:00Z'));
    const shop = { settings: file.settings, lists: file.lists, patterns: file.patterns };
    for (const pour of file.pours) {
      const { context } = planPour(pour, shop);
      const line = recordLine(pour, {
        patternOf: (id) => file.patterns.find((one) => one.id === id),
        alloy: context.alloy?.name,
        resin: context.resin?.name,
      });
      const { judged, sellable, total } = countOutcomes(castPieces(context).map(({ key }) => becameOf(pour.doc.result.castings[key]))); // prettier-ignore
      expect(line.castings).toEqual({ judged, sellable, total });
      expect([line.title, line.alloy]).toEqual([pourTitle(context), context.alloy?.name ?? null]);
      expect(recordLineSchema.parse(JSON.parse(JSON.stringify(line)))).toEqual(line);
    }
  });

  it('of an empty pour tells nothing and makes nothing up', () => {
    expect(recordLine(pourOf(() => {}), NONE)).toMatchObject({
      title: 'Nothing chosen yet', alloy: null, resin: null, pouredAt: null, anyPoured: false, zeroAt: null,
      isDone: false, castings: { judged: 0, sellable: 0, total: 0 }, flaws: [], facts: {}, felt: null, change: null,
    }); // prettier-ignore
  });

  it('names what was used as it was called then, not as it is called now', async () => {
    const { file } = await createDemoShop(new Date('2026-11-26T08:00:00Z'));
    const poured = { ...file.pours[0]!, used: { alloy: file.lists.alloy[0]!, resin: file.lists.resin[0]! } };
    const line = recordLine(poured, { ...NONE, alloy: 'renamed since', resin: 'renamed too' });
    expect([line.alloy, line.resin]).toEqual([poured.used!.alloy!.name, poured.used!.resin!.name]);
    const { used: _, ...open } = poured;
    expect(recordLine(open, { ...NONE, alloy: 'renamed since' }).alloy).toBe('renamed since');
  });

  it('of a flask that was felt says how, and what is done otherwise than before', () => {
    const line = recordLine(
      pourOf((doc) => {
        doc.flasks[0]!.pour.flaskRead = { state: 'felt', felt: 'cold' };
        doc.brief.againOf = 22;
        doc.brief.statedChange = 'hotter';
      }),
      NONE,
    );
    expect(line).toMatchObject({ felt: 'cold', change: { againOf: 22, stated: 'hotter' } });
    expect(line.facts).not.toHaveProperty('flaskC');
  });
});
