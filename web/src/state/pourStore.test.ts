// @vitest-environment happy-dom
import { emptyPourDoc, type FieldChange } from '@zero-pour/contracts';
import { createPinia, setActivePinia } from 'pinia';
import { describe, expect, it, vi } from 'vitest';
import { useNotices } from './notices';
import { addPending, dropPending, mergeChange, readPending } from './pendingChanges';
import { TEST_SHOP } from '../testing/answers';
import { FAKE_POUR } from '../testing/fakePourServer';
import { useFakePour } from '../testing/useFakePour';
import { useNotKept } from './notKept';
import { usePours } from './pourStore';
import { adoptOldEntries, knowShop, shopKey } from './shopKeys';

const ID = FAKE_POUR;
const moment = '2026-11-24T16:54:00.000Z';
const NOTE = ['brief', 'note'] as const;

const fake = useFakePour();
const { type, shown, settle } = fake;

describe('typing', () => {
  it('shows at once, is sent as one change, and is kept', async () => {
    await usePours().load(ID);
    for (const text of ['h', 'ha', 'har']) type(text);
    expect(shown()).toBe('har');
    expect(fake.server.received).toEqual([]);
    await settle();
    expect(fake.server.received).toEqual([
      [{ path: [...NOTE], value: 'har', version: 2, over: [null, 'har'] }],
    ]);
    expect([usePours().saving, readPending(ID)]).toEqual(['saved', []]);
  });

  it('survives a server out of reach and a reload meanwhile', async () => {
    await usePours().load(ID);
    fake.server.mode = 'gone';
    type('harbour');
    await settle();
    expect([shown(), usePours().saving, fake.server.pour.doc.brief.note]).toEqual([
      'harbour',
      'waiting',
      undefined,
    ]);

    setActivePinia(createPinia());
    fake.server.mode = 'answers';
    await usePours().load(ID);
    expect(shown()).toBe('harbour');
    await settle();
    expect(fake.server.pour.doc.brief.note).toBe('harbour');
  });

  it('does not lose what is typed while a change is on its way', async () => {
    await usePours().load(ID);
    type('one');
    await vi.advanceTimersByTimeAsync(360);
    type('two');
    expect(shown()).toBe('two');
    await settle();
    expect(fake.server.pour.doc.brief.note).toBe('two');
  });

  it('says why the server will not have it, shows what it has, and holds what was typed', async () => {
    await usePours().load(ID);
    fake.server.refuses.add('x');
    type('x');
    await settle();
    expect(useNotices().current).toMatchObject({ weight: 'wrong' });
    expect([shown(), readPending(ID), usePours().saving]).toEqual([undefined, [], 'saved']);
    expect(useNotKept().ofStage(ID, 'brief')).toEqual([
      {
        of: 'pour',
        pourId: ID,
        change: { path: [...NOTE], value: 'x', version: 2 },
        sentence: 'This cannot be kept.',
      },
    ]);
    type('y');
    expect(useNotKept().entries).toEqual([]);
  });
});

describe('many waiting changes', () => {
  const PIECES = 300;
  const piece = (n: number) => ({ outcome: 'good' as const, note: `piece ${n}` });
  const typePieces = (): void => {
    for (let n = 1; n <= PIECES; n++) usePours().set(ID, ['print', 'pieces', `l1/${n}`], piece(n));
  };

  it('are all kept, in groups; of two that are refused or break something, only those are set aside', async () => {
    await usePours().load(ID);
    fake.server.mode = 'gone';
    typePieces();
    usePours().set(ID, ['scale', 'percent'], 101);
    usePours().set(ID, ['brief', 'note'], 'refused');
    usePours().set(ID, ['print', 'note'], 'stumbled over');
    usePours().set(ID, ['flasks', 'f1', 'sprue', 'note'], 'after it');
    await settle();
    expect(readPending(ID)).toHaveLength(PIECES + 4);
    setActivePinia(createPinia());
    fake.server.mode = 'answers';
    fake.server.refuses.add('refused');
    fake.server.stumblesOver.add('stumbled over');
    await usePours().load(ID);
    await vi.advanceTimersByTimeAsync(60_000);
    expect(Object.keys(fake.server.pour.doc.print.pieces)).toHaveLength(PIECES);
    expect([fake.server.pour.doc.scale.percent, fake.server.pour.doc.flasks[0]!.sprue.note]).toEqual([
      101,
      'after it',
    ]);
    expect(readPending(ID)).toEqual([]);
    expect(useNotKept().entries.map((entry) => entry.of === 'pour' && entry.change.value)).toEqual([
      'refused',
      'stumbled over',
    ]);
  });

  it('wait while another program answers, whatever it answers', async () => {
    await usePours().load(ID);
    fake.server.mode = 'another program';
    type('harbour');
    await settle();
    expect([usePours().saving, readPending(ID).length, useNotKept().entries]).toEqual(['waiting', 1, []]);
    fake.server.mode = 'answers';
    await settle();
    expect(fake.server.pour.doc.brief.note).toBe('harbour');
  });

  it('of a pour that is not open any more are sent too', async () => {
    addPending(ID, { path: [...NOTE], value: 'late' });
    usePours().takeOpen([]);
    await settle();
    expect(fake.server.pour.doc.brief.note).toBe('late');
  });
});

