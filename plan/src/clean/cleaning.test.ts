import type { PourDoc } from '@zero-pour/contracts';
import { formatPhrase, METRIC } from '@zero-pour/core';
import { describe, expect, it } from 'vitest';
import { boardConflicts, boardRows, stageLine, stageStates, writeTicket, planPour, cleaningOf, freshClocks, judgeFreshness, missingPieces, piecesWorth, readClock, tallyExpected } from '../index'; // prettier-ignore
import { resolvePour, type Shop } from '../context';
import { BLOCK_ID, fullDoc, id, planShop, pouredPrint } from '../testing/planShop';

const ZERO = new Date(2026, 10, 26, 9, 15);
const AT = '2026-11-24T08:00:00.000Z';
const later = (hours: number): string => new Date(Date.parse(AT) + hours * 3_600_000).toISOString();
const contextOf = (change: (doc: PourDoc) => void = () => {}, shop: Shop = planShop()) =>
  resolvePour({ doc: fullDoc(ZERO, change) }, shop);
const resin = planShop().lists.resin[0]!;

/** Every step done in its least time, from some hours after the print. */
function cleanAll(doc: PourDoc, fromH = 1): void {
  let at = Date.parse(later(fromH));
  for (const step of resin.protocol) {
    const startedAt = new Date(at).toISOString();
    at += Math.max(1, step.minMinutes) * 60_000;
    doc.clean.steps[step.key] = { startedAt, doneAt: new Date(at).toISOString() };
  }
}
const finished = (doc: PourDoc): void =>
  void Object.assign(doc.print, { startedAt: later(-4), finishedAt: AT });

describe('cleaning of a pour', () => {
  it('goes by the protocol as it stood when it began', () => {
    const [first] = resin.protocol;
    const begun = { name: 'own', version: 3, protocol: [first!], cure: planShop().settings.cure };
    expect(cleaningOf(contextOf((doc) => (doc.clean.begun = begun))).map((s) => s.key)).toEqual([first!.key]);
    expect(cleaningOf(contextOf())).toHaveLength(resin.protocol.length);
  });

  it('is done when every step is over, those that a look asked for too', () => {
    const state = (change: (doc: PourDoc) => void) => stageStates(contextOf(change)).clean;
    expect(state((doc) => cleanAll(doc))).toBe('done');
    const wet = (doc: PourDoc): void => {
      cleanAll(doc);
      doc.clean.steps['look2'] = { doneAt: later(2), saw: 'wet at supports' };
    };
    expect(state(wet)).not.toBe('done');
    const plan = planPour({ doc: fullDoc(ZERO, wet) }, planShop());
    expect(stageLine('clean', plan, METRIC)).toBe('11 of 14 steps');
  });
});

describe('freshness clocks', () => {
  const vat = { key: 'v', printerId: id(11), filledAt: AT, note: '' };
  const withVat = (): Shop => {
    const shop = planShop();
    return { ...shop, lists: { ...shop.lists, resin: [{ ...resin, vats: [vat] }] } };
  };
  const names = (change: (doc: PourDoc) => void, shop?: Shop) =>
    freshClocks(contextOf(change, shop)).map((c) => c.what);

  it('run from the vat over the uncured to the cured print, one at a time', () => {
    expect(names(() => {}, withVat())).toEqual(['vat']);
    expect(names(() => {})).toEqual([]);
    expect(names((doc) => (doc.print.startedAt = AT), withVat())).toEqual([]);
    expect(names(finished)).toEqual(['uncured print']);
    expect(names((doc) => (finished(doc), cleanAll(doc)))).toEqual(['cured print']);
    expect(names((doc) => (finished(doc), cleanAll(doc), (doc.invest.powderInAt = later(9))))).toEqual([]);
    expect(names((doc) => (finished(doc), (doc.flasks[0]!.pour.pouredAt = later(30))))).toEqual([]);
    expect(names((doc) => (finished(doc), (doc.clean.steps['cure'] = { skipped: true })))).toEqual([]);
  });

  it('say what is left, and what goes wrong after', () => {
    const clock = freshClocks(contextOf(finished))[0]!;
    const said = (hours: number) => {
      const { weight, says } = readClock(clock, Date.parse(later(hours)));
      return `${weight}: ${formatPhrase(says, METRIC).trim()}`;
    };
    expect(said(1)).toBe('ok: 1 day left of 2 days: cure it before.');
    expect(said(40)).toBe('watch: less than a day left of 2 days: cure it before. It cracks on cure.');
    expect(said(60)).toBe('fix: 1 day past its 2 days. It cracks on cure.');
  });

  it('warn before they lapse by the plan', () => {
    const context = contextOf(finished);
    const warn = (hours: number) => judgeFreshness(context, Date.parse(AT), () => Date.parse(later(hours)));
    expect(warn(20)).toEqual([]);
    expect(formatPhrase(warn(60)[0]!.why, METRIC)).toBe('By the plan it is cured 1 day past its 2 days. It cracks on cure.'); // prettier-ignore
    expect(judgeFreshness(context, Date.parse(AT), () => undefined)).toEqual([]);
  });

  it('stand on the board and on the ticket', () => {
    const pour = { id: id(70), number: 5, createdAt: AT, changedAt: AT, discarded: false, doc: fullDoc(ZERO, finished) }; // prettier-ignore
    const rows = boardRows([pour], planShop());
    const said = boardConflicts(rows, Date.parse(later(60)), String).map((c) => c.judgement.lead);
    expect(said).toContain('Pour 5. Uncured print.');
    const keeps = writeTicket(rows[0]!.plan).find((section) => section.title === 'Keeps')!;
    expect(keeps.lines).toEqual([{ label: 'Cure before', kind: 'moment', at: Date.parse(later(48)), lapses: true }]); // prettier-ignore
  });
});

