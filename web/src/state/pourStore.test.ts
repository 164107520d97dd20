// @vitest-environment happy-dom
import { applyChanges, emptyPourDoc, pourDocSchema, type FieldChange, type Pour } from '@zero-pour/contracts';
import { createPinia, setActivePinia } from 'pinia';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { useNotices } from './notices';
import { addPending, dropPending, mergeChange, readPending } from './pendingChanges';
import { usePours } from './pourStore';

const ID = '5f1c2a30-8a0e-4c55-9d3b-1a2b3c4d5e6f';
const moment = '2026-11-24T16:54:00.000Z';
const NOTE = ['brief', 'note'];

/** A stand-in for the server: one pour, that can be out of reach or refuse. */
class FakeServer {
  pour: Pour = {
    id: ID,
    number: 1,
    createdAt: moment,
    changedAt: moment,
    discarded: false,
    doc: emptyPourDoc(),
  };
  mode: 'answers' | 'gone' | 'refuses' = 'answers';
  received: FieldChange[][] = [];

  readonly fetch = async (_: string, init: RequestInit = {}): Promise<Response> => {
    if (this.mode === 'gone') throw new TypeError('no answer');
    if (init.method === 'PATCH') {
      if (this.mode === 'refuses')
        return Response.json(
          { error: { code: 'BAD_REQUEST', sentence: 'This cannot be kept.' } },
          { status: 422 },
        );
      const { changes } = JSON.parse(String(init.body)) as { changes: FieldChange[] };
      this.received.push(changes);
      this.pour = { ...this.pour, doc: pourDocSchema.parse(applyChanges(this.pour.doc, changes)) };
    }
    return Response.json(this.pour);
  };
}

let server: FakeServer;
beforeEach(() => {
  vi.useFakeTimers();
  localStorage.clear();
  setActivePinia(createPinia());
  server = new FakeServer();
  vi.stubGlobal('fetch', server.fetch);
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

const type = (text: string): void => usePours().set(ID, NOTE, text);
const shown = (): string | undefined => usePours().pours.get(ID)?.doc.brief.note;
const settle = (): Promise<void> => vi.advanceTimersByTimeAsync(5000).then(() => undefined);

describe('typing', () => {
  it('shows at once, is sent as one change, and is kept', async () => {
    await usePours().load(ID);
    for (const text of ['h', 'ha', 'har']) type(text);
    expect(shown()).toBe('har');
    expect(server.received).toEqual([]);
    await settle();
    expect(server.received).toEqual([[{ path: NOTE, value: 'har' }]]);
    expect([usePours().saving, readPending(ID)]).toEqual(['saved', []]);
  });

  it('survives a server out of reach and a reload meanwhile', async () => {
    await usePours().load(ID);
    server.mode = 'gone';
    type('harbour');
    await settle();
    expect([shown(), usePours().saving, server.pour.doc.brief.note]).toEqual([
      'harbour',
      'waiting',
      undefined,
    ]);

    setActivePinia(createPinia());
    server.mode = 'answers';
    await usePours().load(ID);
    expect(shown()).toBe('harbour');
    await settle();
    expect(server.pour.doc.brief.note).toBe('harbour');
  });

  it('does not lose what is typed while a change is on its way', async () => {
    await usePours().load(ID);
    type('one');
    await vi.advanceTimersByTimeAsync(360);
    type('two');
    expect(shown()).toBe('two');
    await settle();
    expect(server.pour.doc.brief.note).toBe('two');
  });

  it('says why the server will not have it, and shows what it has', async () => {
    await usePours().load(ID);
    server.mode = 'refuses';
    type('x');
    await settle();
    expect(useNotices().current).toMatchObject({ weight: 'wrong', text: 'This cannot be kept.' });
    expect([shown(), readPending(ID)]).toEqual([undefined, []]);
  });
});

describe('two windows of one browser', () => {
  it('add to one list: what one could not send the other sends, in order and once', async () => {
    await usePours().load(ID);
    server.mode = 'gone';
    usePours().set(ID, ['clean', 'steps', 'bath1'], { doneAt: moment });
    const second = createPinia();
    setActivePinia(second);
    usePours().take(server.pour);
    usePours().set(ID, ['clean', 'steps', 'bath2'], { doneAt: moment });
    expect(readPending(ID).map((change) => change.path.at(-1))).toEqual(['bath1', 'bath2']);
    server.mode = 'answers';
    await settle();
    expect(Object.keys(server.pour.doc.clean.steps)).toEqual(['bath1', 'bath2']);
    expect(readPending(ID)).toEqual([]);
  });

  it('keep a field that was changed again while its first change was on its way', () => {
    const first: FieldChange = { path: NOTE, value: 'a' };
    addPending(ID, first);
    addPending(ID, { path: NOTE, value: 'b' });
    dropPending(ID, [first]);
    expect(readPending(ID)).toEqual([{ path: NOTE, value: 'b' }]);
    dropPending(ID, [{ path: NOTE, value: 'b' }]);
    expect(localStorage.length).toBe(0);
  });

  it('take nothing from a list that is none', () => {
    for (const text of ['{', '[]', '[{"path":[],"value":1}]', '"x"']) {
      localStorage.setItem(`zero-pour.unsent.${ID}`, text);
      expect(readPending(ID)).toEqual([]);
    }
  });
});

describe('what was worked out', () => {
  it('is kept without a step to take back', async () => {
    const pours = usePours();
    await pours.load(ID);
    type('harbour');
    pours.note(ID, ['wayUp', 'supported'], []);
    expect(pours.undoCount).toBe(1);
    pours.undo();
    expect(shown()).toBeUndefined();
    await settle();
    expect(server.pour.doc.wayUp.supported).toEqual([]);
    pours.note(ID, ['wayUp', 'supported'], []);
    await settle();
    expect(server.received.filter((changes) => changes.some((c) => c.path[1] === 'supported'))).toHaveLength(
      1,
    );
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
    expect(server.pour.doc).toEqual(emptyPourDoc());
  });
});

it('keeps only the last of several changes of one field', () => {
  const first = mergeChange([], { path: NOTE, value: 'a' });
  expect(mergeChange(first, { path: NOTE, value: 'b' })).toEqual([{ path: NOTE, value: 'b' }]);
  expect(mergeChange(first, { path: ['brief', 'notes'], value: 'b' })).toHaveLength(2);
});