describe('two shops that take turns on one port', () => {
  const OTHER = '11111111-8a0e-4c55-9d3b-1a2b3c4d5e6f';

  it('never see each other’s entries', async () => {
    addPending(ID, { path: [...NOTE], value: 'of the first' });
    knowShop(OTHER);
    expect(readPending(ID)).toEqual([]);
    addPending(ID, { path: [...NOTE], value: 'of the other' });
    knowShop(TEST_SHOP);
    expect(readPending(ID)).toEqual([{ path: [...NOTE], value: 'of the first' }]);
  });

  it('get entries of before shops had names only for what they have', () => {
    const old = JSON.stringify([{ path: [...NOTE], value: 'old' }]);
    localStorage.setItem(`zero-pour.unsent.${ID}`, old);
    localStorage.setItem(`zero-pour.put./shop/resin/${OTHER}`, '{"name":"of the demo"}');
    adoptOldEntries((id) => id === ID);
    expect(readPending(ID)).toEqual([{ path: [...NOTE], value: 'old' }]);
    expect(localStorage.getItem(`zero-pour.put./shop/resin/${OTHER}`)).not.toBeNull();
    expect(localStorage.getItem(`zero-pour.unsent.${ID}`)).toBeNull();
  });
});

describe('a browser without room', () => {
  it('says so, holds what was typed in the window, and still sends it', async () => {
    await usePours().load(ID);
    const full = (): never => {
      throw new DOMException('full', 'QuotaExceededError');
    };
    const { getItem, removeItem } = localStorage;
    vi.stubGlobal('localStorage', { getItem, removeItem, setItem: full });
    fake.server.mode = 'gone';
    type('harbour');
    expect(useNotices().current?.text).toContain('no room left');
    await settle();
    fake.server.mode = 'answers';
    await settle();
    expect([fake.server.pour.doc.brief.note, readPending(ID)]).toEqual(['harbour', []]);
  });
});

describe('two windows of one browser', () => {
  it('add to one list: what one could not send the other sends, in order and once', async () => {
    await usePours().load(ID);
    fake.server.mode = 'gone';
    usePours().set(ID, ['clean', 'steps', 'bath1'], { doneAt: moment });
    const second = createPinia();
    setActivePinia(second);
    usePours().take(fake.server.pour);
    usePours().set(ID, ['clean', 'steps', 'bath2'], { doneAt: moment });
    expect(readPending(ID).map((change) => change.path.at(-1))).toEqual(['bath1', 'bath2']);
    fake.server.mode = 'answers';
    await settle();
    expect(Object.keys(fake.server.pour.doc.clean.steps)).toEqual(['bath1', 'bath2']);
    expect(readPending(ID)).toEqual([]);
  });

  it('keep a field that was changed again while its first change was on its way', () => {
    const first: FieldChange = { path: [...NOTE], value: 'a' };
    addPending(ID, first);
    addPending(ID, { path: [...NOTE], value: 'b' });
    dropPending(ID, [first]);
    expect(readPending(ID)).toEqual([{ path: [...NOTE], value: 'b' }]);
    dropPending(ID, [{ path: [...NOTE], value: 'b' }]);
    expect(localStorage.length).toBe(0);
  });

  it('take nothing from a list that is none', () => {
    for (const text of ['{', '[]', '[{"path":[],"value":1}]', '"x"']) {
      localStorage.setItem(shopKey(`unsent.${ID}`), text);
      expect(readPending(ID)).toEqual([]);
    }
  });
});

describe('changes that waited since the version before', () => {
  it('are shown where they belong now, and sent as they were typed', async () => {
    const typed: FieldChange = { path: ['print', 'pieces', '2'], value: { outcome: 'good', note: 'old' } };
    addPending(ID, typed);
    fake.server.pour.doc.brief.lines = [{ key: 'l7', patternId: ID, count: 3 }];
    const { doc } = await usePours().load(ID);
    expect(doc.print.pieces).toEqual({ 'l7/2': { outcome: 'good', note: 'old' } });
    await settle();
    expect(fake.server.received.flat()).toEqual([typed]);
  });
});

describe('undo', () => {
  it('takes a typed word back as one step, fields one after the other', async () => {
    const pours = usePours();
    await pours.load(ID);
    pours.set(ID, ['scale', 'percent'], 101);
    for (const text of ['a', 'ab']) type(text);
    expect(pours.undo()).toBe(true);
    expect(shown()).toBeUndefined();
    expect(pours.undo()).toBe(true);
    expect(pours.pours.get(ID)?.doc.scale.percent).toBeUndefined();
    expect(pours.undo()).toBe(false);
    await settle();
    expect(fake.server.pour.doc).toEqual(emptyPourDoc());
  });
});

it('keeps only the last of several changes of one field', () => {
  const first = mergeChange([], { path: [...NOTE], value: 'a' });
  expect(mergeChange(first, { path: [...NOTE], value: 'b' })).toEqual([{ path: [...NOTE], value: 'b' }]);
  expect(mergeChange(first, { path: ['brief', 'notes'], value: 'b' })).toHaveLength(2);
});