describe('worth casting', () => {
  const good = { outcome: 'good' as const, note: '' };
  const verdicts = (change: (doc: PourDoc) => void) =>
    piecesWorth(
      contextOf((doc) => (finished(doc), cleanAll(doc), change(doc))),
      later(6),
    ).map((p) => [p.proposed.verdict, p.proposed.expect]);

  it('makes spares of good pieces beyond what is wanted', () => {
    const of = verdicts((doc) => {
      doc.print.spares = 1;
      doc.print.pieces = { 'l1/1': good, 'l1/2': { outcome: 'lost', note: '' }, 'l1/3': good };
    });
    expect(of).toEqual([['cast', 'likely good'], ['reprint', 'poor'], ['cast', 'likely good']]); // prettier-ignore
    expect(verdicts((doc) => ((doc.print.spares = 1), (doc.print.pieces = { 'l1/1': good, 'l1/2': good, 'l1/3': good })))[2]).toEqual(['spare', 'likely good']); // prettier-ignore
  });

  it('doubts what was cleaned short, cured late, or looked wrong at the last look', () => {
    expect(verdicts((doc) => (doc.clean.steps['bath1'] = { skipped: true }))[0]).toEqual([
      'test',
      'doubtful',
    ]);
    expect(verdicts((doc) => cleanAll(doc, 80))[0]).toEqual(['test', 'doubtful']);
    expect(verdicts((doc) => (doc.clean.steps['look3'] = { doneAt: later(3), saw: 'dark' }))[0]).toEqual(['test', 'poor']); // prettier-ignore
    // Wet once, but washed again and fine.
    const mended = verdicts((doc) => {
      doc.clean.steps['look2'] = { doneAt: later(2), saw: 'wet at supports' };
      doc.clean.steps['look2~2'] = { doneAt: later(3), saw: 'fine' };
    });
    expect(mended[0]).toEqual(['cast', 'likely good']);
  });

  it('says what is missing of each line, and two lines of a pattern are two', () => {
    const context = contextOf((doc) => {
      finished(doc);
      cleanAll(doc);
      doc.brief.lines = [{ key: 'l1', patternId: BLOCK_ID, count: 1 }, { key: 'l2', patternId: BLOCK_ID, count: 2 }]; // prettier-ignore
      doc.print.pieces = { 'l1/1': good, 'l2/1': { outcome: 'lost', note: '' }, 'l2/2': good };
    });
    const pieces = piecesWorth(context, later(6));
    expect(pieces.map((p) => p.proposed.verdict)).toEqual(['cast', 'reprint', 'cast']);
    expect(missingPieces(context, pieces)).toEqual([{ line: 'l2', count: 1 }]);
    expect(pieces.map(({ piece }) => piece.name)).toEqual(['Block a 1', 'Block b 1', 'Block b 2']);
    const mended = pieces.map((p) => ({
      ...p,
      decided: { verdict: 'mend' as const, expect: 'poor' as const },
    }));
    expect(missingPieces(context, mended)).toEqual([]);
  });

  it('keeps what the shop decided beside the proposal', () => {
    const decided = { verdict: 'mend' as const, expect: 'doubtful' as const };
    const [first] = piecesWorth(
      contextOf((doc) => (doc.clean.pieces = { 'l1/1': decided })),
      AT,
    );
    expect(first!.decided).toEqual(decided);
  });

  it('tallies what was expected against what came', () => {
    const print = pouredPrint({
      verdicts: {
        'l1/1': { verdict: 'cast', expect: 'likely good' },
        'l1/2': { verdict: 'test', expect: 'doubtful' },
      },
      outcomes: { 'l1/1': 'sellable', 'l1/2': 'scrap' },
    });
    expect(tallyExpected([print, pouredPrint({ outcomes: { 'l1/1': 'scrap' } })])).toEqual({
      'likely good': { of: 1, sellable: 1 },
      doubtful: { of: 1, sellable: 0 },
      poor: { of: 0, sellable: 0 },
    });
  });
});
