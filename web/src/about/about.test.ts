// @vitest-environment happy-dom
import { Refusal, type AboutShop, type Backups, type Safety } from '@zero-pour/contracts';
import { flushPromises } from '@vue/test-utils';
import { describe, expect, it, vi } from 'vitest';
import { answerJson, answerRefused } from '../testing/answers';
import { useFakeShop } from '../testing/fakeServer';
import { buttonOf, fieldOf, flatText, typeInto } from '../testing/showInPour';
import AboutPage from './AboutPage.vue';
import { backupWords, boardWords, formatBytes } from './safetyWords';
import SafetyLine from './SafetyLine.vue';

const shop = useFakeShop();
const NOW = Date.parse('2026-11-30T18:40:00.000Z');
const LAST: NonNullable<Backups['last']> = { at: '2026-11-30T17:30:00.000Z', file: '/b/zero-pour backup 2026-11-30 1830.zip', size: 4_200_000, pours: 31, entries: 140, bytes: 12, missing: 0, tookS: 2.4 }; // prettier-ignore
const BACKUPS: Backups = { isOn: true, folder: '/data/backups', isOwnFolder: true, standing: 'current', last: LAST, failed: null, since: null, isRunning: false, kept: [{ name: 'zero-pour backup 2026-11-30 1830.zip', at: LAST.at, size: LAST.size }] }; // prettier-ignore
const ABOUT: AboutShop = {
  version: '0.1.0', migration: 28, node: '20.0.0', database: { kind: 'embedded', version: '18.6', bytes: 4e7 }, dataFolder: '/data',
  startedAt: LAST.at, counts: { pours: 31 }, blobs: { count: 12, bytes: 3e6 }, freeBytes: 9e10, looked: null, jobs: [], backups: BACKUPS,
}; // prettier-ignore
const FINE: Safety = {
  standing: 'current',
  why: null,
  since: null,
  lastAt: LAST.at,
  wrongCount: 0,
  keptAhead: null,
  wrong: null,
};

async function open(about: AboutShop) {
  shop.server.about = about;
  const page = shop.show(AboutPage);
  await flushPromises();
  return page;
}

describe('how it stands with backups', () => {
  const words = (change: Partial<Backups>): string => {
    const { text, then } = backupWords({ ...BACKUPS, ...change }, NOW);
    return `${text} ${then}`;
  };
  it('is said in other words for each of six standings', () => {
    const failed = { at: LAST.at, why: 'The disk is full.' };
    const all = [
      words({}),
      words({ standing: 'behind', since: LAST.at }),
      words({ standing: 'none', last: null, since: LAST.at }),
      words({ standing: 'failed', failed }),
      words({ standing: 'overdue', since: LAST.at }),
      words({ standing: 'off', isOn: false }),
    ];
    expect(new Set(all).size).toBe(6);
    expect(all.filter((text) => text.includes('All that is kept is in a backup'))).toEqual([all[0]]);
    expect(all[3]).toContain('The disk is full.');
    expect(words({ last: { ...LAST, missing: 2 } })).toContain('but 2 damaged files');
    expect(words({ standing: 'overdue', last: null, since: LAST.at })).toContain(
      'There is none that is whole',
    );
  });
  it('is silent on the board unless somebody should act', () => {
    for (const standing of ['current', 'behind', 'none', 'off'] as const) expect(boardWords({ ...FINE, standing }, NOW)).toEqual([]); // prettier-ignore
    expect(boardWords({ ...FINE, standing: 'failed', why: 'No room.' }, NOW)[0]).toContain('No room.');
    expect(boardWords({ ...FINE, keptAhead: LAST.at }, NOW)[0]).toContain('has not come to');
    expect(boardWords({ ...FINE, standing: 'overdue', since: LAST.at, wrongCount: 2, wrong: 'Pour 7 cannot be read.' }, NOW)).toHaveLength(2); // prettier-ignore
  });
  it('gives sizes in units that fit', () => {
    expect([900, 45_000, 4_200_000, 250_000_000, 2.5e9].map(formatBytes)).toEqual(['0.9 kB', '45 kB', '4.2 MB', '250 MB', '2.5 GB']); // prettier-ignore
  });
});

