// @vitest-environment happy-dom
import { flushPromises, type VueWrapper } from '@vue/test-utils';
import type { TakeScraps } from '@zero-pour/contracts';
import { zipSync } from 'fflate';
import { readFileSync } from 'node:fs';
import { describe, expect, it, vi } from 'vitest';
import { useFakeShop } from '../testing/fakeServer';
import { buttonOf, flatText } from '../testing/showInPour';
import { useRecords } from '../state/recordStore';
import { scrapDay } from '../time/scrapDay';
import { gridModel } from './gridModel';
import { cellsOfText, readTableFile } from './readTableFile';
import { photoOf, readPhotos } from './scrapPhotos';
import { saidNames } from './scrapNames';
import ScrapsPage from './ScrapsPage.vue';
import TakenBatches from './TakenBatches.vue';

const shop = useFakeShop();
const BOOK = readFileSync('demo/scraps/pours-2025.csv', 'utf8');

describe('the grid', () => {
  const filled = () => {
    const grid = gridModel(() => 3);
    grid.load([
      ['a', 'b', 'c'],
      ['d', '', ''],
      ['', '', ''],
    ]);
    return grid;
  };
  it('moves within its cells, one row past the last, and from a row’s end to the next', () => {
    const grid = filled();
    grid.moveBy(-5, 9);
    expect(grid.cursor.value).toEqual({ row: 0, column: 2 });
    grid.step(1);
    expect(grid.cursor.value).toEqual({ row: 1, column: 0 });
    grid.moveBy(99, 0);
    expect(grid.cursor.value).toEqual({ row: 3, column: 0 });
    grid.moveTo({ row: 0, column: 0 });
    grid.step(-1);
    expect(grid.cursor.value).toEqual({ row: 0, column: 0 });
  });
  it('fills down from the row above, or from the first of several', () => {
    const grid = filled();
    grid.moveTo({ row: 1, column: 1 });
    grid.fillDown();
    expect(grid.rows.value[1]).toEqual(['d', 'b', '']);
    grid.moveTo({ row: 0, column: 0 });
    grid.moveBy(2, 1, true);
    grid.fillDown();
    expect(grid.rows.value).toEqual([['a', 'b', 'c'], ['a', 'b', ''], ['a', 'b', '']]); // prettier-ignore
    expect(grid.copied()).toBe('a\tb\na\tb\na\tb');
  });
  it('takes pasted cells from its cursor on, more rows than it had, no more columns', () => {
    const grid = filled();
    grid.moveTo({ row: 2, column: 1 });
    grid.paste([['1', '2', '3'], ['4']]);
    expect(grid.rows.value.slice(2)).toEqual([['', '1', '2'], ['', '4', '']]); // prettier-ignore
  });
  it('takes every step back, to where it began', () => {
    const grid = filled();
    const begun = JSON.stringify(grid.rows.value);
    grid.set({ row: 0, column: 0 }, 'x');
    grid.set({ row: 0, column: 0 }, 'x ');
    grid.clear();
    grid.remove();
    expect(grid.undoCount.value).toBe(3);
    for (let n = 0; n < 5; n++) grid.undo();
    expect(JSON.stringify(grid.rows.value)).toBe(begun);
  });
});

describe('a table’s file', () => {
  const file = (content: BlobPart, name = 'book.csv') => new File([content], name);
  it('is read whatever separates its cells, and however older programs wrote letters', async () => {
    expect(await readTableFile(file('a;b\n1,5;2\n'))).toEqual([['a', 'b'], ['1,5', '2']]); // prettier-ignore
    expect(await readTableFile(file('a\tb\n"x\ty"\t2'))).toEqual([['a', 'b'], ['x\ty', '2']]); // prettier-ignore
    expect(await readTableFile(file(new Uint8Array([0x4d, 0xfc, 0x2c, 0x31])))).toEqual([['Mü', '1']]);
    expect(cellsOfText('\uFEFFa,b')).toEqual([['a', 'b']]);
  });
  it('that is none says so, with a way on', async () => {
    await expect(readTableFile(file('PK', 'book.xlsx'))).rejects.toThrow('Save its sheet as CSV');
    await expect(readTableFile(file('\u0000\u0001'))).rejects.toThrow('is no table');
    await expect(readTableFile(file(' \n ,\n'))).rejects.toThrow('is empty');
  });
});

describe('photos of scraps', () => {
  it('come out of a zip, by their names, with an ending or without', async () => {
    const zip = zipSync({
      'old/IMG 1.JPG': new Uint8Array([1]),
      'old/notes.txt': new Uint8Array([2]),
      'b.png': new Uint8Array([3]),
    });
    const photos = await readPhotos([new File([new Uint8Array(zip)], 'old.zip'), new File(['x'], 'c.webp')]);
    expect([...photos.keys()].sort()).toEqual(['b.png', 'c.webp', 'img 1.jpg']);
    expect(photoOf('img 1', photos)?.name).toBe('IMG 1.JPG');
    expect(photoOf('C:\\photos\\B.PNG', photos)?.name).toBe('b.png');
    expect(photoOf('d', photos)).toBeUndefined();
  });
  it('in a zip that was cut off are none, and that is said', async () => {
    const zip = zipSync({ 'a.jpg': new Uint8Array(500) });
    await expect(readPhotos([new File([new Uint8Array(zip.slice(0, 60))], 'old.zip')])).rejects.toThrow(
      'no zip that can be read',
    );
  });
});

