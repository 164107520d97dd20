import {
  applyChanges,
  Refusal,
  type CastLessons,
  type MadeWith,
  type OpeningTold,
  pourDocSchema,
  tellPrint,
  tellSizes,
  type DeviceList,
  type FieldChange,
  type FindHit,
  type HeatFlask,
  type History,
  type KilnCurve,
  type NewKilnRun,
  type Pour,
  type RecordGroup,
  type PouredPrint,
  type RecordPoints,
  type AboutShop,
  type Safety,
  type ShopFile,
} from '@zero-pour/contracts';
import { createPinia, setActivePinia, type Pinia } from 'pinia';
import { createDemoShop } from '@zero-pour/demo';
import { jobText, keptJob, type KeptJobName } from '@zero-pour/jobs';
import type { VueWrapper } from '@vue/test-utils';
import { afterEach, beforeAll, beforeEach, vi } from 'vitest';
import type { Component } from 'vue';
import { usePours } from '../state/pourStore';
import { usePrints } from '../state/printStore';
import { useRecords } from '../state/recordStore';
import { useShop } from '../state/shopStore';
import { useSizes } from '../state/sizeStore';
import { answerJson, answerNothing, answerRefused, TEST_SHOP } from './answers';
import { patternsFake } from './fakePatterns';
import { linesFake, searchFake } from './fakeRecord';
import { mountInApp } from './mountInApp';

/** One thing that was sent: method, address, body. */
export interface Sent {
  method: string;
  at: string;
  body: Record<string, unknown>;
}

/** Its kilns are read by nobody; a page hears of devices by another way. */
const NO_DEVICES: DeviceList = { devices: [], standIns: 'http://127.0.0.1:4690' };

/** A stand-in for the server with a shop in it: it answers what is put with what was put. */
export class FakeServer {
  readonly sent: Sent[] = [];

  /** What is told of any thing's history. */
  history: History = [];

  constructor(private readonly file: ShopFile) {}

  /** What it is said to have worked out, by the text of what is asked; it works out nothing itself. */
  readonly known = new Map<string, unknown>();
  private reading({ job, input }: Record<string, unknown>): unknown {
    const output = this.known.get(jobText(keptJob(job as KeptJobName), input));
    return output === undefined ? { status: 'failed', sentence: 'No machine.' } : { status: 'known', output };
  }

  /** Pours that were changed here; the shop of the file stays as it is for the next test. */
  private readonly changed = new Map<string, Pour>();
  private change(pour: Pour, changes: FieldChange[]): unknown {
    const before = this.changed.get(pour.id) ?? pour;
    const after = { ...before, doc: pourDocSchema.parse(applyChanges(before.doc, changes)) };
    this.changed.set(pour.id, after);
    return { pour: after, refused: [] };
  }

  /** Pours that were begun here. */
  private readonly begun = new Map<string, Pour>();
  private begin({ id, doc }: Record<string, unknown>): Pour {
    const at = new Date().toISOString();
    const number = Math.max(0, ...this.file.pours.map((pour) => pour.number)) + 1 + this.begun.size;
    const pour = { id, doc, number, discarded: false, createdAt: at, changedAt: at } as Pour;
    this.begun.set(pour.id, pour);
    return pour;
  }

  private pourOf(id: string | undefined): Pour | undefined {
    return this.begun.get(id ?? '') ?? this.file.pours.find((pour) => pour.id === id);
  }

  private find(words: string): { hits: FindHit[]; instead: null } {
    const hits = this.file.patterns
      .filter((pattern) => pattern.name.toLowerCase().includes(words.toLowerCase()))
      .map(({ id, name }): FindHit => ({ kind: 'pattern', id, title: name, line: '' }));
    return { hits, instead: null };
  }

  /** Addresses that were read, the newest last. */
  readonly asked: string[] = [];

