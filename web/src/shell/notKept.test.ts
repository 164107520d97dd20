// @vitest-environment happy-dom
import { describe, expect, it } from 'vitest';
import { useFakeShop } from '../testing/fakeServer';
import { useNotKept, type NotKept } from '../state/notKept';
import { useShop } from '../state/shopStore';
import { setShopZone } from '../time/shopClock';
import { addressOf, placeWords, titleOf, typedWords } from '../state/notKeptWords';
import NotKeptLines from '../components/NotKeptLines.vue';

const shop = useFakeShop();

describe('a thing that was changed elsewhere meanwhile', () => {
  const stale = () => {
    const theirs = shop.file.lists.flask[0]!;
    const entry: NotKept = {
      of: 'thing',
      at: `/shop/flask/${theirs.id}`,
      value: { ...theirs, heightMm: 90 },
      stored: { ...theirs, heightMm: 130, note: 'theirs' },
      sentence: 'This was changed elsewhere meanwhile.',
    };
    useNotKept().add(entry);
    const lines = shop.show(NotKeptLines, { entries: [entry] });
    const press = (words: string) => lines.findAll('button').find((button) => button.text() === words)!.trigger('click');
    return { id: theirs.id, lines, press };
  };
  const height = (id: string) => useShop().lists.flask.find((flask) => flask.id === id)?.heightMm;

  it('shows both versions, field by field', () => {
    const text = stale().lines.text();
    expect(text).toContain('height mm: yours 90, theirs 130');
    expect(text).toContain('note: yours , theirs theirs');
    expect(text).not.toContain('inner diameter');
  });

  it('is kept as mine, or taken as theirs', async () => {
    const { id, press } = stale();
    await press('Keep mine');
    await expect.poll(() => shop.server.last(`/shop/flask/${id}`)?.body['heightMm']).toBe(90);
    await expect.poll(() => useNotKept().entries).toEqual([]);
    await stale().press('Take theirs');
    expect([height(id), useNotKept().entries]).toEqual([130, []]);
  });
}); // prettier-ignore

describe('an entry that was not kept', () => {
  it('is called by its place and by what was typed', () => {
    expect(placeWords(['print', 'vatC'])).toBe('Print › vat c');
    expect(placeWords(['nowhere', 'x'])).toBe('nowhere › x');
    setShopZone('Pacific/Auckland');
    expect(typedWords('2026-11-20T10:00:00.000Z')).toBe('Fri 20 Nov 2026 23:00');
    expect([typedWords(null), typedWords({ state: 'measured', value: -5 }), typedWords('x')]).toEqual(['taken away', 'measured -5', 'x']);
    expect(typedWords({ text: 'y'.repeat(200) }).length).toBeLessThan(95);
  }); // prettier-ignore

  it.each([
    [{ of: 'pour', pourId: 'p', change: { path: ['sprue', 'note'], value: 'x' }, sentence: '' }, '/pours/p/sprue', 'Sprue › note'],
    [{ of: 'thing', at: '/shop/flask/f', value: { name: '76' }, sentence: '' }, '/shop/flask/f', '76'],
    [{ of: 'thing', at: '/shop/resin/r', value: { name: 'Skerry' }, sentence: '' }, '/resins/r', 'Skerry'],
    [{ of: 'thing', at: '/shop/profile/q', value: { name: 'v2', resinId: 'r' }, sentence: '' }, '/resins/r/profiles', 'v2'],
    [{ of: 'thing', at: '/records/trial/t', value: { resinId: 'r' }, sentence: '' }, '/resins/r', 'A record of the bench'],
    [{ of: 'thing', at: '/records/sizeSeries/s', value: {}, sentence: '' }, '/sizes/series/s', 'A record of the bench'],
    [{ of: 'thing', at: '/settings', value: {}, sentence: '' }, '/shop/settings', 'The shop’s settings'],
  ] as [NotKept, string, string][])('leads to where it is mended: %#', (entry, address, title) => {
    expect([addressOf(entry), titleOf(entry)]).toEqual([address, title]);
  }); // prettier-ignore

  it('is sent again as it was typed, or let go', async () => {
    const { id } = shop.file.pours.find((pour) => pour.doc.result.doneAt === undefined)!;
    const entry: NotKept = { of: 'pour', pourId: id, change: { path: ['brief', 'note'], value: 'harbour' }, sentence: 'This cannot be kept.' }; // prettier-ignore
    useNotKept().add(entry);
    const lines = shop.show(NotKeptLines, { entries: [entry] });
    expect(lines.text()).toContain('This cannot be kept.');
    const press = (words: string) => lines.findAll('button').find((button) => button.text() === words)!.trigger('click');
    await press('Send it again');
    await expect.poll(() => shop.server.last(`/pours/${id}`)?.body['changes']).toMatchObject([entry.change]);
    expect(useNotKept().entries).toEqual([]);
    useNotKept().add(entry);
    await press('Let it go');
    expect(useNotKept().entries).toEqual([]);
  }); // prettier-ignore
});