describe('names on scraps', () => {
  it('are guessed, and are what somebody said once they did', () => {
    const rows = [{ line: 2, metal: 'Ag 925', resin: 'skerry wax', flaws: [], notes: [], unread: [] }];
    const known = {
      things: { metal: [], resin: [{ id: 'r', name: 'Skerry Wax 55' }], what: [] },
      book: [{ name: 'Sterling silver' }],
    };
    expect(saidNames(rows, known, new Map()).map(({ meant, guessed }) => [meant, guessed])).toEqual([
      [{ is: 'new', name: 'Sterling silver' }, true],
      [{ is: 'thing', id: 'r' }, true],
    ]);
    const said = saidNames(rows, known, new Map([['metal ag 925', { is: 'unknown' as const }]]));
    expect(said[0]).toMatchObject({ meant: { is: 'unknown' }, guessed: false });
  });
});

const box = (page: VueWrapper) => page.find('[role="grid"]');
const paste = async (page: VueWrapper, text: string): Promise<void> => {
  const event = Object.assign(new Event('paste', { bubbles: true }), {
    clipboardData: { getData: () => text },
  });
  box(page).element.dispatchEvent(event);
  await flushPromises();
};

describe('the page of old records', () => {
  it('opens a drawer of forty pours, says what each becomes, and takes them in once their class is said', async () => {
    const page = shop.show(ScrapsPage);
    const input = vi.spyOn(HTMLInputElement.prototype, 'click').mockImplementation(function (
      this: HTMLInputElement,
    ) {
      Object.defineProperty(this, 'files', { value: [new File([BOOK], 'pours-2025.csv')] });
      this.dispatchEvent(new Event('change'));
    });
    await buttonOf(page, 'Open a table (CSV)').trigger('click');
    await vi.waitFor(() => expect(flatText(page)).toContain('40 pours, 186 castings, 152 of them sellable.'));
    input.mockRestore();
    expect(flatText(page)).toContain('Not told yet: Which class these pieces are of.');
    expect(buttonOf(page, 'Take 40 in').attributes('disabled')).toBeDefined();
    await buttonOf(page, 'standard').trigger('click');
    await buttonOf(page, 'Take 40 in').trigger('click');
    await vi.waitFor(() => expect(shop.server.last('/scraps')).toBeDefined());
    const sent = shop.server.last('/scraps')!.body as unknown as TakeScraps;
    expect(sent.pours).toHaveLength(40);
    expect(sent.pours.every(({ doc }) => doc.brief.alloyId !== undefined)).toBe(true);
    const limpet = shop.file.patterns.find(({ name }) => name === 'Limpet cufflink')!;
    expect(
      sent.pours.filter(({ doc }) => doc.brief.lines[0]?.patternId === limpet.id).length,
    ).toBeGreaterThan(5);
  });

  it('is typed and pasted into, and asks what nothing tells', async () => {
    const page = shop.show(ScrapsPage);
    expect(page.find('[aria-label="Take in"]').exists()).toBe(false);
    await paste(page, '3/3/25\tWhelk bead\t3\tsterling\t\t450\t960\t2 of 3\tash\t');
    expect(flatText(page)).toContain('1 pour, 3 castings, 2 of them sellable.');
    expect(flatText(page)).toContain('Whether Day has the day or the month first');
    await buttonOf(page, 'month first').trigger('click');
    expect(flatText(page)).not.toContain('Whether Day has');
    await box(page).trigger('keydown', { key: 'z', ctrlKey: true });
    expect(page.find('[aria-label="Take in"]').exists()).toBe(false);
  });

  it('says of a row what is not read of it', async () => {
    const page = shop.show(ScrapsPage);
    await paste(page, 'lately\tWhelk bead\t3\tsterling\t\t9000\t960\t5 of 3\t\t');
    expect(flatText(page)).toContain('1 have a cell that is not read');
    expect(flatText(page)).toContain('without a count count in nothing but the list');
  });
});

it('a taking-in is taken back by a second press', async () => {
  const batch = {
    id: crypto.randomUUID(),
    name: 'book.csv',
    takenAt: '2026-11-24T16:54:00.000Z',
    hash: 'a'.repeat(64),
    pours: 40,
    made: [],
  };
  useRecords().take('scrapBatch', batch);
  const view = shop.show(TakenBatches);
  await buttonOf(view, 'Take it back').trigger('click');
  expect(flatText(view)).toContain('All 40 pours go');
  await buttonOf(view, 'Take them back').trigger('click');
  await vi.waitFor(() =>
    expect(shop.server.last('/records/scrapBatch/')).toMatchObject({ method: 'DELETE' }),
  );
});

it('a day of an old record is said as sure as it is', () => {
  const day = (from: string, to: string, vague: boolean) => scrapDay({ days: { from, to, vague } });
  expect(day('2025-01-08', '2025-01-08', false)).toBe('8 Jan 2025');
  expect(day('2025-03-01', '2025-03-31', true)).toBe('about Mar 2025');
  expect(day('2025-03-01', '2025-05-31', true)).toBe('Mar 2025 to May 2025');
  expect(scrapDay({})).toBe('no day written');
});