  /** What the shop's castings taught of causes, and what they were made with. */
  lessons: CastLessons = {};
  madeWith: MadeWith[] = [];
  openings: OpeningTold[] = [];
  heats: HeatFlask[] = [];
  points: RecordPoints = { points: [], more: false };
  groups: RecordGroup[] = [];

  /** What the feed of prices answers. */
  prices: unknown = {};

  /** How it says that the shop is kept safe. */
  safety: Safety = {
    standing: 'current',
    why: null,
    since: null,
    lastAt: null,
    wrongCount: 0,
    wrong: null,
    keptAhead: null,
  };
  about: AboutShop | undefined;

  /** What earlier pours of any pattern tell of their prints. */
  printsOfPattern: PouredPrint[] = [];

  /** What was written down of its kilns. */
  kilnCurves: KilnCurve[] = [];

  private answer(at: string): unknown {
    if (at === '/api/kiln-runs') return { runs: this.kilnCurves.map(({ run }) => run) };
    if (at.startsWith('/api/kiln-runs/')) return this.kilnCurves.find(({ run }) => at.endsWith(run.id));
    if (at === '/api/safety') return this.safety;
    if (at === '/api/about') return this.about;
    if (at === '/api/devices') return NO_DEVICES;
    if (at === '/api/prices') return this.prices;
    const { settings, lists, patterns, records, pours } = this.file;
    if (at === '/api/shop') {
      const openPours = pours.filter((pour) => pour.doc.result.doneAt === undefined);
      return {
        shopId: TEST_SHOP,
        settings,
        lists,
        patterns,
        morePatterns: 0,
        openPours,
        revisions: {},
        unread: [],
      };
    }
    if (at === '/api/sizes') return pours.flatMap((pour) => tellSizes(pour) ?? []);
    if (at.startsWith('/api/prints/of/')) return this.printsOfPattern;
    if (at === '/api/prints') return pours.flatMap((pour) => tellPrint(pour) ?? []);
    if (at.startsWith('/api/casts/lessons')) return this.lessons;
    if (at.startsWith('/api/casts/openings')) return this.openings;
    if (at.startsWith('/api/casts/heats')) return this.heats;
    if (at.startsWith('/api/pours/points?')) return this.points;
    if (at.startsWith('/api/pours/groups?')) return this.groups;
    if (at === '/api/casts/made-with') return this.madeWith;
    if (at === '/api/records') return { lists: records, revisions: {}, unread: [] };
    if (at.startsWith('/api/patterns')) return patternsFake(patterns, at);
    if (at.startsWith('/api/pours?')) return searchFake(this.file, at);
    if (at.startsWith('/api/record?')) return linesFake(this.file, at);
    const numbered = /^\/api\/pours\/number\/(\d+)$/.exec(at)?.[1];
    if (numbered) {
      const found = pours.find(({ number }) => number === Number(numbered));
      return found ? { id: found.id } : undefined;
    }
    const onePour = /^\/api\/pours\/([0-9a-f-]{36})$/.exec(at);
    if (onePour) return pours.find(({ id }) => id === onePour[1]);
    if (at.startsWith('/api/find?'))
      return this.find(new URLSearchParams(at.split('?')[1]).get('words') ?? '');
    if (at.startsWith('/api/readings/')) return { output: null };
    if (at.endsWith('/history')) return this.history;
    return [];
  }

  /** A log as it was put, or whose pour it is. */
  private keptRun(method: string, at: string, body: Record<string, unknown>): Response {
    const id = /[0-9a-f-]{36}/.exec(at)![0];
    const held = this.kilnCurves.find(({ run }) => run.id === id);
    this.kilnCurves = this.kilnCurves.filter((curve) => curve !== held);
    if (method === 'DELETE') return answerNothing(204);
    const { kilnId, pourId, name, startedAt, atS, tempC, setC } = body as unknown as NewKilnRun;
    const run = held
      ? { ...held.run, pourId }
      : {
          id,
          kilnId,
          pourId,
          name,
          startedAt,
          source: 'file' as const,
          going: false,
          sent: null,
          missing: 0,
          lastS: atS.at(-1)!,
          rows: atS.length,
        };
    this.kilnCurves.unshift({ ...(held ?? { everyS: 0, atS, tempC, setC }), run });
    return answerJson(run);
  }