describe('the board’s line', () => {
  it('leads to where it is seen to, and is not there while nothing is wrong', async () => {
    const quiet = shop.show(SafetyLine);
    await flushPromises();
    expect(flatText(quiet)).toBe('');
    shop.server.safety = { ...FINE, standing: 'failed', why: 'There is no room.' };
    const loud = shop.show(SafetyLine);
    await flushPromises();
    expect(loud.find('[role=alert]').text()).toContain('There is no room.');
    expect(loud.find('a').attributes('href')).toBe('/shop/about');
  });
});

describe('about this shop', () => {
  it('warns that backups beside the shop die with it, and no longer once they go elsewhere', async () => {
    const page = await open(ABOUT);
    expect(flatText(page)).toContain('They lie beside the shop itself');
    const sent: unknown[] = [];
    vi.stubGlobal('fetch', async (at: string, init: RequestInit = {}) => {
      if (init.method !== 'PUT') return shop.server.fetch(at, init);
      sent.push(JSON.parse(init.body as string));
      return answerJson({ ...ABOUT, backups: { ...BACKUPS, folder: '/other', isOwnFolder: false } });
    });
    expect(buttonOf(page, 'Keep').attributes('disabled')).toBeDefined();
    await typeInto(page, 'Folder for backups, as a whole path', '/other');
    await page.find('form').trigger('submit');
    await flushPromises();
    expect(sent).toEqual([{ isOn: true, folder: '/other' }]);
    expect(flatText(page)).not.toContain('They lie beside the shop itself');
    expect((fieldOf(page, 'Folder for backups, as a whole path').element as HTMLInputElement).value).toBe('/other'); // prettier-ignore
  });
  it('leaves a folder that was refused as it was typed', async () => {
    const page = await open(ABOUT);
    const label = 'Folder for backups, as a whole path';
    vi.stubGlobal('fetch', async (at: string, init: RequestInit = {}) =>
      init.method === 'PUT'
        ? answerRefused(new Refusal('BACKUP_FOLDER', { folder: 'here', why: 'a whole path is needed' }))
        : at.endsWith('/about')
          ? answerJson(structuredClone(ABOUT))
          : shop.server.fetch(at, init),
    );
    await typeInto(page, label, 'here');
    await page.find('form').trigger('submit');
    await flushPromises();
    expect(page.find('[role=alert]').text()).toContain('a whole path is needed');
    expect((fieldOf(page, label).element as HTMLInputElement).value).toBe('here');
  });
  it('says a refusal, and how it stands after it', async () => {
    const page = await open(ABOUT);
    vi.stubGlobal('fetch', async (at: string, init: RequestInit = {}) =>
      init.method === 'POST'
        ? answerJson(
            { error: { code: 'BACKUP_NO_ROOM', sentence: 'There is no room for a backup.' } },
            { status: 507 },
          )
        : shop.server.fetch(at, init),
    );
    shop.server.about = { ...ABOUT, backups: { ...BACKUPS, standing: 'failed', failed: { at: LAST.at, why: 'There is no room for a backup.' } } }; // prettier-ignore
    await buttonOf(page, 'Make one now').trigger('click');
    await flushPromises();
    expect(page.find('[role=alert]').text()).toContain('There is no room');
    expect(flatText(page)).toContain('The last backup failed.');
  });
  it('tells apart what was not read yet, what was whole, and what is damaged', async () => {
    expect(flatText(await open(ABOUT))).toContain('It was not read through yet');
    const looked = { at: LAST.at, tookS: 1, documents: 140, files: 12, wrong: [], wrongCount: 0 };
    expect(flatText(await open({ ...ABOUT, looked }))).toContain('Nothing was wrong when all of it was read');
    const damaged = flatText(await open({ ...ABOUT, looked: { ...looked, wrong: ['Pour 7 cannot be read.'], wrongCount: 1 } })); // prettier-ignore
    expect(damaged).toContain('Pour 7 cannot be read.');
    expect(damaged).not.toContain('Nothing was wrong');
  });
});
