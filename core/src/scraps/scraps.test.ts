import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { asRole, guessColumns, type ScrapRole } from './columns';
import { readCount, readOutcome } from './counts';
import { guessDateOrder, middleDay, readDay } from './dates';
import { readFlaws } from './flawNames';
import { findLike, isLikeAny, likeness, metalCalled } from './likeNames';
import { readScraps } from './readScrap';
import { findTable } from './table';

const rowsOf = (text: string): string[][] =>
  text.split('\n').map((line) => line.split('|').map((cell) => cell.trim()));
const read = (text: string) => {
  const table = findTable(rowsOf(text));
  return readScraps(table, guessColumns(table));
};
const rolesOf = (text: string): ScrapRole[] => guessColumns(findTable(rowsOf(text))).map(({ role }) => role);

describe('a day on a scrap', () => {
  const day = (text: string, year?: number): string | undefined => {
    const found = readDay(text, 'day first', year);
    return (
      found && `${found.from}${found.to === found.from ? '' : ` … ${found.to}`}${found.vague ? ' about' : ''}`
    );
  };
  it('is read in the styles that people have', () => {
    expect(
      [
        '14.3.25',
        '14/03/2025',
        '2025-03-14',
        '14 Mar 2025',
        '14. March 25',
        'March 14, 2025',
        'Mar 14th 2025',
        '45730',
      ].map((text) => day(text)),
    ).toEqual(Array(8).fill('2025-03-14'));
    expect(readDay('3/14/25', 'month first')?.from).toBe('2025-03-14');
  });
  it('may be a month, a season or a year, and then says between which days', () => {
    expect(day('Feb 2024')).toBe('2024-02-01 … 2024-02-29 about');
    expect(day('02/2025')).toBe('2025-02-01 … 2025-02-28 about');
    expect(day('spring 2025')).toBe('2025-03-01 … 2025-05-31 about');
    expect(day('winter 2025')).toBe('2024-11-01 … 2025-02-28 about');
    expect(day('2025')).toBe('2025-01-01 … 2025-12-31 about');
  });
  it('that is only about is half a month wide on either side', () => {
    expect(day('around March 2025')).toBe('2025-03-01 … 2025-03-31 about');
    expect(day('~14.3.2025')).toBe('2025-02-27 … 2025-03-29 about');
  });
  it('without a year takes the one that is known, and is none without', () => {
    expect(day('around March', 2025)).toBe('2025-03-01 … 2025-03-31 about');
    expect(day('around March')).toBeUndefined();
  });
  it('that there never was is none', () => {
    for (const text of [
      '31.6.2025',
      '29.2.2025',
      '0/1/25',
      '14.13.2025',
      'Smarch 2025',
      'soon',
      '',
      '12',
      '99999',
    ])
      expect([text, day(text)]).toEqual([text, undefined]);
  });
  it('has its middle for where one day is wanted', () => {
    expect(middleDay(readDay('March 2025', 'day first')!)).toBe('2025-03-16');
    expect(middleDay(readDay('2025-03-14', 'day first')!)).toBe('2025-03-14');
  });
  it('that is written in one order is read back as itself', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 20_000 }), (n) => {
        const iso = new Date(Date.UTC(2000, 0, 1 + n)).toISOString().slice(0, 10);
        const [y, m, d] = iso.split('-');
        expect(readDay(`${Number(m)}/${Number(d)}/${y}`, 'month first')?.from).toBe(iso);
        expect(readDay(`${d}.${m}.${y}`, 'day first')?.from).toBe(iso);
      }),
      { seed: 21, numRuns: 200 },
    );
  });
});

describe('the order of day and month', () => {
  it('is told by a number over twelve, else by the column running forwards', () => {
    expect(guessDateOrder(['1/8/25', '1/18/25'])).toBe('month first');
    expect(guessDateOrder(['8.1.25', '18.1.25'])).toBe('day first');
    expect(guessDateOrder(['1/2/25', '1/5/25', '2/1/25', '2/4/25'])).toBe('month first');
  });
  it('is not guessed where nothing tells, or the column contradicts itself', () => {
    expect(guessDateOrder(['3/3/25'])).toBeNull();
    expect(guessDateOrder(['13/1/25', '1/13/25'])).toBeNull();
  });
});