  readonly fetch = (at: string, init: RequestInit = {}): Promise<Response> => {
    const method = init.method ?? 'GET';
    if (method === 'GET') {
      this.asked.push(at);
      const told = this.answer(at);
      return Promise.resolve(
        told === undefined ? answerRefused(new Refusal('NOT_FOUND', { what: 'thing' })) : answerJson(told),
      );
    }
    if (at.startsWith('/api/blobs/')) return Promise.resolve(answerNothing(204));
    const body = (init.body ? JSON.parse(String(init.body)) : {}) as Record<string, unknown>;
    this.sent.push({ method, at, body });
    if (at === '/api/readings') return Promise.resolve(answerJson(this.reading(body)));
    if (at.startsWith('/api/kilns/') && method === 'PUT') return Promise.resolve(answerJson(NO_DEVICES));
    if (at === '/api/pours') return Promise.resolve(answerJson(this.begin(body)));
    const aside = /^\/api\/pours\/(.+)\/discarded$/.exec(at)?.[1];
    if (aside) return Promise.resolve(answerJson({ ...this.pourOf(aside), ...body }));
    if (at === '/api/patterns')
      return Promise.resolve(answerJson({ ...body, createdAt: new Date().toISOString() }));
    if (at.startsWith('/api/kiln-runs/')) return Promise.resolve(this.keptRun(method, at, body));
    const id = /[0-9a-f-]{36}$/.exec(at)?.[0];
    const pour = this.pourOf(id);
    if (method === 'PATCH' && pour)
      return Promise.resolve(answerJson(this.change(pour, body['changes'] as FieldChange[])));
    return Promise.resolve(
      method === 'DELETE' ? answerNothing(204) : answerJson(id ? { ...body, id } : body),
    );
  };

  /** The newest thing sent to an address that begins like this. */
  last(at: string): Sent | undefined {
    return this.sent.findLast((sent) => sent.at.startsWith(`/api${at}`));
  }
}

/** Stores filled from a server that is none. */
async function openFakeShop(file: ShopFile): Promise<{ server: FakeServer; pinia: Pinia }> {
  const server = new FakeServer(file);
  vi.stubGlobal('fetch', server.fetch);
  const pinia = createPinia();
  setActivePinia(pinia);
  await useShop().load();
  await useRecords().load();
  await useSizes().load();
  await usePrints().load();
  return { server, pinia };
}

/** What a test of a page has at hand: the demo shop behind a server that is none, opened anew for every test. */
export interface FakeShop {
  file: ShopFile;
  server: FakeServer;
  /** Mounts a page in that shop; it is taken down after the test, or when another is shown. */
  show(component: Component, props?: Record<string, unknown>, query?: Record<string, string>): VueWrapper;
}

/** Opens the demo shop for the tests of a file. */
export function useFakeShop(): FakeShop {
  let mounted: VueWrapper | undefined;
  let pinia: Pinia;
  const shop = {
    show: (component: Component, props: Record<string, unknown> = {}, query: Record<string, string> = {}) => {
      mounted?.unmount();
      return (mounted = mountInApp(component, props, pinia, query));
    },
  } as FakeShop;
  beforeAll(async () => {
    shop.file = (await createDemoShop(new Date())).file;
  }, 60_000);
  beforeEach(async () => {
    localStorage.clear();
    ({ server: shop.server, pinia } = await openFakeShop(shop.file));
  });
  afterEach(() => {
    mounted?.unmount();
    mounted = undefined;
    // What was typed last must not be sent in the next test, which has the same pours.
    usePours(pinia).$dispose();
  });
  return shop;
}