describe('counts', () => {
  it('are read as they are said', () => {
    expect(['7', ' 7 pcs', '×7', '7.0', 'seven', 'none'].map(readCount)).toEqual([7, 7, 7, 7, 7, 0]);
    expect(['', 'some', '7.5', '-2', '9999', '7 g'].map(readCount)).toEqual(Array(6).fill(undefined));
  });
  it('of what came out stand on what was made', () => {
    expect(readOutcome('2 of 3', undefined)).toEqual({ good: 2, of: 3 });
    expect(readOutcome('2/3', 3)).toEqual({ good: 2, of: 3 });
    expect(readOutcome('all', 5)).toEqual({ good: 5, of: 5 });
    expect(readOutcome('80 %', 5)).toEqual({ good: 4, of: 5 });
    expect(readOutcome('4', 5)).toEqual({ good: 4, of: 5 });
    expect(readOutcome('4', undefined)).toEqual({ good: 4, of: null });
  });
  it('that cannot be are none', () => {
    for (const text of ['4 of 3', 'all', '120 %', 'most'])
      expect([text, readOutcome(text, undefined)]).toEqual([text, undefined]);
    expect(readOutcome('6', 5)).toBeUndefined();
  });
});

describe('names', () => {
  const alloys = [
    'Sterling silver',
    'Fine silver',
    '14 ct yellow gold',
    'Tin bronze 90/10',
    'Silicon bronze',
  ].map((name) => ({ name }));
  const resins = ['Skerry Wax 55', 'Skerry Low-Ash', 'Brine Clear-Out'].map((name) => ({ name }));
  const found = (said: string, things: { name: string }[]): string | undefined =>
    findLike(said, things)?.thing.name;

  it('of metals are those of the trade', () => {
    for (const said of ['Ag 925', 'sterling', 'Sterling silver', 'SS', '925'])
      expect(found(said, alloys)).toBe('Sterling silver');
    for (const said of ['14k yellow', '14 ct yellow gold', '14kt', '585'])
      expect(found(said, alloys)).toBe('14 ct yellow gold');
    expect([metalCalled('tin bronze'), metalCalled('silicon bronze'), metalCalled('18k rose')]).toEqual([
      'Tin bronze 90/10',
      'Silicon bronze',
      '18 ct rose gold',
    ]);
    expect(metalCalled('unobtainium')).toBeUndefined();
  });
  it('that are cut short or misspelt are found, and how is said', () => {
    expect(findLike('skerry wax', resins)).toMatchObject({ thing: { name: 'Skerry Wax 55' }, how: 'like' });
    expect(findLike('Brine Clearout', resins)).toMatchObject({
      thing: { name: 'Brine Clear-Out' },
      how: 'like',
    });
    expect(findLike('skerry low ash', resins)?.how).toBe('same');
  });
  it('that could be two, or none, are not guessed', () => {
    expect(found('skerry', resins)).toBeUndefined();
    expect(found('gold', alloys)).toBeUndefined();
    expect([isLikeAny('skerry', resins), isLikeAny('Basalt', resins)]).toEqual([true, false]);
    expect(found('', resins)).toBeUndefined();
  });
  it('are as like as they are either way round, and like themselves', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 20 }), fc.string({ maxLength: 20 }), (a, b) => {
        expect(likeness(a, b)).toBe(likeness(b, a));
        expect(likeness(a, b)).toBeLessThanOrEqual(1);
      }),
      { seed: 21, numRuns: 100 },
    );
    expect(likeness('Whelk bead', 'whelk  bead')).toBe(1);
  });
});

describe('flaws', () => {
  it('are known by what they are called at the bench, several in one cell', () => {
    expect(readFlaws('ash, fins and misrun')).toEqual({
      flaws: ['ash pitting', 'fin or flash', 'misrun'],
      unknown: [],
    });
    expect(readFlaws('shrinkage; wobbly')).toEqual({
      flaws: ['shrinkage dent or sponge'],
      unknown: ['wobbly'],
    });
    expect(readFlaws('none')).toEqual({ flaws: [], unknown: [] });
  });
});

describe('a table', () => {
  it('has headings in one row, in two, under a title, or none', () => {
    expect(findTable(rowsOf('Date|Qty\n1/8/25|3')).headings).toEqual(['Date', 'Qty']);
    expect(
      findTable(rowsOf('|When|Print||Temps|\nNo||made|ok|flask|metal\n1|6 Jan 2025|6|5|hot|1922 F')).headings,
    ).toEqual(['No', 'When', 'Print made', 'Print ok', 'Temps flask', 'Temps metal']);
    expect(findTable(rowsOf('Our pours||\n\nDate|Qty|Metal\n1/8/25|3|silver')).headings).toEqual([
      'Date',
      'Qty',
      'Metal',
    ]);
    expect(findTable(rowsOf('1/8/25|3\n1/9/25|4'))).toMatchObject({
      headings: ['Column 1', 'Column 2'],
      rows: [{ line: 1 }, { line: 2 }],
    });
    expect(findTable([])).toEqual({ headings: [], rows: [] });
  });
  it('keeps the line of the file through empty lines, and short rows are filled', () => {
    expect(findTable(rowsOf('Date|Qty|Note\n\n1/8/25|3')).rows).toEqual([
      { line: 3, cells: ['1/8/25', '3', ''] },
    ]);
  });
});

describe('columns', () => {
  it('are known by any headings, each role once', () => {
    expect(
      rolesOf(
        'Date|What|Qty|Metal|Resin|Flask F|Metal F|Grams|Came out|Trouble|Notes\n1/8/25|Bead|3|ss|x|842|1760|20|2 of 3|ash|cold',
      ),
    ).toEqual(['day', 'what', 'cast', 'metal', 'resin', 'flask', 'melt', 'charge', 'good', 'flaw', 'note']);
    expect(rolesOf('poured on|piece|n|alloy|temp of flask|remarks\n1/8/25|Bead|3|ss|450|x')).toEqual([
      'day',
      'what',
      'cast',
      'metal',
      'flask',
      'note',
    ]);
  });
  it('without headings are known by what stands in them, as far as that goes', () => {
    expect(rolesOf('1/8/25|2 of 3|some words here\n1/9/25|4 of 4|other words')).toEqual([
      'day',
      'good',
      'note',
    ]);
  });
  it('of temperatures take their unit from heading, cells, or size', () => {
    const unit = (text: string) => guessColumns(findTable(rowsOf(text)))[0]!;
    expect(unit('Flask F\n842')).toMatchObject({ role: 'flask', unit: 'F', told: true });
    expect(unit('Flask\n540 C')).toMatchObject({ unit: 'C', told: true });
    expect(unit('Flask\n842\n1004')).toMatchObject({ unit: 'F', told: true });
    expect(unit('Flask\n450\n540')).toMatchObject({ unit: 'C', told: true });
    // Between the two nothing tells: it is asked.
    expect(unit('Flask\n600\n650')).toMatchObject({ unit: 'C', told: false });
  });
  it('can be read as something else', () => {
    const table = findTable(rowsOf('A|B\n13/1/25|842'));
    expect(asRole(table, 0, 'day')).toEqual({ role: 'day', order: 'day first', told: true });
    expect(asRole(table, 1, 'flask')).toEqual({ role: 'flask', unit: 'F', told: true });
  });
});

describe('a row', () => {
  it('becomes what it says, in units of ours, and nothing more', () => {
    expect(
      read(
        'Date|Qty|Metal|Flask F|Metal F|Grams|Came out|Trouble|Notes\n1/18/25|3|Ag 925|842|1,760|25,6|2 of 3|ash|cold room',
      ),
    ).toEqual([
      {
        line: 2,
        day: { from: '2025-01-18', to: '2025-01-18', vague: false },
        cast: 3,
        good: 2,
        metal: 'Ag 925',
        flask: { tempC: 450 },
        melt: { tempC: 960 },
        chargeG: 25.6,
        flaws: ['ash pitting'],
        notes: ['cold room'],
        unread: [],
      },
    ]);
    expect(read('Date|Qty\n1/18/25|')).toEqual([
      { line: 2, day: expect.anything() as unknown, flaws: [], notes: [], unread: [] },
    ]);
  });
  it('names what it cannot read, and guesses nothing for it', () => {
    const [row] = read(
      'Date|Qty|Flask F|Came out|Trouble\nlately|a few|9000|5 of 3|wobbly\n13/1/25|3|842|3|',
    );
    expect(row).toMatchObject({ flaws: [], unread: [
      { heading: 'Date', text: 'lately' }, { heading: 'Qty', text: 'a few' }, { heading: 'Came out', text: '5 of 3' },
      { heading: 'Flask F', text: '9000' }, { heading: 'Trouble', text: 'wobbly' },
    ] }); // prettier-ignore
    expect(row).not.toHaveProperty('cast');
    expect(row).not.toHaveProperty('flask');
  });
  it('whose counts contradict each other keeps what was made, and says so', () => {
    expect(read('Date|Qty|Came out\n13/1/25|4|2 of 3')[0]).toMatchObject({
      cast: 4,
      unread: [{ why: 'does not go with 4 that were made' }],
    });
  });
  it('of a month without a year is of the year before it', () => {
    expect(read('Date|Qty|Came out\n13/1/25|3|3 of 3\naround March|2|all').map(({ day }) => day?.to)).toEqual(
      ['2025-01-13', '2025-03-31'],
    );
  });
  it('holds a temperature as the hand said it', () => {
    expect(read('When|Flask\n2025-01-01|hot\n2025-01-02|450 C').map(({ flask }) => flask)).toEqual([
      { felt: 'hot' },
      { tempC: 450 },
    ]);
  });
});

it('five thousand rows are read without a fault', () => {
  const rows = Array.from(
    { length: 5000 },
    (_, n) => `${1 + (n % 28)}.${1 + (n % 12)}.2025|${n % 9}|all|${800 + (n % 400)}`,
  );
  const pours = read(['Date|Qty|Came out|Flask F', ...rows].join('\n'));
  expect(pours).toHaveLength(5000);
  expect(pours.filter(({ unread }) => unread.length > 0)).toEqual([]);
});
